import {
  factsOf,
  faultyText,
  problemOfEntry,
  type Delivery,
  type NewEntry,
  type Parcel,
} from '@rusty-wren/contract';
import { readJob, type Entry } from '@rusty-wren/core/log';
import { HTTPException } from 'hono/http-exception';
import pg from 'pg';
import { problemOfNoting, signed } from '../access/noting';
import type { Session } from '../access/sessions';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { refuse } from '../http/problem';
import { readSqueezes } from '../specs/squeeze';
import { readLog } from './log';
import { isRefusal, noteEntries, type Refusal } from './note';
import { JOB_COLUMNS, jobOf, type JobRow } from './rows';

/** Closes a job without a written reason: nothing may be left open by its log then. */
export const closesUnsaid = ({ entry }: Parcel): boolean =>
  entry.kind === 'stage' && entry.body.stage === 'closed' && !entry.body.reason;

/** What a job's log still leaves open, in words; null when it is finished, or there is no such job. */
export async function openEndOf(db: Db, jobId: string): Promise<string | null> {
  const { rows } = await db.query<JobRow>(`SELECT ${JOB_COLUMNS} WHERE j.id = $1`, [jobId]);
  const row = rows[0];
  if (!row) return null;
  const { machine } = jobOf(row, (await readSqueezes(db, [row]))(row));
  return readJob(await readLog(db, jobId), factsOf(machine)).openEnds[0]?.says ?? null;
}

/** Notes a closing, or takes nothing in and says what is not finished. */
async function noteClosing(pool: Pool, parcel: Parcel): Promise<Entry | Refusal> {
  try {
    return await inTransaction(pool, async (client) => {
      const [outcome] = await noteEntries(client, [parcel]);
      const open = isRefusal(outcome!) ? null : await openEndOf(client, parcel.jobId);
      if (open) throw refuse(400, `body.reason is missing, and the job is not finished: ${open}`);
      return outcome!;
    });
  } catch (error) {
    if (error instanceof HTTPException) return { status: 400, error: error.message };
    throw error;
  }
}

/** Whether the database would not have the data itself, whoever sends it and however often. */
const isBadData = (error: unknown): boolean =>
  error instanceof pg.DatabaseError && /^2[23]/.test(error.code ?? '');

/**
 * Notes parcels in order. What the database itself will not have is looked for by halves, so that it takes nothing else
 * with it.
 */
async function note(pool: Pool, parcels: readonly Parcel[]): Promise<(Entry | Refusal)[]> {
  try {
    return await noteEntries(pool, parcels);
  } catch (error) {
    if (!isBadData(error)) throw error;
    if (parcels.length === 1) return [{ status: 400, error: 'the database does not take it.' }];
    const half = parcels.length >> 1;
    return [...(await note(pool, parcels.slice(0, half))), ...(await note(pool, parcels.slice(half)))];
  }
}

/** The parcels cut where a job is closed without a reason: each such closing stands alone. */
function atClosings(parcels: readonly Parcel[]): Parcel[][] {
  const runs: Parcel[][] = [[]];
  for (const parcel of parcels) {
    if (closesUnsaid(parcel)) runs.push([parcel], []);
    else runs.at(-1)!.push(parcel);
  }
  return runs.filter((run) => run.length > 0);
}

/**
 * Takes in what it can of the parcels, in order, from a device in somebody's hands, and says of each of the others why not. Entries are checked here one by one:
 * a bad one takes no good one with it.
 */
export async function deliver(
  pool: Pool,
  session: Session,
  sent: readonly { jobId: string; entry: object }[],
): Promise<Delivery> {
  const refused: Delivery['refused'] = [];
  const sound: { at: number; parcel: Parcel }[] = [];
  for (const [at, { jobId, entry }] of sent.entries()) {
    const faulty = faultyText(entry);
    const problem = faulty
      ? `${faulty} holds a character that no text has.`
      : (problemOfEntry(entry) ?? (await problemOfNoting(pool, session, entry as NewEntry)));
    if (problem) refused.push({ at, error: problem });
    else sound.push({ at, parcel: { jobId, entry: signed(session, entry as NewEntry) } });
  }
  const outcomes: (Entry | Refusal)[] = [];
  for (const run of atClosings(sound.map((s) => s.parcel)))
    outcomes.push(...(closesUnsaid(run[0]!) ? [await noteClosing(pool, run[0]!)] : await note(pool, run)));
  const stored = new Map<string, Entry[]>();
  outcomes.forEach((outcome, i) => {
    const { at, parcel } = sound[i]!;
    if (isRefusal(outcome)) refused.push({ at, error: outcome.error });
    else if (!stored.get(parcel.jobId)?.push(outcome)) stored.set(parcel.jobId, [outcome]);
  });
  return {
    stored: [...stored].map(([jobId, entries]) => ({ jobId, entries })),
    refused: refused.sort((x, y) => x.at - y.at),
  };
}
