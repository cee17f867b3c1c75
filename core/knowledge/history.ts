import type { MachineFacts } from '../machine';
import type { CauseId } from './causes';

/** How long, as it is said over a counter where nobody counts: months from one to another. */
export const SPANS = {
  'in-use': { label: 'In use till now', months: 0 },
  'under-1': { label: 'Under a month', months: 0.5 },
  '1-3': { label: '1–3 months', months: 2 },
  '3-8': { label: '3–8 months', months: 5 },
  'over-3': { label: 'Over 3 months', months: 5 },
  'over-12': { label: 'A year or more', months: 12 },
} as const;
export type Span = keyof typeof SPANS;
export const SPAN_IDS = Object.keys(SPANS) as readonly Span[];

/** When it does it. `stood`: after hours or days; `always`: whenever. */
export const FAILS_WHEN = {
  cold: 'Cold',
  hot: 'Hot',
  refuelled: 'After refuelling',
  stood: 'After standing',
  tilted: 'Tilted',
  'part-throttle': 'At part throttle',
  always: 'Always',
} as const;
export type FailsWhen = keyof typeof FAILS_WHEN;
export const FAILS_WHEN_IDS = Object.keys(FAILS_WHEN) as readonly FailsWhen[];

/** What the owner said at check-in. Every answer may be missing. */
export interface History {
  /** Months it stood before this. */
  monthsStored?: number;
  /** Age of the fuel in it, months. */
  fuelAgeMonths?: number;
  /** The same as it was said, where it was picked and not counted: it is told in these words, the months are the engine's. */
  storedSaid?: Span;
  fuelSaid?: Span;
  mixedBy?: 'owner' | 'shop' | 'canned' | 'unknown';
  stopped?: 'suddenly' | 'gradually' | 'no-restart-after-rest';
  failsWhen?: FailsWhen;
  /** It does not do it every time. */
  comesAndGoes?: boolean;
  openedBefore?: 'yes' | 'no' | 'unknown';
  lightUse?: boolean;
  dailyUse?: boolean;
  /** Metres above the sea where it was last tuned, and where it is worked. */
  tunedAltitudeM?: number;
  workAltitudeM?: number;
  /** Other machines drink from the same can. */
  sharedCan?: boolean;
  /** Already replaced or tried, in the owner's words. */
  alreadyTried?: string;
}

/** A fact about the machine's past that shifts how common some causes are. */
export interface HistoryRule {
  id: string;
  says: string;
  applies: (history: History, machine: MachineFacts) => boolean;
  /** It says whether somebody has been inside. */
  ofOpening?: true;
  /** Factors on the prior odds. */
  factors: Partial<Record<CauseId, number>>;
}

const fuelAge = (h: History): number => Math.max(h.fuelAgeMonths ?? 0, h.monthsStored ?? 0);

/** From so many metres between where it was tuned and where it works, the screws are off (about 4 % richer or leaner). */
const ANOTHER_AIR_M = 800;
const climbed = (h: History): number =>
  h.workAltitudeM === undefined ? 0 : h.workAltitudeM - (h.tunedAltitudeM ?? 0);

export const HISTORY_RULES: readonly HistoryRule[] = [
  {
    id: 'fuel-over-three-months',
    says: 'fuel or storage over three months',
    applies: (h) => fuelAge(h) >= 3,
    factors: {
      'stale-fuel': 3,
      'inlet-screen-clogged': 1.8,
      'metering-diaphragm-stiff': 1.6,
      'pump-diaphragm-stiff': 1.4,
      'idle-circuit-blocked': 2,
      'main-circuit-blocked': 1.5,
      'needle-not-sealing': 1.4,
      'needle-stuck-shut': 2.5,
      'fuel-line-leak': 1.2,
    },
  },
  {
    id: 'fuel-over-a-year',
    says: 'fuel or storage of a year or more',
    applies: (h) => fuelAge(h) >= 12,
    factors: {
      'stale-fuel': 1.5,
      'inlet-screen-clogged': 1.7,
      'metering-diaphragm-stiff': 1.6,
      'pump-diaphragm-stiff': 1.5,
      'idle-circuit-blocked': 1.7,
      'main-circuit-blocked': 1.5,
      'fuel-line-leak': 1.8,
    },
  },
  {
    id: 'fuel-over-one-month',
    says: 'fuel or storage over a month',
    applies: (h) => fuelAge(h) >= 1 && fuelAge(h) < 3,
    factors: { 'stale-fuel': 1.5 },
  },
  {
    id: 'fuel-new',
    says: 'fuel under a month old',
    applies: (h) => h.fuelAgeMonths !== undefined && h.fuelAgeMonths < 1 && (h.monthsStored ?? 0) < 3,
    factors: { 'stale-fuel': 0.25 },
  },
  {
    id: 'opened',
    ofOpening: true,
    says: 'somebody has been into it',
    applies: (h) => h.openedBefore === 'yes',
    factors: {
      'spark-screen-missing': 2,
      'carb-tampered': 6,
      'fuel-lines-swapped': 8,
      'metering-lever-high': 3,
      'metering-lever-low': 3,
      'metering-diaphragm-proud': 3,
      'impulse-fault': 2.8,
      'coil-gap-wide': 2.5,
      'coil-gap-tight': 2,
      'low-screw-lean': 1.5,
      'low-screw-rich': 2,
      'high-screw-lean': 1.5,
      'high-screw-rich': 2,
      'intake-leak': 1.5,
      'base-gasket-leak': 1.6,
      'fuel-filter-off': 1.5,
    },
  },
  {
    id: 'perhaps-opened',
    ofOpening: true,
    says: 'not known whether somebody has been into it',
    applies: (h) => h.openedBefore === 'unknown',
    factors: { 'carb-tampered': 1.5, 'fuel-lines-swapped': 1.5, 'coil-gap-wide': 1.3 },
  },
  {
    id: 'not-opened',
    ofOpening: true,
    says: 'nobody has been into it',
    applies: (h) => h.openedBefore === 'no',
    factors: {
      'carb-tampered': 0.08,
      'fuel-lines-swapped': 0.1,
      'metering-lever-high': 0.5,
      'metering-lever-low': 0.6,
      'metering-diaphragm-proud': 0.6,
      'coil-gap-wide': 0.5,
      'low-screw-rich': 0.6,
      'high-screw-rich': 0.6,
    },
  },
  {
    id: 'worked-higher',
    says: 'worked higher than it was tuned',
    applies: (h) => climbed(h) >= ANOTHER_AIR_M,
    factors: { 'high-screw-rich': 3, 'low-screw-rich': 2, 'high-screw-lean': 0.3 },
  },
  {
    id: 'worked-lower',
    says: 'worked lower than it was tuned',
    applies: (h) => climbed(h) <= -ANOTHER_AIR_M,
    factors: { 'high-screw-lean': 3, 'low-screw-lean': 2, 'high-screw-rich': 0.3 },
  },
  {
    id: 'hot',
    says: 'fails when hot',
    applies: (h) => h.failsWhen === 'hot',
    factors: {
      'coil-failed': 4,
      'needle-not-sealing': 1.4,
      'tank-vent-blocked': 1.6,
      'piston-heat-scored': 1.4,
      'crank-seal-leak': 1.4,
      'cooling-fins-blocked': 2.5,
      'recoil-jammed': 0.4,
      'decompressor-stuck': 0.6,
      'chain-dull': 1.4,
      'stale-fuel': 0.5,
      'choke-not-closing': 0.2,
    },
  },
  {
    id: 'cold',
    says: 'fails when cold',
    applies: (h) => h.failsWhen === 'cold',
    factors: {
      'choke-not-closing': 3,
      'metering-diaphragm-stiff': 1.3,
      'starting-drill-wrong': 1.5,
      'coil-failed': 0.4,
      'tank-vent-blocked': 0.4,
    },
  },
  {
    id: 'refuelled',
    says: 'fails after refuelling',
    applies: (h) => h.failsWhen === 'refuelled',
    factors: {
      'water-in-fuel': 2,
      'tank-vent-blocked': 1.6,
      'needle-not-sealing': 1.6,
      'engine-flooded': 1.5,
      'starting-drill-wrong': 1.4,
      'stale-fuel': 1.3,
    },
  },
  {
    id: 'stood',
    says: 'fails after standing',
    applies: (h) => h.failsWhen === 'stood',
    factors: {
      'needle-not-sealing': 2,
      'fuel-line-leak': 1.6,
      'tank-or-grommet-leak': 1.5,
      'choke-not-closing': 1.5,
      'metering-diaphragm-stiff': 1.4,
      'primer-faulty': 1.4,
      'coil-failed': 0.6,
      'flywheel-key-sheared': 0.3,
    },
  },
  {
    id: 'tilted',
    says: 'fails when it is tilted',
    applies: (h) => h.failsWhen === 'tilted',
    factors: {
      'fuel-filter-off': 3,
      'fuel-line-leak': 1.8,
      'tank-vent-blocked': 1.5,
      'plug-lead-loose': 1.5,
      'stop-circuit-grounded': 1.5,
      'needle-not-sealing': 1.4,
      'metering-lever-high': 1.3,
      'piston-heat-scored': 0.5,
      'spark-screen-clogged': 0.5,
    },
  },
  {
    id: 'part-throttle',
    says: 'fails at part throttle',
    applies: (h) => h.failsWhen === 'part-throttle',
    factors: {
      'low-screw-lean': 2,
      'idle-circuit-blocked': 2,
      'intake-leak': 1.6,
      'low-screw-rich': 1.5,
      'throttle-linkage-fault': 1.5,
      'main-circuit-blocked': 0.6,
      'spark-screen-clogged': 0.5,
    },
  },
  {
    id: 'comes-and-goes',
    says: 'does not do it every time',
    applies: (h) => h.comesAndGoes === true,
    factors: {
      'plug-lead-loose': 3,
      'stop-circuit-grounded': 2.5,
      'water-in-fuel': 1.8,
      'starting-drill-wrong': 1.6,
      'coil-failed': 1.5,
      'tank-vent-blocked': 1.3,
      'needle-not-sealing': 1.3,
      'plug-failed': 1.2,
      'recoil-jammed': 0.5,
      'main-circuit-blocked': 0.5,
      'carb-tampered': 0.6,
      'piston-heat-scored': 0.4,
      'ring-stuck': 0.4,
      'flywheel-key-sheared': 0.15,
      'fuel-lines-swapped': 0.1,
    },
  },
  {
    id: 'suddenly',
    says: 'stopped suddenly',
    applies: (h) => h.stopped === 'suddenly',
    factors: {
      'coil-failed': 2.5,
      'plug-failed': 2,
      'plug-lead-loose': 2.5,
      'stop-circuit-grounded': 2.5,
      'flywheel-key-sheared': 2,
      'piston-heat-scored': 1.5,
      'no-oil-in-fuel': 2,
      'recoil-jammed': 0.5,
      'decompressor-stuck': 0.5,
      'stale-fuel': 0.4,
      'metering-diaphragm-stiff': 0.5,
      'spark-screen-clogged': 0.4,
      'tank-vent-blocked': 0.6,
    },
  },
  {
    id: 'gradually',
    says: 'got worse gradually',
    applies: (h) => h.stopped === 'gradually',
    factors: {
      'fuel-filter-clogged': 1.8,
      'inlet-screen-clogged': 1.6,
      'metering-diaphragm-stiff': 1.4,
      'pump-diaphragm-stiff': 1.5,
      'spark-screen-clogged': 1.8,
      'exhaust-port-carboned': 1.8,
      'air-filter-clogged': 1.6,
      'piston-dirt-worn': 1.6,
      'coil-failed': 0.4,
      'stop-circuit-grounded': 0.3,
      'flywheel-key-sheared': 0.2,
    },
  },
  {
    id: 'no-restart',
    says: 'would not restart after a rest',
    applies: (h) => h.stopped === 'no-restart-after-rest',
    factors: {
      'piston-heat-scored': 1.8,
      'engine-flooded': 1.6,
      'starting-drill-wrong': 1.6,
      'coil-failed': 1.6,
      'needle-not-sealing': 2.2,
      'tank-vent-blocked': 1.5,
    },
  },
  {
    id: 'light-use',
    says: 'light household use',
    applies: (h) => h.lightUse === true,
    factors: {
      'stale-fuel': 1.5,
      'spark-screen-clogged': 1.8,
      'exhaust-port-carboned': 1.6,
      'oil-heavy-mix': 1.5,
      'metering-diaphragm-stiff': 1.3,
      'piston-dirt-worn': 0.5,
      'bottom-end-worn': 0.4,
      'starting-drill-wrong': 1.5,
    },
  },
  {
    id: 'daily-use',
    says: 'daily use',
    applies: (h) => h.dailyUse === true,
    factors: {
      'stale-fuel': 0.4,
      'piston-dirt-worn': 2,
      'air-filter-clogged': 1.6,
      'bottom-end-worn': 2,
      'crank-seal-leak': 1.5,
      'drive-drag': 1.3,
      'metering-diaphragm-stiff': 0.8,
    },
  },
  {
    id: 'owner-mix',
    says: 'the owner mixes the fuel',
    applies: (h) => h.mixedBy === 'owner',
    factors: { 'oil-heavy-mix': 1.5, 'no-oil-in-fuel': 1.5, 'water-in-fuel': 1.2 },
  },
  {
    id: 'canned-mix',
    says: 'canned or shop mix',
    applies: (h) => h.mixedBy === 'canned' || h.mixedBy === 'shop',
    factors: { 'oil-heavy-mix': 0.2, 'no-oil-in-fuel': 0.1, 'water-in-fuel': 0.3, 'stale-fuel': 0.6 },
  },
];
