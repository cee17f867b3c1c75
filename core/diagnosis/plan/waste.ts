import { CAUSES, type CauseDef } from '../knowledge';

const N = CAUSES.length;
/**
 * What a needless repair costs besides its own minutes: stripping, refitting, proving, and a part bought for nothing.
 * Found by playing drawn machines: the plan is then quickest, and repairs less in vain than any fixed order.
 */
const IN_VAIN_MINUTES = 20;

/** Bench minutes a repair of something that was not wrong costs. */
export const needlessMinutes = (cause: CauseDef): number => cause.minutes + IN_VAIN_MINUTES;

const MINUTES = Float64Array.from(CAUSES, needlessMinutes);
/** Below this a cause is not worth a place in the queue. */
const NEGLIGIBLE = 0.0003;

const queue = new Uint8Array(N);
const rate = new Float64Array(N);

/**
 * Expected minutes spent on repairs that were not needed, if one now repaired the causes in the best order, likeliest
 * per minute first, until the right one is met (Heckerman, Breese, Rommelse 1995). `probabilities` in vocabulary order;
 * when they sum to more than one, several causes share the blame and each counts for its share.
 */
export function expectedWaste(probabilities: Float64Array): number {
  let count = 0;
  let sum = 0;
  for (let i = 0; i < N; i++) {
    const p = probabilities[i]!;
    sum += p;
    if (p <= NEGLIGIBLE) continue;
    // Insertion keeps the queue in order; it holds a dozen at most times.
    const r = p / MINUTES[i]!;
    let at = count++;
    while (at > 0 && rate[queue[at - 1]!]! < r) {
      queue[at] = queue[at - 1]!;
      at--;
    }
    queue[at] = i;
    rate[i] = r;
  }
  if (sum === 0) return 0;
  const share = 1 / sum;
  let left = 1;
  let waste = 0;
  for (let n = 0; n < count; n++) {
    const i = queue[n]!;
    left -= probabilities[i]! * share;
    if (left <= 0) break;
    waste += MINUTES[i]! * left;
  }
  return waste;
}

/**
 * Position of the cause to repair first when no check is worth its minutes any more: likeliest for what a needless
 * repair of it would cost.
 */
export function bestToTry(probabilities: Float64Array): number {
  let best = 0;
  for (let i = 1; i < N; i++) {
    if (probabilities[i]! / MINUTES[i]! > probabilities[best]! / MINUTES[best]!) best = i;
  }
  return best;
}
