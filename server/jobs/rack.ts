import { factsOf, type RackTag } from '@rusty-wren/contract';
import { glanceAhead, type Glance } from '@rusty-wren/core/diagnosis';
import {
  caseOf,
  coldStartDue,
  evidenceFromTheCan,
  phaseOf,
  readJob,
  type CanMate,
  type Entry,
  type Picture,
} from '@rusty-wren/core/log';
import { pressing } from '@rusty-wren/core/schedule';
import type { Db } from '../db/pool';
import { readSqueeze } from '../specs/squeeze';
import { readLogs } from './log';
import { JOB_COLUMNS, jobOf, type JobRow } from './rows';

/** What a job's log comes to, kept until its log or its figures change. */
interface Folded {
  seq: number;
  facts: string;
  picture: Picture;
  entryCount: number;
}
const folded = new Map<string, Folded>();
/** What the engine makes of it, kept until that or a linked can changes. */
const glanced = new Map<string, { key: string; answer: Glance }>();

/** What besides the log a tag depends on. */
const factsKey = (job: RackTag['job']): string => JSON.stringify(factsOf(job.machine));

/** A job's picture from its log, or as last folded when the log has not grown. */
function fold(job: RackTag['job'], grown: readonly Entry[] | undefined): Folded {
  const known = folded.get(job.id);
  if (known && !grown) return known;
  const entries = grown ?? [];
  const now: Folded = {
    seq: entries.at(-1)?.seq ?? 0,
    facts: factsKey(job),
    picture: readJob(entries, factsOf(job.machine)),
    entryCount: entries.length,
  };
  folded.set(job.id, now);
  return now;
}

/** The engine's answer for an open job, with what was found in the same can: as on the bench. */
function answerFor(job: RackTag['job'], own: Folded, mates: readonly CanMate[]): Glance {
  const fromTheCan = evidenceFromTheCan(own.picture, job.id, mates);
  const key = JSON.stringify([own.seq, own.facts, fromTheCan]);
  const known = glanced.get(job.id);
  if (known?.key === key) return known.answer;
  const answer = glanceAhead(caseOf(own.picture, fromTheCan));
  glanced.set(job.id, { key, answer });
  return answer;
}

/** A job's tag: its picture, and what the engine makes of it. */
function tagOf(job: RackTag['job'], own: Folded, mates: readonly CanMate[]): RackTag {
  const { picture } = own;
  const closed = picture.stage === 'closed';
  const answer = closed ? null : answerFor(job, own, mates);
  return {
    job,
    stage: picture.stage,
    waitingFor: picture.waitingFor,
    stageSince: picture.stageSince,
    complaints: picture.complaints.map((c) => c.complaint),
    lead: answer?.lead ?? null,
    phase: phaseOf(picture, answer ?? { next: [], stop: null }),
    mended: picture.settled.filter((s) => s.outcome === 'cured' || s.outcome === 'better'),
    safety: picture.safetyFaults.map((f) => f.words),
    off: picture.off.length,
    inPieces: picture.off.some((item) => item.layer),
    hands: picture.hands,
    toFind: null,
    coldStart: closed ? null : coldStartDue(picture.proof),
    entryCount: own.entryCount,
  };
}

/** The logs of the jobs that have changed since they were last worked out, by job id. */
function grownLogs(
  db: Db,
  jobs: readonly (RackTag['job'] & { seq: number })[],
): Promise<Map<string, Entry[]>> {
  const grown = jobs
    .filter((job) => {
      const known = folded.get(job.id);
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
  const jobsFolded = all.map(({ job }) => ({ job, own: fold(job, logs.get(job.id)) }));
  /** Open jobs whose owner says that several machines drink from one can, by owner. */
  const cans = new Map<string, CanMate[]>();
  for (const { job, own } of jobsFolded)
    if (own.picture.history.sharedCan && own.picture.stage !== 'closed')
      cans.set(job.customer.id, [
        ...(cans.get(job.customer.id) ?? []),
        { jobId: job.id, picture: own.picture },
      ]);
  const tags = jobsFolded.map(({ job, own }) => {
    const mates = own.picture.history.sharedCan ? (cans.get(job.customer.id) ?? []) : [];
    return tagOf(
      job,
      own,
      mates.filter((mate) => mate.jobId !== job.id),
    );
  });
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
