import { randomUUID } from 'node:crypto';
import { MOST_WAITED_FOR, type NeedAct, type NeedIn } from '@rusty-wren/contract';
import { makeEntry, readJob, type Entry } from '@rusty-wren/core/log';
import type pg from 'pg';
import { refuse } from '../http/problem';
import { readLog } from '../jobs/log';
import { appendEntries } from '../jobs/note';
import { move } from './ledger';

/** A need as it stands in its row. */
export interface NeedNow {
  id: string;
  job_id: string;
  part_id: string | null;
  count: number;
  state: 'to-order' | 'ordered' | 'reserved' | 'fitted' | 'dropped';
  name: string;
}

/** What grew on which job's log. */
export type Grown = { jobId: string; entries: Entry[] }[];

const lockNeed = async (client: pg.PoolClient, id: string): Promise<NeedNow> => {
  const { rows } = await client.query<NeedNow>(
    'SELECT id, job_id, part_id, count, state, name FROM part_need WHERE id = $1 FOR UPDATE',
    [id],
  );
  if (!rows[0]) throw refuse(404, 'No such part of a job.');
  return rows[0];
};

/** A day as it stands on a tag. */
const dayWords = (day: string): string =>
  new Date(day).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  });

/** A job waits for its parts, or is on its hook again, as its needs say now. Nothing is said that its log says already. */
async function standingOf(
  client: pg.PoolClient,
  jobId: string,
  { by, now = new Date() }: { by?: string | undefined; now?: Date | undefined } = {},
): Promise<Entry[]> {
  const { rows } = await client.query<{ name: string; state: string; expected_on: string | null }>(
    `SELECT n.name, n.state, o.expected_on FROM part_need n LEFT JOIN part_order o ON o.id = n.order_id
     WHERE n.job_id = $1 AND n.state IN ('to-order', 'ordered') ORDER BY n.at`,
    [jobId],
  );
  // Nothing of the machine is asked of the fold here.
  const { stage, waitingFor } = readJob(await readLog(client, jobId), { kind: 'chainsaw' });
  if (stage === 'closed') return [];
  const waits = rows
    .map(
      (n) =>
        `${n.name}${n.state === 'to-order' ? ' (to be ordered)' : n.expected_on ? `, due ${dayWords(n.expected_on)}` : ''}`,
    )
    .join('; ')
    .slice(0, MOST_WAITED_FOR);
  const says =
    rows.length > 0
      ? stage === 'parts' && waitingFor === waits
        ? null
        : ({ stage: 'parts', waitingFor: waits } as const)
      : stage === 'parts'
        ? ({ stage: 'hook' } as const)
        : null;
  if (!says) return [];
  const common = { id: randomUUID(), notedAt: now.toISOString(), ...(by && { by }) };
  return appendEntries(client, jobId, [makeEntry({ kind: 'stage', body: says }, common)]);
}

/** What grows on the logs of these jobs by how their parts stand now. */
export async function standingsOf(
  client: pg.PoolClient,
  jobIds: Iterable<string>,
  as: { by?: string | undefined; now?: Date | undefined } = {},
): Promise<Grown> {
  const grown: Grown = [];
  for (const jobId of new Set(jobIds)) grown.push({ jobId, entries: await standingOf(client, jobId, as) });
  return grown;
}

/** Sees to a part of a job: takes it from the drawer, or puts it on the list. Sent twice, it is seen to once. */
export async function seeTo(
  client: pg.PoolClient,
  jobId: string,
  need: NeedIn,
  now?: Date,
): Promise<Entry[]> {
  const job = await client.query('SELECT 1 FROM job WHERE id = $1', [jobId]);
  if (job.rowCount === 0) throw refuse(404, 'No such job.');
  const known = await client.query('SELECT 1 FROM part_need WHERE id = $1', [need.id]);
  if (known.rowCount) return [];
  const twice = await client.query(
    "SELECT 1 FROM part_need WHERE job_id = $1 AND use = $2 AND state <> 'dropped'",
    [jobId, need.use ?? null],
  );
  if (twice.rowCount) throw refuse(409, 'Somebody has seen to that part already.');
  if (need.part) {
    const part = await client.query('SELECT 1 FROM part WHERE id = $1', [need.part]);
    if (part.rowCount === 0) throw refuse(400, 'part names none of the catalogue.');
  }
  await client.query(
    `INSERT INTO part_need (id, job_id, use, name, part_id, count, state, source)
     VALUES ($1, $2, $3, trim($4), $5, $6, $7, $8)`,
    [
      need.id,
      jobId,
      need.use ?? null,
      need.name,
      need.part ?? null,
      need.count,
      need.do === 'reserve' ? 'reserved' : 'to-order',
      need.source ?? null,
    ],
  );
  if (need.do === 'reserve')
    await move(client, {
      id: randomUUID(),
      part: need.part!,
      kind: 'reserved',
      onHand: 0,
      held: need.count,
      need: need.id,
    });
  return standingOf(client, jobId, { now });
}

/** From which state each act leads to which. */
const ACTS: Readonly<
  Record<NeedAct, { from: readonly NeedNow['state'][]; to: NeedNow['state']; not: string }>
> = {
  reserve: { from: ['to-order', 'ordered'], to: 'reserved', not: 'It is set aside already.' },
  release: { from: ['reserved'], to: 'dropped', not: 'It is not set aside.' },
  fit: { from: ['reserved'], to: 'fitted', not: 'It is not set aside, so it cannot have been fitted.' },
  return: { from: ['fitted'], to: 'dropped', not: 'It was not fitted.' },
  drop: { from: ['to-order', 'ordered'], to: 'dropped', not: 'It is neither on the list nor on its way.' },
  name: { from: ['to-order'], to: 'to-order', not: 'It is ordered already.' },
};

/** Does something with a part of a job: says which it is, takes it, gives it back, fits it. Sent twice, it is done once. */
export async function act(
  client: pg.PoolClient,
  needId: string,
  what: NeedAct,
  { id, by, part }: { id: string; by?: string; part?: string },
): Promise<{ jobId: string; entries: Entry[] }> {
  const need = await lockNeed(client, needId);
  const { from, to, not } = ACTS[what];
  const done = await client.query('SELECT 1 FROM part_move WHERE id = $1', [id]);
  if (done.rowCount || (what === 'drop' && need.state === 'dropped'))
    return { jobId: need.job_id, entries: [] };
  if (!from.includes(need.state)) throw refuse(409, not);
  const of = part ?? need.part_id;
  const line = { id, need: need.id, ...(by && { by }) };
  const { count } = need;
  if (what !== 'drop' && !of) throw refuse(400, 'part is missing: which of the catalogue is it?');
  if (what === 'name') {
    const named = await client.query(
      `UPDATE part_need SET name = p.name, part_id = p.id FROM part p WHERE part_need.id = $1 AND p.id = $2`,
      [need.id, of],
    );
    if (named.rowCount === 0) throw refuse(400, 'part names none of the catalogue.');
  } else if (what !== 'drop') {
    const kinds = {
      reserve: { kind: 'reserved', onHand: 0, held: count },
      release: { kind: 'released', onHand: 0, held: -count },
      fit: { kind: 'fitted', onHand: -count, held: -count },
      return: { kind: 'returned', onHand: count, held: 0 },
    } as const;
    await move(client, { ...line, part: of!, ...kinds[what] });
  }
  await client.query(
    'UPDATE part_need SET state = $2, part_id = coalesce($3, part_id), order_id = NULL WHERE id = $1',
    [need.id, to, of],
  );
  return { jobId: need.job_id, entries: await standingOf(client, need.job_id, { by }) };
}
