import { describe, expect, it } from 'vitest';
import { chanceFrom, type Chance } from '../chance';
import {
  costOf,
  goThrough,
  planBy,
  planned,
  promisesOf,
  ready,
  RULE_IDS,
  type DrawMinutes,
} from '../schedule';
import { drawWeek } from './weeks';

/** Minutes as they really come out: a gamma law (Marsaglia and Tsang 2000), not the one the plan reckons with. */
function gammaMinutes(chance: Chance): DrawMinutes {
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
  const gamma = (shape: number): number => {
    if (shape < 1) return gamma(shape + 1) * chance() ** (1 / shape);
    const d = shape - 1 / 3;
    for (;;) {
      const x = normal();
      const v = (1 + x / Math.sqrt(9 * d)) ** 3;
      if (v > 0 && Math.log(1 - chance()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
    }
  };
  return ({ minutes, spread }) => {
    if (minutes <= 0 || spread <= 0) return minutes;
    const shape = (minutes / spread) ** 2;
    return (gamma(shape) * minutes) / shape;
  };
}

/** Weeks that are drawn here; the bench draws 500. */
const WEEKS = 24;

describe('drawn weeks', () => {
  it('are late at most half as much as by the best simple rule', () => {
    let late = 0;
    const simple = new Map(RULE_IDS.map((id) => [id, 0]));
    for (let w = 0; w < WEEKS; w++) {
      const work = drawWeek(chanceFrom(w), { jobs: 12, crew: 1 });
      const r = ready(work);
      for (const rule of RULE_IDS) simple.set(rule, simple.get(rule)! + costOf(r, planBy(rule, r)).late);
      late += planned(work, { tries: 1500 }).cost.late;
    }
    expect(late).toBeLessThanOrEqual(0.5 * Math.min(...simple.values()));
  });

  it('keep the promises that were said to hold about as often as it was said, with minutes of another law', () => {
    const said = new Map<number, { n: number; chance: number; kept: number }>();
    for (let w = 0; w < WEEKS; w++) {
      const drawn = drawWeek(chanceFrom(500 + w), { jobs: 14, crew: 2 });
      const { slots } = planned(drawn, { tries: 300 });
      // Promised for about when it will be done: neither safe nor lost.
      const about = chanceFrom(700 + w);
      const work = {
        ...drawn,
        jobs: drawn.jobs.map((j) => {
          const done = Math.max(...slots.filter((s) => s.task.startsWith(`${j.id} `)).map((s) => s.end));
          return { ...j, due: done + 120 * about() - 20 };
        }),
      };
      const promises = promisesOf(work, slots, { runs: 300 });
      const chance = chanceFrom(9000 + w);
      for (let n = 0; n < 12; n++) {
        const ends = goThrough(work, slots, gammaMinutes(chance));
        for (const { job, chance: p } of promises) {
          if (p === null || p < 0.5 || p > 0.97) continue;
          const { due } = work.jobs.find((j) => j.id === job)!;
          const done = Math.max(...work.tasks.filter((t) => t.job === job).map((t) => ends.get(t.id)!));
          const group = said.get(p < 0.8 ? 0.5 : 0.8) ?? { n: 0, chance: 0, kept: 0 };
          said.set(p < 0.8 ? 0.5 : 0.8, {
            n: group.n + 1,
            chance: group.chance + p,
            kept: group.kept + (done <= due! ? 1 : 0),
          });
        }
      }
    }
    for (const { n, chance, kept } of said.values()) {
      expect(n).toBeGreaterThan(100);
      expect(Math.abs(kept / n - chance / n)).toBeLessThan(0.05);
    }
  });
});
