import type { Case } from '../diagnosis/case';
import { CAUSES, type CauseId } from '../knowledge';
import type { Likelihood } from '../diagnosis/likelihood';
import { oddsFor, posterior, priorWeights } from '../diagnosis/posterior';
import { causeWeights, fillAll, leadOf, multiply, SETS } from '../diagnosis/sets';
import type { Chance } from '../chance';

/** Nothing shows more surely than this, jittered or not. */
const CEILING = 0.97;

/** A factor from 1/most to most, as likely up as down. */
const factorFrom = (chance: Chance, most: number): number => most ** (2 * chance() - 1);

/** A likelihood with every cause's signs made so much likelier or unlikelier. */
function jittered(likelihood: Likelihood, factors: readonly number[]): Likelihood {
  const shake = (absent: number, i: number): number =>
    absent === 0 ? 0 : 1 - Math.min(Math.max(CEILING, 1 - absent), (1 - absent) * factors[i]!);
  return { ...likelihood, hi: likelihood.hi.map(shake), lo: likelihood.lo.map(shake) };
}

/**
 * The likeliest cause of a case were every number of the knowledge off by a factor drawn up to `most` each way: the
 * commonness of every cause, and how often it gives each of its signs.
 */
export function leadWhenJittered(c: Case, chance: Chance, most: number): CauseId {
  const p = posterior(c);
  const sets = priorWeights(oddsFor(c).map((odds) => odds * factorFrom(chance, most)));
  const plain = new Float64Array(SETS.count);
  const shaken = new Float64Array(SETS.count);
  for (const w of p.weighed) {
    const factors = CAUSES.map(() => factorFrom(chance, most));
    fillAll(plain, w.likelihood);
    fillAll(shaken, jittered(w.likelihood, factors));
    multiply(
      sets,
      w.perSet.map((x, s) => (x * shaken[s]!) / plain[s]!),
    );
  }
  const { causes } = causeWeights(sets);
  return CAUSES[leadOf(causes)]!.id;
}
