import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareGauges, gaugeDoubt, type Pair } from './index';

describe('two gauges side by side', () => {
  it('are told apart only where they differ by more than gauges do', () => {
    const reads = (share: number): string =>
      compareGauges([60, 90, 120].map((p, n) => [p * share * (1 + 0.005 * (n - 1)), p] as Pair)).verdict;
    expect(['0.90', '0.95', '0.97', '1.00', '1.03', '1.06'].map((s) => reads(Number(s)))).toEqual([
      'reads-low',
      'reads-low',
      'agrees',
      'agrees',
      'agrees',
      'reads-high',
    ]);
  });

  it('say nothing from two readings, nor where the readings scatter', () => {
    expect(
      compareGauges([
        [80, 100],
        [80, 100],
      ]).verdict,
    ).toBe('too-few');
    expect(
      compareGauges([
        [0, 100],
        [80, 0],
        [80, 100],
      ]).verdict,
    ).toBe('too-few');
    expect(
      compareGauges([
        [80, 100],
        [120, 100],
        [60, 100],
        [118, 100],
      ]).verdict,
    ).toBe('agrees');
  });

  it('do not mind the unit', () => {
    const pairs: Pair[] = [
      [92, 100],
      [110, 121],
      [65, 70],
    ];
    const bar = pairs.map(([x, y]) => [x / 14.5, y / 14.5] as Pair);
    expect(compareGauges(bar).ratio).toBeCloseTo(compareGauges(pairs).ratio, 9);
  });
});

describe('a week that reads low', () => {
  it('is told where chance would not do it, at both edges', () => {
    const usual = { usualLow: 10, usualOf: 40 };
    expect(gaugeDoubt({ low: 4, of: 4, ...usual })).toBeNull();
    expect(gaugeDoubt({ low: 5, of: 5, ...usual })).toBeLessThan(0.01);
    expect(gaugeDoubt({ low: 4, of: 6, ...usual })).toBeNull();
    expect(gaugeDoubt({ low: 6, of: 6, ...usual })).toBeLessThan(0.001);
  });

  it('is no news to a shop where most read low', () => {
    expect(gaugeDoubt({ low: 6, of: 6, usualLow: 90, usualOf: 100 })).toBeNull();
  });

  it('is a binomial tail: more low are never likelier', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 30 }), fc.integer({ min: 0, max: 40 }), (of, usualLow) => {
        const told = Array.from(
          { length: of + 1 },
          (_, low) => gaugeDoubt({ low, of, usualLow, usualOf: 40 }) ?? 1,
        );
        for (let low = 1; low <= of; low++) expect(told[low]!).toBeLessThanOrEqual(told[low - 1]! + 1e-12);
      }),
    );
  });
});
