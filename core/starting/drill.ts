import { MANY_PULLS } from '../knowledge';
import type { MachineKind } from '../machine';
import type { StartState } from '../log';

export interface DrillStep {
  does: string;
  /** What can hurt at this step. */
  caution?: string;
}

const HOLD: Readonly<Partial<Record<MachineKind, DrillStep>>> = {
  chainsaw: {
    does: 'Chain brake on, saw flat on the ground, foot through the handle',
    caution: 'Bar clear of everything.',
  },
  'pole-saw': {
    does: 'Bar clear and off the ground, pole flat',
    caution: 'Nobody within the length of two poles.',
  },
  'hedge-trimmer': { does: 'Flat on the ground, blades clear', caution: 'Keep hands off the blades.' },
};
const ON_THE_GROUND: DrillStep = { does: 'Flat on the ground, tool clear of everything' };

const COLD: readonly DrillStep[] = [
  { does: 'Switch on. Starting valve in, where there is one' },
  { does: 'Primer until it is firm' },
  { does: 'Choke shut. Pull to the first pop, three to five' },
  { does: 'Half choke. Pull until it runs' },
  { does: 'Let it warm, then choke off', caution: 'Outdoors or under extraction.' },
];
const WARM: readonly DrillStep[] = [
  { does: 'Switch on. Choke off' },
  { does: 'Pull, throttle shut' },
  { does: 'Not after three: a touch of throttle' },
];
const FLOODED: readonly DrillStep[] = [
  { does: 'Switch off, plug out', caution: 'Lead earthed, away from the hole.' },
  { does: 'Choke open, throttle wide open' },
  {
    does: 'Pull six to ten times with the hole turned away',
    caution: 'It sprays petrol: no flame, eyes covered.',
  },
  { does: 'Dry the plug, or fit another. Wait five minutes' },
  { does: 'Plug in, no choke. Pull' },
];

/** How to start this machine in this state, step by step. */
export function drillFor(kind: MachineKind, state: StartState): readonly DrillStep[] {
  const hold = HOLD[kind] ?? ON_THE_GROUND;
  if (state === 'flooded') return [...FLOODED.slice(0, -1), hold, FLOODED.at(-1)!];
  return [hold, ...(state === 'cold' ? COLD : WARM)];
}

/** What to think about after so many pulls in vain; null while it is too early. */
export function afterPulls(pulls: number, state: StartState): string | null {
  if (pulls < MANY_PULLS) return null;
  return state === 'flooded'
    ? 'Still nothing: look at the spark, and whether fuel keeps coming in.'
    : 'Stop and think: is the plug wet? Then clear it. Dry? Then no fuel comes. Neither? The spark.';
}
