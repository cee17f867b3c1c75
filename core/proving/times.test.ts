import { expect, it } from 'vitest';
import { chanceFrom } from '../chance';
import { HANDLING_MINUTES } from '../diagnosis';
import { CHECKS } from '../knowledge';
import { learnMinutes } from '../learning';
import { drawTimes } from './times';

it('minutes that are learnt lie within 15 in 100 of the truth for nine checks of ten, with one entry in five noted late', () => {
  const chance = chanceFrom(77);
  const truth = new Map(CHECKS.map(({ id }) => [id, 2 ** (2 * chance() - 1)] as const));
  const { shop } = learnMinutes(drawTimes(chance, truth, { made: 60, late: 0.2 }));
  const within = CHECKS.filter(({ id, minutes, is }) => {
    const handling = HANDLING_MINUTES[is];
    const learnt = (shop[id]?.factor ?? 1) * (minutes + handling);
    return Math.abs(learnt / (minutes * truth.get(id)! + handling) - 1) <= 0.15;
  });
  expect(within.length / CHECKS.length).toBeGreaterThan(0.9);
});
