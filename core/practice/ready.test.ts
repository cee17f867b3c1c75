import { describe, expect, it } from 'vitest';
import { CAUTIONS, CHECKS, checkOf, type CheckId } from '../knowledge';
import { judgeReading } from '../reading';
import {
  hiddenOf,
  misledBy,
  READY_IDS,
  readyFor,
  workedBy,
  type Exercise,
  type Hidden,
  type Move,
  type ReadyId,
} from './index';

const of = (theme: Exercise['theme'], number: number, level: Exercise['level'] = 1): Hidden =>
  hiddenOf({ theme, level, group: 'saw', number });
const look = (check: CheckId, ...ready: ReadyId[]): Move => ({ do: 'look', check, ready });
const least = (check: CheckId, but: ReadyId): ReadyId[] =>
  readyFor(check).flatMap(({ id }) => (id === but ? [] : [id]));
const most = (hidden: Hidden, ...moves: Move[]): number =>
  Math.max(...(workedBy(hidden, moves).inHand?.reading?.psi ?? [0]));
const numbers = Array.from({ length: 20 }, (_, n) => n + 1);

describe('what is made ready before a check', () => {
  it('is what the caution at its step says', () => {
    for (const { id, caution } of CHECKS) {
      const ready = readyFor(id).map((r) => r.id);
      expect([id, ready.includes('fuel-away')]).toEqual([id, caution === CAUTIONS.spark]);
      expect([id, ready.includes('past-port')]).toEqual([id, caution === CAUTIONS.stop]);
      if (ready.includes('lead-earthed')) expect([id, caution]).toEqual([id, CAUTIONS.lead]);
    }
    expect(readyFor('compression-gauge').map((r) => r.id)).toEqual(['lead-earthed', 'throttle-open']);
    expect(readyFor('fuel-smell')).toEqual([]);
  });

  it.each([
    ['compression-gauge', 'lead-earthed', 'caught fire'],
    ['compression-wet', 'lead-earthed', 'caught fire'],
    ['decompressor-bubbles', 'lead-earthed', 'caught fire'],
    ['clear-flood-trial', 'lead-earthed', 'caught fire'],
    ['spark-tester', 'fuel-away', 'caught fire'],
    ['spark-stop-wire-off', 'fuel-away', 'caught fire'],
    ['flywheel-key', 'past-port', 'piston broke'],
  ] as const)('%s without “%s” ends the exercise with the reason', (check, but, reason) => {
    const hidden = of('fuel-filter-clogged', 3);
    const { ended, inHand } = workedBy(hidden, [look(check, ...least(check, but))]);
    expect(ended).toMatchObject({ why: 'hazard' });
    expect(ended?.why === 'hazard' && ended.says).toContain(reason);
    expect(inHand).toBeNull();
    const made = workedBy(hidden, [look(check, ...readyFor(check).map((r) => r.id))]);
    expect(made.ended).toBeNull();
    expect(made.steps[0]?.missed).toBeUndefined();
  });

  it('is all made where a move says nothing of it: an older file is gone through as it was', () => {
    for (const number of numbers) {
      const hidden = of('any', number, 4);
      const shown = (move: Move) => workedBy(hidden, [move]).inHand;
      for (const { id: check } of CHECKS)
        expect(shown({ do: 'look', check })).toEqual(shown({ do: 'look', check, ready: READY_IDS }));
    }
  });
});

describe('a gauge with the throttle shut', () => {
  const shut = look('compression-gauge', 'lead-earthed');
  const open = look('compression-gauge', 'lead-earthed', 'throttle-open');

  it('reads a quarter less, and is judged by what it reads; opened it reads what is there', () => {
    let [read, fooled] = [0, 0];
    for (const number of numbers) {
      const hidden = of('spark', number);
      expect(Math.abs(most(hidden, shut) - 0.75 * most(hidden, open))).toBeLessThanOrEqual(1);
      const { inHand, steps } = workedBy(hidden, [shut]);
      // One whose starter jams is pulled by nobody.
      if (!inHand) continue;
      read++;
      expect(judgeReading('compression-gauge', inHand.reading!, hidden.machine)).toMatchObject({
        result: inHand.result,
      });
      expect(misledBy(steps[0]!.missed!)).toContain('throttle shut');
      if (inHand.result !== workedBy(hidden, [open]).inHand!.result) fooled++;
      const again = workedBy(hidden, [shut, open]).inHand;
      expect(again!.result).toBe(workedBy(hidden, [open]).inHand!.result);
    }
    expect(read).toBeGreaterThan(numbers.length - 5);
    expect(fooled).toBeGreaterThan(numbers.length / 2);
  });

  it('makes oil seem to raise what was never low: the gauge is compared with what it last read', () => {
    const hidden = of('coil-failed', 2);
    const wet = look('compression-wet', 'lead-earthed', 'throttle-open');
    const results = (...moves: Move[]) => workedBy(hidden, moves).inHand;
    expect(results(open, wet)!.result).toBe('unchanged');
    const fooled = results(shut, wet)!;
    expect(fooled.result).toBe('rises');
    expect(fooled.reading!.dryPsi).toBeCloseTo(most(hidden, shut), -1);
  });
});

describe('a spark in bright light', () => {
  it('is not seen where it is faint, and is where it is strong', () => {
    const seen = { faint: 0, strong: 0 };
    for (const number of numbers)
      for (const theme of ['magnets-weak', 'fuel-filter-clogged'] as const) {
        const hidden = of(theme, number);
        const dim = workedBy(hidden, [look('spark-tester', 'fuel-away', 'room-dim')]).inHand!.result;
        const bright = workedBy(hidden, [look('spark-tester', 'fuel-away')]).inHand!;
        expect(bright.result).toBe(dim === 'weak' ? 'none' : dim);
        if (dim === 'weak') seen.faint++;
        if (dim === 'strong') seen.strong++;
        if (dim === 'weak') expect(bright.words).toContain('nothing');
      }
    expect(Math.min(seen.faint, seen.strong)).toBeGreaterThan(0);
  });

  it('takes in whoever looks at the trap in daylight, however often, and nobody in the dark', () => {
    let hidden = of('trap', 1, 4);
    for (let n = 2; hidden.trap?.id !== 'daylight'; n++) hidden = of('trap', n, 4);
    expect(hidden.trap.seenWith).toBe('room-dim');
    const results = (...moves: Move[]) => workedBy(hidden, moves).steps.map((s) => s.shows?.result);
    const [bright, dim] = [look('spark-tester', 'fuel-away'), look('spark-tester', 'fuel-away', 'room-dim')];
    expect(results(bright, bright, bright)).toEqual(['none', 'none', 'none']);
    expect(results(dim)).toEqual(['strong']);
    expect(results(bright, dim)).toEqual(['none', 'strong']);
    expect(checkOf('spark-tester').how).toContain('room dim');
  });
});
