import type { Evidence } from './case';
import {
  CAUSE_INDEX,
  CAUSES,
  causeOf,
  checkOf,
  probabilityOf,
  type CauseId,
  type ComplaintId,
} from '../knowledge';
import { causesOf, leadOf, membersOf, SETS } from './hypotheses';
import { informativeResults } from './checkTable';
import { asItStood, fillChosen, findingLikelihood } from './likelihood';
import { LEAST_LINK } from './parameters';
import { possibleSets, shareOf, without, type Possible, type Posterior, type Weighed } from './posterior';

/** How much one piece of evidence moved a cause: log odds (natural), positive raises it. */
export interface Moved {
  ref: string;
  logOdds: number;
}

export interface Suspect {
  cause: CauseId;
  /** That it is there now (0–1). */
  probability: number;
  /** The standing complaints it can account for. */
  explains: readonly ComplaintId[];
  /** Evidence by how much it moved this cause, strongest first. */
  moved: readonly Moved[];
}

export interface Misreading {
  ref: string;
  /** Probability that this was read wrong, given everything else. */
  misread: number;
  /** Share of the verdict that would move without it (0–1). */
  impact: number;
  /** What it would likeliest be instead, and the suspect that would then lead. */
  otherwise: { result: string; leads: CauseId; probability: number } | null;
}

/** Why a cause is suspected, or is not. */
export interface Reasons extends Omit<Suspect, 'explains'> {
  /** Probability from kind, use and history alone, before anything on the log (0–1). */
  before: number;
}

/** A cause fainter than this is no suspect. */
export const SHOWN = 0.001;
/** For so many, what would change if they were otherwise is worked out. */
const WORTH_SAYING = 2;
/** Likelier wrong than not: worth a second look even where the verdict already makes little of it. */
const PROBABLY_WRONG = 0.5;
const worth = (m: Pick<Misreading, 'misread' | 'impact'>): number => m.misread * (m.impact + 0.05);
const logit = (p: number): number => {
  const q = Math.min(1 - 1e-9, Math.max(1e-9, p));
  return Math.log(q / (1 - q));
};

/** Below this a move of log odds is not worth a line. */
const SLIGHT = 0.05;
/** What moved a cause enough to be told, strongest first. */
const byWeight = (moved: readonly Moved[]): Moved[] =>
  moved.filter((m) => Math.abs(m.logOdds) > SLIGHT).sort((x, y) => Math.abs(y.logOdds) - Math.abs(x.logOdds));

/** A sure look is as good as this many findings: log odds. */
const A_LOOK = 7;

/** For what is known: the entries it rests on. */
const seenBy = (p: Posterior, cause: CauseId): Moved[] | null =>
  p.timeline.known.find((k) => k.cause === cause)?.refs.map((ref) => ({ ref, logOdds: A_LOOK })) ?? null;

/** Suspects above 0.1 %, likeliest first, with what moved each; and the entries that deserve a second look. */
export function explain(p: Posterior): { suspects: Suspect[]; repeat: Misreading[] } {
  const order = CAUSES.map((cause, i) => ({ id: cause.id, i, p: p.causes[i] ?? 0 }))
    .filter((x) => x.p > SHOWN)
    .sort((x, y) => y.p - x.p || x.i - y.i);
  const possible = possibleSets(p);
  const left = p.weighed.map((w) => ({ w, ...without(possible, w, p.weighed) }));
  const suspects = order.map(({ id, i, p: probability }) => ({
    cause: id,
    probability,
    explains: explainedBy(id, p.complaints),
    // What was seen rests on the seeing, whatever else speaks for or against it.
    moved:
      seenBy(p, id) ??
      byWeight(
        left.map(({ w, causes }) => ({
          ref: w.evidence.ref,
          logOdds: logit(probability) - logit(causes[i] ?? 0),
        })),
      ),
  }));
  const repeat = left
    .filter(({ w }) => w.evidence.kind === 'finding')
    .map(({ w, causes, misread }) => ({
      w,
      ref: w.evidence.ref,
      misread,
      impact: p.causes.reduce((sum, q, i) => sum + Math.abs(q - (causes[i] ?? 0)), 0) / 2,
    }))
    .filter((m) => m.misread > PROBABLY_WRONG || (m.misread > 0.08 && m.misread * m.impact > 0.015))
    .sort((x, y) => worth(y) - worth(x))
    .map(({ w, ...m }, rank) => ({
      ...m,
      otherwise: rank < WORTH_SAYING ? otherwise(p, possible, w) : null,
    }));
  return { suspects, repeat };
}

/** What a finding would likeliest be, read again and coming out differently, and who would lead then. */
function otherwise(p: Posterior, possible: Possible, w: Weighed): Misreading['otherwise'] {
  const { evidence } = w;
  if (evidence.kind !== 'finding') return null;
  const { sets, weights } = possible;
  const share = shareOf(w, p.weighed, sets);
  const bare = weights.map((x, n) => x / share[n]!);
  const table = new Float64Array(sets.length);
  let best: { result: string; weight: number; then: Float64Array } | null = null;
  for (const result of informativeResults(evidence.check)) {
    const likelihood = result !== evidence.result && findingLikelihood(evidence.check, result, 'sure');
    if (!likelihood) continue;
    fillChosen(table, asItStood(likelihood, p.gone, p.present), sets);
    const then = bare.map((w, n) => w * table[n]!);
    const weight = then.reduce((a, b) => a + b, 0);
    if (!best || weight > best.weight) best = { result, weight, then };
  }
  if (!best) return null;
  const { weight, then, result } = best;
  const causes = causesOf(sets, then);
  const lead = leadOf(causes, p.gone);
  return { result, leads: CAUSES[lead]!.id, probability: Math.min(1, causes[lead]! / weight) };
}

/**
 * Why one cause is suspected or not, however unlikely: what it was before the log, and every entry that moved it,
 * strongest first. Goes through all sets, so it is right for the faintest too.
 */
export function reasonsFor(p: Posterior, cause: CauseId, before: number): Reasons {
  const at = CAUSE_INDEX.get(cause) ?? -1;
  const probability = p.causes[at] ?? 0;
  const seen = seenBy(p, cause);
  if (seen) return { cause, probability, before, moved: seen };
  const { a, b, c, count } = SETS;
  const everything = Uint32Array.from({ length: count }, (_, s) => s);
  const moved = p.weighed.map((weighed): Moved => {
    const { evidence } = weighed;
    const share = shareOf(weighed, p.weighed, everything);
    let total = 0;
    let own = 0;
    for (let s = 0; s < count; s++) {
      const w = p.sets[s]! / share[s]!;
      total += w;
      if (a[s] === at || b[s] === at || c[s] === at) own += w;
    }
    return { ref: evidence.ref, logOdds: logit(probability) - logit(own / total) };
  });
  return { cause, probability, before, moved: byWeight(moved) };
}

/** The standing complaints a cause can account for. */
export const explainedBy = (cause: CauseId, complaints: readonly ComplaintId[]): ComplaintId[] =>
  complaints.filter((id) => {
    const word = causeOf(cause).complaints[id];
    return word !== undefined && probabilityOf(word) >= LEAST_LINK;
  });

function likeliest(p: Posterior): number {
  let best = 0;
  for (let s = 1; s < p.sets.length; s++) if (p.sets[s]! > p.sets[best]!) best = s;
  return best;
}

/** The likeliest set of causes, as ids: what is known to be there, and the likeliest of what is not. */
export function likeliestSet(p: Posterior): CauseId[] {
  const known = p.timeline.known.filter((k) => k.state === 'standing' || k.cured).map((k) => k.cause);
  return [...known, ...membersOf(likeliest(p)).flatMap((i) => CAUSES[i]?.id ?? [])];
}

/** How often a machine without any fault shows this. */
function ofSound(e: Evidence): number {
  if (e.kind !== 'finding') return 0;
  const likelihood = findingLikelihood(e.check, e.result, 'sure');
  return likelihood ? Math.max(0, likelihood.hi0 - likelihood.lo0) : 1;
}

/** A finding is unexplained when what may be wrong makes it no likelier than so much. */
const ACCOUNTED = 0.3;

/**
 * Recorded evidence that what is believed does not account for: an abnormal result that neither the likeliest
 * explanation nor most of the others raises above what a sound machine shows, or a normal one that should not be there.
 */
export function unexplained(p: Posterior): Evidence[] {
  const best = likeliest(p);
  const chosen = possibleSets(p);
  const sets = Uint32Array.from([best, ...chosen.sets]);
  const out = new Float64Array(sets.length);
  return p.weighed
    .filter(({ evidence, likelihood }) => {
      if (evidence.kind === 'repair' || evidence.kind === 'said-done') return false;
      if (evidence.kind === 'finding' && checkOf(evidence.check).is === 'trial') return false;
      fillChosen(out, likelihood, sets, true);
      const under = out[0]!;
      const sound = ofSound(evidence);
      let accounted = 0;
      for (let n = 0; n < chosen.weights.length; n++)
        if (out[n + 1]! >= 0.25 || out[n + 1]! >= 2 * sound) accounted += chosen.weights[n]!;
      if (evidence.kind === 'complaint') return under < 0.04 && accounted < ACCOUNTED;
      if (likelihood.error > 0.6) return false;
      return isNormal(evidence) ? under < 0.15 : under < 0.25 && under < sound * 2 && accounted < ACCOUNTED;
    })
    .map(({ evidence }) => evidence);
}

const isNormal = (e: Evidence): boolean =>
  e.kind === 'finding' && checkOf(e.check).is !== 'trial' && checkOf(e.check).results[0]?.id === e.result;

/** Probability of one cause under a posterior. */
export const probabilityOfCause = (p: Posterior, cause: CauseId): number =>
  p.causes[CAUSE_INDEX.get(cause) ?? -1] ?? 0;
