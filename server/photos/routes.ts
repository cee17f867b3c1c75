import { createHash } from 'node:crypto';
import { MOST_PHOTO_BYTES, MOST_PHOTOS, PHOTO_HASH } from '@rusty-wren/contract';
import { Hono, type Context } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { inTransaction, type Pool } from '../db/pool';
import { pathId, refuse } from '../http/problem';
import { lookAt } from './look';

function pathHash(c: Context): string {
  const hash = c.req.param('hash') ?? '';
  if (!PHOTO_HASH.test(hash)) throw refuse(404, 'No such photo.');
  return hash;
}

/** Keeps a photo by its hash and hangs it on a job. Both are harmless when done again. */
async function keep(pool: Pool, jobId: string, hash: string, bytes: Buffer): Promise<void> {
  const { type, width, height } = await lookAt(bytes);
  await inTransaction(pool, async (client) => {
    // The job's row says whose turn it is: two at once cannot both be the last that may.
    const { rowCount } = await client.query('SELECT 1 FROM job WHERE id = $1 FOR UPDATE', [jobId]);
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
  });
}

const tooLarge = (): Promise<never> =>
  Promise.reject(refuse(413, `The photo is larger than ${MOST_PHOTO_BYTES / 1024 / 1024} MB.`));

/** Photos by their hash: hung on a job, and shown. What a hash names never changes. */
export const photoRoutes = (pool: Pool): Hono =>
  new Hono()
    .put('/jobs/:id/photos/:hash', bodyLimit({ maxSize: MOST_PHOTO_BYTES, onError: tooLarge }), async (c) => {
      const id = pathId(c, 'id');
      const hash = pathHash(c);
      const bytes = Buffer.from(await c.req.arrayBuffer());
      if (createHash('sha256').update(bytes).digest('hex') !== hash)
        throw refuse(400, 'hash is not that of the photo sent.');
      await keep(pool, id, hash, bytes);
      return c.json({ hash }, 201);
    })
    .get('/photos/:hash', async (c) => {
      const { rows } = await pool.query<{ type: string; bytes: Buffer }>(
        'SELECT type, bytes FROM attachment WHERE hash = $1',
        [pathHash(c)],
      );
      const photo = rows[0];
      if (!photo) throw refuse(404, 'No such photo.');
      return c.body(new Uint8Array(photo.bytes), 200, {
        'Content-Type': photo.type,
        'Cache-Control': 'private, max-age=31536000, immutable',
        'Content-Disposition': 'inline',
        'Content-Security-Policy': "default-src 'none'; sandbox",
      });
    });
