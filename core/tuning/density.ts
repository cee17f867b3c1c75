import { mixtureShift } from '../units';
import type { Ledger, ScrewMove } from './ledger';

/** Flow of a mixture screw goes with its turns to about this power: a tapered needle over its first two turns. */
export const FLOW_POWER = 0.65;

/**
 * Eighths to turn a mixture screw that stands `eighths` out so that a machine tuned in air of density `tuned` (fraction of
 * standard) runs as rich in air of density `used`: fuel to air goes as one over the root of density. Negative is in.
 */
export const densityMove = (eighths: number, tuned: number, used: number): number =>
  eighths * ((used / tuned) ** (0.5 / FLOW_POWER) - 1);

/** Below this share the mixture is as it was. */
const NO_MATTER = 0.01;

export interface Elsewhere {
  /** Richer (+) or leaner (−) there with the screws as they stand, as a fraction. */
  shift: number;
  /** What keeps it as rich as here, in sixteenths at the finest. */
  moves: readonly ScrewMove[];
  /** Turned here, before it leaves, when it would be lean there; there, when leaning here would be lean here. */
  turned: 'here' | 'there';
}

/** What a machine tuned in air of density `here` (fraction of standard) needs in air of density `there`; null when nothing. */
export function elsewhere(
  { now, counted }: Pick<Ledger, 'now' | 'counted'>,
  here: number,
  there: number,
): Elsewhere | null {
  const shift = mixtureShift(here, there);
  if (Math.abs(shift) < NO_MATTER) return null;
  const moves = (['L', 'H'] as const)
    .filter((screw) => counted.has(screw))
    .map((screw) => ({ screw, eighths: Math.round(2 * densityMove(now[screw], here, there)) / 2 }))
    .filter((move) => move.eighths !== 0);
  return { shift, moves, turned: shift < 0 ? 'here' : 'there' };
}
