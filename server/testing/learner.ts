import { expectedOn } from '@rusty-wren/core/learning';
import type { Pool } from '../db/pool';
import { Learner } from '../learning/learner';

/** A learner that works out itself what the trade would expect, in this thread. `onLearnt`: told once what is learnt has changed. */
export const learnerOf = (pool: Pool, onLearnt: () => void = () => undefined): Learner =>
  new Learner(
    pool,
    ({ machine, history, complaints }) => Promise.resolve(expectedOn(machine, history, complaints)),
    () => Promise.resolve(onLearnt()),
  );
