import { toKpa, type PressureUnit } from '../units';
import type { Point } from './decay';

/** A gauge watched over time, as it was read: nothing converted, nothing left out. */
export interface Trace {
  unit: PressureUnit;
  /** Seconds since pumping stopped, and the gauge in `unit`; a vacuum is written as a positive figure. */
  points: readonly (readonly [seconds: number, gauge: number])[];
  /** Strokes it took, and the pump's stroke volume in ml: together they measure the volume. */
  strokes?: number;
  strokeMl?: number;
  /** The volume itself, ml, when it is known. */
  volumeMl?: number;
  /** Altitude of the bench, metres. */
  altitudeM?: number;
  /** Readings made by a stand-in instrument, not by a gauge. */
  simulated?: boolean;
}

/** The trace in kPa, in order of time. */
export const inKpa = ({ points, unit }: Trace): Point[] =>
  points.map(([t, p]) => [t, toKpa(p, unit)] as const).toSorted((a, b) => a[0] - b[0]);
