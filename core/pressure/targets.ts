import type { CheckId } from '../knowledge';

export const PRESSURE_CHECKS = [
  'line-pressure',
  'inlet-pressure',
  'tank-pressure',
  'crankcase-pressure',
  'crankcase-vacuum',
] as const satisfies readonly CheckId[];
/** A timed test on the hand pump, by the check it answers. */
export type PressureCheck = (typeof PRESSURE_CHECKS)[number];

export const isPressureCheck = (check: CheckId): check is PressureCheck =>
  (PRESSURE_CHECKS as readonly CheckId[]).includes(check);

export interface PressureTarget {
  name: string;
  /** What is held, unless measured by the pump: ml. */
  volumeMl: number;
  /** Pump to this, kPa. */
  testKpa: number;
  /** Never beyond this, kPa. */
  maxKpa: number;
  /** Ordinary watch, seconds. */
  watchS: number;
  /** A sound one loses no more than half in this time, seconds, in its ordinary volume. */
  halfLifeS: number;
  vacuum?: true;
}

/**
 * The trade's ordinary figures: pressures from the test descriptions, half-lives from "holds" as it is used at the
 * bench (a line for a minute or two with no drop to be seen; a case that loses no more than a fifth in half a minute).
 * What is judged is the leak, so another volume or test pressure moves nothing.
 */
export const TARGETS: Readonly<Record<PressureCheck, PressureTarget>> = {
  'line-pressure': {
    name: 'Fuel line alone',
    volumeMl: 10,
    testKpa: 50,
    maxKpa: 100,
    watchS: 60,
    halfLifeS: 120,
  },
  'inlet-pressure': {
    name: 'Line and inlet needle',
    volumeMl: 12,
    testKpa: 50,
    maxKpa: 100,
    watchS: 60,
    halfLifeS: 120,
  },
  'tank-pressure': {
    name: 'Tank',
    volumeMl: 500,
    testKpa: 20,
    maxKpa: 35,
    watchS: 60,
    halfLifeS: 180,
  },
  'crankcase-pressure': {
    name: 'Crankcase, pressure',
    volumeMl: 120,
    testKpa: 45,
    maxKpa: 70,
    watchS: 60,
    halfLifeS: 80,
  },
  'crankcase-vacuum': {
    name: 'Crankcase, vacuum',
    volumeMl: 120,
    testKpa: 45,
    maxKpa: 70,
    watchS: 60,
    halfLifeS: 80,
    vacuum: true,
  },
};
