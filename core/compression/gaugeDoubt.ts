import jstat from 'jstat';

/** One gauge held beside another on the same source: what this one showed, and what the other did; any unit, the same for both. */
export type Pair = readonly [mine: number, other: number];

export interface GaugesCompared {
  /** What this gauge shows for each 1 of the other, and the interval that holds it 95 times in 100. */
  ratio: number;
  interval: readonly [low: number, high: number];
  /** `too-few`: not to be told yet. */
  verdict: 'agrees' | 'reads-low' | 'reads-high' | 'too-few';
}

/** Fewer pairs than this say nothing of a gauge. */
export const LEAST_PAIRS = 3;
/** Gauges of this trade agree within so much (trade: class 2.5 and a worn needle). */
const ALIKE = 0.04;

/**
 * Compares two gauges read side by side: their mean ratio with its interval (Student's t). Told apart only where the whole
 * interval lies off one and the ratio is more than gauges of the trade differ by.
 *
 * @example compareGauges([[92, 100], [110, 120], [64, 70]]).verdict // 'reads-low'
 */
export function compareGauges(pairs: readonly Pair[]): GaugesCompared {
  const ratios = pairs.filter(([mine, other]) => mine > 0 && other > 0).map(([mine, other]) => mine / other);
  const n = ratios.length;
  const ratio = n ? jstat.mean(ratios) : 1;
  if (n < LEAST_PAIRS) return { ratio, interval: [0, Infinity], verdict: 'too-few' };
  const half = jstat.studentt.inv(0.975, n - 1) * (jstat.stdev(ratios, true) / Math.sqrt(n));
  const interval = [ratio - half, ratio + half] as const;
  const apart = Math.abs(ratio - 1) > ALIKE && (interval[0] > 1 || interval[1] < 1);
  return { ratio, interval, verdict: apart ? (ratio < 1 ? 'reads-low' : 'reads-high') : 'agrees' };
}

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
  let tail = 0;
  let term = (1 - p) ** of;
  for (let k = 0; k <= of; k++) {
    if (k >= low) tail += term;
    term *= ((of - k) / (k + 1)) * (p / (1 - p));
  }
  return tail < BY_CHANCE ? tail : null;
}
