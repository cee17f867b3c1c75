import { factsOf, type Job, type JobWithLog } from '@rusty-wren/contract';
import { mayShareCan, readJob, type Entry } from '@rusty-wren/core/log';
import type { Db } from '../db/pool';
import { readSqueezes } from '../specs/squeeze';
import { readLogs } from './log';
import { JOB_COLUMNS, jobOf, type JobRow } from './rows';

/** Open jobs of one owner are few; more than this would not help anybody. */
const MOST = 12;

/** The owner's other open jobs whose machines are said to drink from the same can, with their logs, newest first. */
export async function readSameCan(
  db: Db,
  job: Job,
  entries: readonly Entry[],
): Promise<JobWithLog['sameCan']> {
  const own = readJob(entries, factsOf(job.machine));
  if (!own.history.sharedCan) return [];
  const others = await db.query<JobRow>(
    `SELECT ${JOB_COLUMNS} JOIN job_card k ON k.job_id = j.id
     WHERE k.customer_id = $1 AND k.stage <> 'closed' AND k.shared_can AND j.id <> $2 ORDER BY j.tag DESC LIMIT ${MOST}`,
    [job.customer.id, job.id],
  );
  const logs = await readLogs(
    db,
    others.rows.map((row) => row.id),
  );
  const squeezes = await readSqueezes(db, others.rows);
  return others.rows
    .map((row) => ({ job: jobOf(row, squeezes(row)), entries: logs.get(row.id) ?? [] }))
    .filter((mate) => mayShareCan(own, readJob(mate.entries, factsOf(mate.job.machine))));
}
