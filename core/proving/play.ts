import type { Chance } from '../chance';
import type { Case, Evidence } from '../diagnosis';
import { ACT_ON } from '../diagnosis/parameters';
import { needlessMinutes } from '../diagnosis/plan/benchMinutes';
import { lookedAhead } from '../diagnosis/plan/lookAhead';
import { explainsAny } from '../diagnosis/plan/needs';
import { costOf, firstInOrder, offAfter } from '../diagnosis/plan/possible';
import { whatNext } from '../diagnosis/plan/whatNext';
import { posterior, type Posterior } from '../diagnosis/posterior';
import { CAUSE_INDEX, CAUSES, checkOf, type CauseId, type CheckId, type PartId } from '../knowledge';
import {
  asEvidence,
  outcomeOf,
  repairNext,
  staysRight,
  trialResult,
  withFinding,
  type RepairNext,
} from './follow';
import { drawResult, type KnownMachine } from './generate';

/** Chooses the next check, of those it may make, or null to act on the leading suspect. */
export type Policy = (c: Case, p: Posterior, among?: (check: CheckId) => boolean) => CheckId | null;

/** What a policy does next on a case: one more check, or a repair. */
export function decide(
  policy: Policy,
  c: Case,
  among?: (check: CheckId) => boolean,
): { check: CheckId } | { repair: RepairNext } {
  const p = posterior(c);
  const check = policy(c, p, among);
  return check ? { check } : { repair: repairNext(c, p) };
}

export interface Played {
  /** Bench minutes spent on checks, opening and needless repairs until every fault was met. */
  minutes: number;
  /** Repairs of what was not broken. */
  wrong: number;
  /** What the first settlement claimed, and whether it was right. */
  claimed: number;
  right: boolean;
  settledOn: CauseId | null;
  checks: number;
  /** Whether everything to blame was met in the end. */
  finished: boolean;
}

/** Whoever has not found it by then, or has repaired so much in vain, gives it up. */
const MOST_STEPS = 150;
const MOST_IN_VAIN = 4;

/**
 * Plays one policy on one machine until everything its complaints come from has been put right. `atSettling` is told
 * the case at the first settlement, `atCheck` every check made.
 */
export function play(
  known: KnownMachine,
  policy: Policy,
  chance: Chance,
  {
    atSettling,
    atCheck,
  }: { atSettling?: (c: Case) => void; atCheck?: (check: CheckId, nth: number) => void } = {},
): Played {
  let evidence: Evidence[] = known.complaints.map((complaint) => ({
    ref: complaint,
    kind: 'complaint',
    complaint,
  }));
  let off: ReadonlySet<PartId> = new Set();
  const left = new Set(known.faults);
  const open = new Set(known.toBlame);
  /** What each check showed on the machine as it is. */
  const shown = new Map<CheckId, string>();
  const outcome: Played = {
    minutes: 0,
    wrong: 0,
    claimed: 0,
    right: false,
    settledOn: null,
    checks: 0,
    finished: false,
  };
  let acted = false;
  for (let step = 0; step < MOST_STEPS && open.size > 0 && outcome.wrong < MOST_IN_VAIN; step++) {
    const c: Case = { machine: known.machine, history: {}, evidence, off: [...off], hazardPassed: true };
    const p = posterior(c);
    const check = policy(c, p);
    if (check) {
      outcome.minutes += costOf(checkOf(check), off);
      off = offAfter(checkOf(check), off);
      atCheck?.(check, outcome.checks++);
      const mended = staysRight(check).filter((id) => left.delete(id));
      const helped = mended.filter((id) => open.delete(id)).length > 0;
      if (mended.length > 0) shown.clear();
      const drawn = drawResult(chance, check, [...left], {
        shared: known.shared,
        complaints: p.complaints,
        before: shown.get(check),
      });
      shown.set(check, drawn);
      // What a trial put right stays right: the plug, the fuel, the gap. It shows by what the owner complained of.
      const result = mended.length > 0 ? trialResult(check, helped, open.size > 0) : drawn;
      evidence = withFinding(evidence, check, result);
      if (helped && open.size === 0 && !acted) {
        const after = posterior({ ...c, evidence });
        const claimed = Math.max(...mended.map((id) => after.causes[CAUSE_INDEX.get(id)!]!));
        Object.assign(outcome, { claimed, right: true, settledOn: mended[0] });
      }
      continue;
    }
    const repair = repairNext(c, p);
    const { cause, causes, probability: claimed } = repair;
    const right = causes.filter((id) => left.delete(id)).length > 0;
    const helped = causes.filter((id) => open.delete(id)).length > 0;
    if (!acted) {
      atSettling?.({ ...c, evidence: [...evidence] });
      Object.assign(outcome, { claimed, right, settledOn: cause });
      acted = true;
    }
    if (right) shown.clear();
    if (!helped) outcome.minutes += Math.max(...causes.map(needlessMinutes));
    if (!right) outcome.wrong++;
    evidence = [...evidence, asEvidence(repair, `${step}`, outcomeOf(helped, open.size > 0))];
  }
  outcome.finished = open.size === 0;
  return outcome;
}

/** What was seen accounts for it, or one cause is likely enough to act on: then no fixed order checks further. */
const settled = ({ causes, timeline, complaints }: Posterior): boolean =>
  causes.some((x) => x >= ACT_ON && x < 1) &&
  CAUSES.some(({ id }, i) => causes[i]! >= ACT_ON && explainsAny(id, complaints)) &&
  timeline.known.every((k) => !k.cured);

/** The plan looking one check ahead, as the bench shows it: its first check, until it says stop. */
export const oneAhead: Policy = (c, p, among) => {
  const { next, stop } = whatNext(c, p, among);
  return stop ? null : (next[0]?.check ?? null);
};

/** The same looking two checks ahead. */
export const computedPlan: Policy = (c, p, among) => {
  if (whatNext(c, p, among).stop) return null;
  return lookedAhead(c, p, among)[0]?.check ?? null;
};

/** A fixed order of checks as a policy: on down the list until one cause is likely enough to act on. */
export const inOrder =
  (order: readonly CheckId[]): Policy =>
  (c, p, among) =>
    settled(p) ? null : firstInOrder(order, c, p, among);
