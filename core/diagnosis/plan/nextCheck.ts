import type { Case } from '../case';
import {
  CAUSES,
  CHECKS,
  openingMinutes,
  toOpen,
  type CauseId,
  type CheckId,
  type PartId,
} from '../knowledge';
import type { Posterior } from '../posterior';
import { available, standing } from './available';
import { foresee, keepLikely, type Prospect } from './foresee';
import { expectedWaste } from './waste';

/** What one result would do to the leading suspects. */
export interface Outlook {
  result: string;
  /** Chance of this result now (0–1). */
  chance: number;
  /** The suspect it would make likeliest, and its probability then. */
  leads: { cause: CauseId; probability: number };
}

export interface NextCheck {
  check: CheckId;
  /** Bench minutes, opening included. */
  minutes: number;
  /** What has to come off first. */
  opens: readonly PartId[];
  /** Minutes it is expected to save for each minute it takes: the order of the plan. */
  value: number;
  /** Minutes of needless repair it is expected to save. */
  saves: number;
  /** Information about what is wrong, bits. */
  bits: number;
  outlook: readonly Outlook[];
}

/** Handling any check costs something besides its minutes: fetching the tool, wiping hands, noting it. */
export const HANDLING_MINUTES = 0.5;
/** A look repeated in the same conditions tends to come out the same way. */
const REPEAT_WORTH = 0.25;
/**
 * Minutes a bit is worth besides what it saves at once: a check that only narrows the field saves nothing by itself but
 * makes the next one worth making. This and the looking minutes were found by playing drawn machines.
 */
const MINUTES_PER_BIT = 10;
/** From this probability on, one cause is likely enough to act on. */
export const ACT_ON = 0.85;
/** Below this, minutes saved per minute spent, a check is not worth making: act on the leading suspect. */
export const WORTH_MAKING = 0.3;
const OUTLOOKS = 12;

/**
 * Every check still worth making, best first by minutes saved per bench minute, with what must come off for it. Checks
 * already on the log with a sure result are left out.
 */
export function nextChecks(c: Case, p: Posterior): NextCheck[] {
  const off = new Set(c.off);
  const done = standing(c);
  const kept = keepLikely(p);
  const wasteNow = expectedWaste(kept.causes);
  const plans = CHECKS.flatMap((check) => {
    if (done.get(check.id) === true || !available(check, c)) return [];
    const { bits, prospects } = foresee(check.id, p, kept);
    if (bits === 0) return [];
    const after = prospects.reduce((sum, o) => sum + o.chance * expectedWaste(o.causes), 0);
    const saves = Math.max(0, wasteNow - after);
    const minutes = check.minutes + openingMinutes(check.access, off);
    const worth = (saves + MINUTES_PER_BIT * bits) * (done.has(check.id) ? REPEAT_WORTH : 1);
    return [{ check, bits, saves, minutes, prospects, value: worth / (minutes + HANDLING_MINUTES) }];
  });
  return plans
    .filter((plan) => plan.value > 0.001)
    .sort((x, y) => y.value - x.value)
    .map(({ check, prospects, ...rest }, rank) => ({
      ...rest,
      check: check.id,
      opens: toOpen(check.access, off),
      outlook: rank < OUTLOOKS ? prospects.map((o) => outlookOf(o, p)) : [],
    }));
}

function outlookOf({ result, chance, causes }: Prospect, p: Posterior): Outlook {
  let lead = -1;
  for (let i = 0; i < CAUSES.length; i++) {
    if (!p.repaired.includes(CAUSES[i]!.id) && (lead < 0 || causes[i]! > causes[lead]!)) lead = i;
  }
  return { result, chance, leads: { cause: CAUSES[lead]!.id, probability: Math.min(1, causes[lead]!) } };
}
