import type { Case, Evidence } from '../case';
import {
  CAUSES,
  CHECKS,
  checkOf,
  openingMinutes,
  toOpen,
  type CauseId,
  type CheckId,
  type PartId,
} from '../knowledge';
import { available, standing } from '../plan/available';
import { ACT_ON, HANDLING_MINUTES, nextChecks, WORTH_MAKING } from '../plan/nextCheck';
import { posterior, type Posterior } from '../posterior';
import { drawResult, type Chance, type KnownMachine } from './generate';

/** Chooses the next check, or null to act on the leading suspect. */
export type Policy = (c: Case, p: Posterior) => CheckId | null;

export interface Played {
  /** Bench minutes spent on checks, opening and needless repairs until every fault was met. */
  minutes: number;
  /** Repairs of what was not broken. */
  wrong: number;
  /** What the first settlement claimed, and whether it was right. */
  claimed: number;
  right: boolean;
  checks: number;
  /** Whether everything to blame was met in the end. */
  finished: boolean;
}

/** Whoever has not found it by then sends it elsewhere. */
const MOST_STEPS = 150;

/** Plays one policy on one machine until everything its complaints come from has been put right. */
export function play(known: KnownMachine, policy: Policy, chance: Chance): Played {
  const evidence: Evidence[] = known.complaints.map((complaint) => ({
    ref: complaint,
    kind: 'complaint',
    complaint,
  }));
  const off: PartId[] = [];
  const left = new Set(known.faults);
  const open = new Set(known.toBlame);
  const outcome: Played = { minutes: 0, wrong: 0, claimed: 0, right: false, checks: 0, finished: false };
  let settled = false;
  for (let step = 0; step < MOST_STEPS && open.size > 0; step++) {
    const c: Case = { machine: known.machine, history: {}, evidence, off };
    const p = posterior(c);
    let lead = 0;
    p.causes.forEach((x, i) => {
      if (x > p.causes[lead]!) lead = i;
    });
    const claimed = p.causes[lead]!;
    const check = claimed >= ACT_ON ? null : policy(c, p);
    if (check) {
      const { access, minutes } = checkOf(check);
      const opened = new Set(off);
      outcome.minutes += minutes + openingMinutes(access, opened) + HANDLING_MINUTES;
      off.push(...toOpen(access, opened));
      outcome.checks++;
      evidence.push({
        ref: `${step}`,
        kind: 'finding',
        check,
        result: drawResult(chance, check, [...left]),
        sureness: 'sure',
      });
      continue;
    }
    const cause: CauseId = CAUSES[lead]!.id;
    const right = left.delete(cause);
    const helped = open.delete(cause);
    if (!settled) Object.assign(outcome, { claimed, right });
    settled = true;
    if (!helped) outcome.minutes += CAUSES[lead]!.minutes;
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

/** The engine's own plan as a policy: its best check while that is worth making. */
export const computedPlan: Policy = (c, p) => {
  const best = nextChecks(c, p)[0];
  return best && best.value >= WORTH_MAKING ? best.check : null;
};

/** A fixed order of checks as a policy: the next on the list that has not been made and can be. */
export function inOrder(order: readonly CheckId[]): Policy {
  const whole = [...order, ...CHECKS.map((c) => c.id).filter((id) => !order.includes(id))];
  return (c) => {
    const made = standing(c);
    return whole.find((id) => !made.has(id) && available(checkOf(id), c)) ?? null;
  };
}
