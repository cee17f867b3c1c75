import {
  checkInSchema,
  entriesSchema,
  factsOf,
  type CheckIn,
  type JobWithLog,
  type NewEntry,
} from '@rusty-wren/contract';
import { readJob } from '@rusty-wren/core/log';
import { Hono } from 'hono';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { checkedBody, pathId, refuse } from '../http/problem';
import { checkIn } from './checkIn';
import { appendEntries, readLog } from './log';
import { readRack } from './rack';
import { JOB_COLUMNS, jobOf, type JobRow } from './rows';
import { readSqueeze } from '../specs/squeeze';
import { readSameCan } from './sameCan';

/** A job closed without a written reason must have nothing left open by its log. Throws 400 naming what is. */
async function mustBeFinished(db: Db, id: string, added: readonly NewEntry[]): Promise<void> {
  const closing = added.findIndex((e) => e.kind === 'stage' && e.body.stage === 'closed' && !e.body.reason);
  if (closing < 0) return;
  const { rows } = await db.query<JobRow>(`SELECT ${JOB_COLUMNS} WHERE j.id = $1`, [id]);
  const row = rows[0]!;
  const { machine } = jobOf(row, (await readSqueeze(db, row))(row));
  const [open] = readJob(await readLog(db, id), factsOf(machine)).openEnds;
  if (open)
    throw refuse(
      400,
      `entries[${closing}].body.reason is missing, and the job is not finished: ${open.says}`,
    );
}

async function readJobWithLog(db: Db, id: string): Promise<JobWithLog> {
  const { rows } = await db.query<JobRow>(`SELECT ${JOB_COLUMNS} WHERE j.id = $1`, [id]);
  const row = rows[0];
  if (!row) throw refuse(404, 'No such job.');
  const squeezes = (await readSqueeze(db, row))(row);
  const job = jobOf(row, squeezes);
  const entries = await readLog(db, id);
  return { job, entries, squeezes, sameCan: await readSameCan(db, job, entries) };
}

/** The rack, check-in, one job, and adding to its log. */
export function jobRoutes(pool: Pool): Hono {
  return new Hono()
    .get('/', async (c) => {
      const which = c.req.query('show') ?? 'open';
      if (which !== 'open' && which !== 'closed') throw refuse(400, 'show must be open or closed.');
      return c.json(await readRack(pool, which, new Date().toISOString()));
    })
    .post('/', async (c) => {
      const wanted = await checkedBody<CheckIn>(c, checkInSchema);
      await inTransaction(pool, (client) => checkIn(client, wanted));
      return c.json(await readJobWithLog(pool, wanted.jobId), 201);
    })
    .get('/:id', async (c) => c.json(await readJobWithLog(pool, pathId(c, 'id'))))
    .post('/:id/entries', async (c) => {
      const id = pathId(c, 'id');
      const { entries } = await checkedBody<{ entries: NewEntry[] }>(c, entriesSchema);
      return c.json(
        {
          entries: await inTransaction(pool, async (client) => {
            const added = await appendEntries(client, id, entries);
            await mustBeFinished(client, id, entries);
            return added;
          }),
        },
        201,
      );
    });
}
