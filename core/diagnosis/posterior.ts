import type { Case, Evidence } from './case';
import { fillJoint } from './bonds';
import { bondOf, CAUSES, type Bond, type CauseId, type CheckId, type ComplaintId } from './knowledge';
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
  /** Given what came before it. */
  perSet: Float64Array;
  /** Given all the rest: what is taken away when it is left out. The same, unless a later finding is bonded to it. */
  adds: Float64Array;
}

/** Exact distribution over all sets of up to three causes. */
export interface Posterior {
  /** Probability of each set; sums to 1. Kept for the next finding: not to be written to. */
  sets: Float64Array;
  /** Probability of each cause, vocabulary order. */
  causes: Float64Array;
  weighed: readonly Weighed[];
  /** Causes a repair has already dealt with, in order. */
  repaired: readonly CauseId[];
}

const ODDS_KEPT = 8;
const oddsKept = new Map<string, Float64Array>();

/** Prior odds of each cause on this machine, with what the owner did not mention taken into account. */
export function oddsFor(c: Case): Float64Array {
  const mentioned = new Set<ComplaintId>();
  for (const e of c.evidence) if (e.kind === 'complaint') mentioned.add(e.complaint);
  const key = JSON.stringify([c.machine, c.history, [...mentioned].sort()]);
  const known = oddsKept.get(key);
  if (known) return known;
  const silence = silenceFactors(mentioned);
  const odds = priorOdds(c.history, c.machine).map((o, i) => o * (silence[i] ?? 1));
  return keep(oddsKept, ODDS_KEPT, key, odds);
}

/** Prior weight of every set, summing to one, from the prior odds of each cause. */
export function priorWeights(odds: Float64Array): Float64Array {
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
      const found = findingLikelihood(e.check, e.result, e.sureness, {
        confirmed: e.again === 'same',
        pulls: e.pulls ?? 0,
      });
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

/** Everything the table of an observation depends on. */
function keyOf(e: Evidence, then: Then): string {
  return JSON.stringify([{ ...e, ref: '' }, then.gone, then.present, e.kind === 'repair' && then.complaints]);
}

/** Keeps a value under a key, letting the oldest go when there are too many. */
function keep<T>(kept: Map<string, T>, most: number, key: string, value: T): T {
  if (kept.size >= most) {
    const oldest = kept.keys().next();
    if (!oldest.done) kept.delete(oldest.value);
  }
  kept.set(key, value);
  return value;
}

/** The same observation always has the same table, so a growing log only pays for what is new. */
function tableFor(
  key: string,
  e: Evidence,
  then: Then,
): { likelihood: Likelihood; perSet: Float64Array } | null {
  const known = remembered.get(key);
  if (known !== undefined) return known;
  const likelihood = likelihoodOf(e, then);
  const table = likelihood && { likelihood, perSet: new Float64Array(SETS.count) };
  if (table) fillAll(table.perSet, table.likelihood);
  return keep(remembered, REMEMBERED, key, table);
}

/** Weights after the latest findings and after every few are kept, so that a long log is not gone through again. */
const CHECKPOINTS = 24;
const CHECKPOINT_EVERY = 8;
const LATEST = 2;
const checkpoints = new Map<string, Float64Array>();

/**
 * Weighs all evidence exactly over every set of up to three causes. Each finding is judged on the machine as it then
 * stood: a repaired cause shows nothing afterwards, and one whose repair made things better was certainly there before,
 * so that what is left over is looked for beside it.
 */
export const posterior = (c: Case): Posterior => weigh(oddsFor(c), c.evidence);

/** The same from given prior odds of each cause (vocabulary order). */
export function weigh(odds: Float64Array, evidences: readonly Evidence[]): Posterior {
  const better = evidences.flatMap((e) => (e.kind === 'repair' && e.outcome === 'better' ? [e.cause] : []));
  const prior = odds.map((o, i) => (better.includes(CAUSES[i]!.id) ? 0 : o));
  const repaired: CauseId[] = [];
  const complaints: ComplaintId[] = [];
  const weighed: Weighed[] = [];
  let chain = prior.join();
  /** The chain of keys up to each piece of evidence that counts. */
  const chains: string[] = [];
  for (const evidence of evidences) {
    const then: Then = {
      gone: [...repaired],
      present: better.filter((cause) => !repaired.includes(cause)),
      complaints: [...complaints],
    };
    const key = keyOf(evidence, then);
    const table = tableFor(key, evidence, then);
    if (evidence.kind === 'repair') repaired.push(evidence.cause);
    if (evidence.kind === 'complaint') complaints.push(evidence.complaint);
    if (!table) continue;
    chains.push((chain += key));
    weighed.push({ evidence, likelihood: table.likelihood, ...besideBonded(evidence, table, weighed) });
  }
  const sets = multiplied(prior, weighed, chains);
  const { causes } = causeWeights(sets);
  for (const e of evidences) {
    // A part changed in vain may have been bad too, but it is not what is wrong now.
    if (e.kind === 'repair' && e.outcome === 'no-change') causes[CAUSE_INDEX.get(e.cause) ?? -1]! *= BOTCHED;
  }
  return { sets, causes, weighed, repaired };
}

/** Two bonded findings: the table of each given the other. */
interface Bonded {
  first: Float64Array;
  second: Float64Array;
}

const together = new WeakMap<Float64Array, WeakMap<Float64Array, Bonded>>();

/** The tables of two bonded findings, with what they share summed over. Kept as long as both own tables are. */
function bondedTables(bond: Bond, x: Pick<Weighed, 'likelihood' | 'perSet'>, y: typeof x): Bonded {
  const known = together.get(x.perSet)?.get(y.perSet);
  if (known) return known;
  const first = new Float64Array(SETS.count);
  const second = new Float64Array(SETS.count);
  fillJoint(first, bond, x.likelihood, y.likelihood, fillAll);
  for (let s = 0; s < first.length; s++) {
    const joint = first[s]!;
    first[s] = joint / y.perSet[s]!;
    second[s] = joint / x.perSet[s]!;
  }
  const ofX = together.get(x.perSet) ?? new WeakMap<Float64Array, Bonded>();
  const tables = { first, second };
  together.set(x.perSet, ofX.set(y.perSet, tables));
  return tables;
}

/** The finding among these that a check is bonded to, if there is one. */
export function bondedTo(
  check: CheckId,
  weighed: readonly Weighed[],
): { bond: Bond; partner: Weighed } | null {
  const bond = bondOf(check);
  const partner =
    bond &&
    weighed.find(
      ({ evidence: e }) => e.kind === 'finding' && e.check !== check && bond.checks.includes(e.check),
    );
  return partner ? { bond, partner } : null;
}

/** A finding's tables beside those before it. When it is bonded to one of them, neither is believed twice. */
function besideBonded(
  evidence: Evidence,
  table: Pick<Weighed, 'likelihood' | 'perSet'>,
  before: Weighed[],
): Pick<Weighed, 'perSet' | 'adds'> {
  const bonded = evidence.kind === 'finding' ? bondedTo(evidence.check, before) : null;
  if (!bonded) return { perSet: table.perSet, adds: table.perSet };
  const { bond, partner } = bonded;
  const { first, second } = bondedTables(bond, partner, table);
  partner.adds = first;
  return { perSet: second, adds: second };
}

/** Weights of all sets, summing to one, after every piece of evidence; goes on from the last checkpoint known. */
function multiplied(
  prior: Float64Array,
  weighed: readonly Weighed[],
  chains: readonly string[],
): Float64Array {
  let done = weighed.length;
  while (done > 0 && !checkpoints.has(chains[done - 1]!)) done--;
  if (done > 0 && done === weighed.length) return checkpoints.get(chains[done - 1]!)!;
  const sets = done > 0 ? checkpoints.get(chains[done - 1]!)!.slice() : priorWeights(prior);
  for (let n = done; n < weighed.length; n++) {
    multiply(sets, weighed[n]!.perSet);
    if ((n + 1) % CHECKPOINT_EVERY !== 0 && n + LATEST < weighed.length) continue;
    // Rescaled now and then, so any number of findings stays far from underflow.
    normalise(sets);
    keep(checkpoints, CHECKPOINTS, chains[n]!, n + 1 < weighed.length ? sets.slice() : sets);
  }
  return sets;
}

/**
 * Sets lighter than this are not asked what leaving one piece of evidence out would do for them: evidence weighs at most
 * about 300 to 1, so even then each stays below two in a hundred thousand.
 */
const FAINT = 5e-8;

/** The sets that can matter when one piece of evidence is left out, with their weights. */
export interface Possible {
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
  const { adds } = w;
  let total = 0;
  for (let n = 0; n < sets.length; n++) {
    const s = sets[n]!;
    const q = weights[n]! / adds[s]!;
    total += q;
    causes[a[s]!] = causes[a[s]!]! + q;
    causes[b[s]!] = causes[b[s]!]! + q;
    causes[c[s]!] = causes[c[s]!]! + q;
  }
  for (let i = 0; i < causes.length; i++) causes[i] = causes[i]! / total;
  return { causes, misread: Math.min(1, w.likelihood.error * w.likelihood.misread * total) };
}
