import { takeIn, type Case, type Evidence } from '../diagnosis';
import { informativeResults, maskOf } from '../diagnosis/checkTable';
import { asItStood, asOutcome, fillChosen, findingLikelihood } from '../diagnosis/likelihood';
import { explainsAny } from '../diagnosis/plan/needs';
import { causeToActOn } from '../diagnosis/plan/nextCheck';
import { firstFrom, planningFor } from '../diagnosis/plan/planning';
import { costOf, offAfter } from '../diagnosis/plan/possible';
import { leadingIn } from '../diagnosis/plan/whyStop';
import { whatNext } from '../diagnosis/plan/whatNext';
import { posterior, type Posterior } from '../diagnosis/posterior';
import {
  CAUSE_INDEX,
  CAUSES,
  causesPutRight,
  checkOf,
  putRightBy,
  type CauseId,
  type CheckId,
  type ComplaintId,
  type Outcome,
  type PartId,
  type RemedyId,
} from '../knowledge';

/** Nothing that is not named beside it: the empty set. */
const NONE = Uint32Array.of(0);
const NOBODY = maskOf([]);

/** The chance of each result of a check (in the order of `informativeResults`) on a machine with these faults. */
export function chancesOf(
  check: CheckId,
  faults: readonly CauseId[],
  { complaints = [], exact = false }: { complaints?: readonly ComplaintId[]; exact?: boolean } = {},
): number[] {
  const present = maskOf(faults);
  const out = new Float64Array(1);
  return informativeResults(check).map((result) => {
    const likelihood = findingLikelihood(check, result, 'sure', { complaints });
    if (!likelihood) return 0;
    fillChosen(out, asItStood(likelihood, NOBODY, present), NONE, exact);
    return out[0]!;
  });
}

/** What a check most likely shows on a machine with these faults, of the results it may show. */
export function likeliestResult(
  check: CheckId,
  faults: readonly CauseId[],
  complaints: readonly ComplaintId[] = [],
  may: (result: string) => boolean = () => true,
): string {
  const results = informativeResults(check);
  const chances = chancesOf(check, faults, { exact: true, complaints }).map((p, r) =>
    may(results[r]!) ? p : -1,
  );
  return results[chances.indexOf(Math.max(...chances))]!;
}

/** The log with one more sure finding. */
export const withFinding = (evidence: readonly Evidence[], check: CheckId, result: string): Evidence[] =>
  takeIn(evidence, { ref: `${check} ${evidence.length}`, kind: 'finding', check, result, sureness: 'sure' });

/** A repair: the cause that is to be put right, what goes with it, and how likely one of them is there. */
export interface RepairNext {
  cause: CauseId;
  remedy?: RemedyId;
  causes: readonly CauseId[];
  probability: number;
}

/**
 * What is repaired when nothing more is checked: what was seen and accounts for a complaint, else what the bench says to
 * mend, a whole remedy at once where that is what it says; else what comes first in the queue.
 */
export function repairNext(c: Case, p: Posterior): RepairNext {
  const of = (cause: CauseId): RepairNext => ({
    cause,
    causes: [cause],
    probability: p.causes[CAUSE_INDEX.get(cause)!]!,
  });
  const seen = p.timeline.known.find((k) => k.state === 'standing' && explainsAny(k.cause, p.complaints));
  if (seen) return of(seen.cause);
  const { stop } = whatNext(c, p);
  if (stop && 'remedy' in stop) {
    const { remedy, probability } = stop;
    const cause = leadingIn(stop);
    return { cause, remedy: remedy.id, causes: causesPutRight(cause, remedy.id), probability };
  }
  if (stop) return of(leadingIn(stop));
  const planning = planningFor(c, p);
  const { causes } = planning.board.now;
  const at = causeToActOn(causes, firstFrom(planning, planning.board.now, planning.off), p);
  return of(CAUSES[at]!.id);
}

/** Everything put right with a repair, as a piece of the log. */
export const asEvidence = ({ cause, remedy }: RepairNext, ref: string, outcome: Outcome): Evidence => ({
  ref,
  kind: 'repair',
  cause,
  ...(remedy && { remedy }),
  outcome,
});

/** How something that was put right turns out: by whether that was to blame, and whether anything else still is. */
export const outcomeOf = (helped: boolean, more: boolean): Outcome =>
  !helped ? 'no-change' : more ? 'better' : 'cured';

/** How a trial turns out that mended something: by whether that was to blame, and whether anything else still is. */
export function trialResult(check: CheckId, helped: boolean, more: boolean): string {
  const results = checkOf(check).results.map((r) => r.id);
  const outcome = outcomeOf(helped, more);
  return results.find((id) => asOutcome(id) === outcome) ?? (helped && !more ? results[0]! : 'no-change');
}

/** The causes a trial puts right for good: the plug, the fuel, the gap stay in; a screw is turned back. */
export const staysRight = (check: CheckId): readonly CauseId[] =>
  checkOf(check).gradual ? [] : putRightBy(check);

/** How a machine was worked out: what was mended, in order, what was repaired in vain, and what that took. */
export interface Worked {
  mended: readonly CauseId[];
  inVain: readonly CauseId[];
  checks: readonly CheckId[];
  /** Bench minutes of checks, opening and closing. */
  minutes: number;
}

const MOST_STEPS = 80;

/**
 * Works a machine with these faults by the plan, every check answering as it most likely would, mending what the plan says
 * to mend until all of it is mended.
 */
export function follow(
  machine: Case['machine'],
  complaints: readonly ComplaintId[],
  faults: readonly CauseId[],
): Worked {
  let evidence: Evidence[] = complaints.map((complaint) => ({
    ref: complaint,
    kind: 'complaint',
    complaint,
  }));
  let off: ReadonlySet<PartId> = new Set();
  const left = new Set(faults);
  const mended: CauseId[] = [];
  const inVain: CauseId[] = [];
  const checks: CheckId[] = [];
  let minutes = 0;
  for (let n = 0; n < MOST_STEPS && left.size > 0; n++) {
    const c: Case = { machine, history: {}, evidence, off: [...off], hazardPassed: true };
    const p = posterior(c);
    const { next, stop } = whatNext(c, p);
    const check = stop ? undefined : next[0]?.check;
    if (check) {
      minutes += costOf(checkOf(check), off);
      off = offAfter(checkOf(check), off);
      checks.push(check);
      const tried = staysRight(check).filter((id) => left.delete(id));
      mended.push(...tried);
      const result =
        tried.length > 0
          ? trialResult(check, true, left.size > 0)
          : likeliestResult(check, [...left], p.complaints);
      evidence = withFinding(evidence, check, result);
      continue;
    }
    const repair = repairNext(c, p);
    const righted = repair.causes.filter((id) => left.delete(id));
    mended.push(...righted);
    if (righted.length === 0) inVain.push(repair.cause);
    const outcome = outcomeOf(righted.length > 0, left.size > 0);
    evidence = takeIn(evidence, asEvidence(repair, `repair ${n}`, outcome));
  }
  return { mended, inVain, checks, minutes };
}
