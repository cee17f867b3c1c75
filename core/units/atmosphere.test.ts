import { describe, expect, it } from 'vitest';
import { altitudeOf, ambientFraction, ATMOSPHERE_KPA, densityFraction, mixtureShift } from './index';

describe('the air', () => {
  it('thins as the published standard atmosphere says (ISO 2533: pressure hPa, density kg/m³)', () => {
    for (const [metres, hpa, density, celsius] of [
      [0, 1013.25, 1.225, 15],
      [500, 954.61, 1.1673, 11.75],
      [1000, 898.75, 1.1117, 8.5],
      [2000, 794.95, 1.0065, 2],
      [3000, 701.09, 0.9091, -4.5],
    ] as const) {
      const kpa = ATMOSPHERE_KPA * ambientFraction(metres);
      expect(kpa * 10).toBeCloseTo(hpa, 0);
      expect(densityFraction(kpa, celsius) * 1.225).toBeCloseTo(density, 3);
      expect(altitudeOf(kpa)).toBeCloseTo(metres, 3);
    }
    expect(() => ambientFraction(20_000)).toThrow('outside');
    expect(() => ambientFraction(NaN)).toThrow('outside');
  });

  it('makes a machine tuned at sea level run about 8 % rich at 1,500 m', () => {
    const high = densityFraction(ATMOSPHERE_KPA * ambientFraction(1500), 15 - 9.75);
    expect(mixtureShift(1, high)).toBeCloseTo(0.076, 2);
    expect(mixtureShift(1, 1)).toBe(0);
    expect(mixtureShift(high, 1)).toBeLessThan(0);
  });
});
