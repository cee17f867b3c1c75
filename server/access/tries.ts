import { inTransaction, type Pool } from '../db/pool';
import { refuse } from '../http/problem';

/** Wrong tries in a row that lock: of one name from one address, of one name from anywhere, and from one address. */
const MOST = { pair: 5, name: 50, address: 30 } as const;
/** How long a lock holds, and how far back tries of one name from anywhere count: OWASP ASVS 2.2.1 wants at most 100 an hour. */
const LOCKED_MIN = 15;
const HOUR_MIN = 60;
/** Any fixed number: tries are counted one after another. */
const LOCK = 460_046_816;
/** A wrong try is answered later each time, ms. */
const SLOW_MS = { first: 100, most: 3000 } as const;

export interface Try {
  id: string;
  /** Wrong ones in a row before it. */
  before: number;
  /** With it the name, or the address, is locked, where it is wrong. */
  last: boolean;
}

/**
 * Begins a try of a name's secret from an address: it counts as wrong until it has proved right, so that many at once gain
 * nothing. Throws 429 when the name, or the address, is locked.
 */
export async function beginTry(pool: Pool, account: string, address: string): Promise<Try> {
  return await inTransaction(pool, async (client) => {
    await client.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
    await client.query("DELETE FROM sign_in_try WHERE at < now() - interval '1 day'");
    const { rows } = await client.query<{ pair: number; name: number; address: number }>(
      `SELECT
         (SELECT count(*)::int FROM sign_in_try t WHERE account_id = $1 AND address = $2
            AND at > now() - interval '${LOCKED_MIN} minutes' AND NOT good
            AND id > coalesce((SELECT max(id) FROM sign_in_try WHERE account_id = $1 AND address = $2 AND good), 0)) AS pair,
         (SELECT count(*)::int FROM sign_in_try WHERE account_id = $1 AND at > now() - interval '${HOUR_MIN} minutes' AND NOT good) AS name,
         (SELECT count(*)::int FROM sign_in_try WHERE address = $2 AND at > now() - interval '${LOCKED_MIN} minutes' AND NOT good) AS address`,
      [account, address],
    );
    const { pair, name, address: from } = rows[0]!;
    if (pair >= MOST.pair || name >= MOST.name)
      throw refuse(429, `Too many wrong tries by this name; wait ${LOCKED_MIN} minutes, or ask the lead.`);
    if (from >= MOST.address)
      throw refuse(429, `Too many wrong tries from this device; wait ${LOCKED_MIN} minutes.`);
    const made = await client.query<{ id: string }>(
      'INSERT INTO sign_in_try (account_id, address) VALUES ($1, $2) RETURNING id',
      [account, address],
    );
    const last = pair + 1 === MOST.pair || name + 1 === MOST.name || from + 1 === MOST.address;
    return { id: made.rows[0]!.id, before: pair, last };
  });
}

/** The secret was right. */
export const wasRight = (pool: Pool, { id }: Try): Promise<unknown> =>
  pool.query('UPDATE sign_in_try SET good = true WHERE id = $1', [id]);

/** How long to wait before a wrong try is answered, ms: longer each time. */
export const slowed = ({ before }: Try): number => Math.min(SLOW_MS.first * 2 ** before, SLOW_MS.most);

/** The lead has set a new secret: what was tried before counts no more. */
export const forgetTries = (db: { query: Pool['query'] }, account: string): Promise<unknown> =>
  db.query('DELETE FROM sign_in_try WHERE account_id = $1', [account]);
