import { createHash } from 'node:crypto';
import { MOST_PHOTO_BYTES, PHOTO_HASH } from '@rusty-wren/contract';
import { Hono, type Context } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { inTransaction, type Pool } from '../db/pool';
import { pathId, refuse } from '../http/problem';
import { hangPhoto } from './keep';
import { lookAt } from './look';

function pathHash(c: Context): string {
  const hash = c.req.param('hash') ?? '';
  if (!PHOTO_HASH.test(hash)) throw refuse(404, 'No such photo.');
  return hash;
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
      const photo = { ...(await lookAt(bytes)), bytes };
      await inTransaction(pool, (client) => hangPhoto(client, id, hash, photo));
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
        // For a day at the bench; who signs out takes it along.
        'Cache-Control': 'private, max-age=43200',
        'Content-Disposition': 'inline',
      });
    });
