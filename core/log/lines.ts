import { lineWords, type Line } from '../knowledge';
import type { Entry } from './entry';

/** A tagged line: where it was, and where it is again. */
export interface LineNow extends Line {
  entryId: string;
  /** Null until it is pushed on again. */
  on: Line['ends'] | null;
  /** It was pushed on somewhere else than it was. */
  astray: boolean;
}

const same = (x: Line['ends'], y: Line['ends']): boolean => x.toSorted().join() === y.toSorted().join();

/** The lines as they were tagged last, and where each was pushed on since. */
export function readLines(live: readonly Entry[]): LineNow[] {
  const lines = new Map<string, LineNow>();
  for (const e of live) {
    if (e.kind !== 'line') continue;
    const { on, ...line } = e.body;
    const key = line.tag.trim().toLowerCase();
    const known = lines.get(key);
    if (!on) lines.set(key, { ...line, entryId: e.id, on: null, astray: false });
    else if (known) lines.set(key, { ...known, on: line.ends, astray: !same(known.ends, line.ends) });
  }
  return [...lines.values()];
}

/** What the trail says of a line. */
export const lineSays = ({ tag, ends, returns, on }: Line & { on?: true }): string =>
  [`${tag}: ${lineWords({ ends })}`, returns && 'fuel comes out of it at one press', on && 'back on']
    .filter(Boolean)
    .join(', ');
