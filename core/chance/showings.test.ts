import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chanceFrom, cleanBy, curedAfter, rateOf, showingsFor, showsSo } from '.';

const counts = fc
  .tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 12 }))
  .map(([shown, more]) => ({ shown, of: shown + more }));

describe('showings of a fault that comes and goes', () => {
  it('is the Beta-binomial of the books', () => {
    // Beta(½, ½) and Beta(1½, 2½), by hand.
    expect(cleanBy({ a: 0.5, b: 0.5 }, 1)).toBeCloseTo(0.5, 10);
    expect(cleanBy(rateOf(1, 3), 1)).toBeCloseTo(2.5 / 4, 10);
    expect(cleanBy(rateOf(1, 3), 4)).toBeCloseTo((2.5 * 3.5 * 4.5 * 5.5) / (4 * 5 * 6 * 7), 10);
    // A flat prior makes every count of n as likely: 1 / (n + 1), over its arrangements.
    for (let k = 0; k <= 5; k++) {
      const arrangements = [1, 5, 10, 10, 5, 1][k]!;
      expect(arrangements * showsSo({ a: 1, b: 1 }, k, 5)).toBeCloseTo(1 / 6, 10);
    }
  });

  it('agrees with a rate drawn and shown, whatever the order of the showings', () => {
    const chance = chanceFrom(7);
    const rounds = 60_000;
    let clean = 0;
    for (let n = 0; n < rounds; n++) {
      // Beta(1, 3) as the least of three uniform numbers.
      const rate = Math.min(chance(), chance(), chance());
      if ([1, 2, 3, 4].every(() => chance() >= rate)) clean++;
    }
    expect(clean / rounds).toBeCloseTo(cleanBy({ a: 1, b: 3 }, 4), 2);
  });

  it('multiplies: showings one after the other are the showings together', () => {
    fc.assert(
      fc.property(counts, counts, counts, (c, one, two) => {
        const rate = rateOf(c.shown, c.of);
        const then = { a: rate.a + one.shown, b: rate.b + one.of - one.shown };
        expect(showsSo(rate, one.shown, one.of) * showsSo(then, two.shown, two.of)).toBeCloseTo(
          showsSo(rate, one.shown + two.shown, one.of + two.of),
          10,
        );
      }),
    );
  });

  it('is surer with every clean showing, and wants more of them the rarer it failed', () => {
    fc.assert(
      fc.property(counts, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (c, before) => {
        const rate = rateOf(c.shown, c.of);
        expect(curedAfter(rate, 0, before)).toBeCloseTo(before, 10);
        for (let n = 0; n < 10; n++)
          expect(curedAfter(rate, n + 1, before)).toBeGreaterThan(curedAfter(rate, n, before));
        expect(showingsFor(rateOf(c.shown, c.of + 2), 0.95, before)).toBeGreaterThanOrEqual(
          showingsFor(rate, 0.95, before),
        );
      }),
    );
  });

  it('names the least number that is enough, and one at the least', () => {
    for (const [shown, of] of [
      [4, 4],
      [1, 2],
      [1, 3],
      [1, 10],
    ] as const) {
      const rate = rateOf(shown, of);
      const n = showingsFor(rate, 0.95, 0.75);
      expect(curedAfter(rate, n, 0.75)).toBeGreaterThanOrEqual(0.95);
      if (n > 1) expect(curedAfter(rate, n - 1, 0.75)).toBeLessThan(0.95);
    }
    expect(showingsFor(rateOf(9, 9), 0.5, 0.9)).toBe(1);
    expect(showingsFor(rateOf(0, 50), 0.999, 0.1, 20)).toBe(20);
  });
});
