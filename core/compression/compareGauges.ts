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
