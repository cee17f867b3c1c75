import type { Case, Evidence } from '../diagnosis/case';
import {
  CAUSES,
  checkOf,
  openingMinutes,
  toOpen,
  type CauseId,
  type CheckId,
  type PartId,
} from '../knowledge';
import { firstInOrder } from '../diagnosis/plan/available';
import { lookedAhead } from '../diagnosis/plan/lookAhead';
import {
  ACT_ON,
  causeToActOn,
  HANDLING_MINUTES,
  nextChecks,
  WORTH_MAKING,
  type NextCheck,
} from '../diagnosis/plan/nextCheck';
import { needlessMinutes } from '../diagnosis/plan/waste';
import { posterior, type Posterior } from '../diagnosis/posterior';
import type { Chance } from '../chance';
import { withFinding } from './follow';
import { drawResult, type KnownMachine } from './generate';

/** Chooses the next check, of those it may make, or null to act on the leading suspect. */
export type Policy = (c: Case, p: Posterior, among?: (check: CheckId) => boolean) => CheckId | null;

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
 * the case at the first settlement.
 */
export function play(
  known: KnownMachine,
  policy: Policy,
  chance: Chance,
  atSettling?: (c: Case) => void,
): Played {
  let evidence: Evidence[] = known.complaints.map((complaint) => ({
    ref: complaint,
    kind: 'complaint',
    complaint,
  }));
  const off: PartId[] = [];
  const left = new Set(known.faults);
  const open = new Set(known.toBlame);
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
    const c: Case = { machine: known.machine, history: {}, evidence, off };
    const p = posterior(c);
    const check = policy(c, p);
    if (check) {
      const { access, minutes } = checkOf(check);
      const opened = new Set(off);
      outcome.minutes += minutes + openingMinutes(access, opened) + HANDLING_MINUTES;
      off.push(...toOpen(access, opened));
      outcome.checks++;
      evidence = withFinding(evidence, check, drawResult(chance, check, [...left], known.shared));
      continue;
    }
    const lead = causeToActOn(p.causes);
    const cause: CauseId = CAUSES[lead]!.id;
    const right = left.delete(cause);
    const helped = open.delete(cause);
    if (!acted) atSettling?.({ ...c, evidence: [...evidence] });
    if (!acted) Object.assign(outcome, { claimed: p.causes[lead], right, settledOn: cause });
    acted = true;
    if (!helped) outcome.minutes += needlessMinutes(CAUSES[lead]!);
    if (!right) outcome.wrong++;
    evidence.push({
      ref: `${step}`,
      kind: 'repair',
      cause,
      outcome: !helped ? 'no-change' : open.size > 0 ? 'better' : 'cured',
    });
  }
  outcome.finished = open.size === 0;
  return outcome;
}

/** Whether one cause is likely enough to act on: then no policy checks further. */
const settled = ({ causes }: Posterior): boolean => causes.some((x) => x >= ACT_ON);

const whileWorthMaking = ([best]: readonly NextCheck[]): CheckId | null =>
  best && best.value >= WORTH_MAKING ? best.check : null;

/** The plan looking one check ahead, as a policy: its best check while that is worth making. */
export const oneAhead: Policy = (c, p, among) =>
  settled(p) ? null : whileWorthMaking(nextChecks(c, p, among));

/** The engine's own plan, looking two checks ahead. */
export const computedPlan: Policy = (c, p, among) =>
  settled(p) ? null : whileWorthMaking(lookedAhead(c, p, among));

/** A fixed order of checks as a policy: on down the list until one cause is likely enough to act on. */
export const inOrder =
  (order: readonly CheckId[]): Policy =>
  (c, p, among) =>
    settled(p) ? null : firstInOrder(order, c, among);
