import type { CheckId } from './checks';

export const SCHOOL_IDS = ['fuel-first', 'spark-first', 'squeeze-first'] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];

/** A classic order of first checks, as practitioners teach it. */
export interface School {
  id: SchoolId;
  name: string;
  order: readonly CheckId[];
}

const FUEL: readonly CheckId[] = [
  'fuel-smell',
  'fuel-look',
  'primer-action',
  'fuel-filter-look',
  'line-look',
  'tank-vent',
  'line-pressure',
  'inlet-pressure',
];
const SPARK: readonly CheckId[] = [
  'plug-look',
  'spark-tester',
  'plug-lead-look',
  'spark-stop-wire-off',
  'plug-gap',
];
const AIR: readonly CheckId[] = [
  'air-filter-look',
  'choke-action',
  'throttle-action',
  'muffler-look',
  'spark-screen-look',
];
const SQUEEZE: readonly CheckId[] = ['pull-feel', 'compression-gauge', 'cylinder-peep', 'compression-wet'];
const START: readonly CheckId[] = ['start-trial', 'exhaust-smoke', 'idle-speed', 'full-speed'];
const SCREWS: readonly CheckId[] = ['limiter-caps', 'screw-turns', 'low-screw-trial', 'high-screw-trial'];
const CARBURETTOR: readonly CheckId[] = [
  'prime-at-intake',
  'inlet-screen',
  'pump-diaphragm',
  'carb-inside',
  'metering-diaphragm',
  'metering-lever',
  'needle-action',
  'pop-off',
  'carb-passages',
  'impulse-path',
  'intake-boot',
  'mount-bolts',
];
const DEEP: readonly CheckId[] = [
  'turnover-noise',
  'drive-free',
  'stop-switch-action',
  'coil-gap',
  'clear-flood-trial',
  'start-drill-trial',
  'piston-exhaust-side',
  'ring-free',
  'exhaust-port-look',
  'rod-play',
  'decompressor-bubbles',
  'tank-pressure',
  'spark-hot',
  'line-routing',
  'piston-intake-side',
  'cylinder-bolts',
  'crankcase-vacuum',
  'crankcase-pressure',
  'flywheel-key',
  'seal-look',
  'known-good-coil-trial',
];

export const SCHOOLS: readonly School[] = [
  {
    id: 'fuel-first',
    name: 'Fuel first',
    order: [...FUEL, ...START, ...SPARK, ...AIR, ...SCREWS, ...CARBURETTOR, ...SQUEEZE, ...DEEP],
  },
  {
    id: 'spark-first',
    name: 'Spark, fuel, air, squeeze',
    order: [...SPARK, ...FUEL, ...AIR, ...SQUEEZE, ...START, ...SCREWS, ...CARBURETTOR, ...DEEP],
  },
  {
    id: 'squeeze-first',
    name: 'Squeeze and bore first',
    order: [...SQUEEZE, ...START, ...SPARK, ...FUEL, ...AIR, ...SCREWS, ...CARBURETTOR, ...DEEP],
  },
];
