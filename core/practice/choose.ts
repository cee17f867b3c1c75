import type { Chance } from '../chance';
import type { Commonness } from '../diagnosis';
import { MOST_NUMBER, type Exercise } from './exercise';
import { hiddenOf } from './hidden';

/** Most numbers that are thought of. */
const MOST_TRIES = 30;

/**
 * Draws an exercise whose machine is such as comes in here. `commonness`: how much commoner causes are in this shop than the trade says.
 * Numbers are drawn until one is taken, each as likely as its faults are commoner here: so the number alone says which machine it is,
 * and nothing of the shop's odds goes with it.
 */
export function drawExercise(
  chance: Chance,
  asked: Omit<Exercise, 'number'>,
  commonness: Commonness = {},
): Exercise {
  const most = Math.max(1, ...Object.values(commonness));
  const drawn = (): Exercise => ({ ...asked, number: 1 + Math.floor(chance() * MOST_NUMBER) });
  for (let n = 0; most > 1 && n < MOST_TRIES; n++) {
    const exercise = drawn();
    const weight = Math.max(...hiddenOf(exercise).toBlame.map((cause) => commonness[cause] ?? 1));
    if (chance() < weight / most) return exercise;
  }
  return drawn();
}

/** A week in which the trap of another week is set, by whole weeks since Monday the 5th of January 1970. `at`: ms since 1970. */
export const weekOf = (at: number): number => Math.floor((at / 86_400_000 - 4) / 7);

/** The trap of a week. */
export const trapOfWeek = (at: number): Exercise => ({
  theme: 'trap',
  level: 4,
  group: 'any',
  number: 1 + (weekOf(at) % MOST_NUMBER),
});
