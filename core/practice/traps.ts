import type { CauseId, CheckId, ComplaintId, History } from '../knowledge';
import type { ReadyId } from './ready';

/** A machine that takes technicians in: what is wrong, what it shows besides, and what it teaches. */
export interface Trap {
  id: string;
  name: string;
  /** Said afterwards. */
  teaches: string;
  history: History;
  says: string;
  from: Partial<Readonly<Record<ComplaintId, readonly CauseId[]>>>;
  /** What some checks show, time after time, whatever would be drawn; the last goes on until something is mended. */
  shows?: Partial<Readonly<Record<CheckId, readonly string[]>>>;
  /** Made ready, it shows the last of these at once; not made ready, the first. */
  seenWith?: ReadyId;
  /** While this is still there, no other repair shows any effect. */
  hides?: CauseId;
}

export const TRAPS: readonly Trap[] = [
  {
    id: 'flicker',
    name: 'The flicker',
    teaches: 'A spark that skips was the fault, not the light: a flicker is measured, not explained away.',
    history: { openedBefore: 'yes', monthsStored: 1, alreadyTried: 'carburettor cleaned twice' },
    says: 'It has spark, I looked. Had the carburettor in bits twice and it still will not go.',
    from: { 'no-fire': ['coil-gap-wide'] },
    shows: { 'spark-tester': ['intermittent'], 'plug-look': ['wet-fuel'], 'fuel-smell': ['fresh'] },
  },
  {
    id: 'daylight',
    name: 'Seen in daylight',
    teaches:
      'The first look at the spark was in daylight. What costs a coil is worth two minutes in the dark.',
    history: { openedBefore: 'no', monthsStored: 7, lightUse: true },
    says: 'Stood since spring. My neighbour says the coil is gone.',
    from: { 'no-fire': ['metering-diaphragm-stiff'] },
    seenWith: 'room-dim',
    shows: {
      'spark-tester': ['none', 'strong'],
      'spark-stop-wire-off': ['unchanged'],
      'prime-in-cylinder': ['fires'],
      'plug-look': ['tan-dry'],
    },
  },
  {
    id: 'nobody-mentioned',
    name: 'Nobody mentioned it',
    teaches: 'Nobody has been into it, they said. The screws and the caps said otherwise, in two minutes.',
    history: { openedBefore: 'no', fuelAgeMonths: 1, dailyUse: true },
    says: 'Never been touched, always been serviced here. It just has no top end any more.',
    from: { 'wont-reach-speed': ['carb-tampered'], 'hard-to-start': ['carb-tampered'] },
    shows: {
      'limiter-caps': ['missing'],
      'screw-turns': ['far-out'],
      'carb-inside': ['parts-missing-or-wrong'],
    },
  },
  {
    id: 'flooded',
    name: 'A good repair that looked bad',
    teaches: 'The needle was it. What it had let in was still in the crankcase: clear the flood, then judge.',
    history: { openedBefore: 'no', monthsStored: 3 },
    says: 'It drips out of the silencer and will not start.',
    from: { flooded: ['needle-not-sealing'], 'no-fire': ['engine-flooded'] },
    shows: {
      'plug-look': ['wet-fuel'],
      'needle-action': ['weeps'],
      'inlet-pressure': ['fast-leak'],
      'spark-tester': ['strong'],
    },
    hides: 'engine-flooded',
  },
  {
    id: 'scored-why',
    name: 'Damage with a cause behind it',
    teaches: 'A scored piston is a result. A top end on a leaking boot comes back scored.',
    history: { openedBefore: 'unknown', dailyUse: true, stopped: 'no-restart-after-rest' },
    says: 'It raced a bit, then it lost its strength and now it hardly starts.',
    from: {
      'hard-to-start': ['piston-heat-scored'],
      'weak-under-load': ['piston-heat-scored'],
      'races-or-hangs': ['intake-leak'],
    },
    shows: {
      'compression-gauge': ['low'],
      'piston-exhaust-side': ['scored'],
      'cylinder-peep': ['light-scoring'],
      'intake-boot': ['cracked'],
      'fuel-look': ['clear-dyed'],
    },
  },
];

/** The trap of a number: they come round in turn. */
export const trapOf = (number: number): Trap => TRAPS[number % TRAPS.length]!;
