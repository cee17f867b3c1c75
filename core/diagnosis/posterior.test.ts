import { describe, expect, it } from 'vitest';
import type { Case, Evidence } from './case';
import { diagnose } from './diagnose';
import {
  CAUSE_INDEX,
  CAUSES,
  CHAINS,
  checkOf,
  probabilityOf,
  seenAs,
  type CauseId,
  type CheckId,
  type Sureness,
} from '../knowledge';
import { FLOOR, findingLikelihood } from './likelihood';
import { CHAIN_SHARE, ERROR, NONE_OF_THESE, SLIPS, SOFT_ERROR } from './parameters';
import { posterior, weigh } from './posterior';

const finding = (
  check: CheckId,
  result: string,
  sureness: Sureness = 'sure',
): Extract<Evidence, { kind: 'finding' }> => ({
  ref: check,
  kind: 'finding',
  check,
  result,
  sureness,
});
const complaint = (
  id: 'no-fire' | 'fades-under-way' | 'flooded' | 'bogs-on-throttle' | 'hard-to-start' | 'wont-reach-speed',
): Evidence => ({
  ref: id,
  kind: 'complaint',
  complaint: id,
});
const caseWith = (...evidence: Evidence[]): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence,
  off: [],
});
const of = (causes: Float64Array, id: CauseId): number => causes[CAUSE_INDEX.get(id) ?? -1] ?? NaN;

/**
 * P(result | set) from the definition of a noisy-max, by going through every way the machine and each cause may turn
 * out on their own and taking the worst: nothing shared with the engine's products of cumulative sums.
 */
function byDefinition(check: CheckId, result: string, set: readonly CauseId[]): number {
  const results = checkOf(check)
    .results.filter((r) => !r.neutral)
    .map((r) => r.id);
  const draw = (words: Readonly<Record<string, Parameters<typeof probabilityOf>[0]>>): number[] => {
    const p = results.map((r) => (words[r] ? probabilityOf(words[r]) : 0));
    p[0] = 1 - p.slice(1).reduce((a, b) => a + b, 0);
    return p;
  };
  const draws = [
    // A fault that is seen is there: a sound part does not show it.
    draw(
      Object.fromEntries(
        Object.entries(checkOf(check).healthy).filter(([r]) => seenAs(check, r).length !== 1),
      ),
    ),
    ...set.map((id) => draw(CAUSES.find((c) => c.id === id)?.shows[check] ?? {})),
  ];
  let total = 0;
  const walk = (i: number, worst: number, p: number): void => {
    if (i === draws.length) {
      if (results[worst] === result) total += p;
      return;
    }
    draws[i]?.forEach((q, rank) => walk(i + 1, Math.max(worst, rank), p * q));
  };
  walk(0, 0, 1);
  return total;
}

describe('exact inference', () => {
  it('agrees with brute force on a four-cause network with chains of damage to 1e-9', () => {
    const four: readonly [CauseId, number][] = [
      ['stale-fuel', 0.4],
      ['metering-diaphragm-stiff', 0.3],
      ['inlet-screen-clogged', 0.15],
      ['fuel-line-leak', 0.2],
    ];
    const odds = new Float64Array(CAUSES.length);
    for (const [id, o] of four) odds[CAUSE_INDEX.get(id) ?? -1] = o;
    // Symptoms and doubtful looks: nothing here is a fact.
    const seen: readonly (readonly [CheckId, string, Sureness])[] = [
      ['primer-action', 'slow', 'sure'],
      ['fuel-smell', 'fresh', 'fair'],
      ['full-speed', 'low', 'doubtful'],
      ['start-trial', 'starts-and-dies', 'sure'],
      ['pump-diaphragm', 'stiff', 'fair'],
      ['metering-diaphragm', 'stiff', 'doubtful'],
    ];
    const got = weigh(caseWith(...seen.map(([c, r, s]) => finding(c, r, s))), odds);

    const weights = new Map<number, number>();
    const spared = (from: CauseId, to: CauseId): number => {
      const chain = CHAINS.find((c) => c.from === from && c.to === to);
      return chain ? 1 - CHAIN_SHARE * probabilityOf(chain.often) : 1;
    };
    for (let mask = 0; mask < 16; mask++) {
      const set = four.filter((_, i) => mask & (1 << i)).map(([id]) => id);
      if (set.length > 3) continue;
      // P(set): every cause of the world there or not, given what the others bring about.
      let w = 1;
      for (const { id } of CAUSES) {
        const own = four.find(([f]) => f === id)?.[1] ?? 0;
        const absent = set
          .filter((other) => other !== id)
          .reduce((q, from) => q * spared(from, id), 1 / (1 + own));
        w *= set.includes(id) ? 1 - absent : absent;
      }
      if (mask === 0) w = four.reduce((q, [, o]) => q / (1 + o), 1) * NONE_OF_THESE;
      for (const [check, result, sureness] of seen) {
        const results = checkOf(check).results.filter((r) => !r.neutral);
        const share = (r: (typeof results)[number], n: number): number =>
          n === 0 ? SLIPS.normal : r.soft ? SLIPS.soft : SLIPS.other;
        const at = results.findIndex((r) => r.id === result);
        const error = (results[at]!.soft ? SOFT_ERROR : ERROR)[sureness];
        const slip = share(results[at]!, at) / results.reduce((sum, r, n) => sum + share(r, n), 0);
        w *= (1 - error) * byDefinition(check, result, set) + error * slip + FLOOR;
      }
      weights.set(mask, w);
    }
    const sum = [...weights.values()].reduce((a, b) => a + b, 0);
    four.forEach(([id], i) => {
      const brute = [...weights].reduce((p, [mask, w]) => p + (mask & (1 << i) ? w : 0), 0) / sum;
      expect(Math.abs(of(got.causes, id) - brute), id).toBeLessThan(1e-9);
    });
    expect(Math.abs((got.sets[0] ?? 0) - (weights.get(0) ?? 0) / sum)).toBeLessThan(1e-9);
  });

  it('gives every check’s results probabilities that sum to one, whatever is wrong', () => {
    for (const set of [[], ['coil-gap-wide'], ['stale-fuel', 'intake-leak']] as CauseId[][]) {
      for (const check of ['compression-gauge', 'spark-tester', 'plug-look', 'inlet-pressure'] as CheckId[]) {
        const sum = checkOf(check).results.reduce((s, r) => s + byDefinition(check, r.id, set), 0);
        expect(sum).toBeCloseTo(1, 12);
      }
    }
  });

  it('does not care in which order independent findings came', () => {
    const findings = [
      finding('fuel-smell', 'stale', 'fair'),
      finding('primer-action', 'bubbles'),
      finding('spark-tester', 'weak', 'doubtful'),
      finding('compression-gauge', 'marginal'),
      finding('plug-look', 'wet-fuel'),
    ];
    const there = posterior(caseWith(complaint('no-fire'), ...findings));
    const back = posterior(caseWith(...findings.toReversed(), complaint('no-fire')));
    there.causes.forEach((p, i) => expect(Math.abs(p - (back.causes[i] ?? 0))).toBeLessThan(1e-12));
  });

  it('stays finite and normalised under sixty contradictory findings', () => {
    const many: Evidence[] = [];
    for (let n = 0; n < 60; n++)
      many.push({ ...finding('fuel-smell', n % 2 ? 'stale' : 'fresh'), ref: String(n) });
    const p = posterior(caseWith(complaint('no-fire'), ...many));
    expect(p.sets.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect([...p.causes].every((x) => x >= 0 && x <= 1)).toBe(true);
  });
});

describe('soft evidence', () => {
  it('moves the verdict less the less sure it is', () => {
    const p = (s: Sureness): number =>
      of(posterior(caseWith(complaint('no-fire'), finding('fuel-smell', 'stale', s))).causes, 'stale-fuel');
    const before = of(posterior(caseWith(complaint('no-fire'))).causes, 'stale-fuel');
    expect(p('sure')).toBeGreaterThan(p('fair'));
    expect(p('fair')).toBeGreaterThan(p('doubtful'));
    expect(p('doubtful')).toBeGreaterThan(before);
  });

  it('hears nothing in a result that says nothing', () => {
    expect(findingLikelihood('primer-action', 'none-fitted', 'sure')).toBeNull();
    const without = posterior(caseWith(complaint('no-fire')));
    const withIt = posterior(caseWith(complaint('no-fire'), finding('primer-action', 'none-fitted')));
    expect([...withIt.causes]).toEqual([...without.causes]);
  });

  it('thinks next to nothing of a plug wet after twenty pulls, whatever is wrong', () => {
    const flooding = (pulls?: number): number => {
      const wet = finding('plug-look', 'wet-fuel');
      const found = caseWith(complaint('no-fire'), pulls === undefined ? wet : { ...wet, pulls });
      return of(posterior(found).causes, 'needle-not-sealing');
    };
    const before = of(posterior(caseWith(complaint('no-fire'))).causes, 'needle-not-sealing');
    expect(flooding(4)).toBe(flooding());
    expect(flooding(20) - before).toBeLessThan((flooding() - before) / 4);
    // A plug dry after twenty pulls is as telling as ever.
    const dry = (pulls: number): number =>
      of(posterior(caseWith({ ...finding('plug-look', 'tan-dry'), pulls })).causes, 'impulse-fault');
    expect(dry(20)).toBe(dry(2));
  });

  it('throws on a result the check does not have', () => {
    expect(() => findingLikelihood('fuel-smell', 'purple', 'sure')).toThrow(
      /fuel-smell has no result purple/,
    );
  });
});

describe('repairs as evidence', () => {
  const saw = [complaint('no-fire'), finding('spark-tester', 'none')];
  const repair = (cause: CauseId, outcome: 'cured' | 'better' | 'no-change'): Evidence => ({
    ref: 'r',
    kind: 'repair',
    cause,
    outcome,
  });

  it('clears a cause whose new part changed nothing, and raises the rest', () => {
    const before = posterior(caseWith(...saw)).causes;
    const after = posterior(caseWith(...saw, repair('coil-failed', 'no-change'))).causes;
    expect(of(after, 'coil-failed')).toBeLessThan(of(before, 'coil-failed') / 4);
    expect(of(after, 'stop-circuit-grounded')).toBeGreaterThan(of(before, 'stop-circuit-grounded'));
  });

  it('settles a cause whose repair cured it', () => {
    expect(diagnose(caseWith(...saw, repair('coil-failed', 'cured'))).suspects[0]).toMatchObject({
      cause: 'coil-failed',
    });
    expect(
      of(posterior(caseWith(...saw, repair('coil-failed', 'cured'))).causes, 'coil-failed'),
    ).toBeGreaterThan(0.9);
  });

  it('after "better", drops the mended cause and looks for what is left', () => {
    const { suspects } = diagnose(
      caseWith(
        complaint('hard-to-start'),
        complaint('wont-reach-speed'),
        finding('line-pressure', 'leaks'),
        repair('fuel-line-leak', 'better'),
        finding('spark-screen-look', 'blocked'),
      ),
    );
    // The new line may be bad too, but hardly.
    expect(suspects.find((s) => s.cause === 'fuel-line-leak')?.probability ?? 0).toBeLessThan(0.05);
    expect(suspects[0]?.cause).toBe('spark-screen-clogged');
  });

  it('judges findings made after a repair on the machine as it then was', () => {
    const mended = [complaint('fades-under-way'), repair('fuel-line-leak', 'better')];
    const without = posterior(caseWith(...mended)).causes;
    const withIt = posterior(caseWith(...mended, finding('line-pressure', 'holds'))).causes;
    // The new line holds; that says nothing about anything else.
    without.forEach((p, i) => expect(withIt[i]).toBeCloseTo(p, 9));
  });

  it('finds the third fault when two mended ones each made it better', () => {
    const { suspects } = diagnose(
      caseWith(
        complaint('bogs-on-throttle'),
        finding('line-pressure', 'leaks'),
        repair('fuel-line-leak', 'better'),
        finding('metering-diaphragm', 'stiff'),
        repair('metering-diaphragm-stiff', 'better'),
        finding('high-screw-trial', 'cured'),
      ),
    );
    // Two faults of old fuel speak for old fuel as well: it may be there, but the trial cured it.
    expect(suspects.slice(0, 2).map((s) => s.cause)).toContain('high-screw-lean');
    expect(suspects.find((s) => s.cause === 'high-screw-lean')?.probability).toBeGreaterThan(0.5);
  });
});
