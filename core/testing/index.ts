/** Whether all of it is asked for, as `npm run torture` does, or a sample, as every run of the tests does. */
const THOROUGH = Boolean(process.env['THOROUGH']);

/**
 * How many of something drawn a test goes over: `some` in every run, `all` in `npm run torture`. For tests only.
 * @example fc.assert(property, { numRuns: samples(700, 7000) })
 */
export const samples = (some: number, all: number): number => (THOROUGH ? all : some);

/**
 * What a test goes through: the first `some` in every run, all of it in `npm run torture`. For tests only.
 * @example it.each(firstOf(4, PLANTED))('finds $name', …)
 */
export const firstOf = <T>(some: number, all: readonly T[]): readonly T[] =>
  all.slice(0, samples(some, all.length));
