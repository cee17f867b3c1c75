import { CAUSES, type CauseId } from './knowledge';
import { CAUSE_INDEX } from './prior';
import type { Likelihood } from './likelihood';

/**
 * All sets of up to three simultaneous causes, members as positions in the cause list. Position N stands for
 * "nobody" and carries factor 1 everywhere, so every set is handled as a triple.
 */
export interface CauseSets {
  count: number;
  a: Uint8Array;
  b: Uint8Array;
  c: Uint8Array;
}

const N = CAUSES.length;

function enumerate(n: number): CauseSets {
  const count = 1 + n + (n * (n - 1)) / 2 + (n * (n - 1) * (n - 2)) / 6;
  const sets: CauseSets = {
    count,
    a: new Uint8Array(count),
    b: new Uint8Array(count),
    c: new Uint8Array(count),
  };
  let s = 0;
  const put = (i: number, j: number, k: number): void => {
    sets.a[s] = i;
    sets.b[s] = j;
    sets.c[s] = k;
    s++;
  };
  put(n, n, n);
  for (let i = 0; i < n; i++) {
    put(i, n, n);
    for (let j = i + 1; j < n; j++) {
      put(i, j, n);
      for (let k = j + 1; k < n; k++) put(i, j, k);
    }
  }
  return sets;
}

/** Every set of at most three causes; index 0 is the empty set, "none of these". */
export const SETS: CauseSets = enumerate(N);

const hi = new Float64Array(N + 1);
const lo = new Float64Array(N + 1);
/** For a trial: 1 for each cause it cures, and 1 for each cause that counts as still there. */
const cured = new Uint8Array(N + 1);
const counts = new Uint8Array(N + 1);

/** P(observation | one set), softened unless `exact`; `hi`, `lo` and `cured` are already loaded. */
function ofTriple(likelihood: Likelihood, i: number, j: number, k: number): number {
  const { trial } = likelihood;
  if (trial) {
    const put = cured[i]! + cured[j]! + cured[k]! + trial.presentCured;
    if (put > 0)
      return counts[i]! + counts[j]! + counts[k]! + trial.presentCured + trial.presentOther > put
        ? trial.withOthers
        : trial.alone;
  }
  return likelihood.hi0 * hi[i]! * hi[j]! * hi[k]! - likelihood.lo0 * lo[i]! * lo[j]! * lo[k]!;
}

function load(likelihood: Likelihood): void {
  hi.set(likelihood.hi);
  lo.set(likelihood.lo);
  hi[N] = 1;
  lo[N] = 1;
  const { trial } = likelihood;
  if (!trial) return;
  cured.fill(0);
  counts.fill(1, 0, N);
  counts[N] = 0;
  for (const i of trial.gone) counts[i] = 0;
  for (const i of trial.cures) cured[i] = counts[i]!;
}

/** A probability of exactly nought would end the argument for good; nothing at a bench is that certain. */
export const FLOOR = 1e-6;

/** Writes P(observation | set) for the listed sets into `out` (length of `chosen`), unsoftened when `exact`. */
export function fillChosen(
  out: Float64Array,
  likelihood: Likelihood,
  chosen: Uint32Array,
  exact = false,
): void {
  load(likelihood);
  const error = exact ? 0 : likelihood.error;
  const floor = error * likelihood.misread + FLOOR;
  const { a, b, c } = SETS;
  for (let n = 0; n < chosen.length; n++) {
    const s = chosen[n]!;
    out[n] = (1 - error) * Math.max(0, ofTriple(likelihood, a[s]!, b[s]!, c[s]!)) + floor;
  }
}

/** Writes P(observation | set), softened, for every set into `out` (length SETS.count), in the order of SETS. */
export function fillAll(out: Float64Array, likelihood: Likelihood): void {
  load(likelihood);
  const keep = 1 - likelihood.error;
  const floor = likelihood.error * likelihood.misread + FLOOR;
  const { hi0, lo0, trial } = likelihood;
  let s = 0;
  out[s++] = keep * Math.max(0, hi0 - lo0) + floor;
  for (let i = 0; i < N; i++) {
    const hiI = keep * hi0 * hi[i]!;
    const loI = keep * lo0 * lo[i]!;
    out[s++] = Math.max(0, hiI - loI) + floor;
    for (let j = i + 1; j < N; j++) {
      const hiJ = hiI * hi[j]!;
      const loJ = loI * lo[j]!;
      out[s++] = Math.max(0, hiJ - loJ) + floor;
      for (let k = j + 1; k < N; k++) {
        const p = hiJ * hi[k]! - loJ * lo[k]!;
        out[s++] = (p > 0 ? p : 0) + floor;
      }
    }
  }
  if (!trial) return;
  const { a, b, c } = SETS;
  for (s = 0; s < SETS.count; s++) {
    if (cured[a[s]!]! + cured[b[s]!]! + cured[c[s]!]! + trial.presentCured > 0) {
      out[s] = keep * ofTriple(likelihood, a[s]!, b[s]!, c[s]!) + floor;
    }
  }
}

const indexOf = new Map<string, number>();

/** Position in SETS of the set of these causes (at most three). Throws on more, or on one that is unknown. */
export function setOf(causes: readonly CauseId[]): number {
  if (indexOf.size === 0) {
    for (let s = 0; s < SETS.count; s++) indexOf.set(`${SETS.a[s]},${SETS.b[s]},${SETS.c[s]}`, s);
  }
  const members = causes.map((id) => CAUSE_INDEX.get(id) ?? -1).sort((x, y) => x - y);
  const found = indexOf.get([...members, N, N, N].slice(0, Math.max(3, members.length)).join(','));
  if (found === undefined) throw new Error(`no such set of causes: ${causes.join(', ')}`);
  return found;
}

/** Members of a set as positions in the cause list. */
export function membersOf(set: number): number[] {
  return [SETS.a[set]!, SETS.b[set]!, SETS.c[set]!].filter((i) => i !== N);
}

/**
 * Weight of each cause (length N) under weights over all sets, in their order. `total` is the sum of the weights;
 * divide by it for probabilities.
 */
export function causeWeights(weights: Float64Array): { causes: Float64Array; total: number } {
  const causes = new Float64Array(N);
  let s = 0;
  let total = weights[s++]!;
  for (let i = 0; i < N; i++) {
    let sumI = weights[s++]!;
    for (let j = i + 1; j < N; j++) {
      let sumJ = weights[s++]!;
      for (let k = j + 1; k < N; k++) {
        const w = weights[s++]!;
        sumJ += w;
        causes[k]! += w;
      }
      causes[j]! += sumJ;
      sumI += sumJ;
    }
    causes[i]! += sumI;
    total += sumI;
  }
  return { causes, total };
}

/** Weight of each cause (length N + 1; the last is nobody) under weights over chosen sets. */
export function causesOf(chosen: Uint32Array, weights: Float64Array): Float64Array {
  const causes = new Float64Array(N + 1);
  const { a, b, c } = SETS;
  for (let n = 0; n < chosen.length; n++) {
    const s = chosen[n]!;
    const w = weights[n]!;
    causes[a[s]!]! += w;
    causes[b[s]!]! += w;
    causes[c[s]!]! += w;
  }
  return causes;
}

/** Position of the likeliest cause (weights in vocabulary order) that is not among those already repaired. */
export function leadOf(causes: ArrayLike<number>, repaired: readonly CauseId[] = []): number {
  let lead = -1;
  for (let i = 0; i < N; i++) {
    if ((lead < 0 || causes[i]! > causes[lead]!) && !repaired.includes(CAUSES[i]!.id)) lead = i;
  }
  return lead;
}

/** Multiplies weights by a table of the same length, in place. */
export function multiply(weights: Float64Array, table: Float64Array): void {
  for (let s = 0; s < weights.length; s++) weights[s] = weights[s]! * table[s]!;
}

/** Scales weights to sum to one, in place. */
export function normalise(weights: Float64Array): void {
  let sum = 0;
  for (let s = 0; s < weights.length; s++) sum += weights[s]!;
  const scale = 1 / sum;
  for (let s = 0; s < weights.length; s++) weights[s] = weights[s]! * scale;
}
