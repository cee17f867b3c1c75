import { CAUSE_IDS, type CauseId } from '../knowledge';
import { CAUTION, LEAST_STRENGTH } from './parameters';
import type { Thousandths } from './lesson';
import type { Taught } from './owner';

/** What was found, and what would have been by what is believed already: faults. */
export interface Compared {
  found: ReadonlyMap<CauseId, number>;
  due: ReadonlyMap<CauseId, number>;
}

const total = (of: Thousandths): number => Object.values(of).reduce((a, b) => a + b, 0);

/**
 * A tally beside what was due by what is believed already (`before`, factors on the trade's odds). A shop finds less than is there, so
 * only shares are compared: what is expected is scaled to what was found.
 */
export function compare(tally: Taught, before: (cause: CauseId) => number): Compared {
  const expected = CAUSE_IDS.map((cause) => (tally.expected[cause] ?? 0) * before(cause));
  const all = expected.reduce((a, b) => a + b, 0);
  const scale = all > 0 ? total(tally.found) / all / 1000 : 0;
  return {
    found: new Map(CAUSE_IDS.map((cause) => [cause, (tally.found[cause] ?? 0) / 1000])),
    due: new Map(CAUSE_IDS.map((cause, i) => [cause, expected[i]! * scale])),
  };
}

/**
 * How many findings of a cause what is believed of it already is worth: the shape of a Gamma prior on how much commoner a cause is here,
 * one for all causes, from how much further what was found lies from what was due than chance would bring it (empirical Bayes by moments,
 * Clayton and Kaldor 1987). One that is like any other has none; the more one differs, the less it is worth. Null where it is no more than
 * chance.
 */
export function strengthOf(all: readonly Compared[]): number | null {
  let excess = 0;
  let variance = 0;
  let weight = 0;
  for (const { found, due } of all)
    for (const cause of CAUSE_IDS) {
      const d = due.get(cause)!;
      // What was never expected says nothing of how far a shop lies from what was.
      if (d === 0) continue;
      const off = found.get(cause)! - d;
      // Each is weighed by what one more of it would be: one finding of what is hardly ever met is no excess.
      excess += (off * off - d) / (d + 1);
      variance += (2 * d * d + d) / (d + 1) ** 2;
      weight += (d * d) / (d + 1);
    }
  const beyond = excess - CAUTION * Math.sqrt(variance);
  return beyond > 0 ? Math.max(LEAST_STRENGTH, Math.round((10 * weight) / beyond) / 10) : null;
}
