import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  crosswise,
  makeEntry,
  offToStart,
  readJob,
  screwCounts,
  screwPlanOf,
  screwsLeft,
  unnumbered,
  type Noted,
  type ScrewPlace,
} from './index';

const at = (x: number, y: number, kind = 'long'): ScrewPlace => ({ x, y, kind });
const read = (...noted: Noted[]) =>
  readJob(
    noted.map((one, n) => ({
      ...unnumbered(makeEntry(one, { id: `e${n}`, notedAt: `2026-05-04T09:00:0${n}.000Z` })),
      seq: n + 1,
    })),
    { kind: 'chainsaw' },
  );
const plan = (...screws: ScrewPlace[]): Noted => ({
  kind: 'screw-plan',
  body: { of: { part: 'recoil' }, on: { outline: 'round' }, screws },
});

describe('a screw plan', () => {
  it('is the one marked last, one a thing', () => {
    const { screwPlans } = read(plan(at(0, 0)), plan(at(0, 0), at(1, 1, 'short')), {
      kind: 'screw-plan',
      body: { of: { thing: 'Fan cover' }, on: { photo: 'a' }, screws: [at(0.5, 0.5)] },
    });
    expect(screwPlans).toHaveLength(2);
    expect(screwCounts(screwPlanOf({ part: 'recoil' }, screwPlans)!.screws)).toBe('1 long, 1 short');
    expect(screwPlanOf({ thing: 'fan cover' }, screwPlans)?.on).toEqual({ photo: 'a' });
    expect(screwPlanOf({ part: 'muffler' }, screwPlans)).toBeUndefined();
  });

  it('four corners are drawn down across, six round a rim opposite each other', () => {
    expect(crosswise([at(0, 0), at(1, 0), at(1, 1), at(0, 1)])).toEqual([0, 2, 1, 3]);
    const rim = Array.from({ length: 6 }, (_, n) => {
      const turn = (n * Math.PI) / 3;
      return at(0.5 + Math.cos(turn) / 2, 0.5 + Math.sin(turn) / 2);
    });
    const order = crosswise(rim);
    for (const n of [0, 2, 4]) expect(Math.abs(order[n]! - order[n + 1]!)).toBe(3);
  });

  it('what is far apart on a long cover is so in its own measure', () => {
    // Three along a narrow cover: across its length first.
    expect(crosswise([at(0, 0.2), at(0.1, 0.9), at(1, 0.2)], 4)[1]).toBe(2);
    expect(crosswise([at(0, 0.2), at(0.1, 0.9), at(0.5, 0.2)], 1)[1]).toBe(1);
  });

  it('draws each down once, wherever they sit', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.record({ x: share, y: share }), { maxLength: 24 }), (places) => {
        expect(crosswise(places).toSorted((a, b) => a - b)).toEqual([...places.keys()]);
      }),
    );
  });

  it('a screw left over lies on the tray by kind, and nothing is started over it', () => {
    const screws = [at(0, 0), at(1, 0), at(1, 1, 'short')];
    const left = screwsLeft({ of: { part: 'recoil' }, screws }, new Set([0]));
    expect(left.map((l) => l.body)).toEqual([
      { thing: 'long screw of recoil starter', place: 'upper right', count: 1 },
      { thing: 'short screw of recoil starter', place: 'lower right', count: 1 },
    ]);
    expect(screwsLeft({ of: { part: 'recoil' }, screws }, new Set([0, 1, 2]))).toEqual([]);
    expect(offToStart(read(plan(...screws), ...left))).toHaveLength(2);
  });
});
