import { describe, expect, it } from 'vitest';
import { compareButtons, judgeLever } from './index';

const told = (mm: number, reference?: number) => {
  const judged = judgeLever(mm, reference);
  if ('refused' in judged) throw new Error(judged.refused);
  return judged;
};

describe('the metering lever', () => {
  it.each([
    // Fifteen hundredths either side of its reference.
    [0.14, 0, 'in-band'],
    [0.16, 0, 'high'],
    [-0.14, 0, 'in-band'],
    [-0.16, 0, 'low'],
    [0.64, 0.5, 'in-band'],
    [0.66, 0.5, 'high'],
    [0.34, 0.5, 'low'],
  ] as const)('%s mm over a reference of %s: %s', (mm, reference, result) => {
    expect(told(mm, reference).result).toBe(result);
  });

  it('is only fairly sure within five hundredths of an edge, on either side of it', () => {
    for (const [mm, sureness] of [
      [0, 'sure'],
      [0.09, 'sure'],
      [0.11, 'fair'],
      [0.19, 'fair'],
      [0.21, 'sure'],
      [-0.11, 'fair'],
      [-0.21, 'sure'],
    ] as const)
      expect(told(mm).sureness, String(mm)).toBe(sureness);
  });

  it('says which side that is, with its sign', () => {
    expect(told(0.4).says).toBe('+0.40 mm from the reference: rich side');
    expect(told(-0.4).says).toBe('-0.40 mm from the reference: lean side');
    expect(told(0).says).toBe('0.00 mm from the reference: level');
    expect(told(0.4)).toMatchObject({ value: 0.4, unit: 'mm' });
    expect(told(0.4, 0.5).band).toEqual([0.35, 0.65]);
  });
});

describe('a substitute’s button', () => {
  it('says by how much it differs, and what that does', () => {
    expect(compareButtons(1, 1.3)).toMatchObject({
      result: 'proud',
      says: expect.stringMatching(/^0\.30 mm prouder: .*floods/),
    });
    expect(compareButtons(1.3, 1)).toMatchObject({
      result: 'short',
      says: expect.stringMatching(/^0\.30 mm shorter: .*starves/),
    });
    expect(compareButtons(1, 1.1).says).toMatch(/it fits/);
    expect(compareButtons(1, 1.3).prouderMm).toBeCloseTo(0.3, 12);
  });
});
