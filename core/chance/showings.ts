import jstat from 'jstat';

/**
 * How often a fault that is there shows when it is given the chance, as a Beta distribution: after `shown` of `of` showings with
 * Jeffreys' prior, Beta(shown + ½, of − shown + ½).
 */
export interface ShowingRate {
  a: number;
  b: number;
}

/** The rate of a fault that showed so many times in so many. Jeffreys' prior: one half of a showing either way. */
export const rateOf = (shown: number, of: number): ShowingRate => ({ a: shown + 0.5, b: of - shown + 0.5 });

/**
 * Probability that a fault of this rate, still there, shows nothing in `n` showings: E[(1 − θ)ⁿ] = B(a, b + n) / B(a, b).
 *
 * @example
 * cleanBy(rateOf(1, 3), 4); // 0.26: one start in three failed, and four good ones prove little
 */
export const cleanBy = ({ a, b }: ShowingRate, n: number): number =>
  Math.exp(jstat.betaln(a, b + n) - jstat.betaln(a, b));

/**
 * Probability of `shown` in `of` showings of a fault of this rate, in the one order they came in: B(a + k, b + n − k) / B(a, b).
 * The order does not matter; no binomial coefficient, for it is the same whatever is wrong.
 */
export const showsSo = ({ a, b }: ShowingRate, shown: number, of: number): number =>
  Math.exp(jstat.betaln(a + shown, b + of - shown) - jstat.betaln(a, b));

/**
 * Probability that it is cured after `clean` showings and none that failed, where it was cured with probability `before` when the
 * first was made (Bayes).
 *
 * @example
 * curedAfter(rateOf(1, 3), 7, 0.75); // 0.95
 */
export function curedAfter(rate: ShowingRate, clean: number, before: number): number {
  const still = (1 - before) * cleanBy(rate, clean);
  return before / (before + still);
}

/** How many clean showings make it `sure` that it is cured, at least one; never more than `most`. */
export function showingsFor(rate: ShowingRate, sure: number, before: number, most = 100): number {
  let n = 1;
  while (n < most && curedAfter(rate, n, before) < sure) n++;
  return n;
}
