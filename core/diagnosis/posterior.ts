import type { Case, Evidence } from './case';
import type { CauseId, ComplaintId } from './knowledge';
import { afterRepairOf, complaintLikelihood, findingLikelihood, repairLikelihood, type Likelihood } from './likelihood';
import { priorOdds, silenceFactors } from './prior';
import { causeWeights, fillAll, normalise, SETS } from './sets';

/** Weight of "none of these" against the listed causes, before any evidence: a machine on the bench has a fault. */
const NONE_OF_THESE = 0.08;

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

function priorWeights(c: Case): Float64Array {
  const mentioned = new Set<ComplaintId>();
  for (const e of c.evidence) if (e.kind === 'complaint') mentioned.add(e.complaint);
  const odds = priorOdds(c.history, c.machine);
  const silence = silenceFactors(mentioned);
  const factor = Float64Array.from({ length: odds.length + 1 }, (_, i) =>
    i < odds.length ? (odds[i] ?? 0) * (silence[i] ?? 1) : 1,
  );
  const { a, b, c: third, count } = SETS;
  const weights = new Float64Array(count);
  for (let s = 0; s < count; s++) weights[s] = factor[a[s]!]! * factor[b[s]!]! * factor[third[s]!]!;
  weights[0] = NONE_OF_THESE;
  normalise(weights);
  return weights;
}

/** The likelihood of one piece of evidence on a machine where some causes were already repaired. Null: says nothing. */
function likelihoodOf(e: Evidence, repaired: readonly CauseId[]): Likelihood | null {
  switch (e.kind) {
    case 'complaint':
      return complaintLikelihood(e.complaint);
    case 'finding': {
      const found = findingLikelihood(e.check, e.result, e.sureness);
      return found && afterRepairOf(found, repaired);
    }
    case 'repair':
      return repairLikelihood(e.cause, e.outcome);
  }
}

/** How many pieces of evidence keep their table of probabilities at hand, about 200 kB each. */
const REMEMBERED = 96;
const remembered = new Map<string, { likelihood: Likelihood; perSet: Float64Array } | null>();

/** The same observation always has the same table, so a growing log only pays for what is new. */
function tableFor(e: Evidence, repaired: readonly CauseId[]): { likelihood: Likelihood; perSet: Float64Array } | null {
  const { ref: _, ...observation } = e;
  const key = JSON.stringify([observation, repaired]);
  const known = remembered.get(key);
  if (known !== undefined) return known;
  const likelihood = likelihoodOf(e, repaired);
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
 * Weighs all evidence exactly over every set of up to three causes. Findings noted after a repair are judged on the
 * machine as it then was, with the repaired cause gone.
 */
export function posterior(c: Case): Posterior {
  const sets = priorWeights(c);
  const repaired: CauseId[] = [];
  const weighed: Weighed[] = [];
  for (const evidence of c.evidence) {
    const table = tableFor(evidence, repaired);
    if (evidence.kind === 'repair') repaired.push(evidence.cause);
    if (!table) continue;
    const { likelihood, perSet } = table;
    for (let s = 0; s < perSet.length; s++) sets[s]! *= perSet[s]!;
    weighed.push({ evidence, likelihood, perSet });
    // Rescaled now and then, so any number of findings stays far from underflow.
    if (weighed.length % 8 === 0) normalise(sets);
  }
  normalise(sets);
  return { sets, causes: causeWeights(sets).causes, weighed, repaired };
}

/**
 * The case without one piece of evidence: the probability each cause would have (length N), and the chance that the
 * evidence was misread, given all the rest and itself.
 */
export function without(p: Posterior, w: Weighed): { causes: Float64Array; misread: number } {
  const { causes, total } = causeWeights(p.sets, w.perSet);
  for (let i = 0; i < causes.length; i++) causes[i]! /= total;
  return { causes, misread: Math.min(1, w.likelihood.error * w.likelihood.misread * total) };
}
