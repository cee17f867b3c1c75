import { describe, expect, it } from 'vitest';
import type { Case } from '../case';
import { SCHOOLS } from '../../knowledge';
import { samples } from '../../testing';
import { posterior } from '../posterior';
import { forecast, type Forecast, type Way } from './forecast';

const FADES: Case = {
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence: [{ ref: 'c', kind: 'complaint', complaint: 'fades-under-way' }],
  off: [],
};

function toTheEnd(c: Case, way: Way, plays: number, seed = 7): { last: Forecast; reports: Forecast[] } {
  const steps = forecast(c, posterior(c), way, { plays, seed });
  const reports: Forecast[] = [];
  for (;;) {
    const step = steps.next();
    if (step.done) return { last: step.value, reports };
    reports.push(step.value);
  }
}

describe('the minutes from here to the right repair', () => {
  it('are at least 30 % fewer by the computed plan than by the best school, over the commonest complaints', () => {
    const complaints = [
      'fades-under-way',
      'no-fire',
      'hard-to-start',
      'dies-at-idle',
      'wont-reach-speed',
    ] as const;
    const minutes = (way: Way): number =>
      complaints.reduce((sum, complaint) => {
        const c: Case = { ...FADES, evidence: [{ ref: 'c', kind: 'complaint', complaint }] };
        return sum + toTheEnd(c, way, samples(20, 60)).last.mean;
      }, 0);
    expect(minutes('computed')).toBeLessThan(0.7 * Math.min(...SCHOOLS.map((s) => minutes(s.order))));
  });

  it('are the same for the same seed, and told as they are played', () => {
    const once = toTheEnd(FADES, 'computed', 20);
    expect(toTheEnd(FADES, 'computed', 20)).toEqual(once);
    expect(once.last.plays).toBe(20);
    expect(once.reports.map((r) => r.plays)).toEqual([5, 10, 15]);
  });

  it('are none to speak of when the fault is known', () => {
    const known: Case = {
      ...FADES,
      evidence: [
        ...FADES.evidence,
        { ref: '1', kind: 'finding', check: 'tank-vent', result: 'blocked', sureness: 'sure' },
        { ref: '2', kind: 'finding', check: 'cap-cracked-trial', result: 'recovers', sureness: 'sure' },
      ],
    };
    expect(toTheEnd(known, 'computed', 40).last.mean).toBeLessThan(
      toTheEnd(FADES, 'computed', 40).last.mean / 2,
    );
  });

  it('follow an order: a shop that looks at the vent first finds a blocked vent sooner', () => {
    const vent: Case = {
      ...FADES,
      evidence: [
        ...FADES.evidence,
        { ref: '2', kind: 'finding', check: 'cap-cracked-trial', result: 'recovers', sureness: 'doubtful' },
      ],
    };
    const ventFirst = toTheEnd(vent, ['tank-vent'], 400).last.mean;
    const last = toTheEnd(vent, ['compression-gauge', 'spark-tester', 'tank-vent'], 400).last.mean;
    expect(ventFirst).toBeLessThan(last - 2);
  });
});
