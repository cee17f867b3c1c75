import { fillJoint } from '../bonds';
import { CAUSES, CHECKS, type CheckDef, type CheckId } from '../knowledge';
import { asItStood, bearingOn, findingLikelihood, informativeResults } from '../likelihood';
import { bondedTo, type Posterior } from '../posterior';
import { causesOf, fillChosen, normalise, SETS } from '../sets';

const N = CAUSES.length;
/** Sets kept for planning: those that hold nearly all of the probability. */
const KEPT_SETS = 400;
/** Sets fainter than this are not planned with: together they hold less than a hundredth once a few checks are made. */
const FAINT = 2e-5;

/** What is believed over the board's sets: weights that sum to one, and each cause's probability (length N + 1). */
export interface Belief {
  weights: Float64Array;
  causes: Float64Array;
}

/** One check's answers, worked out for every set of the board on which it has a bearing. */
export interface Answers {
  check: CheckDef;
  results: readonly string[];
  /**
   * Positions on the board of the sets some cause of which bears on the check. All others expect what a sound machine
   * shows, so one row stands for them all: the first of the tables below.
   */
  rows: Uint16Array;
  /** P(result | row): one table a result, length rows + 1. */
  chances: readonly Float64Array[];
  /** Entropy of the results in each row, nats; length rows + 1. */
  unsure: Float64Array;
}

/** The likeliest sets of causes with every check's answers for them: all that planning needs, and small. */
export interface Board {
  /** Positions in SETS. */
  chosen: Uint32Array;
  now: Belief;
  answers: ReadonlyMap<CheckId, Answers>;
}

/** What one result of a check would leave. */
export interface Prospect {
  result: string;
  /** Chance of the result (0–1). */
  chance: number;
  /** Probability of each cause then, vocabulary order (length N + 1; the last is nobody). */
  causes: Float64Array;
}

/** The sets worth planning with: no more than `most`, all above a floor raised until they fit. */
export function keepLikely(p: Posterior, most = KEPT_SETS): Uint32Array {
  let floor = FAINT / 2;
  let count = most + 1;
  while (count > most) {
    floor *= 2;
    count = 0;
    for (let s = 0; s < p.sets.length; s++) if (p.sets[s]! > floor) count++;
  }
  const chosen = new Uint32Array(count);
  for (let s = 0, n = 0; s < p.sets.length; s++) if (p.sets[s]! > floor) chosen[n++] = s;
  return chosen;
}

/** A check's answers on these sets, with the repaired causes gone; null when it has no bearing on any of them. */
function answersOf(check: CheckDef, chosen: Uint32Array, p: Posterior): Answers | null {
  const bears = bearingOn(check.id);
  const { a, b, c } = SETS;
  const rows: number[] = [];
  for (let n = 0; n < chosen.length; n++) {
    const s = chosen[n]!;
    if (bears[a[s]!]! | bears[b[s]!]! | bears[c[s]!]!) rows.push(n);
  }
  if (rows.length === 0) return null;
  const sets = Uint32Array.from([0, ...rows.map((n) => chosen[n]!)]);
  const results: string[] = [];
  const chances: Float64Array[] = [];
  const bonded = bondedTo(check.id, p.weighed);
  for (const result of informativeResults(check.id)) {
    const likelihood = findingLikelihood(check.id, result, 'sure');
    if (!likelihood) continue;
    const now = asItStood(likelihood, p.repaired, []);
    const table = new Float64Array(sets.length);
    // Beside a bonded finding the joint table serves: it differs by a factor a set, which goes in the scaling below.
    if (bonded)
      fillJoint(table, bonded.bond, now, bonded.partner.likelihood, (out, l) => fillChosen(out, l, sets));
    else fillChosen(table, now, sets);
    results.push(result);
    chances.push(table);
  }
  const unsure = new Float64Array(sets.length);
  for (let n = 0; n < sets.length; n++) {
    let sum = 0;
    for (const table of chances) sum += table[n]!;
    for (const table of chances) {
      const q = table[n]! / sum;
      table[n] = q;
      unsure[n]! -= q * Math.log(q);
    }
  }
  return { check, results, rows: Uint16Array.from(rows), chances, unsure };
}

/** Lays the board out: the chosen sets of a posterior, and the answers of the checks wanted to them. */
export function layBoard(p: Posterior, chosen: Uint32Array, wanted: (check: CheckDef) => boolean): Board {
  const weights = Float64Array.from(chosen, (s) => p.sets[s]!);
  normalise(weights);
  const answers = new Map<CheckId, Answers>();
  for (const check of CHECKS) {
    const found = wanted(check) ? answersOf(check, chosen, p) : null;
    if (found) answers.set(check.id, found);
  }
  return { chosen, now: { weights, causes: causesOf(chosen, weights) }, answers };
}

/**
 * What a check would tell: the information about what is wrong (bits; expected fall of entropy over the sets) and the
 * prospect after each result.
 */
export function foresee(
  { chosen }: Board,
  { weights, causes }: Belief,
  { results, rows, chances, unsure }: Answers,
): { bits: number; prospects: Prospect[] } {
  const { a, b, c } = SETS;
  const rest = causes.slice();
  let restWeight = 1;
  let conditional = 0;
  for (let n = 0; n < rows.length; n++) {
    const w = weights[rows[n]!]!;
    const s = chosen[rows[n]!]!;
    restWeight -= w;
    conditional += w * unsure[n + 1]!;
    rest[a[s]!]! -= w;
    rest[b[s]!]! -= w;
    rest[c[s]!]! -= w;
  }
  restWeight = Math.max(0, restWeight);
  conditional += restWeight * unsure[0]!;
  let marginal = 0;
  const prospects = results.map((result, r): Prospect => {
    const table = chances[r]!;
    const then = new Float64Array(N + 1);
    const resting = table[0]!;
    let chance = restWeight * resting;
    for (let i = 0; i <= N; i++) then[i] = Math.max(0, rest[i]!) * resting;
    for (let n = 0; n < rows.length; n++) {
      const w = weights[rows[n]!]! * table[n + 1]!;
      const s = chosen[rows[n]!]!;
      chance += w;
      then[a[s]!]! += w;
      then[b[s]!]! += w;
      then[c[s]!]! += w;
    }
    if (chance > 0) {
      marginal -= chance * Math.log(chance);
      for (let i = 0; i <= N; i++) then[i]! /= chance;
    }
    return { result, chance, causes: then };
  });
  return { bits: Math.max(0, marginal - conditional) / Math.LN2, prospects };
}

/** What would be believed after one result of a check. */
export function believing(board: Board, { weights }: Belief, answers: Answers, result: string): Belief {
  const table = answers.chances[answers.results.indexOf(result)]!;
  const then = new Float64Array(weights.length);
  const resting = table[0]!;
  for (let n = 0; n < weights.length; n++) then[n] = weights[n]! * resting;
  const { rows } = answers;
  for (let n = 0; n < rows.length; n++) then[rows[n]!] = weights[rows[n]!]! * table[n + 1]!;
  normalise(then);
  return { weights: then, causes: causesOf(board.chosen, then) };
}
