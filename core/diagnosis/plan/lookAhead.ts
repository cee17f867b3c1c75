import type { Case } from '../case';
import { CAUSES, type CheckId } from '../../knowledge';
import type { Posterior } from '../posterior';
import { believing } from './board';
import { planFrom, type NextCheck } from './nextCheck';
import type { Planning } from './planning';
import { costOf, offAfter } from './possible';
import { rate, type Rated } from './rate';
import { layPlan } from './whatNext';

/** How far a look-ahead has come: checks looked past, of how many. */
export interface Progress {
  done: number;
  of: number;
}

/** Checks worth looking past: those that lead best by themselves, for a second step can only lift a check so far. */
const LOOKED_PAST = 8;
/** From this probability on, nothing more is worth checking. */
const CERTAIN = 0.985;
/** Results rarer than this are not followed. */
const RARE = 0.02;

/** Expected minutes through a first check when the best second one may follow each of its results. */
function throughTwo(planning: Planning, first: Rated): number {
  const { board, off, routes } = planning;
  const opened = offAfter(first.answers.check, off);
  let through = first.cost;
  for (const { r, chance, ahead } of first.prospects) {
    let least = ahead.minutes;
    if (chance > RARE) {
      const then = believing(board, board.now, first.answers, r);
      const certain = then.causes.some((p, i) => i < CAUSES.length && p >= CERTAIN);
      for (const answers of certain ? [] : board.answers.values()) {
        // Nothing is saved beyond all there is to spend.
        if (answers === first.answers || costOf(answers.check, opened, routes.at) >= least) continue;
        least = Math.min(least, rate(planning, then, answers, opened).through);
      }
    }
    through += chance * least;
  }
  return through;
}

/**
 * The plan looking two checks ahead: each check is worth what it and the best check after each of its results save
 * together, shared opening counted once. Yields its progress after every check looked past, so that the caller can show
 * it or stop; returns the plan, best first.
 */
export function* lookAhead(
  c: Case,
  p: Posterior,
  among?: (check: CheckId) => boolean,
): Generator<Progress, NextCheck[]> {
  const { planning, ...laid } = layPlan(c, p, among);
  const rated = laid.rated.toSorted((x, y) => x.through - y.through);
  const first = rated.slice(0, LOOKED_PAST);
  const refined: Rated[] = [];
  for (const check of first) {
    refined.push({ ...check, through: Math.min(check.through, throughTwo(planning, check)) });
    yield { done: refined.length, of: first.length };
  }
  return planFrom([...refined, ...rated.slice(LOOKED_PAST)], planning, p);
}

/** The same run to its end at once. */
export function lookedAhead(c: Case, p: Posterior, among?: (check: CheckId) => boolean): NextCheck[] {
  const steps = lookAhead(c, p, among);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
