import { causeOf, type CauseId, type ComplaintId } from '../knowledge';
import { COMEBACK_DAYS } from '../log';
import type { Lesson, Thousandths } from './lesson';
import { ONE_CAN_DAYS } from './parameters';

/** A job of an owner, as far as it bears on what the owner's jobs teach. */
export interface OwnersJob {
  id: string;
  machineId: string;
  checkedInAt: string;
  /** ISO 8601; null while it is open: it teaches nothing, and may take another's lesson back. */
  closedAt: string | null;
  complaints: readonly ComplaintId[];
  /** Its machine drinks from the owner's can, as others do. */
  sharedCan: boolean;
  lesson: Lesson | null;
  expected: Thousandths;
}

/** What a job teaches beside the owner's others: what was found, and what was expected, in thousandths of a job. */
export interface Taught {
  counts: number;
  found: Thousandths;
  expected: Thousandths;
}

const DAY_MS = 86_400_000;
const daysFrom = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / DAY_MS;

/** Whether a job's machine came back soon with the same: what was thought to have been wrong was not, or not alone. */
const cameBack = ({ closedAt, machineId, complaints }: OwnersJob, jobs: readonly OwnersJob[]): boolean =>
  closedAt !== null &&
  jobs.some((later) => {
    if (later.machineId !== machineId || later.checkedInAt <= closedAt) return false;
    return (
      daysFrom(closedAt, later.checkedInAt) <= COMEBACK_DAYS &&
      later.complaints.some((c) => complaints.includes(c))
    );
  });

const isFuel = (cause: CauseId): boolean => causeOf(cause).sits === 'fuel';

/** On how many of an owner's machines the same was found in the same can, this one among them. */
const onOneCan = (job: OwnersJob, cause: CauseId, teaching: readonly OwnersJob[]): number =>
  job.sharedCan && isFuel(cause)
    ? teaching.filter(
        (other) =>
          other.sharedCan &&
          other.lesson!.found[cause] !== undefined &&
          Math.abs(daysFrom(job.closedAt!, other.closedAt!)) <= ONE_CAN_DAYS,
      ).length
    : 1;

/**
 * What the jobs of one owner teach together, by job: a comeback takes its lesson back, and what was found in one can counts once.
 * `jobs`: all of the owner's, in any order.
 */
export function taughtBy(jobs: readonly OwnersJob[]): Map<string, Taught> {
  const teaching = jobs.filter((job) => job.lesson && job.closedAt !== null && !cameBack(job, jobs));
  return new Map(
    teaching.map((job) => {
      const { counts, found: there } = job.lesson!;
      const causes = Object.keys(there) as CauseId[];
      const shares = new Map(causes.map((cause) => [cause, onOneCan(job, cause, teaching)]));
      const found: Thousandths = {};
      const expected: Thousandths = {};
      for (const [cause, of] of shares) found[cause] = Math.round((counts * there[cause]!) / (1000 * of));
      for (const [cause, n] of Object.entries(job.expected) as [CauseId, number][])
        expected[cause] = Math.round((counts * n) / 1000 / (shares.get(cause) ?? 1));
      return [job.id, { counts, found, expected }];
    }),
  );
}
