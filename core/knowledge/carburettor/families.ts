import type { PartId } from '../vocabulary';
import type { LayerId } from './layers';

export const THROATS = ['butterfly', 'barrel'] as const;
/** What opens the throat: a plate on a shaft, or a barrel that turns and lifts. */
export type Throat = (typeof THROATS)[number];
export const BULBS = ['none', 'remote', 'on-body'] as const;
/** Where the purge bulb is. */
export type Bulb = (typeof BULBS)[number];
export const SCREW_SETS = ['both', 'one', 'fixed'] as const;
/** L and H, one mixture screw, or fixed jets. */
export type ScrewSet = (typeof SCREW_SETS)[number];
export const IMPULSES = ['face', 'hose'] as const;
/** How the crankcase's pulses come in: through the mounting face, or by a hose to a stub. */
export type Impulse = (typeof IMPULSES)[number];

/** The covers of a carburettor are parts of the access list: checks wait behind them. */
export const COVERS = ['pump-cover', 'metering-cover'] as const satisfies readonly PartId[];
export type Cover = (typeof COVERS)[number];
/** One layer of a stack: a cover, or what lies under it. */
export type StackId = LayerId | Cover;
export type Side = 'pump' | 'metering';
export const SIDES: readonly Side[] = ['pump', 'metering'];

/** A carburettor as somebody told it by looking. What is left out is as its family usually is. */
export interface Carburettor {
  throat: Throat;
  bulb: Bulb;
  screws?: ScrewSet;
  impulse?: Impulse;
  piston?: boolean;
  caps?: boolean;
  /** Its layers from the body outwards, where it is built like none the trade names: as they came off one. */
  own?: Readonly<Record<Side, readonly StackId[]>>;
}

export type FamilyId = `${Throat}/${Bulb}`;
/** The families, each by what one sees. */
export const FAMILY_IDS: readonly FamilyId[] = THROATS.flatMap((throat) =>
  BULBS.map((bulb) => `${throat}/${bulb}` as const),
);
export const familyIdOf = ({ throat, bulb }: Pick<Carburettor, 'throat' | 'bulb'>): FamilyId =>
  `${throat}/${bulb}`;
/** What a family is called. */
export const familyName = (id: FamilyId): string => {
  const [throat, bulb] = id.split('/') as [Throat, Bulb];
  return familyOf({ throat, bulb }).name;
};

/** Everything there is to know about a family. */
export interface FamilySpec {
  name: string;
  /** What it is usually met on. */
  on: string;
  screws: ScrewSet;
  impulse: Impulse;
  caps: boolean;
  /** Layers from the body outwards, by side. */
  layers: Readonly<Record<Side, readonly StackId[]>>;
  /** Covers that have another name here. */
  called?: Partial<Readonly<Record<Cover, string>>>;
  /** Where the lever's tip stands over its reference, mm, and in words. */
  lever: { mm: number; says: string };
  /** What its kit holds, and how many parts in it are for variants of the family. */
  kit: readonly LayerId[];
  kitSpares: number;
}

/** The lever and what lies under it, from the body outwards. */
const LEVER: readonly LayerId[] = [
  'lever-spring',
  'inlet-needle',
  'metering-lever',
  'lever-pin',
  'lever-screw',
];
const UNDER_LEVER: readonly LayerId[] = ['welch-plugs', 'nozzle-check'];
const BULB: readonly LayerId[] = ['check-valve', 'purge-bulb', 'bulb-ring'];
const KIT: readonly LayerId[] = [
  'pump-gasket',
  'pump-diaphragm',
  'inlet-screen',
  'metering-diaphragm',
  'metering-gasket',
  'metering-lever',
  'lever-pin',
  'lever-spring',
  'inlet-needle',
  'lever-screw',
  'welch-plugs',
];
const PUMP: readonly StackId[] = ['inlet-screen', 'pump-diaphragm', 'pump-gasket', 'pump-cover'];
const METERING: readonly StackId[] = [
  ...UNDER_LEVER,
  ...LEVER,
  'metering-gasket',
  'metering-diaphragm',
  'metering-cover',
];
/** On a barrel type everything lies on one side: the pump body carries the needle on its outer face. */
const ONE_STACK: readonly StackId[] = [
  'pump-diaphragm',
  'pump-gasket',
  'pump-cover',
  'inlet-screen',
  ...LEVER,
  'metering-gasket',
  'metering-diaphragm',
  'metering-cover',
];
const LEVEL = { mm: 0, says: 'Lever tip level with the face, straight edge across.' };
const CLEARS = { mm: -0.2, says: 'Lever tip just clears the straight edge.' };

const BUTTERFLY: FamilySpec = {
  name: 'Plate, no bulb',
  on: 'most saws',
  screws: 'both',
  impulse: 'face',
  caps: true,
  layers: { pump: PUMP, metering: METERING },
  lever: LEVEL,
  kit: KIT,
  kitSpares: 3,
};
const BARREL: FamilySpec = {
  name: 'Barrel, no bulb',
  on: 'some trimmers',
  screws: 'one',
  impulse: 'face',
  caps: false,
  layers: { pump: [], metering: ONE_STACK },
  called: { 'pump-cover': 'Pump body' },
  lever: CLEARS,
  kit: KIT.filter((id) => id !== 'welch-plugs'),
  kitSpares: 2,
};

const FAMILIES: Readonly<Record<Throat, Readonly<Record<Bulb, FamilySpec>>>> = {
  butterfly: {
    none: BUTTERFLY,
    remote: { ...BUTTERFLY, name: 'Plate, bulb apart', on: 'household saws, blowers' },
    'on-body': {
      ...BUTTERFLY,
      name: 'Plate, bulb on the body',
      on: 'trimmers, hedge trimmers',
      layers: { pump: PUMP, metering: [...METERING, ...BULB] },
      called: { 'metering-cover': 'Bulb base' },
      lever: CLEARS,
      kit: [...KIT, 'check-valve'],
    },
  },
  barrel: {
    none: BARREL,
    remote: { ...BARREL, name: 'Barrel, bulb apart', on: 'brush-cutters, backpack blowers' },
    'on-body': {
      ...BARREL,
      name: 'Barrel, bulb on the body',
      on: 'trimmers, edgers',
      layers: { pump: [], metering: [...ONE_STACK, ...BULB] },
      called: { 'pump-cover': 'Pump body', 'metering-cover': 'Bulb base' },
      kit: [...BARREL.kit, 'check-valve'],
    },
  },
};

/** The family of a carburettor, by what one sees. */
export const familyOf = ({ throat, bulb }: Pick<Carburettor, 'throat' | 'bulb'>): FamilySpec =>
  FAMILIES[throat][bulb];
