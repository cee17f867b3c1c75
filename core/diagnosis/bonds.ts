import type { Bond } from './knowledge';
import type { Likelihood } from './likelihood';

/** What two bonded checks share: poor or good conditions, a plain fault or a slight one. True: poor, or plain. */
export type Shared = boolean;
export const SHARED_STATES: readonly Shared[] = [true, false];

/** How often conditions are poor, and how much of a check's misreading happens then. */
const POOR = 0.15;
const MISREAD_WHEN_POOR = 0.85;
/** How often a fault shows plainly, and how much oftener it then gives its signs. */
const PLAIN = 0.6;
const PLAINER = 1.3;

/** Probability of one state of what a bond shares. */
export function chanceOf({ shares }: Bond, state: Shared): number {
  const often = shares === 'misreading' ? POOR : PLAIN;
  return state ? often : 1 - often;
}

/** The value in one state, so that over both, weighed by their chances, it comes to the mean. */
const inState = (mean: number, inTrue: number, often: number, state: Shared): number =>
  state ? inTrue : (mean - often * inTrue) / (1 - often);

/** One less the probability that a sign shows, in one state. */
function absentIn(absent: number, state: Shared): number {
  const shown = 1 - absent;
  return 1 - inState(shown, Math.max(shown, Math.min(0.97, shown * PLAINER)), PLAIN, state);
}

/**
 * A finding's likelihood given the state of what its bond shares. Over both states, weighed by their chances, it is
 * what it was without the bond for any single cause.
 */
export function givenShared(likelihood: Likelihood, { shares }: Bond, state: Shared): Likelihood {
  if (shares === 'misreading') {
    const { error } = likelihood;
    const poor = Math.min(0.95, (error * MISREAD_WHEN_POOR) / POOR);
    return { ...likelihood, error: inState(error, poor, POOR, state) };
  }
  return {
    ...likelihood,
    hi: likelihood.hi.map((p) => absentIn(p, state)),
    // Nought stands for "no result is below this one", whatever the state.
    lo: likelihood.lo.map((p) => (p === 0 ? 0 : absentIn(p, state))),
  };
}

/**
 * The joint table of two bonded results, with what they share summed over; `out` as long as `fill` makes tables.
 */
export function fillJoint(
  out: Float64Array,
  bond: Bond,
  x: Likelihood,
  y: Likelihood,
  fill: (out: Float64Array, likelihood: Likelihood) => void,
): void {
  const one = new Float64Array(out.length);
  const other = new Float64Array(out.length);
  for (const state of SHARED_STATES) {
    fill(one, givenShared(x, bond, state));
    fill(other, givenShared(y, bond, state));
    const chance = chanceOf(bond, state);
    for (let n = 0; n < out.length; n++) out[n]! += chance * one[n]! * other[n]!;
  }
}
