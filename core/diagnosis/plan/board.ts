import { CAUSE_INDEX, CHECKS, seenAs, type CheckDef, type CheckId } from '../../knowledge';
import { fillJoint, partnerOf } from '../dependence';
import { causesOf, normalise, SETS } from '../hypotheses';
import { bearingOn, informativeResults } from '../checkTable';
import { asItStood, fillChosen, findingLikelihood } from '../likelihood';
import type { Posterior, Weighed } from '../posterior';

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
  /** The cause each result is, seen; −1 where it is none or several. */
  seen: readonly number[];
  /**
   * Positions on the board of the sets some cause of which bears on the check. All others expect what a sound machine
   * shows, so one row stands for them all: the first of the tables below.
   */
  rows: Uint16Array;
  /** P(result | row): one table a result, length rows + 1. */
  chances: readonly Float64Array[];
}

/** The likeliest sets of causes with every check's answers for them: all that planning needs, and small. */
export interface Board {
  /** Positions in SETS. */
  chosen: Uint32Array;
  now: Belief;
  answers: ReadonlyMap<CheckId, Answers>;
}

/** The sets worth planning with: no more than `most`, all above a floor raised until they fit. */
export function keepLikely({ sets }: Pick<Posterior, 'sets'>, most = KEPT_SETS): Uint32Array {
  let count = 0;
  for (let s = 0; s < sets.length; s++) if (sets[s]! > FAINT) count++;
  let kept = new Uint32Array(count);
  for (let s = 0, n = 0; n < count; s++) if (sets[s]! > FAINT) kept[n++] = s;
  for (let floor = 2 * FAINT; kept.length > most; floor *= 2) kept = kept.filter((s) => sets[s]! > floor);
  return kept;
}

const onlySeen = (check: CheckId, result: string): number => {
  const seen = seenAs(check, result);
  return seen.length === 1 ? CAUSE_INDEX.get(seen[0]!)! : -1;
};

/** A check's answers on these sets, as the machine now stands; null when it has no bearing on any of them. */
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
  const found = partnerOf(check.id, p.weighed);
  const made = p.weighed.findLast((w) => w.evidence.kind === 'finding' && w.evidence.check === check.id);
  for (const result of informativeResults(check.id)) {
    const likelihood = findingLikelihood(check.id, result, 'sure', {
      complaints: p.complaints,
      rate: p.timeline.rate,
    });
    if (!likelihood) continue;
    const now = asItStood(likelihood, p.gone, p.present);
    const table = new Float64Array(sets.length);
    // Beside a dependent finding the joint table serves: it differs by a factor a set, which goes in the scaling below.
    if (found) fillJoint(table, found.dependence, now, found.partner.likelihood, sets);
    else fillChosen(table, now, sets);
    results.push(result);
    chances.push(table);
  }
  for (let n = 0; n < sets.length; n++) {
    let sum = 0;
    for (const table of chances) sum += table[n]!;
    for (const table of chances) table[n]! /= sum;
  }
  if (made) expectAgain(chances, results, made, sets);
  return {
    check,
    results,
    seen: results.map((r) => onlySeen(check.id, r)),
    rows: Uint16Array.from(rows),
    chances,
  };
}

/**
 * A check made again shows the same again, unless it was a slip the first time: under each set the slip is as likely as
 * the set leaves the first result unaccounted for.
 */
function expectAgain(
  chances: readonly Float64Array[],
  results: readonly string[],
  { evidence, likelihood }: Weighed,
  sets: Uint32Array,
): void {
  const first = evidence.kind === 'finding' ? results.indexOf(evidence.result) : -1;
  const was = new Float64Array(sets.length);
  fillChosen(was, likelihood, sets);
  for (let n = 0; n < sets.length; n++) {
    const slip = Math.min(1, likelihood.slip / was[n]!);
    chances.forEach((table, r) => {
      table[n] = (r === first ? 1 - slip : 0) + slip * table[n]!;
    });
  }
}

/** Lays the board out: the chosen sets of a posterior, and the answers to them of the checks wanted. */
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

/** The weights of the sets together with one result of a check, not scaled. Returns their sum: the chance of the result. */
export function weightsWith(
  { weights }: Belief,
  { rows, chances }: Answers,
  r: number,
  out: Float64Array,
): number {
  const table = chances[r]!;
  const resting = table[0]!;
  for (let n = 0; n < weights.length; n++) out[n] = weights[n]! * resting;
  for (let n = 0; n < rows.length; n++) out[rows[n]!] = weights[rows[n]!]! * table[n + 1]!;
  let chance = 0;
  for (let n = 0; n < out.length; n++) chance += out[n]!;
  return chance;
}

/** What would be believed after one result of a check. */
export function believing(board: Board, belief: Belief, answers: Answers, r: number): Belief {
  const then = new Float64Array(belief.weights.length);
  weightsWith(belief, answers, r, then);
  normalise(then);
  return { weights: then, causes: causesOf(board.chosen, then) };
}
