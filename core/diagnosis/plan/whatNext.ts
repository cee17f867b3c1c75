import type { CheckId } from '../../knowledge';
import type { Case, Evidence } from '../case';
import type { Posterior } from '../posterior';
import { planFrom, type NextCheck } from './nextCheck';
import { planningFor } from './planning';
import { rateAll } from './rate';
import { whenToStop, type Stop } from './stop';

/** What to do next: checks worth making, best first, or why to stop checking, and what forbids running the machine. */
export interface WhatNext {
  next: readonly NextCheck[];
  stop: Stop | null;
  /** The entry that forbids running the machine, while it stands. */
  hazard: Evidence | null;
}

/**
 * What to do next: the one answer that bench, rack, map and case file give. `among` leaves out checks that are not to be
 * thought of.
 */
export function whatNext(c: Case, p: Posterior, among?: (check: CheckId) => boolean): WhatNext {
  // Cured: nothing is left to look for, only to prove.
  if (p.timeline.known.some((k) => k.cured)) return { next: [], stop: null, hazard: null };
  const planning = planningFor(c, p, among);
  const next = planFrom(rateAll(planning), planning, p);
  return { next, stop: whenToStop(p, next, planning), hazard: planning.state.hazard };
}
