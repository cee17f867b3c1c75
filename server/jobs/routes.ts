import {
  checkInSchema,
  entriesSchema,
  parcelsSchema,
  type CheckIn,
  type JobWithLog,
  type NewEntry,
} from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import { Hono } from 'hono';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { checkedBody, pathId, refuse } from '../http/problem';
import type { Announcer } from '../stream/announcer';
import { checkIn } from './checkIn';
import { closesUnsaid, deliver, openEndOf } from './deliver';
import { appendEntries, readLog } from './log';
import { readRack } from './rack';
import { JOB_COLUMNS, jobOf, type JobRow } from './rows';
import { readCarburettor } from '../specs/carburettor';
import { readSqueeze } from '../specs/squeeze';
import { readSameCan } from './sameCan';

async function readJobWithLog(db: Db, id: string): Promise<JobWithLog> {
  const { rows } = await db.query<JobRow>(`SELECT ${JOB_COLUMNS} WHERE j.id = $1`, [id]);
  const row = rows[0];
  if (!row) throw refuse(404, 'No such job.');
  const squeezes = (await readSqueeze(db, row))(row);
  const carburettor = await readCarburettor(db, row);
  const known = jobOf(row, squeezes);
  const job = carburettor ? { ...known, machine: { ...known.machine, carburettor } } : known;
  const entries = await readLog(db, id);
  return { job, entries, squeezes, sameCan: await readSameCan(db, job, entries) };
}

/** Adds entries to a job's log, all or none; a closing without a reason only when nothing is left open by it. */
async function addAll(pool: Pool, jobId: string, entries: readonly NewEntry[]): Promise<Entry[]> {
  const closing = entries.findIndex((entry) => closesUnsaid({ jobId, entry }));
  // One entry is taken in or not: that needs no transaction round it.
  if (entries.length === 1 && closing < 0) return await appendEntries(pool, jobId, entries);
  return await inTransaction(pool, async (client) => {
    const added = await appendEntries(client, jobId, entries);
    const open = closing < 0 ? null : await openEndOf(client, jobId);
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
    const delivery = await deliver(pool, parcels);
    for (const { jobId, entries } of delivery.stored) announcer.grew(jobId, entries);
    return c.json(delivery);
  });

/** The rack, check-in, one job, and adding to its log. */
export function jobRoutes(pool: Pool, announcer: Announcer): Hono {
  return new Hono()
    .get('/', async (c) => {
      const which = c.req.query('show') ?? 'open';
      if (which !== 'open' && which !== 'closed') throw refuse(400, 'show must be open or closed.');
      return c.json(await readRack(pool, which, new Date().toISOString()));
    })
    .post('/', async (c) => {
      const wanted = await checkedBody<CheckIn>(c, checkInSchema);
      announcer.grew(wanted.jobId, await inTransaction(pool, (client) => checkIn(client, wanted)));
      return c.json(await readJobWithLog(pool, wanted.jobId), 201);
    })
    .get('/:id', async (c) => c.json(await readJobWithLog(pool, pathId(c, 'id'))))
    .post('/:id/entries', async (c) => {
      const id = pathId(c, 'id');
      const { entries } = await checkedBody<{ entries: NewEntry[] }>(c, entriesSchema);
      const added = await addAll(pool, id, entries);
      announcer.grew(id, added);
      return c.json({ entries: added }, 201);
    });
}
