import {
  hiddenOf,
  reviewOf,
  workedBy,
  type Exercise,
  type Move,
  type Review,
} from '@rusty-wren/core/practice';
import * as Comlink from 'comlink';

const teacher = {
  /** Goes through an exercise that has ended, telling how far it has come (0 to 1). */
  review: (exercise: Exercise, moves: readonly Move[], tell: (share: number) => void): Review => {
    const hidden = hiddenOf(exercise);
    const walk = reviewOf(hidden, workedBy(hidden, moves));
    for (;;) {
      const step = walk.next();
      if (step.done) return step.value;
      tell(step.value);
    }
  },
};
export type Teacher = typeof teacher;

Comlink.expose(teacher);
