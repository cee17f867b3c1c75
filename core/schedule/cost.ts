import type { Plan, Ready } from './decode';
import { SETUP, type Slot } from './task';

/** What a plan costs. */
export interface Cost {
  /** Weighted minutes of lateness over all promises. */
  late: number;
  /** Minutes of setting up, and of taking machines over from each other. */
  setup: number;
  /** How many pieces of work are elsewhere than they were planned before. */
  moved: number;
  /** Mean minutes until a machine is done: what breaks ties. */
  flow: number;
  /** All of it in one number: lateness before everything, then setting up, then change. */
  total: number;
}

/** A minute of lateness is worth more than any setting up, that more than any change. */
const WEIGHT = { late: 1, setup: 0.02, moved: 0.05, flow: 0.002 } as const;
/** What has no room in anybody's days: as late as this, minutes. */
const NEVER = 100_000;
/** Moved by less than this it is where it was, minutes. */
const SAME = 30;

/** What was planned before, by task. */
export type Before = ReadonlyMap<string, Pick<Slot, 'crew' | 'start'>>;
export const beforeOf = (slots: readonly Slot[]): Before => new Map(slots.map((s) => [s.task, s]));

/** What a plan costs, beside what was planned before. */
export function costOf(r: Ready, plan: Plan, before: Before | null = null): Cost {
  const { jobs, crew } = r.work;
  let late = 0;
  let flow = 0;
  jobs.forEach(({ due, weight }, j) => {
    let done = 0;
    for (const t of r.ofJob[j]!) done = Math.max(done, plan.has(t) ? plan.end[t]! : NEVER);
    if (due !== null) late += weight * Math.max(0, done - due);
    else if (done >= NEVER) late += done;
    flow += done;
  });
  let moved = 0;
  if (before)
    r.tasks.forEach((t, i) => {
      const was = before.get(t.id);
      if (!was || !plan.has(i)) return;
      const at = plan.crew[i]! < 0 ? null : crew[plan.crew[i]!]!.id;
      if (at !== was.crew || Math.abs(plan.start[i]! - was.start) >= SAME) moved++;
    });
  let setup = plan.setup;
  r.keeper.forEach((prior, t) => {
    const own = prior >= 0 ? plan.crew[prior]! : r.inHand[t]!;
    if ((prior >= 0 || own >= 0) && plan.has(t) && plan.crew[t] !== own) setup += SETUP.handover;
  });
  flow /= Math.max(1, jobs.length);
  const total = WEIGHT.late * late + WEIGHT.setup * setup + WEIGHT.moved * moved + WEIGHT.flow * flow;
  return { late, setup, moved, flow, total };
}
