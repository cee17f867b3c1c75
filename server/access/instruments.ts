import type { Instrument } from '@rusty-wren/contract';
import type { Db } from '../db/pool';
import { hashOfToken, isToken, newToken } from '../http/token';

/** Whether a request brings the token of an instrument that is still let in: `Authorization: Bearer …`. */
export async function isInstrument(db: Db, authorization: string | undefined): Promise<boolean> {
  const token = /^Bearer (.+)$/i.exec(authorization ?? '')?.[1] ?? '';
  if (!isToken(token)) return false;
  const { rowCount } = await db.query(
    'SELECT 1 FROM instrument WHERE token_hash = $1 AND withdrawn_at IS NULL',
    [hashOfToken(token)],
  );
  return rowCount === 1;
}

/** Lets an instrument in. Returns its token, which is shown once; null where the id is taken. */
export async function letIn(
  db: Db,
  { id, name, by }: { id: string; name: string; by: string },
): Promise<string | null> {
  const token = newToken();
  const { rowCount } = await db.query(
    'INSERT INTO instrument (id, name, token_hash, made_by) VALUES ($1, $2, $3, $4) ON CONFLICT (id) DO NOTHING',
    [id, name, hashOfToken(token), by],
  );
  return rowCount ? token : null;
}

/** Lets an instrument in no more. Returns its name; null where there is none such. */
export async function withdraw(db: Db, id: string): Promise<string | null> {
  const { rows } = await db.query<{ name: string }>(
    'UPDATE instrument SET withdrawn_at = now() WHERE id = $1 AND withdrawn_at IS NULL RETURNING name',
    [id],
  );
  return rows[0]?.name ?? null;
}

/** Instruments that are let in. */
export async function instruments(db: Db): Promise<Instrument[]> {
  const { rows } = await db.query<{ id: string; name: string; made_at: Date }>(
    'SELECT id, name, made_at FROM instrument WHERE withdrawn_at IS NULL ORDER BY name, made_at',
  );
  return rows.map(({ id, name, made_at }) => ({ id, name, madeAt: made_at.toISOString() }));
}
