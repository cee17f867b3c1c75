import { expect, it } from 'vitest';
import { chanceFrom } from '../chance';
import { learnMinutes } from '../learning';
import { drawTimes, TIMED } from './times';

it('minutes that are learnt lie within 15 in 100 of the truth for nine things of ten, with one entry in five noted late', () => {
  const chance = chanceFrom(77);
  const truth = new Map(TIMED.map((task) => [task, 2 ** (2 * chance() - 1)] as const));
  const { shop } = learnMinutes(drawTimes(chance, truth, { jobs: 60, late: 0.2 }));
  const within = TIMED.filter((task) => Math.abs((shop[task]?.factor ?? 1) / truth.get(task)! - 1) <= 0.15);
  expect(within.length / TIMED.length).toBeGreaterThan(0.9);
});
