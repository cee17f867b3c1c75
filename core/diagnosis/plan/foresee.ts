import { CAUSES, type CheckId } from '../knowledge';
import { asItStood, bearingOn, findingLikelihood, informativeResults } from '../likelihood';
import type { Posterior } from '../posterior';
import { fillChosen, normalise, SETS } from '../sets';

const N = CAUSES.length;
/** Sets kept for planning: those that hold nearly all of the probability. */
const KEPT_SETS = 600;

/** The likeliest sets, with weights that sum to one, and each cause's probability under them (length N + 1). */
export interface Kept {
  chosen: Uint32Array;
  weights: Float64Array;
  causes: Float64Array;
}

/** What one result of a check would leave. */
export interface Prospect {
  result: string;
  /** Chance of the result (0–1). */
  chance: number;
  /** Probability of each cause then, vocabulary order (length N + 1; the last is nobody). */
  causes: Float64Array;
}

/** The sets worth planning with: at most KEPT_SETS, all above a floor raised until they fit. */
export function keepLikely(p: Posterior): Kept {
  let floor = 1e-6;
  let count = KEPT_SETS + 1;
  while (count > KEPT_SETS) {
    floor *= 4;
    count = 0;
    for (let s = 0; s < p.sets.length; s++) if (p.sets[s]! > floor) count++;
  }
  const chosen = new Uint32Array(count);
  for (let s = 0, n = 0; s < p.sets.length; s++) if (p.sets[s]! > floor) chosen[n++] = s;
  const weights = Float64Array.from(chosen, (s) => p.sets[s]!);
  normalise(weights);
  const causes = new Float64Array(N + 1);
  const { a, b, c } = SETS;
  for (let n = 0; n < count; n++) {
    const s = chosen[n]!;
    const w = weights[n]!;
    causes[a[s]!]! += w;
    causes[b[s]!]! += w;
    causes[c[s]!]! += w;
  }
  return { chosen, weights, causes };
}

/**
 * What a check would tell: the information about what is wrong (bits; expected fall of entropy over the sets) and the
 * prospect after each result. Results a repaired machine would give are judged with the repaired causes gone.
 */
export function foresee(id: CheckId, p: Posterior, kept: Kept): { bits: number; prospects: Prospect[] } {
  const { chosen, weights } = kept;
  const bears = bearingOn(id);
  const { a, b, c } = SETS;
  // Sets in which no cause bears on the check all expect what a sound machine shows: one row, the first, stands for them.
  const rows: number[] = [0];
  const rowWeights: number[] = [1];
  const rest = kept.causes.slice();
  for (let n = 0; n < chosen.length; n++) {
    const s = chosen[n]!;
    const i = a[s]!;
    const j = b[s]!;
    const k = c[s]!;
    if (!(bears[i]! | bears[j]! | bears[k]!)) continue;
    const w = weights[n]!;
    rows.push(s);
    rowWeights.push(w);
    rowWeights[0]! -= w;
    rest[i]! -= w;
    rest[j]! -= w;
    rest[k]! -= w;
  }
  if (rows.length === 1) return { bits: 0, prospects: [] };
  const sets = Uint32Array.from(rows);
  const columns = informativeResults(id).flatMap((result) => {
    const likelihood = findingLikelihood(id, result, 'sure');
    if (!likelihood) return [];
    const column = new Float64Array(sets.length);
    fillChosen(column, asItStood(likelihood, p.repaired, []), sets);
    return [{ result, column, chance: 0, causes: new Float64Array(N + 1) }];
  });
  let conditional = 0;
  for (let n = 0; n < sets.length; n++) {
    const w = Math.max(0, rowWeights[n]!);
    let sum = 0;
    for (const { column } of columns) sum += column[n]!;
    for (const prospect of columns) {
      const q = prospect.column[n]! / sum;
      const wq = w * q;
      conditional -= wq * Math.log(q);
      prospect.chance += wq;
      const { causes } = prospect;
      if (n === 0) {
        for (let i = 0; i < N; i++) causes[i] = rest[i]! * q;
      } else {
        const s = sets[n]!;
        causes[a[s]!]! += wq;
        causes[b[s]!]! += wq;
        causes[c[s]!]! += wq;
      }
    }
  }
  let marginal = 0;
  for (const { chance, causes } of columns) {
    if (chance <= 0) continue;
    marginal -= chance * Math.log(chance);
    for (let i = 0; i <= N; i++) causes[i]! /= chance;
  }
  return {
    bits: Math.max(0, marginal - conditional) / Math.LN2,
    prospects: columns.map(({ result, chance, causes }) => ({ result, chance, causes })),
  };
}
