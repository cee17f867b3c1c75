import { describe, expect, it } from 'vitest';
import type { Counted, HowOften } from '../knowledge';
import { posterior } from './posterior';
import { takeIn, withGoing, type Case, type Evidence } from './case';
import { CAUSE_INDEX, type CauseId } from '../knowledge';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
/** A saw that cuts dead, so often, with a check made once or several times. */
function saw(
  often: HowOften | undefined,
  check: 'spark-hot' | 'compression-gauge',
  result: string,
  ...counts: (Counted | null)[]
): Case {
  let evidence: Evidence[] = [
    { ref: 'c', kind: 'complaint', complaint: 'cuts-dead', ...(often && { often }) },
  ];
  counts.forEach((count, i) => {
    evidence = takeIn(evidence, {
      ref: `f${i}`,
      kind: 'finding',
      check,
      result,
      sureness: 'sure',
      ...(count && { counts: count }),
    });
  });
  return { machine: SAW, history: withGoing({}, evidence), evidence, off: [] };
}
const believed = (c: Case, cause: CauseId = 'coil-failed'): number =>
  posterior(c).causes[CAUSE_INDEX.get(cause)!]!;
const third: HowOften = { failed: 1, of: 3 };

describe('a check made several times', () => {
  it('is cleared by as many good showings as its rate wants, not by one', () => {
    const none = believed(saw(third, 'spark-hot', 'stays'));
    const after = [1, 3, 8, 20].map((of) => believed(saw(third, 'spark-hot', 'stays', { failed: 0, of })));
    expect(after[0]).toBeGreaterThan(0.5 * none);
    for (let n = 1; n < after.length; n++) expect(after[n]!).toBeLessThan(after[n - 1]!);
    // Uncounted is once.
    expect(believed(saw(third, 'spark-hot', 'stays', null))).toBeCloseTo(after[0]!, 10);
    // Where it does it every time, once is enough.
    const always: HowOften = { said: 'every-time' };
    const cleared =
      believed(saw(always, 'spark-hot', 'stays', null)) / believed(saw(always, 'spark-hot', 'stays'));
    expect(cleared).toBeLessThan(0.35);
    // Twenty of a third come to nearly that.
    expect(after.at(-1)! / none).toBeLessThan(cleared + 0.1);
  });

  it('failed once of three is a failure, and no reading error', () => {
    const once = believed(saw(third, 'spark-hot', 'fails-hot', { failed: 1, of: 3 }));
    expect(once).toBeGreaterThan(0.5);
    expect(believed(saw(third, 'spark-hot', 'fails-hot', { failed: 2, of: 6 }))).toBeGreaterThanOrEqual(once);
    // One in fifty may be a slip of the eye; three in fifty are not.
    const rare = believed(saw(undefined, 'spark-hot', 'fails-hot', { failed: 1, of: 50 }));
    expect(rare).toBeLessThan(believed(saw(undefined, 'spark-hot', 'fails-hot', { failed: 3, of: 50 })));
  });

  it('does not doubt a gauge for a fault that comes and goes', () => {
    const worn = (often?: HowOften): number => {
      const c = saw(often, 'compression-gauge', 'low', null);
      // Its rate shifts how common things are; what is asked here is the reading's own weight.
      return posterior({ ...c, history: {} }).weighed.find((w) => w.evidence.kind === 'finding')!.likelihood
        .error;
    };
    expect(worn(third)).toBe(worn());
  });
});
