import { describe, expect, it } from 'vitest';
import {
  behindOf,
  BEHAVIOURS,
  CHAINS,
  CAUSES,
  CHECKS,
  checkOf,
  PARTS,
  probabilityOf,
  putRightBy,
  resultOf,
  seenAs,
  STRENGTHS,
  TASK_IDS,
  toOpen,
} from './index';

describe('the vocabulary', () => {
  it('holds every id of the trade with a name to show', () => {
    expect(CAUSES.length).toBeGreaterThanOrEqual(63);
    expect(CHECKS.length).toBeGreaterThanOrEqual(74);
    expect(BEHAVIOURS).toHaveLength(21);
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
      // A missing spark screen is complained of by nobody: it is found, and named on paper.
      if (cause.id !== 'spark-screen-missing')
        expect(Object.keys(cause.complaints).length, cause.id).toBeGreaterThan(0);
      const shown = Object.keys(cause.shows).length + (cause.putRightBy?.length ?? 0);
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
        !cause.putRightBy?.length &&
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

describe('what is seen', () => {
  it('names results that exist, that the cause shows, and that a sound part does not rest on', () => {
    for (const cause of CAUSES)
      for (const [check, results] of Object.entries(cause.seen ?? {}))
        for (const result of results) {
          expect(resultOf(check as never, result), `${cause.id}: ${check} ${result}`).toBeDefined();
          expect(result, `${cause.id}: ${check}`).not.toBe(checkOf(check as never).results[0]?.id);
          expect(
            Object.keys(cause.shows[check as never] ?? {}),
            `${cause.id} does not show as ${result}`,
          ).toContain(result);
        }
  });

  it('is a look or a measurement, never a symptom', () => {
    for (const cause of CAUSES)
      for (const check of Object.keys(cause.seen ?? {}))
        expect(['look', 'measurement'], `${cause.id}: ${check}`).toContain(checkOf(check as never).is);
  });

  it('leaves no abnormal look at one part that is nobody’s fault, but those that several causes share', () => {
    const shared = CHECKS.filter((c) => c.is === 'look').flatMap((check) =>
      check.results
        .slice(1)
        .filter((r) => !r.neutral && !r.soft && seenAs(check.id, r.id).length !== 1)
        .map((r) => `${check.id} ${r.id}`),
    );
    expect(shared.toSorted()).toEqual([
      'air-filter-look dusty',
      'air-filter-look missing',
      'cylinder-peep coked-crown',
      'fuel-look cloudy-or-debris',
      'fuel-look dark-dyed',
      'limiter-caps missing',
      'muffler-look oily',
      'piston-exhaust-side worn-smooth',
      'plug-look black-dry',
      'plug-look wet-fuel',
      'plug-look white',
      'safety-walkround fault',
      'seal-look oily',
      'spark-screen-look part-coked',
    ]);
  });

  it('knows what each trial puts right, and every trial puts something right', () => {
    for (const check of CHECKS.filter((c) => c.is === 'trial'))
      expect(putRightBy(check.id).length, check.id).toBeGreaterThan(0);
  });
});

describe('chains of damage', () => {
  it('run between causes of the list, none to itself, none twice', () => {
    const pairs = CHAINS.map(({ from, to }) => `${from} ${to}`);
    expect(new Set(pairs).size).toBe(pairs.length);
    for (const { from, to } of CHAINS) expect(from).not.toBe(to);
  });

  it('go round in no circle', () => {
    const leads = (from: string, seen: readonly string[]): string[] =>
      CHAINS.filter((c) => c.from === from).flatMap((c) =>
        seen.includes(c.to) ? [c.to] : leads(c.to, [...seen, c.to]),
      );
    for (const { id } of CAUSES) expect(leads(id, [id]), id).not.toContain(id);
  });

  it('ask after what the trade asks after', () => {
    expect(behindOf('piston-heat-scored')).toEqual(
      expect.arrayContaining([
        'intake-leak',
        'crank-seal-leak',
        'base-gasket-leak',
        'high-screw-lean',
        'no-oil-in-fuel',
        'cooling-fins-blocked',
      ]),
    );
    expect(behindOf('piston-dirt-worn')).toEqual(
      expect.arrayContaining(['air-filter-clogged', 'intake-leak', 'fuel-filter-off']),
    );
    expect(behindOf('spark-screen-clogged')).toEqual(['oil-heavy-mix']);
    expect(behindOf('engine-flooded')).toEqual(
      expect.arrayContaining([
        'needle-not-sealing',
        'metering-lever-high',
        'choke-stuck',
        'starting-drill-wrong',
      ]),
    );
    expect(behindOf('tank-vent-blocked')).toEqual([]);
  });
});

describe('what has minutes', () => {
  it('has no id that two things share', () => {
    expect(new Set(TASK_IDS).size).toBe(TASK_IDS.length);
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
  });
});
