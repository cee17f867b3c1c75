import { behindOf, CAUSE_INDEX, CAUSES, type CauseId, type CheckId } from '../knowledge';
import { oddsFor, posterior, type Posterior } from './posterior';
import type { Case, Evidence } from './case';
import {
  explain,
  likeliestSet,
  probabilityOfCause,
  reasonsFor,
  SHOWN,
  unexplained,
  type Misreading,
  type Reasons,
  type Suspect,
} from './explain';
import { foundOf, type Found } from './found';
import { leadOf } from './hypotheses';
import { forecast, type Forecast, type Way } from './plan/forecast';
import { lookAhead, lookedAhead, type Progress } from './plan/lookAhead';
import type { NextCheck } from './plan/nextCheck';
import { firstInOrder } from './plan/possible';
import type { Stop } from './plan/whyStop';
import { whatNext } from './plan/whatNext';
import { rulesFor } from './prior';

/** A cause that may stand behind a leading suspect, still open. */
export interface Behind {
  cause: CauseId;
  /** The suspects it may stand behind. */
  of: readonly CauseId[];
  probability: number;
}

/** The engine's whole picture of a case. All probabilities 0–1; minutes are bench minutes. */
export interface Diagnosis {
  /** Faults seen, measured or put right: true whatever else is wrong. */
  found: readonly Found[];
  /** Every cause that may be there now, likeliest first, the found ones among them. */
  suspects: readonly Suspect[];
  /** Probability of every cause, in the order of CAUSES. */
  causes: Readonly<Float64Array>;
  /** Probability that nothing on the list, and nothing found, explains it. */
  noneOfThese: number;
  /** The likeliest combination of causes. */
  together: readonly CauseId[];
  /** The plan looking one check ahead; `looksAhead` refines it. Empty once `stop` says what to do instead. */
  next: readonly NextCheck[];
  /** Why checking further would change nothing, if so. */
  stop: Stop | null;
  /** The entry that forbids running the machine: a safety fault, a cord that snatches, a switch without effect. */
  hazard: Evidence | null;
  unexplained: readonly Evidence[];
  repeat: readonly Misreading[];
  behind: readonly Behind[];
  /** Which history answers moved the starting odds, in words. */
  historySays: readonly string[];
}

/** From this probability on, what stands behind a suspect is worth asking. */
const LEADING = 0.25;
const RULED_OUT = 0.002;

/**
 * Works out what is found, suspects, next checks, loose ends and open questions for a case. Pure and deterministic.
 *
 * @example
 * const d = diagnose({
 *   machine: { kind: 'chainsaw', displacementCc: 45 },
 *   history: {},
 *   evidence: [{ ref: '1', kind: 'complaint', complaint: 'fades-under-way' }],
 *   off: [],
 * });
 * d.next[0]?.check; // the check that saves most bench minutes
 */
export function diagnose(c: Case): Diagnosis {
  const p = posterior(c);
  const { suspects, repeat } = explain(p);
  const open = new Map<CauseId, CauseId[]>();
  for (const s of suspects) {
    if (s.probability < LEADING) break;
    for (const cause of behindOf(s.cause))
      if (probabilityOfCause(p, cause) > RULED_OUT) open.set(cause, [...(open.get(cause) ?? []), s.cause]);
  }
  const behind = [...open]
    .map(([cause, of]) => ({ cause, of, probability: probabilityOfCause(p, cause) }))
    .sort((x, y) => y.probability - x.probability);
  return {
    found: foundOf(c, p),
    suspects,
    causes: p.causes,
    noneOfThese: p.timeline.known.length > 0 ? 0 : (p.sets[0] ?? 0),
    together: likeliestSet(p),
    ...whatNext(c, p),
    unexplained: unexplained(p),
    repeat,
    behind,
    historySays: rulesFor(c.history, c.machine).map((rule) => rule.says),
  };
}

/** Who leads and what to do next, without the reasons. */
export interface Glance extends Pick<Diagnosis, 'causes' | 'next' | 'stop' | 'hazard' | 'found'> {
  lead: { cause: CauseId; probability: number } | null;
}

/** Only what the log says about a case: who leads and what to do next, without the reasons. For racks and benches. */
export const glance = (c: Case): Glance => glanceFrom(c, posterior(c));

function glanceFrom(c: Case, p: Posterior): Glance {
  const at = leadOf(p.causes);
  const probability = p.causes[at]!;
  const lead = probability > SHOWN ? { cause: CAUSES[at]!.id, probability } : null;
  return { causes: p.causes, lead, found: foundOf(c, p), ...whatNext(c, p) };
}

/**
 * The glance with the plan looking two checks ahead where a check comes next: the check that the bench settles on. Several
 * times as long as the glance.
 */
export function glanceAhead(c: Case): Glance {
  const p = posterior(c);
  const first = glanceFrom(c, p);
  return first.stop || first.next.length < 2 ? first : { ...first, next: lookedAhead(c, p) };
}

/** Probability of every cause on a case, in the order of CAUSES, and nothing else. */
export const causesOn = (c: Case): Readonly<Float64Array> => posterior(c).causes;

/** Why a cause is suspected, or is not: any cause, however unlikely. */
export function whyOrWhyNot(c: Case, cause: CauseId): Reasons {
  const odds = oddsFor({ ...c, evidence: [] })[CAUSE_INDEX.get(cause) ?? -1] ?? 0;
  return reasonsFor(posterior(c), cause, odds / (1 + odds));
}

/** The next check of an order (a school's, the shop's own) that has not been made and can be; null when none is left. */
export const nextInOrder = (order: readonly CheckId[], c: Case): CheckId | null =>
  firstInOrder(order, c, posterior(c));

/** The plan looking two checks ahead, step by step: progress as it goes, the plan at the end. */
export const looksAhead = (c: Case): Generator<Progress, NextCheck[]> => lookAhead(c, posterior(c));

/** Bench minutes from here to the right repair under a way of working, play by play. */
export const forecastOf = (
  c: Case,
  way: Way,
  options: { plays: number; seed: number },
): Generator<Forecast, Forecast> => forecast(c, posterior(c), way, options);
