import type { NewEntry, Parcel } from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import type pg from 'pg';
import type { Db } from '../db/pool';
import { project } from '../cards/project';
import { refuse } from '../http/problem';

const DAY_MS = 86_400_000;

/** Why an entry was not taken in. */
export interface Refusal {
  status: 400 | 404 | 409;
  error: string;
}

const REFUSALS: Readonly<Record<string, Refusal>> = {
  'no-job': { status: 404, error: 'No such job.' },
  'other-job': { status: 409, error: 'id belongs to another job.' },
  'no-account': { status: 400, error: 'by names nobody on the books.' },
  'no-target': { status: 400, error: 'strikes names no entry of this job.' },
};

/** An entry as it stands on the log: who sent it is said where it was somebody else. */
const standing = ({ sentBy, ...entry }: NewEntry, seq: number): Entry => ({
  ...(entry as NewEntry),
  ...(sentBy && sentBy !== entry.by && { sentBy }),
  seq,
  notedAt: new Date(entry.notedAt).toISOString(),
});

/** Whether an entry is dated later than any clock that is right can say. */
const isAhead = (entry: NewEntry, now: number): boolean => Date.parse(entry.notedAt) > now + DAY_MS;
const AHEAD: Refusal = { status: 400, error: 'notedAt lies in the future.' };

/**
 * Adds entries to their jobs' logs, in the order given, in one statement; their jobs' cards are behind then, until they are made anew.
 * One already there is passed over, so sending twice is harmless. Returns, entry by entry, what stands on the log with its order, or why it was not taken in.
 */
export async function noteEntries(db: Db, parcels: readonly Parcel[]): Promise<(Entry | Refusal)[]> {
  const now = Date.now();
  const sent = parcels.flatMap(({ jobId, entry }, at) => (isAhead(entry, now) ? [] : [{ at, jobId, entry }]));
  const outcomes: (Entry | Refusal)[] = parcels.map(() => AHEAD);
  if (sent.length === 0) return outcomes;
  const { rows } = await db.query<{ n: number; seq: number | null; refusal: string | null }>({
    name: 'note_entries',
    text: 'SELECT n, seq, refusal FROM note_entries($1)',
    values: [
      JSON.stringify(
        sent.map(({ jobId, entry: { id, notedAt, by, sentBy, kind, body, strikes } }) => ({
          job: jobId,
          id,
          noted_at: notedAt,
          account: by,
          kind,
          body,
          strikes,
          sender: sentBy,
        })),
      ),
    ],
  });
  for (const { n, seq, refusal } of rows) {
    const { at, entry } = sent[n - 1]!;
    outcomes[at] = refusal ? REFUSALS[refusal]! : standing(entry, seq!);
  }
  return outcomes;
}

/** Whether an entry was not taken in. */
export const isRefusal = (outcome: Entry | Refusal): outcome is Refusal => 'error' in outcome;

/**
 * Adds entries to one job's log, all or none, and makes its card anew: inside the caller's transaction, which a throw rolls back. Throws
 * 404 for no such job, 409 for an id that belongs to another job, 400 for a strike at nothing or a time that has not come.
 */
export async function appendEntries(
  client: pg.PoolClient,
  jobId: string,
  entries: readonly NewEntry[],
): Promise<Entry[]> {
  const added = await addEntries(client, jobId, entries);
  await project(client, [jobId]);
  return added;
}

/** The same, with the card left behind: a single entry needs no transaction. */
export async function addEntries(db: Db, jobId: string, entries: readonly NewEntry[]): Promise<Entry[]> {
  const outcomes = await noteEntries(
    db,
    entries.map((entry) => ({ jobId, entry })),
  );
  const at = outcomes.findIndex(isRefusal);
  if (at < 0) return outcomes as Entry[];
  const { status, error } = outcomes[at] as Refusal;
  throw refuse(status, status === 404 ? error : `entries[${at}].${error}`);
}
