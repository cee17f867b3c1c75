import type { GivenPaper } from '@rusty-wren/core/log';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { refuse } from '../http/problem';
import { hashOfToken, isToken, newToken } from '../http/token';
import { givenPaper } from '../papers/given';

/** A report is answered within so many days; how a machine goes is asked over a season. */
export const LINK_DAYS = { report: 30, card: 120 } as const;
const DAY_MS = 86_400_000;

/** Opens a page for a given report or a card that went home; the one it had is withdrawn. The token is told once and kept nowhere. */
export async function openLink(
  pool: Pool,
  jobId: string,
  entryId: string,
): Promise<{ token: string; expiresAt: string }> {
  return inTransaction(pool, async (client) => {
    await client.query('SELECT 1 FROM job WHERE id = $1 FOR NO KEY UPDATE', [jobId]);
    const paper = await givenPaper(client, jobId, entryId);
    if (paper?.paper !== 'report' && paper?.paper !== 'card') throw refuse(404, 'No such report or card.');
    await withdrawLink(client, jobId, entryId);
    const token = newToken();
    const expiresAt = new Date(Date.now() + LINK_DAYS[paper.paper] * DAY_MS);
    await client.query(
      'INSERT INTO owner_link (token_hash, job_id, entry_id, expires_at) VALUES ($1, $2, $3, $4)',
      [hashOfToken(token), jobId, entryId, expiresAt],
    );
    return { token, expiresAt: expiresAt.toISOString() };
  });
}

/** Withdraws a report's page; harmless where it has none. */
export const withdrawLink = (db: Db, jobId: string, entryId: string): Promise<unknown> =>
  db.query(
    'UPDATE owner_link SET withdrawn_at = now() WHERE job_id = $1 AND entry_id = $2 AND withdrawn_at IS NULL',
    [jobId, entryId],
  );

/** What a link opens: one report or card of one job, and whether it was answered. */
export interface Opened {
  jobId: string;
  paper: GivenPaper;
  answeredAt: Date | null;
}

/** What a token opens. Null, whatever is wrong with it: unknown, withdrawn, over, or its report struck. */
export async function openedBy(db: Db, token: string): Promise<Opened | null> {
  if (!isToken(token)) return null;
  const { rows } = await db.query<{ job_id: string; entry_id: string; answered_at: Date | null }>(
    `SELECT job_id, entry_id, answered_at FROM owner_link
     WHERE token_hash = $1 AND withdrawn_at IS NULL AND expires_at > now()`,
    [hashOfToken(token)],
  );
  const link = rows[0];
  if (!link) return null;
  const paper = await givenPaper(db, link.job_id, link.entry_id);
  return paper && { jobId: link.job_id, paper, answeredAt: link.answered_at };
}

/** Marks a token as answered; false where it was before, or is not open any more. */
export async function answered(db: Db, token: string): Promise<boolean> {
  const { rowCount } = await db.query(
    `UPDATE owner_link SET answered_at = now()
     WHERE token_hash = $1 AND answered_at IS NULL AND withdrawn_at IS NULL AND expires_at > now()`,
    [hashOfToken(token)],
  );
  return rowCount === 1;
}

/** Waits until no other answer by this token is being taken; false where it is not open any more. */
export async function heldOpen(db: Db, token: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'SELECT 1 FROM owner_link WHERE token_hash = $1 AND withdrawn_at IS NULL AND expires_at > now() FOR UPDATE',
    [hashOfToken(token)],
  );
  return rowCount === 1;
}
