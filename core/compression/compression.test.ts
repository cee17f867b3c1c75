import { describe, expect, it } from 'vitest';
import { fitPlateau, judgeCompression } from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;

describe('the plateau', () => {
  it.each([0.3, 0.45, 0.6])(
    'is recovered from the first four pulls within 3 %% when each leaves %d of the rest',
    (r) => {
      const pulls = [1, 2, 3, 4].map((k) => Math.round(150 * (1 - r ** k)));
      expect(Math.abs(fitPlateau(pulls).psi - 150) / 150).toBeLessThan(0.03);
    },
  );

  it('scales with the readings', () => {
    const pulls = [62, 98, 117, 124];
    expect(fitPlateau(pulls.map((p) => p * 1.5)).psi).toBeCloseTo(fitPlateau(pulls).psi * 1.5, 6);
  });

  it('says when too few pulls were made', () => {
    expect(fitPlateau([40, 70, 92]).enough).toBe(false);
    expect(fitPlateau([88, 126, 144, 151, 154]).enough).toBe(true);
    expect(fitPlateau([80, 100]).enough).toBe(false);
    expect(fitPlateau([120])).toEqual({ psi: 120, enough: true });
    expect(() => fitPlateau([])).toThrow('no pulls');
  });
});

describe('the verdict', () => {
  it('refuses with the starting valve open, and says why', () => {
    expect(judgeCompression({ psi: [90, 110], decompressor: 'open' }, SAW)).toMatchObject({
      refused: expect.stringContaining('valve open') as string,
    });
  });

  it('goes by the class: the same figure is good on a trimmer and low on a farm saw', () => {
    expect(judgeCompression({ psi: [112] }, { kind: 'trimmer', displacementCc: 25 })).toMatchObject({
      result: 'good',
    });
    expect(judgeCompression({ psi: [112] }, { kind: 'chainsaw', displacementCc: 62 })).toMatchObject({
      result: 'low',
    });
  });

  it('lets the maker’s figure win', () => {
    expect(judgeCompression({ psi: [112], makerPsi: 170 }, SAW)).toMatchObject({
      result: 'low',
      says: expect.stringContaining('maker') as string,
    });
  });

  it('corrects for altitude: 105 psi at 2,000 m is as good as 134 at sea level', () => {
    expect(judgeCompression({ psi: [105] }, SAW)).toMatchObject({ result: 'marginal' });
    const high = judgeCompression({ psi: [105], altitudeM: 2000 }, SAW);
    expect(high).toMatchObject({ result: 'good' });
    expect('value' in high && high.value).toBeCloseTo(133.8, 0);
  });

  it('is only fairly sure close to an edge', () => {
    expect(judgeCompression({ psi: [119] }, SAW)).toMatchObject({ result: 'marginal', sureness: 'fair' });
    expect(judgeCompression({ psi: [140] }, SAW)).toMatchObject({ result: 'good', sureness: 'sure' });
  });
});
