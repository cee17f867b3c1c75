import { describe, expect, it } from 'vitest';
import { compareButtons, judgeLever } from './index';

describe('a substitute diaphragm’s button', () => {
  it.each([
    [1.2, 1.3, 'fits'],
    [1.2, 1.6, 'proud'],
    [1.2, 0.9, 'short'],
  ] as const)('old %s, substitute %s: %s', (old, substitute, result) => {
    expect(compareButtons(old, substitute).result).toBe(result);
  });

  it('means what a lever off by as much means', () => {
    for (let off = -0.6; off <= 0.6; off += 0.07) {
      const lever = judgeLever(off);
      const alike = { high: 'proud', low: 'short', 'in-band': 'fits' };
      expect('result' in lever && alike[lever.result as keyof typeof alike]).toBe(
        compareButtons(1, 1 + off).result,
      );
    }
  });
});
