import { CAUSES } from '../knowledge';

const N = CAUSES.length;
/** Nobody rebuilds a top end on a guess: a dear repair is looked into first, and a look in vain costs about this. */
const LOOK_MINUTES = 12;
const MINUTES = Float64Array.from(CAUSES, (cause) => Math.min(cause.minutes, LOOK_MINUTES));
/** Below this a cause is not worth a place in the queue. */
const NEGLIGIBLE = 0.003;

/**
 * Expected minutes spent on repairs that were not needed, if one now repaired the causes in the best order, likeliest
 * per minute first, until the right one is met (Heckerman, Breese, Rommelse 1995). `probabilities` in vocabulary order;
 * when they sum to more than one, several causes share the blame and each counts for its share.
 */
export function expectedWaste(probabilities: Float64Array): number {
  const queue: number[] = [];
  let sum = 0;
  for (let i = 0; i < N; i++) {
    const p = probabilities[i]!;
    sum += p;
    if (p > NEGLIGIBLE) queue.push(i);
  }
  if (sum === 0) return 0;
  const share = 1 / sum;
  queue.sort((x, y) => probabilities[y]! / MINUTES[y]! - probabilities[x]! / MINUTES[x]!);
  let left = 1;
  let waste = 0;
  for (const i of queue) {
    left -= probabilities[i]! * share;
    if (left <= 0) break;
    waste += MINUTES[i]! * left;
  }
  return waste;
}
