import { inTransaction, type Db, type Pool } from '../db/pool';
import { refuse } from '../http/problem';

/**
 * Wrong tries in a row of one name in one place; of one name from all places where it is not known; and from one address. So many
 * close that, and nothing else: a device on which somebody has proved before who they are is closed by its own tries alone.
 */
const MOST = { pair: 5, name: 50, address: 30 } as const;
/** How far back they count, minutes. Of one name: OWASP ASVS 2.2.1 wants at most 100 an hour. */
const COUNTED_MIN = { pair: 15, name: 60, address: 15 } as const;
/** Any fixed number: tries are counted one after another. */
const LOCK = 460_046_816;
/** A wrong try is answered later each time, up to so many times the first; a name guessed at elsewhere, a step later for so many. */
const SLOW = { firstMs: 100, most: 30 };
const GUESSES_A_STEP = 5;

/** Whose secret is tried, and where: `device` is one on which they have proved before who they are, null where it is none. */
export interface Tried {
  account: string;
  address: string;
  device: string | null;
}

export interface Try {
  id: string;
  /** How often its answer is put off: wrong ones before it. */
  before: number;
  /** With it something is closed, where it is wrong. */
  last: boolean;
}

/** Wrong tries that count, newest first. */
interface Counts {
  pair: Date[];
  name: Date[];
  address: Date[];
}

/** Minutes until the oldest of as many as close no longer counts; null where there are fewer. */
function closedFor(which: keyof Counts, counts: Counts, now: number): number | null {
  const nth = counts[which][MOST[which] - 1];
  return nth ? Math.max(1, Math.ceil(COUNTED_MIN[which] - (now - nth.getTime()) / 60_000)) : null;
}

const minutes = (n: number): string => (n === 1 ? 'a minute' : `${n} minutes`);
const CLOSED: Readonly<Record<keyof Counts, (wait: string) => string>> = {
  pair: (wait) => `Too many wrong tries by this name here; wait ${wait}, or ask the lead.`,
  name: (wait) =>
    `Somebody is guessing at this name; wait ${wait}, sign in on a device it is known on, or ask the lead.`,
  address: (wait) => `Too many wrong tries from this device; wait ${wait}.`,
};

async function countsOf(db: Db, { account, address, device }: Tried): Promise<Counts & { now: Date }> {
  const { rows } = await db.query<Counts & { now: Date }>(
    `SELECT now(),
       ARRAY(SELECT at FROM sign_in_try WHERE account_id = $1 AND NOT good AND at > now() - interval '${COUNTED_MIN.pair} minutes'
         AND (session_id = $3 OR $3::uuid IS NULL AND session_id IS NULL AND address = $2)
         AND id > coalesce((SELECT max(id) FROM sign_in_try WHERE account_id = $1 AND good
           AND (session_id = $3 OR $3::uuid IS NULL AND address = $2)), 0)
         ORDER BY id DESC LIMIT ${MOST.pair}) AS pair,
       ARRAY(SELECT at FROM sign_in_try WHERE $3::uuid IS NULL AND account_id = $1 AND session_id IS NULL AND NOT good
         AND at > now() - interval '${COUNTED_MIN.name} minutes' ORDER BY id DESC LIMIT ${MOST.name}) AS name,
       ARRAY(SELECT at FROM sign_in_try WHERE $3::uuid IS NULL AND address = $2 AND session_id IS NULL AND NOT good
         AND at > now() - interval '${COUNTED_MIN.address} minutes' ORDER BY id DESC LIMIT ${MOST.address}) AS address`,
    [account, address, device],
  );
  return rows[0]!;
}

/**
 * Begins a try of a name's secret: it counts as wrong until it has proved right, so that many at once gain nothing. Throws 429 where
 * that is closed, with how long it will be.
 */
export async function beginTry(pool: Pool, tried: Tried): Promise<Try> {
  return await inTransaction(pool, async (client) => {
    await client.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
    await client.query("DELETE FROM sign_in_try WHERE at < now() - interval '1 day'");
    const { now, ...counts } = await countsOf(client, tried);
    const closes = ['pair', 'name', 'address'] as const;
    for (const which of closes) {
      const wait = closedFor(which, counts, now.getTime());
      if (wait !== null) throw refuse(429, CLOSED[which](minutes(wait)));
    }
    const made = await client.query<{ id: string }>(
      'INSERT INTO sign_in_try (account_id, address, session_id) VALUES ($1, $2, $3) RETURNING id',
      [tried.account, tried.address, tried.device],
    );
    return {
      id: made.rows[0]!.id,
      before: Math.max(counts.pair.length, Math.floor(counts.name.length / GUESSES_A_STEP)),
      last: closes.some((which) => counts[which].length + 1 === MOST[which]),
    };
  });
}

/** The secret was right. */
export const wasRight = (pool: Pool, { id }: Try): Promise<unknown> =>
  pool.query('UPDATE sign_in_try SET good = true WHERE id = $1', [id]);

/** How long to wait before a wrong try is answered, ms: longer each time. */
export const slowed = ({ before }: Pick<Try, 'before'>): number =>
  SLOW.firstMs * Math.min(2 ** before, SLOW.most);

/** Puts a first wrong try off by another time from now on, ms: for tests, which try hundreds. Returns what it was. */
export function slowAt(firstMs: number): number {
  const was = SLOW.firstMs;
  SLOW.firstMs = firstMs;
  return was;
}

/** The lead has set a new secret: what was tried before counts no more. */
export const forgetTries = (db: { query: Pool['query'] }, account: string): Promise<unknown> =>
  db.query('DELETE FROM sign_in_try WHERE account_id = $1', [account]);
