import { Hono } from 'hono';
import type { Pool } from '../db/pool';
import { pathId, refuse } from '../http/problem';
import { givenPaper } from './given';
import { print } from './printer';
import { SHEETS, type Sheet } from './sheets';

/** The photos of a paper as they are kept, by hash. */
async function photosFor(pool: Pool, hashes: readonly string[]): Promise<Map<string, Buffer>> {
  if (hashes.length === 0) return new Map();
  const { rows } = await pool.query<{ hash: string; bytes: Buffer }>(
    'SELECT hash, bytes FROM attachment WHERE hash = ANY($1)',
    [hashes],
  );
  return new Map(rows.map((r) => [r.hash, r.bytes]));
}

/** Given papers as PDF. */
export const paperRoutes = (pool: Pool): Hono =>
  new Hono().get('/jobs/:id/papers/:entry/pdf', async (c) => {
    const id = pathId(c, 'id');
    const entryId = pathId(c, 'entry', 'paper');
    const sheet = c.req.query('sheet') ?? 'a4';
    if (!SHEETS.includes(sheet as Sheet)) throw refuse(400, `sheet must be one of [${SHEETS.join(', ')}].`);
    const paper = await givenPaper(pool, id, entryId);
    if (!paper) throw refuse(404, 'No such paper.');
    const photos = await photosFor(
      pool,
      paper.blocks.flatMap((b) => (b.is === 'photo' ? [b.hash] : [])),
    );
    const pdf = await print({ paper, sheet: sheet as Sheet, photos });
    return c.body(new Uint8Array(pdf), 200, {
      'Content-Type': 'application/pdf',
      // Opened by whoever is signed in then.
      'Cache-Control': 'private, no-cache',
      'Content-Disposition': `inline; filename="${paper.paper}-${paper.version}.pdf"`,
    });
  });
