import { describe, expect, it } from 'vitest';
import type { Case, Evidence } from '../case';
import { CAUSES, type CheckId, type PartId } from '../knowledge';
import { diagnose } from '../diagnose';
import { posterior } from '../posterior';
import { CAUSE_INDEX } from '../prior';
import { standing } from './available';
import { foresee, keepLikely } from './foresee';
import { skippedBy } from './skipped';
import { expectedWaste } from './waste';

const finding = (check: CheckId, result: string): Evidence => ({
  ref: check,
  kind: 'finding',
  check,
  result,
  sureness: 'sure',
});
const caseWith = (evidence: Evidence[], off: PartId[] = []): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence,
  off,
});
const FADES: Evidence = { ref: 'c', kind: 'complaint', complaint: 'fades-under-way' };

describe('expected waste', () => {
  const with_ = (...p: [Parameters<typeof CAUSE_INDEX.get>[0], number][]): Float64Array => {
    const all = new Float64Array(CAUSES.length);
    for (const [id, x] of p) all[CAUSE_INDEX.get(id) ?? -1] = x;
    return all;
  };

  it('is nothing when one cause is certain, or none is', () => {
    expect(expectedWaste(with_(['plug-fouled', 1]))).toBe(0);
    expect(expectedWaste(new Float64Array(CAUSES.length))).toBe(0);
  });

  it('is the first repair times the chance that it was in vain', () => {
    // Plug 3 minutes and vent 5, even odds: the plug first, in vain half the time.
    expect(expectedWaste(with_(['plug-fouled', 0.5], ['tank-vent-blocked', 0.5]))).toBeCloseTo(1.5, 9);
  });

  it('falls as one cause stands out', () => {
    expect(expectedWaste(with_(['plug-fouled', 0.9], ['tank-vent-blocked', 0.1]))).toBeLessThan(1);
  });
});

describe('foresight', () => {
  it('adds up: chances to one, and the prospects back to the present', () => {
    const p = posterior(caseWith([FADES, finding('primer-action', 'slow')]));
    const kept = keepLikely(p);
    for (const check of ['tank-vent', 'inlet-screen', 'start-trial', 'fresh-fuel-trial'] as CheckId[]) {
      const { bits, prospects } = foresee(check, p, kept);
      expect(prospects.reduce((sum, o) => sum + o.chance, 0)).toBeCloseTo(1, 9);
      expect(bits).toBeGreaterThan(0);
      for (const i of [CAUSE_INDEX.get('tank-vent-blocked') ?? -1, CAUSE_INDEX.get('stale-fuel') ?? -1]) {
        expect(prospects.reduce((sum, o) => sum + o.chance * (o.causes[i] ?? 0), 0)).toBeCloseTo(
          kept.causes[i] ?? 0,
          9,
        );
      }
    }
  });

  it('foretells what the posterior then says', () => {
    const before = caseWith([FADES]);
    const p = posterior(before);
    const vent = CAUSE_INDEX.get('tank-vent-blocked') ?? -1;
    const blocked = foresee('tank-vent', p, keepLikely(p)).prospects.find((o) => o.result === 'blocked');
    const after = posterior(caseWith([FADES, finding('tank-vent', 'blocked')]));
    expect(blocked?.causes[vent]).toBeCloseTo(after.causes[vent] ?? 0, 2);
  });
});

describe('what still stands', () => {
  it('a repair that changed something makes stale what it had a bearing on, and nothing else', () => {
    const made = [FADES, finding('line-pressure', 'leaks'), finding('compression-gauge', 'good')];
    const after = (outcome: 'better' | 'no-change') =>
      standing(caseWith([...made, { ref: 'r', kind: 'repair', cause: 'fuel-line-leak', outcome }]));
    expect([...after('better').keys()]).toEqual(['compression-gauge']);
    expect([...after('no-change').keys()]).toEqual(['line-pressure', 'compression-gauge']);
  });
});

describe('before dismantling', () => {
  it('names the cheap checks that could settle it without', () => {
    const c = caseWith([FADES]);
    const { next, suspects } = diagnose(c);
    const deep = next.find((n) => n.check === 'inlet-screen');
    const skipped = deep ? skippedBy(deep, next, suspects, c) : [];
    expect(deep?.opens).toContain('carburettor');
    expect(skipped.length).toBeGreaterThan(0);
    for (const s of skipped) expect(s.minutes).toBeLessThanOrEqual((deep?.minutes ?? 0) / 2);
  });

  it('names none that would only say again what is known', () => {
    const c = caseWith([FADES, finding('tank-vent', 'blocked')]);
    const { next, suspects } = diagnose(c);
    const deep = next.find((n) => n.opens.includes('carburettor'));
    expect(suspects[0]?.cause).toBe('tank-vent-blocked');
    expect(deep && skippedBy(deep, next, suspects, c).map((s) => s.settles)).not.toContain(
      'tank-vent-blocked',
    );
  });

  it('is silent when nothing is being opened, or it is open already', () => {
    const c = caseWith([FADES], ['air-box', 'carburettor', 'pump-cover']);
    const { next, suspects } = diagnose(c);
    for (const n of next.filter((x) => ['inlet-screen', 'fuel-smell'].includes(x.check)))
      expect(skippedBy(n, next, suspects, c)).toEqual([]);
  });
});
