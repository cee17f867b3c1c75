import { CAUSES, type Dependence } from '../knowledge';
import { fillJoint } from './dependence';
import { PAIR_AT, SETS, setsWithAny } from './hypotheses';
import { bearersOf, fillChosen, FLOOR, type Likelihood } from './likelihood';

const N = CAUSES.length;
const W = N + 1;

/**
 * Many observations as one factor on every set, as a proportion of what the empty set expects. What an
 * observation says of a set depends on its bearers alone, so it is told in three parts: what each cause does by itself,
 * what two do together beyond that, and what three do beyond all of it. Most observations have one bearer or two, and
 * cost next to nothing.
 */
export interface Combined {
  /** Logarithms: of each cause (length N + 1; nobody: 0), and of each pair, [i · (N + 1) + j] with i < j. */
  single: Float64Array;
  pair: Float64Array;
  /** Factor on each set beyond that, in the order of SETS. */
  beyond: Float64Array;
}

/** Nothing observed yet. */
export const nothingYet = (): Combined => ({
  single: new Float64Array(W),
  pair: new Float64Array(W * W),
  beyond: new Float64Array(SETS.count).fill(1),
});

/** Adds an observation. */
export function combine(all: Combined, likelihood: Likelihood): void {
  // What a trial mends is read otherwise beside any other cause: there everything bears.
  if (likelihood.mending)
    return addTable(all, bearersOf(likelihood), (out, of) => fillChosen(out, likelihood, of));
  const { hi0, lo0, hi, lo, error, misread } = likelihood;
  const floor = error * misread + FLOOR;
  const keep = 1 - error;
  const softened = (h: number, l: number): number => keep * Math.max(0, h - l) + floor;
  const bearers = bearersOf(likelihood);
  const B = bearers.length;
  const resting = 1 / softened(hi0, lo0);
  const alone = bearers.map((i) => softened(hi0 * hi[i]!, lo0 * lo[i]!) * resting);
  /** What each two do beyond what each does alone, [x · B + y] by their places among the bearers. */
  const together = new Float64Array(B * B);
  for (let x = 0; x < B; x++) {
    const i = bearers[x]!;
    all.single[i]! += Math.log(alone[x]!);
    for (let y = x + 1; y < B; y++) {
      const j = bearers[y]!;
      const both = softened(hi0 * hi[i]! * hi[j]!, lo0 * lo[i]! * lo[j]!) * resting;
      const more = both / (alone[x]! * alone[y]!);
      together[x * B + y] = more;
      all.pair[i * W + j]! += Math.log(more);
    }
  }
  for (let x = 0; x < B; x++)
    for (let y = x + 1; y < B; y++) {
      const i = bearers[x]!;
      const j = bearers[y]!;
      const hiJ = hi0 * hi[i]! * hi[j]!;
      const loJ = lo0 * lo[i]! * lo[j]!;
      const at = PAIR_AT[i * W + j]! - j;
      const rest = resting / (alone[x]! * alone[y]! * together[x * B + y]!);
      for (let z = y + 1; z < B; z++) {
        const k = bearers[z]!;
        const third = alone[z]! * together[x * B + z]! * together[y * B + z]!;
        all.beyond[at + k]! *= (softened(hiJ * hi[k]!, loJ * lo[k]!) * rest) / third;
      }
    }
}

/** Adds two observations that hang together. */
export function combineJoint(all: Combined, dependence: Dependence, x: Likelihood, y: Likelihood): void {
  addTable(all, [...new Set([...bearersOf(x), ...bearersOf(y)])], (out, of) =>
    fillJoint(out, dependence, x, y, of),
  );
}

/** Adds an observation told set by set: `fill` writes the probabilities of the listed sets, the empty set's first. */
function addTable(
  { beyond }: Combined,
  bearers: readonly number[],
  fill: (out: Float64Array, sets: Uint32Array) => void,
): void {
  const sets = setsWithAny(bearers);
  const table = new Float64Array(sets.length);
  fill(table, sets);
  const resting = 1 / table[0]!;
  for (let n = 1; n < sets.length; n++) beyond[sets[n]!]! *= table[n]! * resting;
}

/** Multiplies the weights of all sets (in the order of SETS) by everything observed, in place, up to a common factor. */
export function multiplyAll(weights: Float64Array, { single, pair, beyond }: Combined): void {
  // The likeliest pair and third set the scale: nothing grows beyond what a number holds, and what it takes under is nothing.
  let most = 0;
  for (let i = 0; i < N; i++) {
    most = Math.max(most, single[i]!);
    for (let j = i + 1; j < N; j++) most = Math.max(most, single[i]! + single[j]! + pair[i * W + j]!);
  }
  most += single.reduce((x, y) => Math.max(x, y), 0);
  const third = single.map(Math.exp);
  const both = pair.map(Math.exp);
  let s = 0;
  weights[s]! *= Math.exp(-most);
  s++;
  for (let i = 0; i < N; i++) {
    weights[s]! *= Math.exp(single[i]! - most) * beyond[s]!;
    s++;
    for (let j = i + 1; j < N; j++) {
      const two = Math.exp(single[i]! + single[j]! + pair[i * W + j]! - most);
      weights[s]! *= two * beyond[s]!;
      s++;
      const ofI = i * W;
      const ofJ = j * W;
      for (let k = j + 1; k < N; k++) {
        weights[s]! *= two * third[k]! * both[ofI + k]! * both[ofJ + k]! * beyond[s]!;
        s++;
      }
    }
  }
}
