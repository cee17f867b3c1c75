import { dependenceOf, type CheckId, type Dependence } from '../knowledge';
import type { Evidence } from './case';
import { fillChosen, type Likelihood } from './likelihood';
import { MISREAD_WHEN_POOR, PLAIN, PLAINER, POOR } from './parameters';

/** What two dependent checks share: poor or good conditions, a plain fault or a slight one. True: poor, or plain. */
export type Shared = boolean;
export const SHARED_STATES: readonly Shared[] = [true, false];

/** Probability of one state of what a dependence shares. */
export function chanceOf({ shares }: Dependence, state: Shared): number {
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
 * A finding's likelihood given the state of what its dependence shares. Over both states, weighed by their chances, it is
 * what it was without it for any single cause.
 */
export function givenShared(likelihood: Likelihood, { shares }: Dependence, state: Shared): Likelihood {
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

/** Writes the joint probability of two dependent results, what they share summed over, for the listed sets into `out`. */
export function fillJoint(
  out: Float64Array,
  dependence: Dependence,
  x: Likelihood,
  y: Likelihood,
  chosen: Uint32Array,
): void {
  const one = new Float64Array(out.length);
  const other = new Float64Array(out.length);
  out.fill(0);
  for (const state of SHARED_STATES) {
    fillChosen(one, givenShared(x, dependence, state), chosen);
    fillChosen(other, givenShared(y, dependence, state), chosen);
    const chance = chanceOf(dependence, state);
    for (let n = 0; n < out.length; n++) out[n]! += chance * one[n]! * other[n]!;
  }
}

/** The finding among these that a check's results hang together with, if there is one. */
export function partnerOf<T extends { evidence: Evidence }>(
  check: CheckId,
  weighed: readonly T[],
): { dependence: Dependence; partner: T } | null {
  const dependence = dependenceOf(check);
  const partner =
    dependence &&
    weighed.find(
      ({ evidence: e }) => e.kind === 'finding' && e.check !== check && dependence.checks.includes(e.check),
    );
  return partner ? { dependence, partner } : null;
}
