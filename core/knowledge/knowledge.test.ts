import { describe, expect, it } from 'vitest';
import {
  BEHAVIOURS,
  CAUSES,
  CHECKS,
  openingMinutes,
  PARTS,
  probabilityOf,
  resultOf,
  STRENGTHS,
  toOpen,
} from './index';

describe('the vocabulary', () => {
  it('holds every id of the trade with a name to show', () => {
    expect(CAUSES.length).toBeGreaterThanOrEqual(53);
    expect(CHECKS.length).toBeGreaterThanOrEqual(66);
    expect(BEHAVIOURS).toHaveLength(20);
    for (const thing of [...CAUSES, ...CHECKS, ...PARTS]) expect(thing.name).not.toBe('');
  });

  it('lets no two checks answer to the same bench-line word', () => {
    const words = CHECKS.flatMap((check) =>
      [check.id.replaceAll('-', ''), ...check.words].map((word) => [word, check.id] as const),
    );
    const owner = new Map<string, string>();
    for (const [word, id] of words) {
      expect(owner.get(word) ?? id, `"${word}"`).toBe(id);
      owner.set(word, id);
    }
  });
});

describe('the knowledge', () => {
  it('names only results that exist, and promises no more than certainty', () => {
    for (const cause of CAUSES) {
      for (const [check, words] of Object.entries(cause.shows)) {
        for (const result of Object.keys(words)) {
          expect(resultOf(check as never, result), `${cause.id}: ${check} ${result}`).toBeDefined();
        }
        const sum = Object.values(words).reduce((s, w) => s + probabilityOf(w), 0);
        expect(sum, `${cause.id}: ${check}`).toBeLessThanOrEqual(1.01);
      }
    }
    for (const check of CHECKS) {
      for (const result of Object.keys(check.healthy))
        expect(resultOf(check.id, result), `${check.id} ${result}`).toBeDefined();
      expect(check.healthy[check.results[0]?.id ?? '']).toBeUndefined();
    }
  });

  it('gives every cause a complaint, a check that shows it, and a remedy', () => {
    for (const cause of CAUSES) {
      expect(Object.keys(cause.complaints).length, cause.id).toBeGreaterThan(0);
      const shown =
        Object.keys(cause.shows).length + CHECKS.filter((c) => c.cures?.includes(cause.id)).length;
      expect(shown, cause.id).toBeGreaterThan(0);
      expect(cause.remedy).not.toBe('');
      expect(cause.minutes).toBeGreaterThan(0);
    }
  });

  it('lets every behaviour be explained by at least one cause, and all but a few by several', () => {
    for (const { id } of BEHAVIOURS) {
      const causes = CAUSES.filter((c) => c.complaints[id]);
      expect(causes.length, id).toBeGreaterThanOrEqual(id === 'wont-stop' ? 1 : 2);
    }
  });

  it('has a decisive check for nearly every cause: one result usual under it and rare on a sound machine', () => {
    const loose = CAUSES.filter(
      (cause) =>
        !CHECKS.some((check) => check.cures?.includes(cause.id)) &&
        !Object.entries(cause.shows).some(([id, words]) => {
          const check = CHECKS.find((c) => c.id === id);
          return Object.entries(words).some(([result, word]) => {
            const sound = check?.healthy[result];
            return (
              probabilityOf(word) >= STRENGTHS.often && (!sound || probabilityOf(sound) <= STRENGTHS.rarely)
            );
          });
        }),
    );
    expect(loose.map((c) => c.id)).toEqual([]);
  });

  it('draws every behaviour left to right inside its frame', () => {
    for (const { id, shape, wanted } of BEHAVIOURS) {
      for (const points of [shape, wanted ?? []]) {
        points.forEach(([t, v], i) => {
          expect(t, id).toBeGreaterThanOrEqual(points[i - 1]?.[0] ?? 0);
          expect(t).toBeLessThanOrEqual(1);
          expect(v).toBeGreaterThanOrEqual(0);
          expect(v).toBeLessThanOrEqual(1);
        });
      }
    }
  });
});

describe('access', () => {
  it('opens what is in front first and counts it once', () => {
    expect(toOpen(['metering-cover', 'pump-cover'], new Set())).toEqual([
      'air-box',
      'carburettor',
      'metering-cover',
      'pump-cover',
    ]);
    expect(openingMinutes(['metering-cover', 'pump-cover'], new Set())).toBe(2 + 6 + 2 + 2);
  });

  it('charges nothing for what is already off', () => {
    expect(openingMinutes(['flywheel'], new Set(['recoil', 'plug']))).toBe(10);
    expect(openingMinutes(['recoil'], new Set(['recoil']))).toBe(0);
  });
});
