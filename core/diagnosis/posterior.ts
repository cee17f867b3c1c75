import type { Case, Evidence } from './case';
import { CAUSES, type CauseId, type ComplaintId } from './knowledge';
import {
  asItStood,
  complaintLikelihood,
  findingLikelihood,
  leftoverLikelihood,
  repairLikelihood,
  type Likelihood,
} from './likelihood';
import { CAUSE_INDEX, priorOdds, silenceFactors } from './prior';
import { causeWeights, fillAll, multiply, normalise, SETS } from './sets';

/** Weight of "none of these" against the listed causes, before any evidence: a machine on the bench has a fault. */
export const NONE_OF_THESE = 0.08;

/** How often a new part is itself at fault, or fitted wrong. */
const BOTCHED = 0.04;

/** One piece of evidence with its probability under every set (length SETS.count). */
export interface Weighed {
  evidence: Evidence;
  likelihood: Likelihood;
  perSet: Float64Array;
}

/** Exact distribution over all sets of up to three causes. */
export interface Posterior {
  /** Probability of each set; sums to 1. */
  sets: Float64Array;
  /** Probability of each cause, vocabulary order. */
  causes: Float64Array;
  weighed: readonly Weighed[];
  /** Causes a repair has already dealt with, in order. */
  repaired: readonly CauseId[];
}

/** Prior odds of each cause on this machine, with what the owner did not mention taken into account. */
function oddsFor(c: Case): Float64Array {
  const mentioned = new Set<ComplaintId>();
  for (const e of c.evidence) if (e.kind === 'complaint') mentioned.add(e.complaint);
  const silence = silenceFactors(mentioned);
  return priorOdds(c.history, c.machine).map((odds, i) => odds * (silence[i] ?? 1));
}

/** Prior weight of every set, summing to one, from the prior odds of each cause. */
function priorWeights(odds: Float64Array): Float64Array {
  const factor = Float64Array.from([...odds, 1]);
  const { a, b, c, count } = SETS;
  const weights = new Float64Array(count);
  for (let s = 0; s < count; s++) weights[s] = factor[a[s]!]! * factor[b[s]!]! * factor[c[s]!]!;
  weights[0] = NONE_OF_THESE;
  normalise(weights);
  return weights;
}

/** The machine as it stood when a piece of evidence was noted. */
interface Then {
  /** Put right by an earlier repair. */
  gone: readonly CauseId[];
  /** There, as a later repair that made it better showed. */
  present: readonly CauseId[];
  /** What was complained of before. */
  complaints: readonly ComplaintId[];
}

/** The likelihood of one piece of evidence on the machine as it then stood. Null: it says nothing. */
function likelihoodOf(e: Evidence, { gone, present, complaints }: Then): Likelihood | null {
  switch (e.kind) {
    case 'complaint':
      return asItStood(complaintLikelihood(e.complaint), gone, present);
    case 'finding': {
      const found = findingLikelihood(e.check, e.result, e.sureness);
      return found && asItStood(found, gone, present);
    }
    case 'repair':
      if (e.outcome === 'better') return asItStood(leftoverLikelihood(complaints), [...gone, e.cause], []);
      return asItStood(repairLikelihood(e.cause, e.outcome), gone, present);
  }
}

/** How many pieces of evidence keep their table of probabilities at hand, about 200 kB each. */
const REMEMBERED = 96;
const remembered = new Map<string, { likelihood: Likelihood; perSet: Float64Array } | null>();

/** The same observation always has the same table, so a growing log only pays for what is new. */
function tableFor(e: Evidence, then: Then): { likelihood: Likelihood; perSet: Float64Array } | null {
  const { ref: _, ...observation } = e;
  const key = JSON.stringify([observation, then.gone, then.present, e.kind === 'repair' && then.complaints]);
  const known = remembered.get(key);
  if (known !== undefined) return known;
  const likelihood = likelihoodOf(e, then);
  const table = likelihood && { likelihood, perSet: new Float64Array(SETS.count) };
  if (table) fillAll(table.perSet, table.likelihood);
  if (remembered.size >= REMEMBERED) {
    const oldest = remembered.keys().next();
    if (!oldest.done) remembered.delete(oldest.value);
  }
  remembered.set(key, table);
  return table;
}

/**
 * Weighs all evidence exactly over every set of up to three causes. Each finding is judged on the machine as it then
 * stood: a repaired cause shows nothing afterwards, and one whose repair made things better was certainly there before,
 * so that what is left over is looked for beside it.
 */
export const posterior = (c: Case): Posterior => weigh(oddsFor(c), c.evidence);

/** The same from given prior odds of each cause (vocabulary order). */
export function weigh(odds: Float64Array, evidences: readonly Evidence[]): Posterior {
  const better = evidences.flatMap((e) => (e.kind === 'repair' && e.outcome === 'better' ? [e.cause] : []));
  const sets = priorWeights(odds.map((o, i) => (better.includes(CAUSES[i]!.id) ? 0 : o)));
  const repaired: CauseId[] = [];
  const complaints: ComplaintId[] = [];
  const weighed: Weighed[] = [];
  for (const evidence of evidences) {
    const present = better.filter((cause) => !repaired.includes(cause));
    const table = tableFor(evidence, { gone: [...repaired], present, complaints: [...complaints] });
    if (evidence.kind === 'repair') repaired.push(evidence.cause);
    if (evidence.kind === 'complaint') complaints.push(evidence.complaint);
    if (!table) continue;
    const { likelihood, perSet } = table;
    multiply(sets, perSet);
    weighed.push({ evidence, likelihood, perSet });
    // Rescaled now and then, so any number of findings stays far from underflow.
    if (weighed.length % 8 === 0) normalise(sets);
  }
  normalise(sets);
  const { causes } = causeWeights(sets);
  for (const e of evidences) {
    // A part changed in vain may have been bad too, but it is not what is wrong now.
    if (e.kind === 'repair' && e.outcome === 'no-change') causes[CAUSE_INDEX.get(e.cause) ?? -1]! *= BOTCHED;
  }
  return { sets, causes, weighed, repaired };
}

/**
 * Sets lighter than this are not asked what leaving one piece of evidence out would do for them: evidence weighs at most
 * about 300 to 1, so even then each stays below two in a hundred thousand.
 */
const FAINT = 5e-8;

/** The sets that can matter when one piece of evidence is left out, with their weights. */
interface Possible {
  sets: Uint32Array;
  weights: Float64Array;
}

/** Gathers the sets that can matter when evidence is left out, once for all of it. */
export function possibleSets(p: Posterior): Possible {
  const sets = new Uint32Array(SETS.count);
  let count = 0;
  for (let s = 0; s < p.sets.length; s++) if (p.sets[s]! > FAINT) sets[count++] = s;
  const chosen = sets.slice(0, count);
  return { sets: chosen, weights: Float64Array.from(chosen, (s) => p.sets[s]!) };
}

/**
 * The case without one piece of evidence: the probability each cause would have (length N + 1; the last is nobody), and
 * the chance that the evidence was misread, given all the rest and itself.
 */
export function without({ sets, weights }: Possible, w: Weighed): { causes: Float64Array; misread: number } {
  const causes = new Float64Array(CAUSES.length + 1);
  const { a, b, c } = SETS;
  const { perSet } = w;
  let total = 0;
  for (let n = 0; n < sets.length; n++) {
    const s = sets[n]!;
    const q = weights[n]! / perSet[s]!;
    total += q;
    causes[a[s]!] = causes[a[s]!]! + q;
    causes[b[s]!] = causes[b[s]!]! + q;
    causes[c[s]!] = causes[c[s]!]! + q;
  }
  for (let i = 0; i < causes.length; i++) causes[i] = causes[i]! / total;
  return { causes, misread: Math.min(1, w.likelihood.error * w.likelihood.misread * total) };
}
