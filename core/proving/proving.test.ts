import { describe, expect, it } from 'vitest';
import type { Case } from '../diagnosis/case';
import { CAUSES, type CauseId } from '../knowledge';
import { chanceFrom } from '../chance';
import { samples } from '../testing';
import { drawMachine, drawResult } from './generate';
import { leadOf } from '../diagnosis/hypotheses';
import { posterior } from '../diagnosis/posterior';
import { leadWhenJittered } from './jitter';
import { computedPlan, oneAhead, play, type Played } from './play';

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
  const known = machines(11, samples(5, 8));

  it('meets what is to blame, and claims no more than it finds', () => {
    const played = known.map((m, i): Played => play(m, oneAhead, chanceFrom(500 + i)));
    expect(played.filter((p) => p.finished).length).toBeGreaterThanOrEqual(known.length - 1);
    const claimed = played.reduce((a, p) => a + p.claimed, 0) / known.length;
    const right = played.filter((p) => p.right).length / known.length;
    expect(claimed).toBeGreaterThan(0.6);
    expect(Math.abs(claimed - right)).toBeLessThan(0.2);
  });

  it('works when looking two checks ahead', () => {
    const [machine] = known;
    if (!machine) throw new Error('no machine');
    expect(play(machine, computedPlan, chanceFrom(1)).finished).toBe(true);
  });
});

/** The cause that leads with every number as it is. */
function leadNow(c: Case): CauseId {
  const p = posterior(c);
  return CAUSES[leadOf(p.causes, p.gone)]!.id;
}

describe('with every number of the knowledge off by up to half', () => {
  it('the settled cause still leads in most', () => {
    const settled: Case[] = [];
    machines(12, samples(10, 20)).forEach((m, i) => {
      play(m, oneAhead, chanceFrom(900 + i), { atSettling: (c) => settled.push(c) });
    });
    const kept = settled.filter((c, i) => leadWhenJittered(c, chanceFrom(i), 1.5) === leadNow(c));
    expect(settled.length).toBeGreaterThan(samples(7, 15));
    expect(kept.length / settled.length).toBeGreaterThanOrEqual(0.8);
  });

  it('nothing moves when the factor is one', () => {
    const [m] = machines(13, 1);
    if (!m) throw new Error('no machine');
    let at: Case | null = null;
    play(m, oneAhead, chanceFrom(1), { atSettling: (c) => (at = c) });
    expect(at && leadWhenJittered(at, chanceFrom(2), 1)).toBe(at && leadNow(at));
  });
});
