import { describe, expect, it } from 'vitest';
import { fitPlateau, judgeCompression, judgeWet, ratioBehindHose, ratioWithHose } from './index';
import { gaugeOf, ratioFor } from '../machine';

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
    expect(judgeCompression({ psi: [112] }, { ...SAW, spec: { squeezePsi: [153, 187] } })).toMatchObject({
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

describe('the gauge', () => {
  it('is what the ratio makes it, there and back, at any altitude', () => {
    for (const altitude of [0, 1500, 3000])
      for (const psi of [60, 110, 150])
        expect(gaugeOf(ratioFor(psi, altitude), altitude)).toBeCloseTo(psi, 9);
    // Same engine, thinner air.
    expect(gaugeOf(ratioFor(130), 1500)).toBeLessThan(0.85 * 130);
  });

  it('reads markedly lower through the same hose on a small engine than on a large one', () => {
    const loss = (cc: number): number => 1 - gaugeOf(ratioWithHose(ratioFor(130), cc, 2)) / 130;
    expect(loss(25)).toBeGreaterThan(2 * loss(70));
    expect(loss(25)).toBeGreaterThan(0.25);
  });

  it('is corrected for its hose', () => {
    const seen = gaugeOf(ratioWithHose(ratioFor(118), 25, 1.5));
    expect(ratioBehindHose(seen, 25, 1.5)).toBeCloseTo(ratioFor(118), 9);
    const trimmer = { kind: 'trimmer', displacementCc: 25 } as const;
    expect(judgeCompression({ psi: [seen] }, trimmer)).toMatchObject({ result: 'low' });
    expect(judgeCompression({ psi: [seen], hoseMl: 1.5 }, trimmer)).toMatchObject({ result: 'good' });
    expect(judgeCompression({ psi: [160], hoseMl: 60 }, trimmer)).toHaveProperty('refused');
  });
});

describe('how it was measured', () => {
  it('refuses a shut throttle, and says why', () => {
    expect(judgeCompression({ psi: [90], throttle: 'shut' }, SAW)).toMatchObject({
      refused: expect.stringContaining('cannot fill') as string,
    });
  });

  it('condemns outright below fifty, cold or warm', () => {
    const told = (psi: number) => {
      const judged = judgeCompression(
        { psi: [psi * 0.6, psi * 0.9, psi, psi], engine: 'cold' },
        { kind: 'trimmer' },
      );
      return 'says' in judged ? judged.says : judged.refused;
    };
    expect(told(49)).toContain('nothing else is worth touching');
    expect(told(51)).toContain('warm it before condemning it');
  });

  it('condemns a cold engine only half-heartedly', () => {
    expect(judgeCompression({ psi: [80], engine: 'cold' }, SAW)).toMatchObject({
      result: 'low',
      sureness: 'fair',
    });
    expect(judgeCompression({ psi: [140], engine: 'cold' }, SAW)).toMatchObject({
      result: 'good',
      sureness: 'sure',
    });
  });

  it('goes by the shop’s floor for what is low, never above the band', () => {
    expect(judgeCompression({ psi: [104], floorPsi: 110 }, SAW)).toMatchObject({ result: 'low' });
    expect(judgeCompression({ psi: [104], floorPsi: 90 }, SAW)).toMatchObject({ result: 'marginal' });
    expect(judgeCompression({ psi: [130], floorPsi: 200 }, SAW)).toMatchObject({ result: 'good' });
  });

  it('goes by the shop’s own readings of the model before the class, once there are three', () => {
    const read = (shopSqueezePsi: number[]) => judgeCompression({ psi: [130] }, { ...SAW, shopSqueezePsi });
    expect(read([165, 170])).toMatchObject({ result: 'good' });
    expect(read([165, 170, 160])).toMatchObject({
      result: 'marginal',
      says: expect.stringContaining('this shop’s 3 readings') as string,
    });
  });

  it('reads a wet rise as rings and bore', () => {
    expect(judgeWet([90, 118, 126, 129], 95)).toMatchObject({ result: 'rises', sureness: 'sure' });
    expect(judgeWet([70, 90, 95, 96], 95)).toMatchObject({ result: 'unchanged', sureness: 'sure' });
  });
});
