import Fuse from 'fuse.js';
import { useMemo } from 'react';

/** Slips of spelling it bears: 0 none, 1 anything. */
const SLIPS = 0.3;

/** The items that hold what is written in one of these fields, slips of spelling forgiven, best first; all of them for nothing. */
export function useFinder<T>(items: readonly T[], keys: readonly string[], written: string): readonly T[] {
  const fuse = useMemo(
    () => new Fuse(items, { keys: [...keys], threshold: SLIPS, ignoreLocation: true }),
    [items, keys],
  );
  const wanted = written.trim();
  return useMemo(
    () => (wanted ? fuse.search(wanted).map((found) => found.item) : items),
    [fuse, wanted, items],
  );
}
