import { describe, expect, it } from 'vitest';
import { caseOf, readJob, type Bodies, type Entry, type EntryKind } from '../log';
import { accountOf, leavingOf } from './index';

type Line = { [K in EntryKind]: readonly [K, Bodies[K], string?] }[EntryKind];
const left = (...lines: readonly Line[]) => {
  const picture = readJob(
    lines.map(([kind, body, strikes], n) => ({
      id: `e${n + 1}`,
      seq: n + 1,
      notedAt: `2026-05-04T09:${String(n).padStart(2, '0')}:00.000Z`,
      kind,
      body,
      ...(strikes && { strikes }),
    })) as Entry[],
    { kind: 'chainsaw', displacementCc: 45 },
  );
  return leavingOf(picture, accountOf(picture, caseOf(picture)));
};
const gap = (mm: number[]): Line => ['finding', { check: 'coil-gap', reading: { mm }, sureness: 'sure' }];
const counted = (turns: { L?: number; H?: number }): Line => [
  'finding',
  { check: 'screw-turns', reading: { turns }, sureness: 'sure' },
];

describe('how a job leaves its machine', () => {
  it('an empty log says nothing of it', () => {
    expect(left()).toEqual({
      screws: {},
      gap: null,
      proved: false,
      told: [],
      decided: null,
      papers: [],
      photos: [],
    });
  });

  it('tells where counted screws were and are; one that was only turned is not known', () => {
    const { screws } = left(
      counted({ L: 0.75 }),
      ['screw', { screw: 'L', eighths: 3 }],
      ['screw', { screw: 'H', eighths: 1 }],
    );
    expect(screws).toEqual({ L: { found: 0.75, now: 1.125 } });
  });

  it('takes the gap measured last, and none that was struck', () => {
    expect(left(gap([0.3, 0.52]), gap([0.3, 0.31])).gap).toEqual({ mm: [0.3, 0.31], sound: true });
    expect(left(gap([0.3, 0.52])).gap).toEqual({ mm: [0.3, 0.52], sound: false });
    expect(left(gap([0.3, 0.52]), ['strike', { reason: 'misread' }, 'e1']).gap).toBeNull();
  });

  it('tells what the owner heard of faults that stand, and nothing of one that was mended after all', () => {
    const found: Line = ['finding', { check: 'ring-free', result: 'stuck', sureness: 'sure' }];
    const told: Line = ['answered', { cause: 'ring-stuck', answer: 'told', words: 'cuts on with it' }];
    expect(left(found, told).told).toEqual([
      { cause: 'ring-stuck', answer: 'told', words: 'cuts on with it' },
    ]);
    expect(left(found).told).toEqual([]);
    expect(left(found, told, ['repair', { cause: 'ring-stuck', outcome: 'cured' }]).told).toEqual([]);
  });

  it('keeps each picture once, and what was signed apart', () => {
    const [one, signed] = ['a'.repeat(64), 'b'.repeat(64)];
    const photo = (hash: string): Line => ['photo', { hash, width: 10, height: 10 }];
    const { photos, decided } = left(photo(one), photo(signed), photo(one), [
      'decision',
      { choice: 'bare', by: 'Odile', how: 'counter', signature: signed },
    ]);
    expect(photos).toEqual([one]);
    expect(decided).toBe('bare');
  });
});
