import { describe, expect, it } from 'vitest';
import { clock, clockRead, offWords } from './clock';

const { reducer } = clock;
const here = Date.parse('2026-05-04T10:00:00Z');
const read = (offMs: number, from = { offMs: 0 }, took = 0) =>
  reducer(from, clockRead({ server: here + offMs, asked: here - took, here })).offMs;

describe('this device’s clock', () => {
  it('is right while it is less than a minute off: an answer takes its time', () => {
    expect(read(59_999)).toBe(0);
    expect(read(-59_999)).toBe(0);
    expect(read(60_001)).toBe(60_001);
    expect(read(-172_800_000)).toBe(-172_800_000);
  });

  it('once off, is not moved by the second that a date is rounded to; set right, it is right', () => {
    expect(read(-172_799_000, { offMs: -172_800_000 })).toBe(-172_800_000);
    expect(read(-172_700_000, { offMs: -172_800_000 })).toBe(-172_700_000);
    expect(read(500, { offMs: -172_800_000 })).toBe(0);
  });

  it('is not judged by an answer that lay unread while the lid was shut', () => {
    expect(read(-3 * 3_600_000, { offMs: 0 }, 60_001)).toBe(0);
    expect(read(-3 * 3_600_000, { offMs: 0 }, 60_000)).toBe(-3 * 3_600_000);
    // Set back meanwhile, it took less than no time.
    expect(read(7_200_000, { offMs: 0 }, -7_200_000)).toBe(0);
  });

  it('is told in a word', () => {
    expect(offWords(-2 * 86_400_000)).toBe('2 days ahead');
    expect(offWords(5 * 60_000)).toBe('5 minutes behind');
    expect(offWords(3 * 3_600_000)).toBe('3 hours behind');
    expect(offWords(-61_000)).toBe('1 minute ahead');
  });
});
