import { chanceFrom } from '@rusty-wren/core/chance';
import {
  engineOf,
  guidedRun,
  makeOf,
  PLAIN,
  soundOf,
  type SoundRecipe,
  type SpeedPoint,
} from '@rusty-wren/core/engine';

export interface Clip {
  name: string;
  samples: Float32Array;
  rate: number;
  /** What really ran. */
  track: readonly SpeedPoint[];
  /** The machine's full speed, rpm. */
  full: number;
}

/** Places and machines a clip may be recorded in; the noise is added by level. The last five were never listened to while the detector was made. */
export const PLACES: readonly { name: string; recipe: SoundRecipe }[] = [
  { name: 'plain saw', recipe: PLAIN },
  {
    name: 'blower, loud fan',
    recipe: { ...PLAIN, fan: { blades: 11, level: 1.4, rush: 1 }, exhaust: { hz: 260, q: 3 } },
  },
  { name: 'chain', recipe: { ...PLAIN, chain: { aTurn: 3.5, level: 1.2 } } },
  { name: 'hum 50 Hz', recipe: { ...PLAIN, hum: { hz: 50, level: 0.7 } } },
  { name: 'phone, no bass', recipe: { ...PLAIN, bassCutHz: 450 } },
  { name: 'overdriven', recipe: { ...PLAIN, clipAt: 0.15 } },
  { name: 'loud intake', recipe: { ...PLAIN, intake: { hz: 480, q: 2, level: 0.8 } } },
  { name: 'another engine', recipe: { ...PLAIN, other: { rpm: 6100, downDb: 8 } } },
  {
    name: 'old muffler, 60 Hz',
    recipe: {
      cycleVariation: 0.25,
      exhaust: { hz: 150, q: 1.5 },
      intake: { hz: 500, q: 2, level: 0.6 },
      hum: { hz: 60, level: 1 },
      room: { ms: 15, level: 0.4 },
    },
  },
  {
    name: 'unheard: trimmer, hall',
    recipe: {
      cycleVariation: 0.2,
      exhaust: { hz: 510, q: 3.5 },
      intake: { hz: 1150, q: 4, level: 0.5 },
      fan: { blades: 14, level: 0.2, rush: 0.15 },
      room: { ms: 23, level: 0.5 },
    },
  },
  {
    name: 'unheard: backpack blower',
    recipe: {
      cycleVariation: 0.1,
      exhaust: { hz: 210, q: 2 },
      intake: { hz: 600, q: 2, level: 0.2 },
      fan: { blades: 18, level: 1.1, rush: 1.6 },
      hum: { hz: 60, level: 0.4 },
      room: { ms: 7, level: 0.2 },
    },
  },
  {
    name: 'unheard: saw, phone in the yard',
    recipe: {
      cycleVariation: 0.16,
      exhaust: { hz: 400, q: 2 },
      intake: { hz: 900, q: 3, level: 0.3 },
      chain: { aTurn: 3, level: 0.8 },
      other: { rpm: 4300, downDb: 10 },
      bassCutHz: 300,
      clipAt: 0.3,
    },
  },
  {
    name: 'unheard: edger by a wall',
    recipe: {
      cycleVariation: 0.22,
      exhaust: { hz: 290, q: 2.8 },
      intake: { hz: 700, q: 2.5, level: 0.45 },
      fan: { blades: 9, level: 0.6, rush: 0.5 },
      hum: { hz: 50, level: 0.5 },
      room: { ms: 31, level: 0.45 },
    },
  },
  {
    name: 'unheard: pole saw, small phone',
    recipe: {
      cycleVariation: 0.18,
      exhaust: { hz: 230, q: 1.6 },
      intake: { hz: 640, q: 2, level: 0.7 },
      chain: { aTurn: 4, level: 0.9 },
      other: { rpm: 5200, downDb: 9 },
      bassCutHz: 380,
      clipAt: 0.4,
    },
  },
];

const MACHINES = [
  { kind: 'chainsaw', displacementCc: 45 },
  { kind: 'trimmer', displacementCc: 25 },
  { kind: 'backpack-blower', displacementCc: 60 },
] as const;

/** How a machine may be mistuned for a clip: the mixture screws' eighths from right. */
const TUNES = [
  { L: 0, H: 0 },
  { L: -1, H: -2 },
  { L: 1, H: 3 },
] as const;

const RATE = 16_000;
const SHORT = { idle: 3, hold: 2, after: 4 };

/** The guided recording of a drawn machine in a place, with noise at so many dB; the same for the same seed. */
export function clipOf(place: (typeof PLACES)[number], noise: SoundRecipe['noise'], seed: number): Clip {
  const chance = chanceFrom(seed);
  const make = makeOf(MACHINES[seed % MACHINES.length]!, chance);
  const off = TUNES[Math.floor(seed / MACHINES.length) % TUNES.length]!;
  const engine = engineOf(make, { seed });
  const states = guidedRun(engine, { L: make.L + off.L / 8, H: make.H + off.H / 8, stop: 1 }, SHORT);
  const track = states.map(({ t, rpm, fourStroke, charge }) => ({ t, rpm, fourStroke, charge }));
  const samples = soundOf(track, { ...place.recipe, ...(noise && { noise }) }, RATE, seed + 1);
  return { name: place.name, samples, rate: RATE, track, full: make.full };
}

/** The true speed at a moment, rpm. */
export const truthAt = (track: readonly SpeedPoint[], t: number): number => {
  const i = Math.min(track.length - 1, Math.max(1, Math.round(t / 0.02)));
  const [a, b] = [track[i - 1]!, track[i]!];
  const share = Math.min(1, Math.max(0, (t - a.t) / (b.t - a.t)));
  return a.rpm + (b.rpm - a.rpm) * share;
};
