import { beforeOf, costOf, type Cost } from './cost';
import { ready } from './decode';
import { exactPlan } from './exact';
import { search } from './search';
import type { Slot, Work } from './task';

/** A plan for the days to come. */
export interface DayPlan {
  slots: readonly Slot[];
  cost: Cost;
  /** There is no better one. */
  exact: boolean;
  /** How much of the looking is done, 0 to 1. */
  share: number;
}

/** So few pieces of work are planned exactly. */
const FEW = 7;
const EXACT_NODES = 60_000;

/**
 * Plans the work: at once by a simple rule, then better and better; exactly where the day is small. `before`: what was planned an
 * hour ago. Each answer is a valid plan. Seeded: the same work gives the same plan.
 */
export function* planOf(
  work: Work,
  { before = [], tries, seed }: { before?: readonly Slot[]; tries?: number; seed?: number } = {},
): Generator<DayPlan, DayPlan> {
  const r = ready(work);
  const was = before.length > 0 ? beforeOf(before) : null;
  if (r.tasks.length <= FEW) {
    const best = exactPlan(r, { before: was, most: EXACT_NODES });
    if (best) return { slots: best.plan.slots(), cost: costOf(r, best.plan, was), exact: true, share: 1 };
  }
  const looking = search(r, {
    before: was,
    ...(tries !== undefined && { tries }),
    ...(seed !== undefined && { seed }),
  });
  for (;;) {
    const { value, done } = looking.next();
    const plan = { slots: value.plan.slots(), cost: value.cost, exact: false, share: value.done / value.of };
    if (done) return { ...plan, share: 1 };
    yield plan;
  }
}

/** The plan at the end of the looking. */
export function planned(...args: Parameters<typeof planOf>): DayPlan {
  const looking = planOf(...args);
  for (;;) {
    const { value, done } = looking.next();
    if (done) return value;
  }
}
