import { CAUSES, causeOf, priorWorkOf, type CauseId, type History, type SaidDone } from '../knowledge';
import type { MachineFacts } from '../machine';
import type { Likelihood } from './likelihood';
import { SAID_HALF_LIFE, SAID_RIGHT, SAID_RIGHT_POWER, SAID_WRONG_BY, SAID_WRONG_POWER } from './parameters';
import { rulesFor } from './prior';

const N = CAUSES.length;

/**
 * Factor on the odds of each cause that is said to have been put right (below 1), or is done wrong in such work (above 1).
 *
 * @example
 * saidFactors({ work: 'coil', by: 'shop', effect: 'no-change' }).get('coil-failed'); // about 0.19
 */
export function saidFactors(
  { work, by = 'owner', effect, monthsAgo = 0 }: SaidDone,
  history: History = {},
  machine: MachineFacts = { kind: 'chainsaw' },
): ReadonlyMap<CauseId, number> {
  const { rights, thorough = 1, spoils } = priorWorkOf(work);
  // What "has anyone been into it" did already: the work says the same, and counts instead of it.
  const opened = rulesFor(history, machine).filter((rule) => rule.ofOpening);
  const fresh = 0.5 ** (monthsAgo / SAID_HALF_LIFE);
  const factors = new Map<CauseId, number>();
  const right = SAID_RIGHT[by] ** (SAID_RIGHT_POWER[effect ?? 'unknown'] * thorough * fresh);
  for (const cause of rights) factors.set(cause, right);
  for (const [cause, factor] of Object.entries(spoils) as [CauseId, number][]) {
    const wrong = factor ** (SAID_WRONG_POWER[effect ?? 'unknown'] * SAID_WRONG_BY[by] * fresh);
    const already = opened.reduce((f, rule) => f * (rule.factors[cause] ?? 1), 1);
    const more = Math.max(1, wrong / already);
    factors.set(cause, (factors.get(cause) ?? 1) * more);
  }
  return factors;
}

/** Likelihood of being told of work done before, on the machine as it came in. */
export function saidLikelihood(said: SaidDone, history: History, machine: MachineFacts): Likelihood {
  const factors = saidFactors(said, history, machine);
  const hi = new Float64Array(N + 1).fill(1);
  CAUSES.forEach((cause, i) => {
    const factor = factors.get(cause.id) ?? 1;
    // In one of several places, the others stay as they were.
    hi[i] = causeOf(cause.id).severalPlaces ? Math.max(factor, Math.sqrt(factor)) : factor;
  });
  return { hi0: 1, lo0: 0, hi, lo: new Float64Array(N + 1), error: 0, misread: 0, slip: 0 };
}
