import jstat from 'jstat';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';

/** A gauge read at a time: seconds since the watch began, and the pressure across the wall (kPa, above nought). */
export type Point = readonly [seconds: number, kpa: number];

/** An exponential fitted to a falling gauge: p(t) = start · e^(−rate·t). */
export interface Decay {
  /** Pressure at second nought, kPa. */
  startKpa: number;
  /** 1/s; near nought when it holds. Its interval is of 95 % confidence. */
  ratePerS: number;
  rateInterval: readonly [low: number, high: number];
  /** Scatter of the gauge about the fit, kPa (one standard deviation). */
  noiseKpa: number;
  /** Which points counted: settling and bumps are left out. */
  counted: readonly boolean[];
  /** Seconds from the first counted point to the last. */
  spanS: number;
}

/** The gauge and the air in it settle for so long after pumping, seconds. */
const SETTLING_S = 1;
const FEWEST = 4;
/** Beyond so many standard deviations a point is a bump and counts for nothing. */
const BUMP = 4;
const ROUNDS = 10;
/** Points the first rough line is drawn through. */
const ROUGH_POINTS = 60;
const CONFIDENCE = 0.95;
/** Below so many points neighbouring residuals say nothing of each other. */
const ENOUGH_FOR_CORRELATION = 12;

/** The smallest step between different readings: the gauge's own fineness, kPa. */
function resolutionOf(points: readonly Point[]): number {
  const values = [...new Set(points.map(([, p]) => p))].sort((a, b) => a - b);
  let least = Infinity;
  for (let i = 1; i < values.length; i++) least = Math.min(least, values[i]! - values[i - 1]!);
  return Number.isFinite(least) ? least : 0;
}

/**
 * Fits the decay by least squares (Levenberg–Marquardt) with bumps left out (beyond four times the median
 * deviation, from a Theil–Sen start), the first settling second left out, and no finer scatter believed than the gauge can show. The interval
 * is Student's, widened where neighbouring residuals go together. `fineness`: the gauge's smallest step, kPa, if known.
 * Null with fewer than four points to go by. Points in order of time.
 */
export function fitDecay(points: readonly Point[], fineness = 0): Decay | null {
  const settled = points.map(([t]) => t - (points[0]?.[0] ?? 0) >= SETTLING_S);
  const usable = settled.filter(Boolean).length >= FEWEST ? settled : points.map(() => true);
  const kept = points.filter((_, i) => usable[i]);
  if (kept.length < FEWEST) return null;
  const [t0] = kept[0]!;
  const span = kept.at(-1)![0] - t0;
  const scale = Math.max(...kept.map(([, p]) => p));
  if (!(span > 0) || !(scale > 0)) return null;
  // Scaled to about one in both directions, so that the search is the same for a line and a tank.
  const x = kept.map(([t]) => (t - t0) / span);
  const y = kept.map(([, p]) => p / scale);
  const least = Math.max(fineness, Math.min(resolutionOf(kept), scale / 20)) / Math.sqrt(12) / scale;

  const model =
    ([a = 0, k = 0]: number[]) =>
    (at: number): number =>
      a * Math.exp(-k * at);
  const slopes =
    ([a = 0, k = 0]: number[]) =>
    (at: number): number[] => {
      const e = Math.exp(-k * at);
      return [e, -a * at * e];
    };
  let params = roughly(x, y);
  let counts = x.map(() => true);
  let residuals = y;
  for (let round = 0; round < ROUNDS; round++) {
    residuals = y.map((v, i) => v - model(params)(x[i]!));
    const spread = Math.max(1.4826 * jstat.median(residuals.map(Math.abs)), least, 1e-9);
    const inside = residuals.map((r) => Math.abs(r) < BUMP * spread);
    if (round > 0 && inside.every((now, i) => now === counts[i])) break;
    counts = inside;
    params = levenbergMarquardt(
      { x: x.filter((_, i) => counts[i]), y: y.filter((_, i) => counts[i]) },
      model,
      {
        initialValues: params,
        jacobianFunction: slopes,
        damping: 1e-4,
        errorTolerance: 1e-14,
        maxIterations: 40,
      },
    ).parameterValues;
  }
  const n = counts.filter(Boolean).length;
  if (n < FEWEST) return null;
  const inside = residuals.filter((_, i) => counts[i]);
  const variance = Math.max(inside.reduce((s, r) => s + r * r, 0) / (n - 2), least * least);
  let [aa, ak, kk] = [0, 0, 0];
  x.forEach((at, i) => {
    if (!counts[i]) return;
    const [da = 0, dk = 0] = slopes(params)(at);
    aa += da * da;
    ak += da * dk;
    kk += dk * dk;
  });
  const widening = Math.sqrt(goingTogether(inside));
  const error = Math.sqrt((variance * aa) / (aa * kk - ak * ak)) * widening;
  const t = jstat.studentt.inv((1 + CONFIDENCE) / 2, Math.max(1, n - 2));
  const [a = 0, k = 0] = params;
  const rate = k / span;
  let at = 0;
  return {
    startKpa: a * scale * Math.exp(rate * t0),
    ratePerS: rate,
    rateInterval: [rate - (t * error) / span, rate + (t * error) / span],
    noiseKpa: Math.sqrt(variance) * scale,
    counted: usable.map((u) => u && counts[at++]!),
    spanS: span,
  };
}

/** Start and rate from the median of the slopes between pairs of points (Theil–Sen), which no bump can pull. */
function roughly(x: readonly number[], y: readonly number[]): number[] {
  const every = Math.ceil(x.length / ROUGH_POINTS);
  const at = x.flatMap((t, i) => (i % every === 0 && y[i]! > 0 ? [[t, Math.log(y[i]!)] as const] : []));
  const slopes = at.flatMap(([t0, p0], i) => at.slice(i + 1).map(([t1, p1]) => (p1 - p0) / (t1 - t0)));
  if (slopes.length === 0) return [y[0]!, 0];
  const slope = jstat.median(slopes);
  return [Math.exp(jstat.median(at.map(([t, p]) => p - slope * t))), -slope];
}

/** By how much the variance grows because neighbouring residuals go together: (1 + ρ) / (1 − ρ), at least one. */
function goingTogether(residuals: readonly number[]): number {
  if (residuals.length < ENOUGH_FOR_CORRELATION) return 1;
  let top = 0;
  let bottom = 0;
  residuals.forEach((r, i) => {
    bottom += r * r;
    if (i > 0) top += r * residuals[i - 1]!;
  });
  if (bottom === 0) return 1;
  const rho = Math.min(0.95, Math.max(0, top / bottom - 2 / Math.sqrt(residuals.length)));
  return (1 + rho) / (1 - rho);
}
