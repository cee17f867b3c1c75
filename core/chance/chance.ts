import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A number from 0 up to 1, the next of a seeded series. */
export type Chance = () => number;

const WARM_UP = 64;

/** A seeded series: the same seed gives the same machines. */
export function chanceFrom(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  // Neighbouring seeds start alike; they part company after a few dozen draws.
  for (let n = 0; n < WARM_UP; n++) generator.next();
  return () => uniformFloat64(generator);
}

/** Standard normal numbers from a seeded series (Box–Muller). */
export const normalFrom =
  (chance: Chance): Chance =>
  () =>
    Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());

/** Position drawn from weights that sum to one, by a number from 0 up to 1. */
export function drawFrom(weights: ArrayLike<number>, at: number): number {
  let left = at;
  for (let n = 0; n < weights.length; n++) {
    left -= weights[n]!;
    if (left < 0) return n;
  }
  return weights.length - 1;
}
