import { ACT_ON, glance, leadingIn, skippedBy, whyOrWhyNot, type Glance, type Moved } from '../diagnosis';
import { behindOf, CAUSE_INDEX, checkOf, type CauseId, type CheckId } from '../knowledge';
import type { Hidden } from './hidden';
import type { Step, Worked } from './moves';
import { caseIn, WAYS, workBy, type PracticeWay } from './robot';

/** What the plan would have done instead of a step. */
export type Instead = { check: CheckId } | { mend: CauseId };

export interface ReviewedStep extends Step {
  /** What the plan would have done, as far as was known. */
  plan: Instead | null;
  /** Something else was noted than it showed. */
  misread: boolean;
}

/** A repair on a guess that was in vain. */
export interface TooSoon {
  step: number;
  cause: CauseId;
  /** That it was there, by what was known (0–1). */
  probability: number;
  /** What spoke against it: steps by their position, complaints by their id. */
  against: readonly Moved[];
}

/** How an exercise was worked, held beside the plan and the schools. Minutes are bench minutes. */
export interface Review {
  steps: readonly ReviewedStep[];
  minutes: number;
  ways: readonly { way: PracticeWay; minutes: number; cured: boolean; checks: readonly CheckId[] }[];
  /** The first moment at which what was known sufficed for one of the causes; null where it never did. */
  sufficed: { step: number; at: number; cause: CauseId; probability: number } | null;
  tooSoon: readonly TooSoon[];
  /** Cheap checks the plan asked for that were never made. */
  skipped: readonly CheckId[];
  /** Faults left in it that stand behind what was mended: it comes back. */
  comesBack: readonly CauseId[];
  grade: Grade;
}

/** How well it went, for when it is to be met again. */
export type Grade = 'again' | 'hard' | 'good' | 'easy';

/** A check is cheap up to so many minutes. */
const CHEAP_MINUTES = 5;
const MOST_SKIPPED = 4;
/** So near the plan's minutes is as good as it. */
const AS_GOOD = 1.3;
const MOST_AGAINST = 2;

const insteadOf = ({ next, stop }: Pick<Glance, 'next' | 'stop'>): Instead | null => {
  if (stop) return { mend: leadingIn(stop) };
  return next[0] ? { check: next[0].check } : null;
};

/** Steps in which something was decided: what to look at, what to mend, to be done with it. */
const decides = ({ move }: Step): boolean =>
  move.do === 'look' || move.do === 'mend' || move.do === 'hand-back';

function tooSoonIn(hidden: Hidden, step: Step, n: number): TooSoon[] {
  const { move, outcome } = step;
  if (move.do !== 'mend' || outcome !== 'no-change' || hidden.toBlame.includes(move.cause)) return [];
  const { probability, moved } = whyOrWhyNot(caseIn(hidden, step), move.cause);
  if (probability >= ACT_ON) return [];
  const against = moved.filter((m) => m.logOdds < 0).slice(0, MOST_AGAINST);
  return [{ step: n, cause: move.cause, probability, against }];
}

/** What the plan asked for and nobody did: what it would do at each step, and what is cheaper than the dismantling chosen. */
function skippedIn(hidden: Hidden, steps: readonly (ReviewedStep & { seen: Glance | null })[]): CheckId[] {
  const made = new Set(steps.flatMap(({ move }) => (move.do === 'look' ? [move.check] : [])));
  const asked = steps.flatMap(({ plan, seen, move, ...step }) => {
    const first = plan && 'check' in plan && checkOf(plan.check).minutes <= CHEAP_MINUTES ? [plan.check] : [];
    const chosen = move.do === 'look' && seen?.next.find((n) => n.check === move.check);
    if (!seen || !chosen) return first;
    const suspects = seen.lead ? [seen.lead] : [];
    return [...first, ...skippedBy(chosen, seen.next, suspects, caseIn(hidden, step)).map((s) => s.check)];
  });
  return [...new Set(asked)].filter((check) => !made.has(check)).slice(0, MOST_SKIPPED);
}

function gradeOf(
  { ended, minutes, steps }: Worked,
  { comesBack, plan }: { comesBack: number; plan: number },
): Grade {
  if (ended?.why !== 'handed-back' || !ended.cured) return 'again';
  const asked = steps.filter((s) => s.move.do === 'ask').length;
  const inVain = steps.filter((s) => s.outcome === 'no-change').length;
  if (comesBack > 0 || inVain > 0 || asked > 2) return 'hard';
  const made = steps.every((s) => !s.missed);
  return made && asked === 0 && minutes <= AS_GOOD * plan ? 'easy' : 'good';
}

/**
 * Goes through an exercise that has ended, step by step, with the plan beside it. Slow: as long as the plan takes for every step; it yields
 * how far it has come, 0 to 1.
 */
export function* reviewOf(hidden: Hidden, worked: Worked): Generator<number, Review> {
  const all = worked.steps.length + WAYS.length * 8;
  const steps: (ReviewedStep & { seen: Glance | null })[] = [];
  let sufficed: Review['sufficed'] = null;
  for (const [n, step] of worked.steps.entries()) {
    const seen = decides(step) ? glance(caseIn(hidden, step)) : null;
    const misread =
      step.move.do === 'note' &&
      !step.slip &&
      step.result !== undefined &&
      step.result !== step.shows?.result;
    steps.push({ ...step, seen, plan: seen && insteadOf(seen), misread });
    const cause = seen && hidden.toBlame.find((id) => seen.causes[CAUSE_INDEX.get(id)!]! >= ACT_ON);
    if (seen && cause && !sufficed)
      sufficed = { step: n, at: step.at, cause, probability: seen.causes[CAUSE_INDEX.get(cause)!]! };
    yield (n + 1) / all;
  }
  const ways: Review['ways'][number][] = [];
  for (const way of WAYS) {
    const by = workBy(way, hidden);
    const checks = by.steps.flatMap(({ move }) => (move.do === 'look' ? [move.check] : []));
    const cured = by.ended?.why === 'handed-back' && by.ended.cured;
    ways.push({ way, minutes: by.minutes, cured, checks });
    yield (worked.steps.length + ways.length * 8) / all;
  }
  const mended = worked.steps.flatMap(({ move }) => (move.do === 'mend' ? [move.cause] : []));
  const comesBack = worked.left.filter((left) => mended.some((cause) => behindOf(cause).includes(left)));
  return {
    steps: steps.map(({ seen: _, ...step }) => step),
    minutes: worked.minutes,
    ways,
    sufficed,
    tooSoon: worked.steps.flatMap((step, n) => tooSoonIn(hidden, step, n)),
    skipped: skippedIn(hidden, steps),
    comesBack,
    grade: gradeOf(worked, { comesBack: comesBack.length, plan: ways[0]!.minutes }),
  };
}
