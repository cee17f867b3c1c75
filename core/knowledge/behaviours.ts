import { COMPLAINT_IDS, type ComplaintId } from './vocabulary';

/**
 * A point of a speed-against-time sketch: [time 0–1, speed 0–1], where 0 is stopped, about 0.3 is idle
 * and about 0.9 is full speed.
 */
export type SpeedPoint = readonly [time: number, speed: number];

export interface Behaviour {
  id: ComplaintId;
  label: string;
  /** What the owner sees or hears. */
  words: string;
  /** The speed the engine shows. */
  shape: readonly SpeedPoint[];
  /** What it should have done, where the difference is the point. */
  wanted?: readonly SpeedPoint[];
}

const FULL: readonly SpeedPoint[] = [
  [0, 0.3],
  [0.25, 0.3],
  [0.35, 0.9],
  [1, 0.9],
];
const IDLE: readonly SpeedPoint[] = [
  [0, 0.3],
  [1, 0.3],
];

const DEFS: Readonly<Record<ComplaintId, Omit<Behaviour, 'id'>>> = {
  'no-fire': {
    label: 'Will not fire',
    words: 'Pull after pull, not a pop',
    shape: [
      [0, 0],
      [0.1, 0],
      [0.14, 0.08],
      [0.18, 0],
      [0.34, 0],
      [0.38, 0.08],
      [0.42, 0],
      [0.58, 0],
      [0.62, 0.08],
      [0.66, 0],
      [0.82, 0],
      [0.86, 0.08],
      [0.9, 0],
      [1, 0],
    ],
  },
  'pops-only': {
    label: 'Pops only',
    words: 'Fires a beat or two on choke, never runs',
    shape: [
      [0, 0],
      [0.1, 0.08],
      [0.15, 0],
      [0.3, 0.08],
      [0.34, 0.34],
      [0.42, 0],
      [0.62, 0.08],
      [0.66, 0.3],
      [0.74, 0],
      [1, 0],
    ],
  },
  'runs-on-prime-then-dies': {
    label: 'Runs on prime, then dies',
    words: 'Runs on what was squirted in, fades when it is gone, every time',
    shape: [
      [0, 0],
      [0.06, 0.08],
      [0.12, 0.6],
      [0.28, 0.55],
      [0.42, 0],
      [0.56, 0],
      [0.6, 0.08],
      [0.66, 0.6],
      [0.8, 0.55],
      [0.92, 0],
      [1, 0],
    ],
  },
  'fades-under-way': {
    label: 'Fades under way',
    words: 'Runs well, then starves after minutes; better after a rest',
    shape: [
      [0, 0.3],
      [0.08, 0.9],
      [0.45, 0.9],
      [0.6, 0.8],
      [0.75, 0.55],
      [0.9, 0.25],
      [1, 0],
    ],
    wanted: FULL,
  },
  'cuts-dead': {
    label: 'Cuts dead',
    words: 'Stops as if switched off, often hot',
    shape: [
      [0, 0.3],
      [0.1, 0.9],
      [0.6, 0.9],
      [0.62, 0],
      [1, 0],
    ],
  },
  'dies-at-idle': {
    label: 'Dies at idle',
    words: 'Revs well, dies coming back to idle',
    shape: [
      [0, 0.9],
      [0.35, 0.9],
      [0.5, 0.3],
      [0.6, 0.22],
      [0.7, 0],
      [1, 0],
    ],
    wanted: [
      [0, 0.9],
      [0.35, 0.9],
      [0.5, 0.3],
      [1, 0.3],
    ],
  },
  'loads-up-at-idle': {
    label: 'Loads up at idle',
    words: 'Idles wet and smoky, smothers, clears when revved',
    shape: [
      [0, 0.3],
      [0.2, 0.27],
      [0.4, 0.2],
      [0.52, 0.13],
      [0.58, 0.3],
      [0.66, 0.85],
      [0.8, 0.85],
      [0.92, 0.3],
      [1, 0.27],
    ],
  },
  'bogs-on-throttle': {
    label: 'Bogs on the throttle',
    words: 'Stumbles or dies when the throttle is snapped open',
    shape: [
      [0, 0.3],
      [0.25, 0.3],
      [0.34, 0.1],
      [0.46, 0.14],
      [0.6, 0.5],
      [0.75, 0.88],
      [1, 0.9],
    ],
    wanted: FULL,
  },
  'wont-reach-speed': {
    label: 'Will not reach speed',
    words: 'Burbles or strains below working speed at full throttle',
    shape: [
      [0, 0.3],
      [0.25, 0.3],
      [0.4, 0.56],
      [0.5, 0.52],
      [0.6, 0.58],
      [0.7, 0.52],
      [0.8, 0.58],
      [0.9, 0.52],
      [1, 0.57],
    ],
    wanted: FULL,
  },
  'races-or-hangs': {
    label: 'Races or hangs',
    words: 'Idle climbs or wanders, hangs before coming down',
    shape: [
      [0, 0.9],
      [0.2, 0.9],
      [0.3, 0.72],
      [0.55, 0.68],
      [0.7, 0.42],
      [0.8, 0.52],
      [0.9, 0.4],
      [1, 0.55],
    ],
    wanted: [
      [0, 0.9],
      [0.2, 0.9],
      [0.32, 0.3],
      [1, 0.3],
    ],
  },
  'hard-to-start': {
    label: 'Hard to start',
    words: 'Starts in the end, far too many pulls',
    shape: [
      [0, 0],
      [0.06, 0.08],
      [0.1, 0],
      [0.18, 0.08],
      [0.22, 0],
      [0.3, 0.08],
      [0.34, 0],
      [0.42, 0.08],
      [0.46, 0],
      [0.54, 0.08],
      [0.58, 0],
      [0.68, 0.1],
      [0.76, 0.34],
      [1, 0.3],
    ],
  },
  'kicks-back': {
    label: 'Kicks back',
    words: 'Snatches the cord out of the hand',
    shape: [
      [0, 0.14],
      [0.15, 0.14],
      [0.2, 0.26],
      [0.25, 0],
      [0.45, 0],
      [0.5, 0.14],
      [0.56, 0.26],
      [0.6, 0],
      [1, 0],
    ],
  },
  'hard-to-pull': {
    label: 'Hard to pull',
    words: 'Cord unusually stiff',
    shape: [
      [0, 0],
      [0.2, 0.02],
      [0.5, 0.06],
      [0.7, 0.03],
      [0.8, 0.06],
      [1, 0],
    ],
    wanted: [
      [0, 0],
      [0.2, 0.2],
      [0.3, 0.12],
      [0.5, 0.2],
      [0.6, 0.12],
      [0.8, 0.2],
      [1, 0],
    ],
  },
  flooded: {
    label: 'Flooded',
    words: 'Fuel in muffler, throat or air box; plug dripping',
    shape: [
      [0, 0],
      [0.1, 0.06],
      [0.16, 0.02],
      [0.26, 0.06],
      [0.32, 0.02],
      [0.42, 0.16],
      [0.48, 0.02],
      [0.6, 0.05],
      [0.66, 0.02],
      [1, 0.02],
    ],
  },
  'primer-no-fuel': {
    label: 'Primer stays empty',
    words: 'Bulb never fills or firms up',
    shape: [
      [0, 0],
      [0.15, 0],
      [0.2, 0.05],
      [0.25, 0],
      [0.5, 0],
      [0.55, 0.05],
      [0.6, 0],
      [1, 0],
    ],
  },
  'weak-under-load': {
    label: 'Weak under load',
    words: 'Free revs fine, no cutting power',
    shape: [
      [0, 0.3],
      [0.12, 0.9],
      [0.4, 0.9],
      [0.5, 0.42],
      [0.75, 0.38],
      [0.85, 0.9],
      [1, 0.9],
    ],
    wanted: [
      [0, 0.3],
      [0.12, 0.9],
      [0.4, 0.9],
      [0.5, 0.76],
      [0.75, 0.76],
      [0.85, 0.9],
      [1, 0.9],
    ],
  },
  'rattle-or-scrape': {
    label: 'Rattle or scrape',
    words: 'Mechanical noise when turned over',
    shape: [
      [0, 0.1],
      [0.1, 0.2],
      [0.14, 0.06],
      [0.24, 0.2],
      [0.28, 0.06],
      [0.38, 0.2],
      [0.42, 0.06],
      [0.52, 0.2],
      [0.56, 0.06],
      [0.66, 0.2],
      [0.7, 0.06],
      [0.8, 0.2],
      [0.84, 0.06],
      [1, 0.14],
    ],
  },
  'heavy-smoke': {
    label: 'Heavy smoke',
    words: 'Far more smoke than the mix explains',
    shape: [
      [0, 0.3],
      [0.2, 0.34],
      [0.3, 0.26],
      [0.45, 0.7],
      [0.6, 0.64],
      [0.7, 0.72],
      [0.85, 0.64],
      [1, 0.68],
    ],
    wanted: FULL,
  },
  'wont-stop': {
    label: 'Will not stop',
    words: 'Stop switch has no effect',
    shape: [
      [0, 0.3],
      [1, 0.3],
    ],
    wanted: [
      [0, 0.3],
      [0.5, 0.3],
      [0.62, 0],
      [1, 0],
    ],
  },
  'tool-turns-at-idle': {
    label: 'Tool turns at idle',
    words: 'Chain or head moves at idle',
    shape: [
      [0, 0.48],
      [1, 0.48],
    ],
    wanted: IDLE,
  },
  'leaks-fuel': {
    label: 'Leaks fuel',
    words: 'Wet underneath, or smells of petrol standing',
    shape: [
      [0, 0],
      [1, 0],
    ],
    wanted: IDLE,
  },
};

/** The behaviour of that id. */
export const behaviourOf = (id: ComplaintId): Behaviour => ({ id, ...DEFS[id] });

/** Every behaviour, in vocabulary order. */
export const BEHAVIOURS: readonly Behaviour[] = COMPLAINT_IDS.map(behaviourOf);
