import jstat from 'jstat';

/** Squeezes measured lately, and before: how many there were, and how many of them were not good. */
export interface LatelyLow {
  low: number;
  of: number;
  usualLow: number;
  usualOf: number;
}

/** Fewer machines lately are no run. */
const LEAST_LATELY = 5;
/** A run this unlikely, were the gauge as it was, is the gauge's own. */
const BY_CHANCE = 0.01;
/** Before a shop has a year of its own: of machines that are gauged, so many read low (trade). */
const USUALLY_LOW = { low: 4, of: 12 } as const;

/**
 * The chance that so many of the last machines read low by themselves, their usual share being what it was (binomial tail), where
 * that is too small to be believed: the gauge is to be held beside another. Null: nothing out of the way.
 *
 * @example gaugeDoubt({ low: 6, of: 6, usualLow: 10, usualOf: 40 }) // about 0.0005
 */
export function gaugeDoubt({ low, of, usualLow, usualOf }: LatelyLow): number | null {
  if (of < LEAST_LATELY) return null;
  const p = (usualLow + USUALLY_LOW.low) / (usualOf + USUALLY_LOW.of);
  const tail = 1 - jstat.binomial.cdf(low - 1, of, p);
  return tail < BY_CHANCE ? tail : null;
}
