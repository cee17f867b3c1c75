import { MOST_PHOTOS } from '@rusty-wren/contract';
import type pg from 'pg';
import { refuse } from '../http/problem';
import type { Looked } from './look';

/**
 * Keeps a photo by its hash and hangs it on a job, inside the caller's transaction. Both are harmless when done again. Throws a
 * 404 for no such job, a 409 where the job has as many as it takes.
 */
export async function hangPhoto(
  client: pg.PoolClient,
  jobId: string,
  hash: string,
  { type, width, height, bytes }: Looked & { bytes: Buffer },
): Promise<void> {
  // The job's row says whose turn it is: two at once cannot both be the last that may.
  const { rowCount } = await client.query('SELECT 1 FROM job WHERE id = $1 FOR NO KEY UPDATE', [jobId]);
  if (rowCount === 0) throw refuse(404, 'No such job.');
  const { rows } = await client.query<{ others: number }>(
    'SELECT count(*)::integer AS others FROM job_attachment WHERE job_id = $1 AND hash <> $2',
    [jobId, hash],
  );
  if (rows[0]!.others >= MOST_PHOTOS)
    throw refuse(409, `The job has ${MOST_PHOTOS} photos; it takes no more.`);
  await client.query(
    `INSERT INTO attachment (hash, type, width, height, bytes) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT DO NOTHING`,
    [hash, type, width, height, bytes],
  );
  await client.query('INSERT INTO job_attachment (job_id, hash) VALUES ($1, $2) ON CONFLICT DO NOTHING', [
    jobId,
    hash,
  ]);
}
