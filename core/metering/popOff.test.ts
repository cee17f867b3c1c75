import { describe, expect, it } from 'vitest';
import { figuresOf } from '../machine';
import { judgeReading } from '../reading';
import { judgePopOff, MOST_PSI } from './index';

const CLASS = figuresOf({ kind: 'trimmer' }).popOffPsi;
const told = (psi: readonly number[], band: readonly [number, number] = CLASS, limit?: number) => {
  const judged = judgePopOff(psi, band, limit);
  if ('refused' in judged) throw new Error(judged.refused);
  return judged;
};

describe('pop-off', () => {
  it.each([
    [[7.9, 6], 'low'],
    [[8.1, 6], 'in-band'],
    [[12, 6], 'in-band'],
    [[12, 5.9], 'will-not-reseat'],
    [[12, 0], 'will-not-reseat'],
    // Weak and leaking: the spring is seen to first.
    [[5, 0], 'low'],
    [[27.9, 20], 'in-band'],
    [[28.1, 20], 'high'],
  ] as const)('opened and shut at %j psi: %s', (psi, result) => {
    expect(told(psi).result).toBe(result);
  });

  it('that does not open within what may be pumped is high enough; by the maker’s figure it may be too high', () => {
    expect(told([MOST_PSI])).toMatchObject({ result: 'in-band', sureness: 'fair' });
    const spec = { popOffPsi: [10, 13] as const };
    const judged = judgeReading('pop-off', { psi: [14] }, { kind: 'trimmer', spec });
    expect(judged).toMatchObject({ result: 'high' });
    expect(judgeReading('pop-off', { psi: [12, 7] }, { kind: 'trimmer', spec })).toMatchObject({
      result: 'in-band',
      band: [10, 13],
    });
  });

  it('is asked about where it cannot be: shut above where it opened, or only half told', () => {
    expect(judgePopOff([7, 12], CLASS)).toHaveProperty('refused');
    expect(judgePopOff([11], CLASS)).toHaveProperty('refused');
    expect(judgePopOff([], CLASS)).toHaveProperty('refused');
  });

  it('is only fairly sure within one psi of an edge', () => {
    expect(told([8.5, 6]).sureness).toBe('fair');
    expect(told([9.5, 6]).sureness).toBe('sure');
    expect(told([7.5, 6]).sureness).toBe('fair');
    expect(told([6.5, 6]).sureness).toBe('sure');
  });
});
