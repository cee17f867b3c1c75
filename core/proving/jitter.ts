import type { Chance } from '../chance';
import type { Case } from '../diagnosis';
import { causeWeights, leadOf, normalise, SETS } from '../diagnosis/hypotheses';
import { fillChosen, type Likelihood } from '../diagnosis/likelihood';
import { oddsFor, posterior, priorWeights } from '../diagnosis/posterior';
import { CAUSE_INDEX, CAUSES, type CauseId } from '../knowledge';

/** Nothing shows more surely than this, jittered or not. */
const CEILING = 0.97;

/** A factor from 1/most to most, as likely up as down. */
const factorFrom = (chance: Chance, most: number): number => most ** (2 * chance() - 1);

/** A likelihood with every cause's signs made so much likelier or unlikelier. */
function jittered(likelihood: Likelihood, factors: readonly number[]): Likelihood {
  const shake = (absent: number, i: number): number =>
    absent === 0 || i >= CAUSES.length
      ? absent
      : 1 - Math.min(Math.max(CEILING, 1 - absent), (1 - absent) * factors[i]!);
  return { ...likelihood, hi: likelihood.hi.map(shake), lo: likelihood.lo.map(shake) };
}

/**
 * The cause a case leads to were every number of the knowledge off by a factor drawn up to `most` each way: the
 * commonness of every cause, and how often it gives each of its signs. What was seen stands whatever the numbers.
 */
export function leadWhenJittered(c: Case, chance: Chance, most: number): CauseId {
  const p = posterior(c);
  const known = new Uint8Array(CAUSES.length + 1);
  for (const k of p.timeline.known) known[CAUSE_INDEX.get(k.cause)!] = 1;
  const odds = oddsFor(c);
  const shakenOdds = odds.map((o) => o * factorFrom(chance, most));
  const plainPrior = priorWeights(odds, known);
  const shakenPrior = priorWeights(shakenOdds, known);
  const sets = p.sets.map((w, s) => (plainPrior[s]! > 0 ? (w * shakenPrior[s]!) / plainPrior[s]! : 0));
  const all = Uint32Array.from({ length: SETS.count }, (_, s) => s);
  const plain = new Float64Array(SETS.count);
  const shaken = new Float64Array(SETS.count);
  for (const { likelihood } of p.weighed) {
    const factors = CAUSES.map(() => factorFrom(chance, most));
    fillChosen(plain, likelihood, all);
    fillChosen(shaken, jittered(likelihood, factors), all);
    for (let s = 0; s < sets.length; s++) sets[s]! *= shaken[s]! / plain[s]!;
  }
  normalise(sets);
  const causes = causeWeights(sets);
  p.present.forEach((there, i) => {
    if (there && i < CAUSES.length) causes[i] = 1;
  });
  return CAUSES[leadOf(causes, p.gone)]!.id;
}
