import type { CauseId, ComplaintId } from '../knowledge';

/** A job that went home, as far as it may come back. */
export interface Gone {
  /** When it was closed, ISO 8601. */
  closedAt: string;
  complaints: readonly ComplaintId[];
  /** Faults that were found and left as they were. */
  declined: readonly CauseId[];
}

/** Within so many days it comes back; later it is worn anew. */
export const COMEBACK_DAYS = 90;
const DAY_MS = 86_400_000;

/** Why a machine that comes in is a comeback: the complaints it had, and what was left; null where it is none. `now`: ISO 8601. */
export function comebackOf<Job extends Gone>(
  complaints: readonly ComplaintId[],
  gone: readonly Job[],
  now: string,
): { job: Job; days: number; same: ComplaintId[]; declined: readonly CauseId[] } | null {
  const latest = gone.toSorted((x, y) => y.closedAt.localeCompare(x.closedAt));
  for (const job of latest) {
    const days = Math.floor((Date.parse(now) - Date.parse(job.closedAt)) / DAY_MS);
    if (days < 0 || days > COMEBACK_DAYS) continue;
    const same = job.complaints.filter((c) => complaints.includes(c));
    if (same.length > 0 || job.declined.length > 0) return { job, days, same, declined: job.declined };
  }
  return null;
}
