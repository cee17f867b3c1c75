/** How long each job's log is, by what was heard of it last. */
const heard = new Map<string, number>();

/** How long a job's log is, in entries, by what was heard last; 0 where nothing was. */
export const heardOf = (jobId: string): number => heard.get(jobId) ?? 0;

/** A job's log holds so many entries now. */
export function hear(jobId: string, entries: number): void {
  heard.set(jobId, Math.max(entries, heardOf(jobId)));
}

/**
 * Whether an answer with so many entries is older than what was heard of its log: it was asked for before a note arrived, and
 * came after it. Says so once of each hearing, so that a server that lost a log is not asked for ever.
 */
export function isBehind(jobId: string, entries: number): boolean {
  const behind = entries < heardOf(jobId);
  if (behind) heard.delete(jobId);
  return behind;
}
