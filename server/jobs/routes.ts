import {
  checkInSchema,
  entriesSchema,
  factsOf,
  parcelsSchema,
  uuid,
  type CheckIn,
  type JobWithLog,
  type NewEntry,
} from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import { Hono, type Context } from 'hono';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { sessionIn } from '../access/guard';
import { allSigned } from '../access/noting';
import { checkedBody, pathId, refuse } from '../http/problem';
import type { Announcer } from '../stream/announcer';
import { checkIn } from './checkIn';
import { closesUnsaid, deliver, openEndOf } from './deliver';
import { readLog } from './log';
import { addEntries, appendEntries } from './note';
import { JOB_COLUMNS, jobOf, type JobRow } from './rows';
import { readNotesOf } from '../specs/modelNotes';
import { readCarburettor } from '../specs/carburettor';
import { learntHere, readLearnt } from '../learning/read';
import { modelKey, readLatelyLow, readSqueezes, readSqueezesOf } from '../specs/squeeze';
import type { Outlooks } from '../cards/outlooks';
import { understood } from '../find/understood';
import { readClosed, readRack, type After } from '../cards/rack';
import { readSameCan } from './sameCan';

async function readJobWithLog(db: Db, id: string): Promise<JobWithLog> {
  const { rows } = await db.query<JobRow>(`SELECT ${JOB_COLUMNS} WHERE j.id = $1`, [id]);
  const row = rows[0];
  if (!row) throw refuse(404, 'No such job.');
  const [squeezesOf, own, carburettor, modelNotes, latelyLow, entries, learning] = await Promise.all([
    readSqueezes(db, [row]),
    readSqueezesOf(db, row.machine_id),
    readCarburettor(db, row),
    readNotesOf(db, row),
    readLatelyLow(db),
    readLog(db, id),
    readLearnt(db),
  ]);
  const squeezes = [...own, ...squeezesOf(row).filter((s) => s.machineId !== row.machine_id)].sort((x, y) =>
    x.notedAt.localeCompare(y.notedAt),
  );
  const known = jobOf(row, squeezes);
  const job = carburettor ? { ...known, machine: { ...known.machine, carburettor } } : known;
  const learnt = learntHere(learning, factsOf(job.machine), modelKey(row));
  const { paces } = learning;
  return {
    job,
    entries,
    squeezes,
    ...(latelyLow && { latelyLow }),
    ...(modelNotes.length > 0 && { modelNotes }),
    ...(learnt && { learnt }),
    ...(paces && { paces }),
    sameCan: await readSameCan(db, job, entries),
  };
}

/** Adds entries to a job's log, all or none; a closing without a reason only when nothing is left open by it. */
async function addAll(pool: Pool, jobId: string, entries: readonly NewEntry[]): Promise<Entry[]> {
  const closing = entries.findIndex((entry) => closesUnsaid({ jobId, entry }));
  if (closing < 0)
    return entries.length === 1
      ? addEntries(pool, jobId, entries)
      : inTransaction(pool, (client) => addEntries(client, jobId, entries));
  return await inTransaction(pool, async (client) => {
    const added = await appendEntries(client, jobId, entries);
    const open = await openEndOf(client, jobId);
    if (open)
      throw refuse(400, `entries[${closing}].body.reason is missing, and the job is not finished: ${open}`);
    return added;
  });
}

/** Entries of any jobs in one go, each taken in or refused by itself. */
export const entryRoutes = (pool: Pool, announcer: Announcer): Hono =>
  new Hono().post('/', async (c) => {
    const { parcels } = await checkedBody<{ parcels: { jobId: string; entry: object }[] }>(c, parcelsSchema, {
      textsLater: true,
    });
    const delivery = await deliver(pool, sessionIn(c), parcels);
    for (const { jobId, entries } of delivery.stored) announcer.grew(jobId, entries);
    return c.json(delivery);
  });

/** After which closed job a page is asked for. */
function afterAsked(c: Context): After | null {
  const [since, id] = [c.req.query('since'), c.req.query('after')];
  if (since === undefined && id === undefined) return null;
  if (since === undefined || id === undefined) throw refuse(400, 'since and after go together.');
  if (Number.isNaN(Date.parse(since))) throw refuse(400, 'since must be a moment.');
  if (uuid.validate(id).error) throw refuse(400, 'after must be an id.');
  return { since, id };
}

/** The rack, check-in, one job, and adding to its log. */
export function jobRoutes(
  pool: Pool,
  { announcer, outlooks, patience }: { announcer: Announcer; outlooks: Outlooks; patience: number },
): Hono {
  return new Hono()
    .get('/', async (c) => {
      const which = c.req.query('show') ?? 'open';
      if (which === 'open')
        return c.json(await readRack(pool, outlooks, { now: new Date().toISOString(), patience }));
      if (which !== 'closed') throw refuse(400, 'show must be open or closed.');
      const after = afterAsked(c);
      const words = c.req.query('words')?.trim();
      if (!words) return c.json(await readClosed(pool, { after, asked: null }));
      const { query: asked } = await understood(pool, words);
      // What is like nothing finds nothing, not everything.
      return c.json(asked === null ? { tags: [], next: null } : await readClosed(pool, { after, asked }));
    })
    .post('/', async (c) => {
      const asked = await checkedBody<CheckIn>(c, checkInSchema);
      const entries = await allSigned(pool, sessionIn(c), asked.entries, { atCheckIn: true });
      const wanted = { ...asked, entries };
      const added = await inTransaction(pool, (client) => checkIn(client, wanted));
      if (added.length > 0) announcer.grew(wanted.jobId, added);
      return c.json(await readJobWithLog(pool, wanted.jobId), 201);
    })
    .get('/:id', async (c) => c.json(await readJobWithLog(pool, pathId(c, 'id'))))
    .post('/:id/entries', async (c) => {
      const id = pathId(c, 'id');
      const { entries } = await checkedBody<{ entries: NewEntry[] }>(c, entriesSchema);
      const added = await addAll(pool, id, await allSigned(pool, sessionIn(c), entries));
      announcer.grew(id, added);
      return c.json({ entries: added }, 201);
    });
}
