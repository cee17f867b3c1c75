import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isDue, madeAt, nightlyName, tooMany } from './thin';

const daily = (days: number, hour = 2): string[] =>
  Array.from({ length: days }, (_, n) => nightlyName(new Date(2026, 10, 30 - n, hour, 30)));

describe('backups of many nights', () => {
  it('are called by their moment, and nothing else in a folder is one of them', () => {
    const at = new Date(2026, 2, 9, 3, 5);
    expect(nightlyName(at)).toBe('bench-2026-03-09-0305.backup');
    expect(madeAt(nightlyName(at))).toEqual(at);
    for (const other of [
      'bench.backup',
      'bench-2026-03-09-0305.backup.part',
      'my bench-2026-03-09-0305.backup',
      'photos',
    ])
      expect(madeAt(other)).toBeNull();
  });

  it('are kept for seven days, then of five weeks and twelve months the newest', () => {
    const names = daily(500);
    const gone = new Set(tooMany(names));
    const kept = names.filter((name) => !gone.has(name));
    expect(kept.slice(0, 7)).toEqual(names.slice(0, 7));
    // Seven days; of the weeks before them the Sundays; of the months before those the last days.
    expect(kept.slice(7)).toEqual(
      [
        '2026-11-22',
        '2026-11-15',
        '2026-11-08',
        '2026-10-31',
        '2026-09-30',
        '2026-08-31',
        '2026-07-31',
        '2026-06-30',
        '2026-05-31',
        '2026-04-30',
        '2026-03-31',
        '2026-02-28',
        '2026-01-31',
        '2025-12-31',
      ].map((day) => `bench-${day}-0230.backup`),
    );
  });

  it('never lose the newest, and thinning what was thinned takes nothing more', () => {
    const some = fc.array(
      fc.date({ min: new Date(2020, 0, 1), max: new Date(2030, 0, 1), noInvalidDate: true }),
      {
        minLength: 1,
        maxLength: 80,
      },
    );
    fc.assert(
      fc.property(some, (dates) => {
        const names = [...new Set(dates.map(nightlyName))];
        const gone = new Set(tooMany([...names, 'notes.txt']));
        const left = names.filter((name) => !gone.has(name));
        expect(left).toContain(names.toSorted().at(-1));
        expect(gone.has('notes.txt')).toBe(false);
        expect(tooMany(left)).toEqual([]);
        expect(left.length).toBeLessThanOrEqual(24);
      }),
    );
  });

  it('the next is due by night, half a day after the last; by day once a night was slept through', () => {
    const last = new Date(2026, 10, 29, 2, 30);
    expect(isDue(null, new Date(2026, 10, 29, 14))).toBe(true);
    for (const [hour, minute, due] of [
      [1, 59, false],
      [2, 0, true],
      [4, 29, true],
      [4, 31, true],
      [5, 0, true],
    ] as const)
      expect([hour, isDue(last, new Date(2026, 10, 30, hour, minute))]).toEqual([hour, due]);
    // Made in the afternoon for the first time: not again in the same night's first hours, and not by day.
    const afternoon = new Date(2026, 10, 29, 15, 0);
    expect(isDue(afternoon, new Date(2026, 10, 30, 2, 59))).toBe(false);
    expect(isDue(afternoon, new Date(2026, 10, 30, 3, 0))).toBe(true);
    expect(isDue(afternoon, new Date(2026, 10, 30, 16, 59))).toBe(false);
    expect(isDue(afternoon, new Date(2026, 10, 30, 17, 0))).toBe(true);
  });
});
