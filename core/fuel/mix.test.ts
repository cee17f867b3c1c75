import { describe, expect, it } from 'vitest';
import { ageOfCan, correctCan, oilFor, ratioOf, splitCan } from './index';

describe('a mix', () => {
  it('of 5 litres at 50:1 takes 100 ml of oil', () => {
    expect(oilFor(5000, 50)).toBe(100);
    expect(() => oilFor(5000, 0)).toThrow('ratio must be above nought');
  });

  it('splits a can so that it fills it at the ratio', () => {
    for (const ratio of [25, 40, 50])
      for (const total of [1000, 5000]) {
        const can = splitCan(total, ratio);
        expect(can.petrolMl + can.oilMl).toBeCloseTo(total, 9);
        expect(ratioOf(can)).toBeCloseTo(ratio, 9);
      }
  });

  it('mixed wrong is put right by adding one thing only', () => {
    for (const can of [
      { petrolMl: 4000, oilMl: 0 },
      { petrolMl: 4000, oilMl: 50 },
      { petrolMl: 4000, oilMl: 200 },
      { petrolMl: 4000, oilMl: 80 },
    ]) {
      const add = correctCan(can, 50);
      expect(Math.min(add.petrolMl, add.oilMl)).toBe(0);
      expect(Math.max(add.petrolMl, add.oilMl)).toBeGreaterThanOrEqual(0);
      expect(ratioOf({ petrolMl: can.petrolMl + add.petrolMl, oilMl: can.oilMl + add.oilMl })).toBeCloseTo(
        50,
        9,
      );
    }
    expect(correctCan({ petrolMl: 4000, oilMl: 200 }, 50).petrolMl).toBeCloseTo(6000, 9);
  });
});

describe('a can’s label', () => {
  const on = (day: string, ethanol = false) => ageOfCan(day, '2026-11-23T10:00:00Z', ethanol);

  it('tells its age', () => {
    expect(on('2026-11-20')).toEqual({ days: 3, age: 'fresh' });
    expect(on('2026-10-28').age).toBe('use-soon');
    expect(on('2026-10-01').age).toBe('suspect');
    expect(on('2026-07-01').age).toBe('bad');
  });

  it('is older with ethanol in it', () => {
    expect(on('2026-10-30', true).age).toBe('suspect');
    expect(on('2026-10-30').age).toBe('use-soon');
  });

  it('must be a date, and not one to come', () => {
    expect(() => on('soon')).toThrow('not a date');
    expect(() => on('2027-01-01')).toThrow('still to come');
  });
});
