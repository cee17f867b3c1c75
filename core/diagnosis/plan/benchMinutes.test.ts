import { describe, expect, it } from 'vitest';
import { CAUSE_INDEX, causeOf, checkOf, PART_IDS, partOf, type PartId } from '../../knowledge';
import { CLOSING_SHARE } from '../parameters';
import { benchMinutes, minutesAt, minutesToClose, minutesToOpen, PART_BIT, TRADE } from './benchMinutes';
import { costOf, minutesIn } from './possible';

const none: ReadonlySet<PartId> = new Set();

describe('minutes at a bench', () => {
  it('are the trade’s where nothing was learnt', () => {
    expect(minutesAt({})).toBe(TRADE);
    expect(TRADE.own(checkOf('plug-look'))).toBe(checkOf('plug-look').minutes);
    expect(TRADE.off('muffler')).toBe(partOf('muffler').minutes);
  });

  it('of an opening count what is in front and nothing that is off', () => {
    expect(minutesToOpen(['metering-cover', 'pump-cover'], none)).toBe(2 + 6 + 2 + 2);
    expect(minutesToOpen(['flywheel'], new Set(['recoil', 'plug']))).toBe(10);
    expect(minutesToOpen(['recoil'], new Set(['recoil']))).toBe(0);
    const slow = benchMinutes({ carburettor: 1.5 });
    expect(minutesToOpen(['metering-cover', 'pump-cover'], none, slow)).toBe(2 + 9 + 2 + 2);
    expect(minutesToClose(['carburettor'], slow)).toBeCloseTo(9 * CLOSING_SHARE, 9);
  });

  it('of every set of parts are those of its parts, to open and to close', () => {
    const at = benchMinutes({ muffler: 2, recoil: 0.5 });
    for (let n = 0; n < 200; n++) {
      const mask = (n * 7919) % at.opening.length;
      const parts = PART_IDS.filter((id) => mask & PART_BIT.get(id)!);
      const whole = parts.reduce((sum, id) => sum + (1 + CLOSING_SHARE) * at.off(id), 0);
      expect(at.opening[mask]).toBeCloseTo(whole, 9);
    }
  });

  it('of a check are longer with its handling, and never nothing', () => {
    const cost = (factor: number): number =>
      costOf(checkOf('fuel-smell'), none, benchMinutes({ 'fuel-smell': factor }));
    expect(cost(2)).toBeCloseTo(2 * costOf(checkOf('fuel-smell'), none), 9);
    expect(benchMinutes({ 'fuel-smell': 0.1 }).own(checkOf('fuel-smell'))).toBeGreaterThan(0);
  });

  it('of a repair in vain are longer by what it takes longer itself', () => {
    const i = CAUSE_INDEX.get('coil-failed')!;
    const { minutes } = causeOf('coil-failed');
    expect(benchMinutes({ 'coil-failed': 3 }).needless[i]! - TRADE.needless[i]!).toBeCloseTo(2 * minutes, 9);
  });

  it('of a check on a case take along its opening, as the machine stands and the bench works', () => {
    const look = checkOf('spark-screen-look');
    expect(minutesIn({ off: [] })(look)).toBe(look.minutes + partOf('muffler-cover').minutes);
    expect(minutesIn({ off: ['muffler-cover'] })(look)).toBe(look.minutes);
    expect(minutesIn({ off: [], pace: { 'muffler-cover': 2 } })(look)).toBe(
      look.minutes + 2 * partOf('muffler-cover').minutes,
    );
  });
});
