import type { Entry } from './entry';

/** Entries in the order they count: as the server numbered them, then the unsent in the order they were noted. */
export function inOrder(entries: readonly Entry[]): Entry[] {
  return [...entries].sort((x, y) => {
    if (x.seq !== null && y.seq !== null) return x.seq - y.seq;
    if (x.seq !== null) return -1;
    if (y.seq !== null) return 1;
    return x.notedAt.localeCompare(y.notedAt) || x.id.localeCompare(y.id);
  });
}

/**
 * Which entries are struck out, and by which strike. A strike that is itself struck out no longer counts, which is
 * how a correction is taken back.
 */
export function strikesOf(ordered: readonly Entry[]): Map<string, Entry> {
  const struck = new Map<string, Entry>();
  for (const entry of ordered.toReversed()) {
    if (entry.kind === 'strike' && entry.strikes && !struck.has(entry.id)) struck.set(entry.strikes, entry);
  }
  return struck;
}

/**
 * Entries as they count: a repair that was noted after the look that proved it stands before that look. An entry that names
 * one that is not there, or that comes later anyway, stays where it is.
 */
export function asDone(ordered: readonly Entry[]): Entry[] {
  const at = new Map(ordered.map((e, n) => [e.id, n]));
  const earlier = (e: Entry, n: number): number => {
    const before = e.kind === 'repair' && 'cause' in e.body ? e.body.before : undefined;
    const target = before === undefined ? undefined : at.get(before);
    return target !== undefined && target < n ? target - 0.5 : n;
  };
  return ordered
    .map((e, n) => ({ e, at: earlier(e, n) }))
    .sort((x, y) => x.at - y.at)
    .map(({ e }) => e);
}
