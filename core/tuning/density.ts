/** Flow of a mixture screw goes with its turns to about this power: a tapered needle over its first two turns. */
export const FLOW_POWER = 0.65;

/**
 * Eighths to turn a mixture screw that stands `eighths` out so that a machine tuned in air of density `tuned` (fraction of
 * standard) runs as rich in air of density `used`: fuel to air goes as one over the root of density. Negative is in.
 */
export const densityMove = (eighths: number, tuned: number, used: number): number =>
  eighths * ((used / tuned) ** (0.5 / FLOW_POWER) - 1);
