import { CAUSES, CAUSE_INDEX, type CauseId } from '../knowledge';

/**
 * All hypotheses: sets of up to three causes nobody has seen, members as positions in CAUSES. Position N stands for
 * "nobody" and carries factor 1 everywhere, so that every set is handled as a triple. What was seen stands beside every
 * set and takes none of its places.
 */
export interface Hypotheses {
  count: number;
  a: Uint8Array;
  b: Uint8Array;
  c: Uint8Array;
}

const N = CAUSES.length;

function enumerate(n: number): Hypotheses {
  const count = 1 + n + (n * (n - 1)) / 2 + (n * (n - 1) * (n - 2)) / 6;
  const sets: Hypotheses = {
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

/** Every set of at most three causes; index 0 is the empty set: nothing that was not seen. */
export const SETS: Hypotheses = enumerate(N);

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

/** Members of a set as positions in CAUSES. */
export function membersOf(set: number): number[] {
  return [SETS.a[set]!, SETS.b[set]!, SETS.c[set]!].filter((i) => i !== N);
}

/** Position in SETS of each pair, [i · (N + 1) + j] with i < j; its triple with a later k lies k − j after it. */
export const PAIR_AT: Uint32Array = (() => {
  const table = new Uint32Array((N + 1) ** 2);
  for (let s = 0; s < SETS.count; s++)
    if (SETS.b[s]! < N && SETS.c[s] === N) table[SETS.a[s]! * (N + 1) + SETS.b[s]!] = s;
  return table;
})();

/** Positions in SETS of the sets that hold each cause, in the order of CAUSES. */
export const SETS_WITH: readonly Uint32Array[] = (() => {
  // Alone, with one other, with two others: each cause is in as many.
  const each = 1 + (N - 1) + ((N - 1) * (N - 2)) / 2;
  const lists = CAUSES.map(() => new Uint32Array(each));
  const filled = new Uint32Array(N + 1);
  const { a, b, c } = SETS;
  for (let s = 1; s < SETS.count; s++)
    for (const i of [a[s]!, b[s]!, c[s]!]) if (i < N) lists[i]![filled[i]!++] = s;
  return lists;
})();

/** Positions in SETS of the empty set, and after it of every set that holds one of these causes (positions in CAUSES). */
export function setsWithAny(causes: readonly number[]): Uint32Array {
  const { a, b, c } = SETS;
  const told = new Uint8Array(N + 1);
  let n = 1;
  for (const i of causes) {
    for (const s of SETS_WITH[i]!) if (!(told[a[s]!]! | told[b[s]!]! | told[c[s]!]!)) found[n++] = s;
    told[i] = 1;
  }
  return found.slice(0, n);
}

/** Room to gather sets in. */
const found = new Uint32Array(SETS.count);

/** Weight of each cause (length N) under weights over all sets, in their order. */
export function causeWeights(weights: Float64Array): Float64Array {
  const causes = new Float64Array(N);
  let s = 1;
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
  }
  return causes;
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

/** Position of the likeliest cause that is not gone (weights and marks in the order of CAUSES). */
export function leadOf(causes: ArrayLike<number>, gone?: ArrayLike<number>): number {
  let lead = -1;
  for (let i = 0; i < N; i++) {
    if ((lead < 0 || causes[i]! > causes[lead]!) && !gone?.[i]) lead = i;
  }
  return lead;
}

/** Scales weights to sum to one, in place. Returns what they summed to. */
export function normalise(weights: Float64Array): number {
  let sum = 0;
  for (let s = 0; s < weights.length; s++) sum += weights[s]!;
  const scale = 1 / sum;
  for (let s = 0; s < weights.length; s++) weights[s] = weights[s]! * scale;
  return sum;
}
