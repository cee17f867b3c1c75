import type { CheckId } from '../../knowledge';
import type { Case, Evidence } from '../case';
import { A_GUESS } from '../parameters';
import { explainsAny } from './needs';
import type { Posterior } from '../posterior';
import { planFrom, type NextCheck } from './nextCheck';
import { planningFor, type Planning } from './planning';
import { rateAll, type Rated } from './rate';
import { whenToStop } from './stop';
import type { Stop } from './whyStop';

/** What to do next: checks worth making, best first, or why to stop checking, and what forbids running the machine. */
export interface WhatNext {
  next: readonly NextCheck[];
  stop: Stop | null;
  /** The entry that forbids running the machine, while it stands. */
  hazard: Evidence | null;
}

interface Laid extends Pick<WhatNext, 'next' | 'stop'> {
  planning: Planning;
  rated: Rated[];
}

/**
 * The plan looking one check ahead. When nothing is left that pays and the likeliest repair would rather be in vain, the
 * checks made are gone over once more, likeliest misread first, before anything is repaired on a guess.
 */
export function layPlan(c: Case, p: Posterior, among?: (check: CheckId) => boolean): Laid {
  const lay = (goingOver: boolean): Laid => {
    const planning = planningFor(c, p, { among, goingOver });
    const rated = rateAll(planning);
    const next = planFrom(rated, planning, p);
    return { planning, rated, next, stop: whenToStop(p, next, planning) };
  };
  const plan = lay(false);
  if (plan.stop?.why !== 'nothing-pays' || plan.stop.probability >= A_GUESS) return plan;
  const over = lay(true);
  return over.stop ? plan : over;
}

/**
 * What to do next: the one answer that bench, rack, map and case file give. `among` leaves out checks that are not to be
 * thought of.
 */
export function whatNext(c: Case, p: Posterior, among?: (check: CheckId) => boolean): WhatNext {
  // Cured: nothing is left to look for, only to prove.
  if (p.timeline.cured) return { next: [], stop: null, hazard: null };
  const { next, stop, planning } = layPlan(c, p, among);
  return { next, stop: toTry(p) ?? stop, hazard: planning.state.hazard };
}

/** What was put right and may have been it, to be tried before anything else is looked for; null while more is to be mended. */
function toTry({ timeline, complaints }: Posterior): Stop | null {
  const causes = timeline.untried.filter((id) => explainsAny(id, complaints));
  const [cause] = causes;
  const left = timeline.known.some((k) => k.state === 'standing' && explainsAny(k.cause, complaints));
  return cause && !left ? { why: 'try', cause, causes } : null;
}
