import type { PressureCheck, Trace } from '@rusty-wren/core/pressure';
import { figureIn, type PressureUnit } from '@rusty-wren/core/units';

/** A watch as it is being made: nothing is fitted here. */
export interface Watch {
  unit: PressureUnit;
  points: Trace['points'];
  /** The clock when the first reading was made, ms; null before it, and when a table was taken in. */
  startedMs: number | null;
  simulated: boolean;
}

export const noWatch = (unit: PressureUnit): Watch => ({
  unit,
  points: [],
  startedMs: null,
  simulated: false,
});

/** The watch with one more reading of the gauge, made now; the first one starts the clock. */
export function withReading(watch: Watch, gauge: number, nowMs: number): Watch {
  const startedMs = watch.startedMs ?? nowMs;
  const seconds = Math.round((nowMs - startedMs) / 100) / 10;
  const points = [...watch.points.filter(([t]) => t !== seconds), [seconds, gauge] as const];
  return { ...watch, startedMs, points };
}

/** What a typed gauge figure is, or why it is none. A decimal comma is a decimal point. */
export function gaugeIn(text: string): { gauge: number } | { problem: string } {
  if (!text.trim()) return { problem: 'Gauge: nothing is written.' };
  const gauge = figureIn(text, { min: -2000, max: 2000 });
  if (typeof gauge !== 'number') return { problem: `Gauge: ${gauge.problem}.` };
  if (gauge < 0) return { problem: 'Gauge: write a vacuum as a plain figure, without the minus.' };
  return { gauge };
}

/** How the volume that is held is known. */
export type Volume =
  | { from: 'ordinary' }
  | { from: 'given'; ml: number }
  | { from: 'pump'; strokes: number; strokeMl: number };

/** The watch as it goes into the log: raw, with how the volume was had. */
export function traceOf({ unit, points, simulated }: Watch, volume: Volume): Trace {
  return {
    unit,
    points,
    ...(volume.from === 'given' && { volumeMl: volume.ml }),
    ...(volume.from === 'pump' && { strokes: volume.strokes, strokeMl: volume.strokeMl }),
    ...(simulated && { simulated }),
  };
}

/** What the gauge shows on a vacuum or a pressure. */
export const gaugeWord = (check: PressureCheck): string =>
  check === 'crankcase-vacuum' ? 'Vacuum' : 'Gauge';
