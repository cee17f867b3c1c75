import { CAUSES, CAUSE_INDEX, type CauseId, type ComplaintId } from '../knowledge';
import { rightedBy, type Case, type Evidence } from './case';
import { combine, combineJoint, multiplyAll, nothingYet } from './combine';
import { fillJoint, partnerOf } from './dependence';
import { saidLikelihood } from './hearsay';
import { causeWeights, normalise, SETS, SETS_WITH } from './hypotheses';
import {
  asItStood,
  complaintLikelihood,
  fillChosen,
  findingLikelihood,
  leftoverLikelihood,
  vainLikelihood,
  type Likelihood,
} from './likelihood';
import { BOTCHED, CLEARED, NONE_OF_THESE, SEEN } from './parameters';
import { BARREN, LINKED, priorOdds, silenceFactors, SPARED } from './prior';
import { timelineOf, type Timeline } from './timeline';

const N = CAUSES.length;

/** One piece of evidence with its likelihood on the machine as it then stood. */
export interface Weighed {
  evidence: Evidence;
  likelihood: Likelihood;
}

/** Exact distribution over all sets of up to three causes that nobody has seen, beside those that somebody has. */
export interface Posterior {
  /** Probability of each set, in the order of SETS; sums to 1. */
  sets: Float64Array;
  /** Probability that each cause is there now, in the order of CAUSES (length N). */
  causes: Float64Array;
  weighed: readonly Weighed[];
  timeline: Timeline;
  /** Masks (length N + 1): known to be there now, and put right by now. */
  present: Uint8Array;
  gone: Uint8Array;
  /** Complaints that stand. */
  complaints: readonly ComplaintId[];
}

/** Prior odds of each cause on this machine, with what the owner did not mention taken into account. */
export function oddsFor(c: Case): Float64Array {
  const silence = silenceFactors(new Set(complaintsOf(c)));
  return priorOdds(c.history, c.machine, c.commonness).map((o, i) => o * (silence[i] ?? 1));
}

/** What a case complains of, each once, in the order it was said. */
export const complaintsOf = (c: Pick<Case, 'evidence'>): ComplaintId[] => [
  ...new Set(c.evidence.flatMap((e) => (e.kind === 'complaint' ? [e.complaint] : []))),
];

/**
 * Prior weight of every set beside the causes known to have been there, summing to one: every cause by itself or brought
 * about by another of the set (noisy-or of chains). `odds`: of each cause by itself; `known`: mask of length N + 1.
 *
 * With p_c the chance of a cause given the others of the set, the weight of a set is ∏ p_c over its members times
 * ∏ (1 − p_c) over the rest; divided by the weight of no cause at all it is ∏ odds_c · barren_c over its members, where
 * barren is the chance that a member brought about nothing, and odds take in what brought the member about.
 */
export function priorWeights(odds: Float64Array, known: Uint8Array): Float64Array {
  const W = N + 1;
  const members: number[] = [];
  for (let i = 0; i < N; i++) if (known[i]) members.push(i);
  /** Chance that a cause is not there, what is known to have been there counted in. */
  const absent = Float64Array.from({ length: W }, (_, i) => {
    let q = i < N ? 1 / (1 + odds[i]!) : 1;
    for (const m of members) q *= SPARED[m * W + i]!;
    return q;
  });
  const oddsAt = (q: number): number => (1 - q) / q;
  /** Of each cause with no other to bring it about. */
  const alone = absent.map((q, i) => BARREN[i]! * oddsAt(q));
  const impossible = (i: number): boolean => known[i] === 1 || odds[i] === 0;
  /** What a set does to the odds of what is known to have been there: it may have brought that about. */
  const onKnown = (i: number, j: number, k: number): number => {
    let factor = 1;
    for (const m of members) {
      const spared = SPARED[i * W + m]! * SPARED[j * W + m]! * SPARED[k * W + m]!;
      if (spared < 1) factor *= oddsAt(absent[m]! * spared) / oddsAt(absent[m]!);
    }
    return factor;
  };
  const weights = new Float64Array(SETS.count);
  let s = 0;
  weights[s++] = 1;
  for (let i = 0; i < N; i++) {
    const noI = impossible(i);
    weights[s++] = noI ? 0 : alone[i]! * onKnown(i, N, N);
    for (let j = i + 1; j < N; j++) {
      const noJ = noI || impossible(j);
      const barren = BARREN[i]! * BARREN[j]!;
      const qi = absent[i]! * SPARED[j * W + i]!;
      const qj = absent[j]! * SPARED[i * W + j]!;
      const both = oddsAt(qi) * oddsAt(qj);
      weights[s++] = noJ ? 0 : barren * both * onKnown(i, j, N);
      for (let k = j + 1; k < N; k++) {
        if (noJ || known[k] === 1 || odds[k] === 0) {
          s++;
          continue;
        }
        const linked = LINKED[i * W + k]! | LINKED[j * W + k]!;
        const w = linked
          ? BARREN[k]! *
            oddsAt(qi * SPARED[k * W + i]!) *
            oddsAt(qj * SPARED[k * W + j]!) *
            oddsAt(absent[k]! * SPARED[i * W + k]! * SPARED[j * W + k]!)
          : both * alone[k]!;
        weights[s++] = barren * w * (members.length > 0 ? onKnown(i, j, k) : 1);
      }
    }
  }
  weights[0] = members.length > 0 ? weights[0]! : NONE_OF_THESE;
  normalise(weights);
  return weights;
}

/** What a case complains of since it was last cured. */
export function standingComplaints({ evidence }: Pick<Case, 'evidence'>): ComplaintId[] {
  const cured = evidence.findLastIndex((e) => e.kind === 'repair' && e.outcome === 'cured');
  return complaintsOf({ evidence: evidence.slice(cured + 1) });
}

/** The likelihood of one piece of evidence on the machine as it then stood. Null: it says nothing by itself. */
function likelihoodOf(
  e: Evidence,
  at: number,
  t: Timeline,
  said: readonly ComplaintId[],
  { history, machine }: Pick<Case, 'history' | 'machine'>,
): Likelihood | null {
  const then = (l: Likelihood, when: number): Likelihood => asItStood(l, t.goneAt(when), t.presentAt(when));
  switch (e.kind) {
    case 'complaint':
      return then(complaintLikelihood(e.complaint), Math.max(at, t.complaintsAt));
    case 'said-done':
      return then(saidLikelihood(e, history, machine), at);
    case 'finding': {
      const found = findingLikelihood(e.check, e.result, e.sureness, {
        confirmed: e.again === 'same',
        pulls: e.pulls ?? 0,
        complaints: said,
        screw: e.screw,
        counts: e.counts,
        rate: t.rate,
      });
      return found && then(found, at);
    }
    case 'repair': {
      if (e.outcome === 'cured' || e.outcome === 'untried') return null;
      if (e.outcome === 'better') return then(leftoverLikelihood(said), Infinity);
      const known = t.presentAt(at);
      const unseen = rightedBy(e).filter((id) => !known[CAUSE_INDEX.get(id)!]);
      return unseen.length === 0 ? null : then(vainLikelihood(unseen), at);
    }
  }
}

/** Works out the posterior of a case. Pure: the same case gives the same answer, and nothing is kept. */
export const posterior = (c: Case): Posterior => weigh(c, oddsFor(c));

/** The posterior of a case under given prior odds (in the order of CAUSES; length N). */
export function weigh(c: Case, odds: Float64Array): Posterior {
  const timeline = timelineOf(c);
  const weighed: Weighed[] = [];
  const said: ComplaintId[] = [];
  c.evidence.forEach((evidence, at) => {
    const likelihood = likelihoodOf(evidence, at, timeline, said, c);
    if (evidence.kind === 'complaint' && !said.includes(evidence.complaint)) said.push(evidence.complaint);
    if (likelihood) weighed.push({ evidence, likelihood });
  });
  const standing = standingComplaints(c);
  const known = new Uint8Array(N + 1);
  for (const k of timeline.known) known[CAUSE_INDEX.get(k.cause)!] = 1;
  const sets = priorWeights(odds, known);
  multiplyEvidence(sets, weighed);
  const now = c.evidence.length;
  const present = timeline.presentAt(now);
  const gone = timeline.goneAt(now);
  holdDown(sets, timeline.cleared);
  const causes = causeWeights(sets);
  for (const { cause, state, cured } of timeline.known)
    causes[CAUSE_INDEX.get(cause)!] = state === 'standing' || cured ? SEEN : BOTCHED;
  for (let i = 0; i < N; i++) if (gone[i] && !known[i]) causes[i] = Math.min(CLEARED, causes[i]!) * BOTCHED;
  return { sets, causes, weighed, timeline, present, gone, complaints: standing };
}

/** Multiplies prior weights by every piece of evidence, dependent findings jointly; leaves them summing to one. */
function multiplyEvidence(sets: Float64Array, weighed: readonly Weighed[]): void {
  const joined = new Set<Weighed>();
  const all = nothingYet();
  for (const w of weighed) {
    if (joined.has(w)) continue;
    const found = w.evidence.kind === 'finding' && partnerOf(w.evidence.check, weighed);
    if (found) {
      joined.add(found.partner);
      combineJoint(all, found.dependence, w.likelihood, found.partner.likelihood);
    } else combine(all, w.likelihood);
  }
  multiplyAll(sets, all);
  normalise(sets);
}

/**
 * A part surely seen sound is hardly the fault, whatever everything else says (Jeffrey's rule): sets that hold one of
 * these causes are scaled down until none is believed above CLEARED.
 */
function holdDown(sets: Float64Array, cleared: readonly CauseId[]): void {
  let total = 1;
  for (const cause of cleared) {
    const held = SETS_WITH[CAUSE_INDEX.get(cause)!]!;
    let p = 0;
    for (const s of held) p += sets[s]!;
    p /= total;
    if (p <= CLEARED) continue;
    const factor = (CLEARED / (1 - CLEARED)) * ((1 - p) / p);
    for (const s of held) sets[s]! *= factor;
    total *= 1 - p + p * factor;
  }
  normalise(sets);
}

/** What each piece of evidence alone does to chosen sets, given all the rest: a table as long as `chosen` for each. */
export function shareOf(w: Weighed, weighed: readonly Weighed[], chosen: Uint32Array): Float64Array {
  const out = new Float64Array(chosen.length);
  const found = w.evidence.kind === 'finding' && partnerOf(w.evidence.check, weighed);
  if (!found) {
    fillChosen(out, w.likelihood, chosen);
    return out;
  }
  const other = new Float64Array(chosen.length);
  fillJoint(out, found.dependence, w.likelihood, found.partner.likelihood, chosen);
  fillChosen(other, found.partner.likelihood, chosen);
  for (let n = 0; n < out.length; n++) out[n]! /= other[n]!;
  return out;
}

/** Sets fainter than this are not asked what leaving one piece of evidence out would do for them. */
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
export function without(
  { sets, weights }: Possible,
  w: Weighed,
  weighed: readonly Weighed[],
): { causes: Float64Array; misread: number } {
  const causes = new Float64Array(N + 1);
  const { a, b, c } = SETS;
  const share = shareOf(w, weighed, sets);
  let total = 0;
  for (let n = 0; n < sets.length; n++) {
    const s = sets[n]!;
    const q = weights[n]! / share[n]!;
    total += q;
    causes[a[s]!]! += q;
    causes[b[s]!]! += q;
    causes[c[s]!]! += q;
  }
  for (let i = 0; i < causes.length; i++) causes[i]! /= total;
  return { causes, misread: Math.min(1, w.likelihood.slip * total) };
}
