import { describe, expect, it } from 'vitest';
import {
  dueAt,
  hiddenOf,
  remember,
  reviewOf,
  workBy,
  workedBy,
  type Hidden,
  type Move,
  type Review,
} from './index';

const reviewed = (hidden: Hidden, moves: readonly Move[]): Review => {
  const walk = reviewOf(hidden, workedBy(hidden, moves));
  let last = 0;
  for (;;) {
    const step = walk.next();
    if (step.done) return step.value;
    expect(step.value).toBeGreaterThan(last);
    expect(step.value).toBeLessThanOrEqual(1);
    last = step.value;
  }
};
const movesBy = (hidden: Hidden): Move[] => workBy('plan', hidden).steps.map((s) => s.move);

const CLOGGED = hiddenOf({ theme: 'spark-screen-clogged', level: 1, group: 'saw', number: 6 });

describe('the teacher', () => {
  const plan = movesBy(CLOGGED);
  const asPlanned = reviewed(CLOGGED, plan);

  it('finds nothing to say of the plan’s own path', () => {
    expect(asPlanned.grade).toBe('easy');
    expect(asPlanned.minutes).toBeCloseTo(asPlanned.ways[0]!.minutes, 9);
    expect(asPlanned.tooSoon).toEqual([]);
    for (const { move, plan: instead } of asPlanned.steps)
      if (move.do === 'look' && move.check !== 'safety-walkround')
        expect(instead).toEqual({ check: move.check });
  });

  it('holds it beside every school', () => {
    expect(asPlanned.ways.map((w) => w.way)).toEqual(['plan', 'fuel-first', 'spark-first', 'squeeze-first']);
    expect(asPlanned.ways.every((w) => w.cured && w.minutes > 0)).toBe(true);
  });

  it('says when what was known sufficed', () => {
    expect(asPlanned.sufficed?.cause).toBe('spark-screen-clogged');
    expect(asPlanned.sufficed!.probability).toBeGreaterThanOrEqual(0.9);
  });

  it('says what was believed too soon, and what spoke against it', () => {
    const look: Move = { do: 'look', check: 'coil-gap' };
    const note: Move = { do: 'note', check: 'coil-gap', noted: { result: 'in-band', sureness: 'sure' } };
    const guess: Move = { do: 'mend', cause: 'coil-gap-wide' };
    const { tooSoon, grade, minutes, ways, skipped } = reviewed(CLOGGED, [look, note, guess, ...plan]);
    expect(tooSoon).toMatchObject([{ step: 2, cause: 'coil-gap-wide' }]);
    expect(tooSoon[0]!.probability).toBeLessThan(0.1);
    expect(tooSoon[0]!.against[0]).toMatchObject({ ref: '1' });
    expect(grade).toBe('hard');
    expect(minutes).toBeGreaterThan(ways[0]!.minutes);
    expect(skipped).not.toContain('coil-gap');
  });

  it('says what was noted and did not show', () => {
    const result = workedBy(CLOGGED, [{ do: 'look', check: 'fuel-smell' }]).inHand?.result;
    const noted = { result: result === 'fresh' ? 'stale' : 'fresh', sureness: 'sure' } as const;
    const { steps } = reviewed(CLOGGED, [
      { do: 'look', check: 'fuel-smell' },
      { do: 'note', check: 'fuel-smell', noted },
      { do: 'hand-back' },
    ]);
    expect(steps.map((s) => s.misread)).toEqual([false, true, false]);
  });

  it('names the cheap checks that were never made', () => {
    const { skipped, grade } = reviewed(CLOGGED, [
      { do: 'look', check: 'exhaust-port-look' },
      { do: 'hand-back' },
    ]);
    expect(skipped.length).toBeGreaterThan(0);
    expect(grade).toBe('again');
  });

  it('says what comes back: the cause behind a damage left in', () => {
    for (let number = 1; ; number++) {
      const hidden = hiddenOf({ theme: 'trap', level: 4, group: 'saw', number });
      if (hidden.trap?.id !== 'scored-why') continue;
      const moves: Move[] = [{ do: 'mend', cause: 'piston-heat-scored' }, { do: 'hand-back' }];
      expect(reviewed(hidden, moves).comesBack).toEqual(['intake-leak']);
      break;
    }
  });
});

describe('what is met again', () => {
  const DAY = 86_400_000;
  const NOW = Date.parse('2026-11-27T09:00:00Z');
  const days = (grade: 'again' | 'hard' | 'good' | 'easy'): number =>
    (remember({}, ['coil-failed'], grade, NOW)['coil-failed']!.due - NOW) / DAY;

  it('comes sooner the worse it went, and never the same day', () => {
    expect(days('again')).toBeGreaterThanOrEqual(1);
    expect(days('again')).toBeLessThanOrEqual(days('hard'));
    expect(days('hard')).toBeLessThan(days('good'));
    expect(days('good')).toBeLessThan(days('easy'));
  });

  it('is due from its day on, longest due first', () => {
    const first = remember({}, ['coil-failed'], 'again', NOW - 5 * DAY);
    const both = remember(first, ['stale-fuel'], 'again', NOW - 2 * DAY);
    expect(dueAt(both, NOW)).toEqual(['coil-failed', 'stale-fuel']);
    expect(dueAt(both, NOW - 5 * DAY)).toEqual([]);
    expect(dueAt(remember(both, ['coil-failed'], 'easy', NOW), NOW)).toEqual(['stale-fuel']);
  });

  it('moves further away each time it goes well', () => {
    let memories = {};
    let at = NOW;
    const gaps = Array.from({ length: 4 }, () => {
      memories = remember(memories, ['coil-failed'], 'good', at);
      const { due } = (memories as { 'coil-failed': { due: number } })['coil-failed'];
      const gap = due - at;
      at = due;
      return gap;
    });
    expect(gaps).toEqual(gaps.toSorted((x, y) => x - y));
  });
});
