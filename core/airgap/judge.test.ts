import { describe, expect, it } from 'vitest';
import { judgeLegs, judgePlugGap } from './index';

/** A usual coil gap: 0.010 to 0.014 in. */
const BAND = [0.25, 0.36] as const;
const told = (legs: readonly number[], contact?: 'quiet' | 'scrape') => {
  const judged = judgeLegs(legs, BAND, contact);
  if ('refused' in judged) throw new Error(judged.refused);
  return judged;
};

describe('the coil gap', () => {
  it.each([
    // A feeler reads to two hundredths: half of that past an edge is still in band, more is not.
    [[0.241, 0.3], 'in-band'],
    [[0.239, 0.239], 'tight'],
    [[0.239, 0.3], 'uneven'],
    [[0.369, 0.3], 'in-band'],
    [[0.371, 0.371], 'wide'],
    [[0.371, 0.3], 'uneven'],
    [[0.239, 0.371], 'uneven'],
    [[0.5], 'wide'],
    [[0.1], 'tight'],
  ] as const)('legs of %j mm: %s', (legs, result) => {
    expect(told(legs).result).toBe(result);
  });

  it('is as sure as the reading is far from an edge, and never of one leg alone in band', () => {
    expect(told([0.3, 0.3]).sureness).toBe('sure');
    expect(told([0.25, 0.36]).sureness).toBe('sure');
    expect(told([0.3]).sureness).toBe('fair');
    expect(told([0.379, 0.379])).toMatchObject({ result: 'wide', sureness: 'fair' });
    expect(told([0.381, 0.381])).toMatchObject({ result: 'wide', sureness: 'sure' });
    expect(told([0.231, 0.231])).toMatchObject({ result: 'tight', sureness: 'fair' });
    expect(told([0.229, 0.229])).toMatchObject({ result: 'tight', sureness: 'sure' });
    expect(told([0.8])).toMatchObject({ result: 'wide', sureness: 'sure' });
  });

  it('is told by its worst leg, whichever end that is', () => {
    expect(told([0.3, 0.5]).value).toBe(0.5);
    expect(told([0.5, 0.3]).value).toBe(0.5);
    expect(told([0.1, 0.4]).value).toBe(0.1);
    expect(told([0.3, 0.32]).value).toBe(0.32);
    expect(told([0.32, 0.3]).value).toBe(0.32);
  });

  it('that measures right and scrapes is tight; one that is wide stays wide', () => {
    expect(told([0.3, 0.3], 'scrape').result).toBe('tight');
    expect(told([0.3, 0.3], 'quiet').result).toBe('in-band');
    expect(told([0.5, 0.5], 'scrape').result).toBe('wide');
    expect(told([0.3, 0.3], 'scrape').says).toContain('high spot');
    expect(told([0.5, 0.5], 'scrape').says).toMatch(/, and scrapes$/);
    expect(told([0.3, 0.4]).says).toBe('0.30 mm (0.012 in) and 0.40 mm (0.016 in), band 0.25–0.36 mm');
  });
});

describe('the plug gap', () => {
  it.each([
    [0.489, 'narrow'],
    [0.491, 'in-band'],
    [0.659, 'in-band'],
    [0.661, 'wide'],
  ] as const)('%s mm: %s', (mm, result) => {
    expect(judgePlugGap(mm, [0.5, 0.65])).toMatchObject({ result, sureness: 'sure', value: mm });
  });
});
