import { describe, expect, it } from 'vitest';
import { convert, QUANTITIES, type Quantity } from './index';

describe('the converter', () => {
  it.each([
    ['pressure', 'psi', 7, 'bar', 0.4826330105],
    ['pressure', 'bar', 1, 'kPa', 100],
    ['pressure', 'inHg', 29.9212555, 'kPa', 101.325],
    ['length', 'thou', 10, 'mm', 0.254],
    ['length', 'in', 1, 'mm', 25.4],
    ['volume', 'us-gal', 1, 'us-floz', 128],
    ['volume', 'imp-floz', 1, 'ml', 28.4130625],
  ] as const)('%s: %s %d is %s %d', (quantity, from, value, to, wanted) => {
    const at = QUANTITIES[quantity].findIndex((u) => u.id === to);
    expect(convert(value, quantity, from)[at]).toBeCloseTo(wanted, 6);
  });

  it('goes there and back between every two units', () => {
    for (const quantity of Object.keys(QUANTITIES) as Quantity[])
      for (const [i, from] of QUANTITIES[quantity].entries())
        for (const [j, to] of QUANTITIES[quantity].entries())
          expect(convert(convert(3.7, quantity, from.id)[j]!, quantity, to.id)[i]).toBeCloseTo(3.7, 10);
  });

  it('has no other units', () => {
    expect(() => convert(1, 'length', 'psi')).toThrow('length has no unit psi');
  });
});
