import type { MachineKind } from '../machine';
import type { CauseId } from './causes';

/** Every id of work somebody may have done before. Part of the case-file format: add, never rename or drop. */
export const PRIOR_WORK_IDS = [
  'plug',
  'coil',
  'coil-gap',
  'fuel',
  'fuel-lines',
  'fuel-filter',
  'air-filter',
  'primer',
  'carburettor-cleaned',
  'carburettor-kit',
  'carburettor-new',
  'screws',
  'spark-screen',
  'muffler',
  'starter',
  'cutting',
  'top-end',
] as const;
export type PriorWorkId = (typeof PRIOR_WORK_IDS)[number];

export const SAID_BY = ['owner', 'shop'] as const;
/** Who is said to have done it: the owner or somebody they know, or another shop. */
export type SaidBy = (typeof SAID_BY)[number];

export const SAID_EFFECTS = ['no-change', 'better-for-a-while', 'trouble-since'] as const;
/** What is said to have come of it. */
export type SaidEffect = (typeof SAID_EFFECTS)[number];

/** Work that is said to have been done before the machine came in: nobody here saw it. */
export interface SaidDone {
  work: PriorWorkId;
  by?: SaidBy;
  /** How long ago, months. */
  monthsAgo?: number;
  effect?: SaidEffect;
}

/** A piece of work, what it puts right where it was done well, and what is done wrong where it was not. */
export interface PriorWork {
  id: PriorWorkId;
  /** As it is said over a counter. */
  label: string;
  /** Other names on the bench line. */
  words: readonly string[];
  /** Kinds that have none of it. */
  notOn?: readonly MachineKind[];
  rights: readonly CauseId[];
  /** How thoroughly it puts these right (0–1); a new part is whole. */
  thorough?: number;
  /** How much commoner these are where the trouble began with the work, as factors on their odds (trade). */
  spoils: Readonly<Partial<Record<CauseId, number>>>;
}

export const PRIOR_WORK: readonly PriorWork[] = [
  {
    id: 'plug',
    label: 'New plug',
    words: ['plug', 'spark plug'],
    rights: ['plug-fouled', 'plug-failed'],
    // Dropped, its gap closed; the boot not pushed home.
    spoils: { 'plug-failed': 1.5, 'plug-lead-loose': 4 },
  },
  {
    id: 'coil',
    label: 'New coil',
    words: ['coil', 'module', 'ignition'],
    rights: ['coil-failed', 'plug-lead-loose'],
    // Set by eye, its stop wire pinched under it or pushed on the wrong tab.
    spoils: { 'coil-gap-wide': 8, 'coil-gap-tight': 6, 'stop-circuit-grounded': 6, 'stop-circuit-open': 3 },
  },
  {
    id: 'coil-gap',
    label: 'Coil gap set',
    words: ['gap', 'air gap'],
    rights: ['coil-gap-wide', 'coil-gap-tight'],
    thorough: 0.6,
    spoils: { 'coil-gap-wide': 4, 'coil-gap-tight': 4, 'stop-circuit-grounded': 3 },
  },
  {
    id: 'fuel',
    label: 'Fresh fuel',
    words: ['fuel', 'petrol', 'mix', 'gas', 'new mix'],
    rights: ['stale-fuel', 'water-in-fuel'],
    // Mixed by eye, or not at all.
    spoils: { 'no-oil-in-fuel': 5, 'oil-heavy-mix': 4, 'engine-flooded': 1.5 },
  },
  {
    id: 'fuel-lines',
    label: 'New fuel lines',
    words: ['fuel line', 'lines', 'line', 'hoses', 'hose'],
    rights: ['fuel-line-leak', 'fuel-line-blocked'],
    // Crossed, kinked, too thick for the grommet, the filter pulled off or left out.
    spoils: {
      'fuel-lines-swapped': 25,
      'fuel-line-blocked': 4,
      'fuel-line-leak': 2,
      'tank-or-grommet-leak': 4,
      'fuel-filter-off': 6,
      'tank-vent-blocked': 3,
    },
  },
  {
    id: 'fuel-filter',
    label: 'New fuel filter',
    words: ['filter'],
    rights: ['fuel-filter-clogged', 'fuel-filter-off'],
    spoils: { 'fuel-filter-off': 5, 'fuel-line-leak': 3, 'fuel-line-blocked': 2 },
  },
  {
    id: 'air-filter',
    label: 'Air filter cleaned',
    words: ['filter', 'air filter'],
    rights: ['air-filter-clogged'],
    // Blown through, or put in with its edge open; the choke link lifted off beside it.
    spoils: { 'piston-dirt-worn': 1.5, 'choke-stuck': 2, 'choke-not-closing': 2 },
  },
  {
    id: 'primer',
    label: 'New primer bulb',
    words: ['bulb', 'primer bulb'],
    rights: ['primer-faulty'],
    spoils: { 'fuel-lines-swapped': 15, 'primer-faulty': 2, 'fuel-line-leak': 2 },
  },
  {
    id: 'carburettor-cleaned',
    label: 'Carburettor cleaned',
    words: ['carb', 'carburettor', 'carb cleaned', 'carb clean'],
    rights: [
      'inlet-screen-clogged',
      'idle-circuit-blocked',
      'main-circuit-blocked',
      'needle-stuck-shut',
      'needle-not-sealing',
    ],
    // A spray from outside reaches little.
    thorough: 0.5,
    // Gasket turned, lever bent, screen left out, screws anywhere; solvent on the diaphragms.
    spoils: {
      'carb-tampered': 8,
      'impulse-fault': 6,
      'metering-lever-high': 4,
      'metering-lever-low': 5,
      'metering-diaphragm-proud': 3,
      'metering-diaphragm-stiff': 2,
      'intake-leak': 4,
      'fuel-lines-swapped': 6,
      'low-screw-lean': 2,
      'low-screw-rich': 2,
      'high-screw-lean': 2,
      'high-screw-rich': 2,
      'needle-not-sealing': 2,
    },
  },
  {
    id: 'carburettor-kit',
    label: 'Carburettor kit',
    words: [
      'carb',
      'carburettor',
      'carb kit',
      'kit',
      'rebuild',
      'rebuilt',
      'carb rebuilt',
      'carb rebuild',
      'diaphragms',
    ],
    rights: [
      'pump-diaphragm-stiff',
      'metering-diaphragm-stiff',
      'metering-diaphragm-proud',
      'metering-diaphragm-torn',
      'needle-not-sealing',
      'needle-stuck-shut',
      'inlet-screen-clogged',
    ],
    spoils: {
      'carb-tampered': 8,
      'impulse-fault': 6,
      'metering-lever-high': 5,
      'metering-lever-low': 6,
      'metering-diaphragm-proud': 4,
      'intake-leak': 4,
      'fuel-lines-swapped': 6,
      'low-screw-lean': 2,
      'low-screw-rich': 2,
      'high-screw-lean': 2,
      'high-screw-rich': 2,
    },
  },
  {
    id: 'carburettor-new',
    label: 'New carburettor',
    words: [
      'carb',
      'carburettor',
      'new carb',
      'carb new',
      'carb replaced',
      'carb changed',
      'carburettor replaced',
    ],
    rights: [
      'carb-tampered',
      'pump-diaphragm-stiff',
      'metering-diaphragm-stiff',
      'metering-diaphragm-proud',
      'metering-diaphragm-torn',
      'metering-lever-high',
      'metering-lever-low',
      'needle-not-sealing',
      'needle-stuck-shut',
      'inlet-screen-clogged',
      'idle-circuit-blocked',
      'main-circuit-blocked',
    ],
    // Gasket over the impulse hole, lines crossed, never tuned to this engine.
    spoils: {
      'impulse-fault': 10,
      'intake-leak': 6,
      'fuel-lines-swapped': 10,
      'low-screw-lean': 3,
      'low-screw-rich': 3,
      'high-screw-lean': 4,
      'high-screw-rich': 3,
      'throttle-linkage-fault': 3,
      'idle-stop-wrong': 4,
    },
  },
  {
    id: 'screws',
    label: 'Screws turned',
    words: ['screw', 'tuned', 'tuning', 'adjusted', 'carb adjusted'],
    rights: [],
    spoils: {
      'low-screw-lean': 5,
      'low-screw-rich': 5,
      'high-screw-lean': 5,
      'high-screw-rich': 5,
      'idle-stop-wrong': 4,
      'carb-tampered': 2,
    },
  },
  {
    id: 'spark-screen',
    label: 'Spark screen cleaned',
    words: ['screen', 'spark screen', 'spark arrestor', 'arrestor'],
    rights: ['spark-screen-clogged'],
    spoils: { 'spark-screen-missing': 8, 'muffler-loose': 3 },
  },
  {
    id: 'muffler',
    label: 'Muffler off',
    words: ['muffler', 'exhaust', 'silencer'],
    rights: ['exhaust-port-carboned'],
    thorough: 0.5,
    spoils: { 'muffler-loose': 6, 'spark-screen-missing': 3 },
  },
  {
    id: 'starter',
    label: 'New starter cord',
    words: ['cord', 'recoil', 'rope', 'starter cord'],
    rights: ['recoil-jammed'],
    thorough: 0.7,
    spoils: { 'recoil-jammed': 5, 'coil-gap-tight': 2 },
  },
  {
    id: 'cutting',
    label: 'Chain, blade or line new',
    notOn: ['blower', 'backpack-blower'],
    words: ['chain', 'head', 'blade', 'sharpened', 'chain sharpened'],
    rights: ['chain-dull'],
    spoils: { 'drive-drag': 5, 'chain-dull': 2 },
  },
  {
    id: 'top-end',
    label: 'New piston',
    words: ['piston', 'cylinder', 'top end', 'rings', 'ring'],
    rights: ['piston-heat-scored', 'piston-dirt-worn', 'ring-stuck', 'base-gasket-leak'],
    // Ring end on a port, clip end out, bolts and gaskets; and what scored the first one was never found.
    spoils: {
      'base-gasket-leak': 5,
      'ring-stuck': 3,
      'intake-leak': 3,
      'piston-heat-scored': 2,
      'muffler-loose': 3,
    },
  },
];

const BY_ID = new Map(PRIOR_WORK.map((work) => [work.id, work]));
/** The work of that id. */
export const priorWorkOf = (id: PriorWorkId): PriorWork => BY_ID.get(id)!;

/** What is said to have come of it, as it is said. */
export const SAID_EFFECT_WORDS: Readonly<Record<SaidEffect, string>> = {
  'no-change': 'no better',
  'better-for-a-while': 'better for a while',
  'trouble-since': 'the trouble began with it',
};
/** Where it was done. */
export const SAID_BY_WORDS: Readonly<Record<SaidBy, string>> = {
  owner: 'at home',
  shop: 'by another shop',
};
