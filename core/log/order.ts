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
