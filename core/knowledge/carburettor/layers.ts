import { CAUTIONS } from '../cautions';
import type { CheckId } from '../checks';

export const CONDITIONS = ['sound', 'dirty', 'worn', 'hard', 'torn', 'gummed', 'missing', 'wrong'] as const;
/** How a layer of a carburettor was found. */
export type Condition = (typeof CONDITIONS)[number];

export const LAYER_IDS = [
  // Pump side.
  'pump-gasket',
  'pump-diaphragm',
  'inlet-screen',
  'accelerator-piston',
  // Metering side.
  'metering-diaphragm',
  'metering-gasket',
  'lever-screw',
  'lever-pin',
  'metering-lever',
  'inlet-needle',
  'lever-spring',
  'nozzle-check',
  'welch-plugs',
  'purge-bulb',
  'bulb-ring',
  'check-valve',
  // Outside.
  'limiter-caps',
  'screw-plug',
  'low-screw',
  'high-screw',
] as const;
/** What a diaphragm carburettor is made of, beside its two covers. */
export type LayerId = (typeof LAYER_IDS)[number];

/** What a condition tells the diagnosis. */
export interface Tells {
  check: CheckId;
  result: string;
}

export interface LayerSpec {
  name: string;
  /** What it is made of: solvent ruins what is soft, age hardens it. */
  is: 'soft' | 'hard';
  /** How it comes off, where that needs saying. */
  off?: string;
  /** How it goes back. */
  on?: string;
  caution?: string;
  /** It stays in unless it is to be renewed or a passage behind it is blocked. */
  staysIn?: true;
  /** The conditions it is found in, the ordinary one first, and what each is called on it where that has a name. */
  found: Partial<Readonly<Record<Condition, string>>>;
  /** What a condition is to the diagnosis: a finding made by looking. */
  tells?: Partial<Readonly<Record<Condition, Tells>>>;
}

const tells = (check: CheckId, result: string): Tells => ({ check, result });
/** A part that is not there, or of another carburettor: somebody has been inside. */
const ASTRAY = {
  missing: tells('carb-inside', 'parts-missing-or-wrong'),
  wrong: tells('carb-inside', 'parts-missing-or-wrong'),
} as const;
const GASKET = {
  is: 'soft',
  found: { sound: 'sound', torn: 'torn', hard: 'hard', missing: 'missing', wrong: 'wrong one' },
  tells: ASTRAY,
} as const;
const SMALL = {
  is: 'hard',
  found: { sound: 'sound', worn: 'worn', missing: 'missing', wrong: 'wrong one' },
  tells: ASTRAY,
} as const;
const BULB = tells('primer-look', 'leaks');

const LAYERS: Readonly<Record<LayerId, LayerSpec>> = {
  'pump-gasket': { ...GASKET, name: 'Pump gasket', on: 'Holes over the holes: it fits one way only.' },
  'pump-diaphragm': {
    name: 'Pump diaphragm',
    is: 'soft',
    off: 'Flick it: limp and silent is good. Both flaps lie flat.',
    on: 'Flaps over their ports, lying flat.',
    found: {
      sound: 'limp, flat',
      hard: 'stiff',
      worn: 'flaps curled',
      torn: 'torn',
      missing: 'missing',
      wrong: 'wrong one',
    },
    tells: {
      ...ASTRAY,
      sound: tells('pump-diaphragm', 'supple-flat'),
      hard: tells('pump-diaphragm', 'stiff'),
      worn: tells('pump-diaphragm', 'curled'),
      torn: tells('pump-diaphragm', 'curled'),
    },
  },
  'inlet-screen': {
    name: 'Inlet screen',
    is: 'hard',
    off: 'Look first. Hook it out only to renew it or to clean it properly.',
    on: 'Push it home with a flat end of nearly its size.',
    staysIn: true,
    found: { sound: 'clear', gummed: 'gummed', dirty: 'full of debris', missing: 'missing' },
    tells: {
      sound: tells('inlet-screen', 'clear'),
      gummed: tells('inlet-screen', 'gummed'),
      dirty: tells('inlet-screen', 'debris'),
      missing: tells('inlet-screen', 'missing'),
    },
  },
  'accelerator-piston': {
    ...SMALL,
    name: 'Accelerator piston',
    off: 'Its spring lies under it.',
    on: 'Spring first, a drop of oil on its ring.',
    found: { ...SMALL.found, gummed: 'gummed' },
  },
  'metering-diaphragm': {
    name: 'Metering diaphragm',
    is: 'soft',
    off: 'Flick it: limp and silent is good, a crackle is not.',
    on: 'Button towards the lever. A new one’s button as high as the old one’s.',
    found: {
      sound: 'limp, flat',
      hard: 'stiff',
      worn: 'bulged, crooked',
      torn: 'torn',
      missing: 'missing',
      wrong: 'wrong one',
    },
    tells: {
      ...ASTRAY,
      sound: tells('metering-diaphragm', 'supple-flat'),
      hard: tells('metering-diaphragm', 'stiff'),
      worn: tells('metering-diaphragm', 'proud-or-crooked'),
      torn: tells('metering-diaphragm', 'torn'),
    },
  },
  'metering-gasket': { ...GASKET, name: 'Metering gasket', on: 'Next to the body, under the diaphragm.' },
  'lever-screw': {
    ...SMALL,
    name: 'Pin screw',
    off: 'Thumb on the lever before it is loosened.',
    on: 'Home and snug: it holds the pin, no more.',
    caution: CAUTIONS.spring,
  },
  'lever-pin': { ...SMALL, name: 'Lever pin', on: 'Through the lever, down in its groove.' },
  'metering-lever': {
    ...SMALL,
    name: 'Metering lever',
    on: 'Fork under the needle’s head, dimple on the spring.',
    found: { ...SMALL.found, dirty: 'dirty' },
  },
  'inlet-needle': {
    name: 'Inlet needle',
    is: 'hard',
    off: 'Tip under a glass: a ring worn into it, or varnish?',
    on: 'On the lever’s fork, tip clean, wetted.',
    found: {
      sound: 'tip clean',
      gummed: 'gummed',
      worn: 'ring in the tip',
      dirty: 'dirt under it',
      missing: 'missing',
      wrong: 'wrong one',
    },
    tells: {
      ...ASTRAY,
      gummed: tells('needle-action', 'sticks'),
      worn: tells('needle-action', 'weeps'),
      dirty: tells('needle-action', 'weeps'),
    },
  },
  'lever-spring': { ...SMALL, name: 'Lever spring', on: 'In its pocket, upright.', caution: CAUTIONS.spring },
  'nozzle-check': {
    name: 'Nozzle check valve',
    is: 'soft',
    off: 'Comes out only where the main circuit stays blocked.',
    on: 'Pressed flush, the right way up.',
    staysIn: true,
    found: { sound: 'sound', gummed: 'gummed', torn: 'torn', missing: 'missing' },
    tells: { missing: ASTRAY.missing },
  },
  'welch-plugs': {
    name: 'Welch plugs',
    is: 'hard',
    off: 'Only with new ones to hand, and only where an idle pocket stays blocked.',
    on: 'Seated with a flat end, sealed round the rim.',
    staysIn: true,
    found: { sound: 'sound', gummed: 'pocket gummed', missing: 'missing' },
    tells: { missing: ASTRAY.missing },
  },
  'purge-bulb': {
    name: 'Purge bulb',
    is: 'soft',
    on: 'Rim flat in its groove all round.',
    found: { sound: 'sound', torn: 'cracked', hard: 'hard', missing: 'missing' },
    tells: { torn: BULB },
  },
  'bulb-ring': {
    ...SMALL,
    name: 'Bulb ring',
    on: 'Screws in turn, snug: they thread into plastic.',
    caution: CAUTIONS.snug,
  },
  'check-valve': {
    name: 'Check valve',
    is: 'soft',
    on: 'Stem through its hole, lip flat.',
    found: { sound: 'sound', hard: 'hard', torn: 'torn', gummed: 'gummed', missing: 'missing' },
    tells: { missing: ASTRAY.missing, torn: BULB },
  },
  'limiter-caps': {
    name: 'Limiter caps',
    is: 'hard',
    off: 'They come off only to count, clean and set.',
    on: 'Back on, their stops where they were.',
    caution: CAUTIONS.limiter,
    found: { sound: 'sound', missing: 'missing' },
    tells: { sound: tells('limiter-caps', 'present'), missing: tells('limiter-caps', 'missing') },
  },
  'screw-plug': {
    name: 'Plug over the screw',
    is: 'hard',
    off: 'Drawn out, not drilled through.',
    on: 'A new one, pressed flush.',
    caution: CAUTIONS.limiter,
    found: { sound: 'sound', missing: 'missing' },
    tells: { missing: tells('limiter-caps', 'missing') },
  },
  'low-screw': {
    ...SMALL,
    name: 'L screw',
    off: 'Counted to its seat first. Spring and washer come with it.',
    on: 'Spring and washer on it. Seated lightly, then out to the count.',
  },
  'high-screw': {
    ...SMALL,
    name: 'H screw',
    off: 'Counted to its seat first. Spring and washer come with it.',
    on: 'Spring and washer on it. Seated lightly, then out to the count.',
  },
};

export interface LayerDef extends LayerSpec {
  id: LayerId;
}

/** What there is to know about a layer. */
export const layerOf = (id: LayerId): LayerDef => ({ id, ...LAYERS[id] });

/** What a layer found in some condition is called: "flaps curled". */
export const conditionWords = (layer: LayerId, condition: Condition): string =>
  LAYERS[layer].found[condition] ?? condition;

/** What a condition tells the diagnosis; null where it tells nothing of any cause. */
export const tellsOf = (layer: LayerId, condition: Condition): Tells | null =>
  LAYERS[layer].tells?.[condition] ?? null;

/** Which screw of the tuning bench a layer is; null for what is no mixture screw. */
export const screwOf = (layer: LayerId): 'L' | 'H' | null =>
  layer === 'low-screw' ? 'L' : layer === 'high-screw' ? 'H' : null;
