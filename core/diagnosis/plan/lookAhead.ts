import type { Case } from '../case';
import { toOpen, type CheckId, type PartId } from '../knowledge';
import type { Posterior } from '../posterior';
import { believing, type Answers } from './board';
import {
  HANDLING_MINUTES,
  minutesOf,
  planFrom,
  planningFor,
  rateAll,
  worthOf,
  type NextCheck,
  type Planning,
  type Rated,
} from './nextCheck';
import { expectedWaste } from './waste';

/** How far a look-ahead has come: checks looked past, of how many. */
export interface Progress {
  done: number;
  of: number;
}

/** Checks worth looking past: those that pay best by themselves, for a second step can only lift a check so far. */
const LOOKED_PAST = 8;
/** From this probability on, nothing more is worth checking. */
const CERTAIN = 0.985;
/** Results rarer than this are not followed. */
const RARE = 0.02;

/** What could be done after one result: what each check would then save, and its minutes. */
interface Second {
  chance: number;
  options: readonly { saves: number; minutes: number }[];
}

/** The checks that could follow each result of a first one, on a machine opened for it. */
function secondSteps(planning: Planning, first: Rated): Second[] {
  const { board, off } = planning;
  const opened: ReadonlySet<PartId> = new Set([...off, ...toOpen(first.answers.check.access, off)]);
  return first.prospects
    .filter((o) => o.chance > RARE)
    .map(({ result, chance, causes }): Second => {
      if (causes.some((p, i) => i < causes.length - 1 && p >= CERTAIN)) return { chance, options: [] };
      const then = believing(board, board.now, first.answers, result);
      const wasteThen = expectedWaste(then.causes);
      const others: Answers[] = [...board.answers.values()].filter((a) => a !== first.answers);
      return {
        chance,
        options: others.map((answers) => ({
          saves: worthOf(planning, then, answers, wasteThen).saves,
          minutes: minutesOf(answers, opened) + HANDLING_MINUTES,
        })),
      };
    });
}

const ROUNDS = 4;

/**
 * The best rate, minutes saved per minute, of a check followed by the best check after each of its results, or by none
 * where none pays at that rate. Never below the check's own rate (Dinkelbach's iteration for the best ratio).
 */
function twoStepRate(first: Rated, seconds: readonly Second[]): number {
  let rate = first.value;
  for (let round = 0; round < ROUNDS; round++) {
    let saves = first.saves;
    let minutes = first.minutes + HANDLING_MINUTES;
    for (const { chance, options } of seconds) {
      let gain = 0;
      let best: Second['options'][number] | null = null;
      for (const option of options) {
        const left = option.saves - rate * option.minutes;
        if (left > gain) {
          gain = left;
          best = option;
        }
      }
      if (!best) continue;
      saves += chance * best.saves;
      minutes += chance * best.minutes;
    }
    const better = saves / minutes;
    if (better - rate < 1e-6) break;
    rate = better;
  }
  return rate;
}

/**
 * The plan looking two checks ahead: each check is worth what it and the best check after each of its results save
 * together, per minute they take together, shared opening counted once. Yields its progress after every check looked
 * past, so that the caller can show it or stop; returns the plan, best first.
 */
export function* lookAhead(
  c: Case,
  p: Posterior,
  among?: (check: CheckId) => boolean,
): Generator<Progress, NextCheck[]> {
  const planning = planningFor(c, p, among);
  const rated = rateAll(planning).sort((x, y) => y.value - x.value);
  const first = rated.slice(0, LOOKED_PAST);
  const refined: Rated[] = [];
  for (const check of first) {
    refined.push({ ...check, value: twoStepRate(check, secondSteps(planning, check)) });
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
