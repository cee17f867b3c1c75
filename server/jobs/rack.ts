import { factsOf, type RackTag } from '@rusty-wren/contract';
import { glance } from '@rusty-wren/core/diagnosis';
import { caseOf, coldStartDue, readJob, type Entry } from '@rusty-wren/core/log';
import { pressing } from '@rusty-wren/core/schedule';
import type { Db } from '../db/pool';
import { readSqueeze } from '../specs/squeeze';
import { readLogs } from './log';
import { JOB_COLUMNS, jobOf, type JobRow } from './rows';

/** Working a job out again gives the same answer, so the last answer is kept until its log or its figures change. */
const workedOut = new Map<string, { seq: number; facts: string; tag: Omit<RackTag, 'job'> }>();

/** What besides the log a tag depends on. */
const factsKey = (job: RackTag['job']): string => JSON.stringify(factsOf(job.machine));

/** A job's tag from its log, or as last worked out when the log has not grown. */
function workOut(job: RackTag['job'], grown: readonly Entry[] | undefined): Omit<RackTag, 'job'> {
  const known = workedOut.get(job.id);
  if (known && !grown) return known.tag;
  const entries = grown ?? [];
  const picture = readJob(entries, factsOf(job.machine));
  const { lead, next } = picture.stage === 'closed' ? { lead: null, next: [] } : glance(caseOf(picture));
  const best = next[0];
  const tag = {
    stage: picture.stage,
    waitingFor: picture.waitingFor,
    stageSince: picture.stageSince,
    complaints: picture.complaints.map((c) => c.complaint),
    settled: picture.settled.map((s) => s.cause),
    lead,
    next: best ? { check: best.check, minutes: best.minutes } : null,
    off: picture.off.length,
    coldStart: picture.stage === 'closed' ? null : coldStartDue(picture.proof),
    entryCount: entries.length,
  };
  workedOut.set(job.id, { seq: entries.at(-1)?.seq ?? 0, facts: factsKey(job), tag });
  return tag;
}

/** The logs of the jobs that have changed since they were last worked out, by job id. */
function grownLogs(
  db: Db,
  jobs: readonly (RackTag['job'] & { seq: number })[],
): Promise<Map<string, Entry[]>> {
  const grown = jobs
    .filter((job) => {
      const known = workedOut.get(job.id);
      return known?.seq !== job.seq || known.facts !== factsKey(job);
    })
    .map((job) => job.id);
  return readLogs(db, grown);
}

/** Every job's tag: the open ones most pressing first, or the closed ones latest first. */
export async function readRack(db: Db, which: 'open' | 'closed', now: string): Promise<RackTag[]> {
  const jobs = await db.query<JobRow & { seq: number }>(
    `SELECT coalesce((SELECT max(e.seq) FROM bench_entry e WHERE e.job_id = j.id), 0) AS seq, ${JOB_COLUMNS} ORDER BY j.tag`,
  );
  const squeezes = await readSqueeze(db);
  const all = jobs.rows.map((row) => ({ job: jobOf(row, squeezes(row)), seq: row.seq }));
  const logs = await grownLogs(
    db,
    all.map(({ job, seq }) => ({ ...job, seq })),
  );
  const tags = all.map(({ job }) => ({ job, ...workOut(job, logs.get(job.id)) }));
  if (which === 'closed') {
    return tags
      .filter((t) => t.stage === 'closed')
      .sort((x, y) => (y.stageSince ?? '').localeCompare(x.stageSince ?? ''));
  }
  const score = (t: RackTag): number =>
    pressing({ stage: t.stage, promisedFor: t.job.promisedFor, stageSince: t.stageSince }, now).score;
  return tags
    .filter((t) => t.stage !== 'closed')
    .sort((x, y) => score(y) - score(x) || x.job.tag - y.job.tag);
}
