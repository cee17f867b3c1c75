import { setTimeout as pause } from 'node:timers/promises';
import pLimit from 'p-limit';
import { crowded } from '../http/guard';
import { refuse } from '../http/problem';

/** So many wait to be looked at; more are told to come again. */
const MOST_WAITING = 20;

/**
 * A secret is dear to look at, on purpose: one of a known device and one of a stranger at a time, so that however many strangers ask
 * at once, the benches go on, and whoever works here gets in.
 */
const queues = { known: pLimit(1), strangers: pLimit(1) };

/** Does what looks at a secret when it is its turn. Throws 429 where too many wait. */
export async function inTurn<T>(who: keyof typeof queues, work: () => Promise<T>): Promise<T> {
  const queue = queues[who];
  if (queue.pendingCount >= MOST_WAITING) {
    await crowded();
    throw refuse(429, 'Too many are signing in at once; wait a moment.');
  }
  return await queue(async () => {
    const from = performance.now();
    try {
      return await work();
    } finally {
      // While others wait, half of the time is the benches'.
      if (queue.pendingCount > 0) await pause(performance.now() - from);
    }
  });
}
