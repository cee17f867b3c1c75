import { SETTINGS, type Done, type DoneWhat, type LastChanges, type Setting } from '@rusty-wren/contract';
import type { Context } from 'hono';
import type pg from 'pg';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { addressOf } from '../http/guard';

/**
 * Notes what whoever asks did. `about`: what it was about, without anybody's secret or an owner's name; `account`: who did it, where
 * nobody was signed in yet.
 */
export type Note = (
  what: DoneWhat,
  about?: Record<string, unknown>,
  account?: string | null,
) => Promise<unknown>;

/** Notes on this connection what is done at a place, by whoever is in there. */
const noteFrom =
  (db: Db, { address, by }: { address: string; by: string | null }): Note =>
  (what, about = {}, account = by) =>
    db.query('INSERT INTO audit (account_id, address, what, about) VALUES ($1, $2, $3, $4)', [
      account,
      address,
      what,
      JSON.stringify(about),
    ]);

/** Notes on this connection what a request does, and from where. */
const noteOn = (db: Db, c: Context): Note =>
  noteFrom(db, { address: addressOf(c), by: c.get('session')?.account.id ?? null });

/**
 * Does something and notes who did it, in one transaction: both stand, or neither. Whatever changes who gets in or a setting of the
 * shop goes through here, and nothing is noted any other way but what was refused.
 */
export const deed = <T>(
  pool: Pool,
  c: Context,
  work: (db: pg.PoolClient, note: Note) => Promise<T>,
): Promise<T> => inTransaction(pool, (db) => work(db, noteOn(db, c)));

/** The same of what somebody does on the machine the shop runs on, by no request. */
export const deedHere = <T>(pool: Pool, work: (db: pg.PoolClient, note: Note) => Promise<T>): Promise<T> =>
  inTransaction(pool, (db) => work(db, noteFrom(db, { address: 'this machine', by: null })));

/** Notes what was refused: nothing was done that could be undone with it. */
export const refused = (
  pool: Pool,
  c: Context,
  what: 'wrong-secret' | 'locked-out',
  account: string | null,
): Promise<unknown> => noteOn(pool, c)(what, {}, account);

/** How seldom the same is noted again that is met over and over, hours. */
const SAME_AGAIN_H = { refused: 1, 'calendar-opened': 24, 'device-moved': 12 } as const;

/** Notes what was met and not done, once for a while of the same from the same place. */
export const noteOnce = (
  db: Db,
  c: Context,
  what: keyof typeof SAME_AGAIN_H,
  about: Record<string, unknown>,
  account: string | null,
): Promise<unknown> =>
  db.query(
    `INSERT INTO audit (account_id, address, what, about) SELECT $1::uuid, $2, $3, $4::jsonb
     WHERE NOT EXISTS (SELECT 1 FROM audit WHERE what = $3 AND account_id IS NOT DISTINCT FROM $1::uuid
       AND address IS NOT DISTINCT FROM $2 AND about = $4::jsonb AND at > now() - $5 * interval '1 hour')`,
    [account, addressOf(c), what, JSON.stringify(about), SAME_AGAIN_H[what]],
  );

const MOST = 200;

/** What was done last, newest first; before one of them where it is asked for. */
export async function readDone(db: Db, before: number | null): Promise<Done[]> {
  const { rows } = await db.query<Omit<Done, 'at' | 'n'> & { at: Date; n: string }>(
    `SELECT d.n, d.at, a.name AS who, d.address, d.what, d.about FROM audit d LEFT JOIN account a ON a.id = d.account_id
     WHERE $1::bigint IS NULL OR d.n < $1 ORDER BY d.n DESC LIMIT ${MOST}`,
    [before],
  );
  return rows.map((row) => ({ ...row, n: Number(row.n), at: row.at.toISOString() }));
}

/** Who changed each setting last, and when. */
export async function lastChanges(db: Db): Promise<LastChanges> {
  const { rows } = await db.query<{ what: Setting; at: Date; who: string | null }>(
    `SELECT s.what, d.at, a.name AS who FROM unnest($1::text[]) AS s (what)
     CROSS JOIN LATERAL (SELECT at, account_id FROM audit WHERE audit.what = s.what ORDER BY n DESC LIMIT 1) d
     LEFT JOIN account a ON a.id = d.account_id`,
    [SETTINGS],
  );
  return Object.fromEntries(rows.map(({ what, at, who }) => [what, { at: at.toISOString(), who }]));
}

/** What has changed between two settings, by name: what it was and what it is. */
export function changesBetween(
  was: Readonly<Record<string, unknown>>,
  is: Readonly<Record<string, unknown>>,
): Record<string, [unknown, unknown]> {
  const names = [...new Set([...Object.keys(was), ...Object.keys(is)])];
  return Object.fromEntries(
    names
      .filter((name) => JSON.stringify(was[name]) !== JSON.stringify(is[name]))
      .map((name) => [name, [was[name] ?? null, is[name] ?? null]]),
  );
}
