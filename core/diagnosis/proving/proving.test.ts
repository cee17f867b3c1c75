import { describe, expect, it } from 'vitest';
import { SCHOOLS, type CauseId } from '../knowledge';
import { chanceFrom, drawMachine, drawResult } from './generate';
import { computedPlan, inOrder, play, type Policy } from './play';

const machines = (seed: number, count: number) => {
  const chance = chanceFrom(seed);
  return Array.from({ length: count }, () => drawMachine(chance));
};

describe('drawn machines', () => {
  it('are the same for the same seed, and complain of what is wrong with them', () => {
    expect(machines(3, 20)).toEqual(machines(3, 20));
    expect(machines(3, 20)).not.toEqual(machines(4, 20));
    for (const m of machines(5, 50)) {
      expect(m.faults.length).toBeGreaterThanOrEqual(1);
      expect(m.complaints.length).toBeGreaterThanOrEqual(1);
      for (const fault of m.toBlame) expect(m.faults).toContain(fault);
    }
  });

  it('come in with bad fuel more often than with a sheared key', () => {
    const count = (id: CauseId): number => machines(6, 600).filter((m) => m.faults.includes(id)).length;
    expect(count('stale-fuel')).toBeGreaterThan(3 * count('flywheel-key-sheared'));
  });

  it('answer a check as often as the knowledge says', () => {
    const chance = chanceFrom(8);
    const share = (faults: CauseId[]): number => {
      let leaks = 0;
      for (let n = 0; n < 2000; n++) leaks += +(drawResult(chance, 'line-pressure', faults) === 'leaks');
      return leaks / 2000;
    };
    expect(share(['fuel-line-leak'])).toBeCloseTo(0.93, 1);
    expect(share(['stale-fuel'])).toBeLessThan(0.06);
  });
});

describe('the computed plan', () => {
  const known = machines(11, 24);
  const mean = (policy: Policy): number => {
    const minutes = known.map((m, i) => play(m, policy, chanceFrom(500 + i)).minutes);
    return minutes.reduce((a, b) => a + b, 0) / minutes.length;
  };

  it('meets everything that is to blame on every machine, in at least 30 % fewer minutes than the best fixed order', () => {
    const played = known.map((m, i) => play(m, computedPlan, chanceFrom(500 + i)));
    expect(played.every((p) => p.finished)).toBe(true);
    const computed = played.reduce((a, p) => a + p.minutes, 0) / played.length;
    const fixed = SCHOOLS.map((school) => mean(inOrder(school.order)));
    expect(computed).toBeLessThan(0.7 * Math.min(...fixed));
  });
});
