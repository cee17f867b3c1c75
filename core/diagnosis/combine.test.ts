import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../chance';
import { CAUSES, CHECKS, DEPENDENCES } from '../knowledge';
import { informativeResults } from './checkTable';
import { combine, combineJoint, multiplyAll, nothingYet } from './combine';
import { fillJoint } from './dependence';
import { causeWeights, membersOf, PAIR_AT, SETS, setsWithAny } from './hypotheses';
import {
  asItStood,
  complaintLikelihood,
  fillChosen,
  findingLikelihood,
  vainLikelihood,
  type Likelihood,
} from './likelihood';

const N = CAUSES.length;
const EVERY_SET = Uint32Array.from({ length: SETS.count }, (_, s) => s);

/** The largest difference of two tables once each is scaled to sum to one, as a share of the second. */
function farthest(x: Float64Array, y: Float64Array): number {
  const sumX = x.reduce((a, b) => a + b);
  const sumY = y.reduce((a, b) => a + b);
  let most = 0;
  x.forEach((w, s) => (most = Math.max(most, Math.abs(w / sumX / (y[s]! / sumY) - 1))));
  return most;
}

/** Ten observations of a seed: complaints, findings on a machine with something known and something gone, repairs in vain. */
function observations(seed: number): Likelihood[] {
  const chance = chanceFrom(seed);
  const any = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)]!;
  const gone = new Uint8Array(N + 1);
  const present = new Uint8Array(N + 1);
  gone[Math.floor(chance() * N)] = 1;
  present[Math.floor(chance() * N)] = 1;
  const drawn: Likelihood[] = [complaintLikelihood('no-fire'), complaintLikelihood('hard-to-start')];
  while (drawn.length < 10) {
    const check = any(CHECKS);
    const l =
      chance() < 0.2
        ? vainLikelihood([any(CAUSES).id])
        : findingLikelihood(check.id, any(informativeResults(check.id)), any(['sure', 'fair', 'doubtful']));
    if (l) drawn.push(asItStood(l, gone, present));
  }
  return drawn;
}

describe('many observations as one factor', () => {
  it.each([1, 2, 3, 4, 5, 6])('are the product of what each says of every set (seed %i)', (seed) => {
    const all = nothingYet();
    const plain = new Float64Array(SETS.count).fill(1);
    const table = new Float64Array(SETS.count);
    for (const l of observations(seed)) {
      combine(all, l);
      fillChosen(table, l, EVERY_SET);
      for (let s = 0; s < plain.length; s++) plain[s]! *= table[s]!;
    }
    const weights = new Float64Array(SETS.count).fill(1);
    multiplyAll(weights, all);
    expect(farthest(weights, plain)).toBeLessThan(1e-9);
  });

  it.each(DEPENDENCES.map((d) => [d.checks.join(' and '), d] as const))('hold joint results: %s', (_, d) => {
    const [x, y] = d.checks.map((id) => findingLikelihood(id, informativeResults(id).at(-1)!, 'sure')!);
    const all = nothingYet();
    combineJoint(all, d, x!, y!);
    const weights = new Float64Array(SETS.count).fill(1);
    multiplyAll(weights, all);
    const plain = new Float64Array(SETS.count);
    fillJoint(plain, d, x!, y!, EVERY_SET);
    expect(farthest(weights, plain)).toBeLessThan(1e-9);
  });

  it('neither overflow nor vanish when every check speaks for one cause and against all others', () => {
    const all = nothingYet();
    const look = findingLikelihood('coil-gap', 'wide', 'sure')!;
    for (let n = 0; n < 60; n++) combine(all, look);
    const weights = new Float64Array(SETS.count).fill(1);
    multiplyAll(weights, all);
    expect(weights.every((w) => Number.isFinite(w))).toBe(true);
    const causes = causeWeights(weights);
    expect(CAUSES[causes.indexOf(Math.max(...causes))]!.id).toBe('coil-gap-wide');
  });
});

describe('the order of the sets', () => {
  it('puts every pair before its triples', () => {
    for (const s of [2, N + 1, 500, 5000, SETS.count - 2]) {
      const [i, j, k] = membersOf(s) as [number, number, number?];
      expect(PAIR_AT[i * (N + 1) + j]! + (k === undefined ? 0 : k - j)).toBe(s);
    }
  });

  it('finds each set that holds one of some causes once, after the empty one', () => {
    const found = [...setsWithAny([3, 20, 41])];
    expect(found[0]).toBe(0);
    const wanted = [...EVERY_SET].filter((s) => membersOf(s).some((i) => i === 3 || i === 20 || i === 41));
    expect(found.slice(1).sort((x, y) => x - y)).toEqual(wanted);
  });
});
