import { describe, expect, it } from 'vitest';
import { COIL_GAP_MM } from '../machine';
import { cardThickness, judgeLegs, moveWords, readLegs } from './index';

describe('a card', () => {
  it('is measured by ten of them: 3.6 mm of ten is 0.36 mm a card', () => {
    expect(cardThickness(3.6, 10)).toBeCloseTo(0.36, 12);
    expect(cardThickness(3.6, 10, 2)).toBeCloseTo(0.72, 12);
    expect(() => cardThickness(0, 10)).toThrow('above nought');
    expect(() => cardThickness(3, 0)).toThrow('above nought');
  });
});

describe('two legs', () => {
  it('lean by the difference over their spacing', () => {
    expect(readLegs(0.6, 0.3, COIL_GAP_MM, 30).tiltDeg).toBeCloseTo(0.573, 3);
    expect(readLegs(0.3, 0.6, COIL_GAP_MM, 30).tiltDeg).toBeCloseTo(-0.573, 3);
    expect(readLegs(0.3, 0.3, COIL_GAP_MM).tiltDeg).toBe(0);
  });

  it('in band stay where they are', () => {
    expect(readLegs(0.25, 0.36, COIL_GAP_MM).moves).toEqual([]);
  });

  it('after the moves they name are both in the middle of the band', () => {
    const middle = (COIL_GAP_MM[0] + COIL_GAP_MM[1]) / 2;
    for (const [top, bottom] of [
      [0.3, 0.5],
      [0.6, 0.45],
      [0.1, 0.3],
      [0.1, 0.5],
    ] as const) {
      const after = { top, bottom };
      for (const { leg, inMm } of readLegs(top, bottom, COIL_GAP_MM).moves) after[leg] -= inMm;
      for (const [leg, was] of [
        ['top', top],
        ['bottom', bottom],
      ] as const) {
        const moved = after[leg] !== was;
        expect(after[leg]).toBeCloseTo(moved ? middle : was, 12);
        expect(after[leg]).toBeGreaterThanOrEqual(COIL_GAP_MM[0]);
        expect(after[leg]).toBeLessThanOrEqual(COIL_GAP_MM[1]);
      }
    }
  });

  it('name the worst end first, in words', () => {
    const { moves } = readLegs(0.42, 0.15, COIL_GAP_MM);
    expect(moves.map(moveWords)).toEqual(['Lower end out by 0.15 mm', 'Upper end in by 0.11 mm']);
  });
});

describe('contact heard over a full turn', () => {
  it('makes legs that measure right tight, and says so', () => {
    expect(judgeLegs([0.3, 0.31])).toMatchObject({ result: 'in-band' });
    expect(judgeLegs([0.3, 0.31], COIL_GAP_MM, 'quiet')).toMatchObject({ result: 'in-band' });
    const scraping = judgeLegs([0.3, 0.31], COIL_GAP_MM, 'scrape');
    expect(scraping).toMatchObject({ result: 'tight', says: expect.stringContaining('yet it scrapes') });
  });

  it('leaves an uneven pair uneven', () => {
    expect(judgeLegs([0.3, 0.1], COIL_GAP_MM, 'scrape')).toMatchObject({ result: 'uneven' });
  });
});
