import { describe, expect, it } from 'vitest';
import { chanceOf, givenShared, SHARED_STATES } from './dependence';
import type { Case, Evidence } from './case';
import { CAUSE_INDEX, DEPENDENCES, type CauseId, type CheckId } from '../knowledge';
import { setOf, SETS } from './hypotheses';
import { informativeResults } from './checkTable';
import { fillChosen, findingLikelihood } from './likelihood';
import { posterior, shareOf } from './posterior';

const finding = (check: CheckId, result: string): Evidence => ({
  ref: check,
  kind: 'finding',
  check,
  result,
  sureness: 'sure',
});
const caseWith = (...evidence: Evidence[]): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence: [{ ref: 'c', kind: 'complaint', complaint: 'no-fire' }, ...evidence],
  off: [],
});
const of = (c: Case, id: CauseId): number => posterior(c).causes[CAUSE_INDEX.get(id) ?? -1] ?? NaN;

describe('a dependence', () => {
  it('leaves a single finding as it was, for every single cause: the states average out', () => {
    const causes: CauseId[] = [
      'coil-failed',
      'stop-circuit-grounded',
      'oil-heavy-mix',
      'choke-stuck',
      'crank-seal-leak',
    ];
    const sets = Uint32Array.from(causes, (cause) => setOf([cause]));
    for (const dependence of DEPENDENCES) {
      for (const check of dependence.checks) {
        for (const result of informativeResults(check)) {
          const likelihood = findingLikelihood(check, result, 'sure');
          if (!likelihood) throw new Error(result);
          const plain = new Float64Array(sets.length);
          const mixed = new Float64Array(sets.length);
          const one = new Float64Array(sets.length);
          fillChosen(plain, likelihood, sets);
          for (const state of SHARED_STATES) {
            fillChosen(one, givenShared(likelihood, dependence, state), sets);
            one.forEach((p, n) => (mixed[n]! += chanceOf(dependence, state) * p));
          }
          mixed.forEach((p, n) => expect(p).toBeCloseTo(plain[n]!, 9));
        }
      }
    }
  });

  it('leaves more room for a sound case when both tests leak than two tests on their own would', () => {
    const pressure = finding('crankcase-pressure', 'leaks');
    const vacuum = finding('crankcase-vacuum', 'leaks');
    const bare = posterior(caseWith()).sets;
    const one = posterior(caseWith(pressure)).sets;
    const other = posterior(caseWith(vacuum)).sets;
    const independent = one.map((w, s) => (w * other[s]!) / bare[s]!);
    const total = independent.reduce((a, b) => a + b, 0);
    const both = posterior(caseWith(pressure, vacuum)).sets;
    const sound = setOf(['stale-fuel']);
    const leaking = setOf(['crank-seal-leak']);
    expect(both[sound]!).toBeGreaterThan(1.02 * (independent[sound]! / total));
    expect(both[leaking]!).toBeGreaterThan(one[leaking]!);
  });

  it('does not mind which of the two was made first', () => {
    const pairs: [Evidence, Evidence][] = [
      [finding('spark-tester', 'none'), finding('spark-stop-wire-off', 'comes-back')],
      [finding('plug-look', 'black-dry'), finding('exhaust-smoke', 'heavy')],
      [finding('crankcase-pressure', 'leaks'), finding('crankcase-vacuum', 'holds')],
    ];
    for (const [x, y] of pairs) {
      const there = posterior(caseWith(x, y)).causes;
      const back = posterior(caseWith(y, x)).causes;
      there.forEach((p, i) => expect(p).toBeCloseTo(back[i]!, 9));
    }
  });

  it('lets each of the two be left out as if it had not been made', () => {
    const x = finding('plug-look', 'black-dry');
    const y = finding('exhaust-smoke', 'heavy');
    const p = posterior(caseWith(x, y));
    for (const [left, stays] of [
      [x, y],
      [y, x],
    ] as const) {
      const weighed = p.weighed.find((w) => w.evidence.ref === left.ref);
      if (!weighed) throw new Error(left.ref);
      const all = Uint32Array.from({ length: SETS.count }, (_, s) => s);
      const share = shareOf(weighed, p.weighed, all);
      const bare = p.sets.map((w, s) => w / share[s]!);
      const total = bare.reduce((a, b) => a + b, 0);
      const without = posterior(caseWith(stays)).sets;
      bare.forEach((w, s) => expect(w / total).toBeCloseTo(without[s]!, 9));
    }
  });
});

describe('the same finding in another context', () => {
  it('nothing from priming tells of spark only once squeeze is known to be good', () => {
    const primed = finding('prime-at-intake', 'nothing');
    const squeeze = [finding('compression-gauge', 'good'), finding('pull-feel', 'firm')];
    const sparkless = (...evidence: Evidence[]): number =>
      of(caseWith(...evidence), 'coil-failed') + of(caseWith(...evidence), 'stop-circuit-grounded');
    const unknown = sparkless(primed) - sparkless();
    const known = sparkless(...squeeze, primed) - sparkless(...squeeze);
    expect(known).toBeGreaterThan(unknown);
    // And the other way about: with squeeze unknown it also speaks for a worn top end.
    expect(of(caseWith(primed), 'piston-heat-scored')).toBeGreaterThan(of(caseWith(), 'piston-heat-scored'));
  });
});
