import { describe, expect, it } from 'vitest';
import { checkOf, type CheckId } from '../knowledge';
import { heardOf, type Shows } from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const shown = (check: CheckId, result: string, more: Partial<Shows> = {}): Shows => ({
  check,
  result,
  words: null,
  reading: null,
  ...more,
});
const speeds = (result: string): number[] => heardOf(shown('start-trial', result), SAW)!.map((p) => p.rpm);
const last = (rpm: readonly number[]): number => rpm.at(-1)!;

describe('what is heard of a start', () => {
  it('runs on where it runs, and has stopped where it does not', () => {
    for (const { id } of checkOf('start-trial').results)
      expect([id, last(speeds(id)) > 1500]).toEqual([id, id.startsWith('runs')]);
  });

  it('catches before it dies, pops without catching, and is only the cord where there is nothing', () => {
    expect(Math.max(...speeds('starts-and-dies'))).toBeGreaterThan(2500);
    expect(Math.max(...speeds('pops'))).toBeLessThan(2000);
    expect(Math.max(...speeds('pops'))).toBeGreaterThan(1200);
    expect(Math.max(...speeds('nothing'))).toBeLessThan(1000);
    expect(Math.max(...speeds('runs-well'))).toBeGreaterThan(Math.max(...speeds('runs-badly')));
  });

  it('goes on in time', () => {
    const track = heardOf(shown('start-trial', 'runs-badly'), SAW)!;
    track.slice(1).forEach((p, n) => expect(p.t).toBeGreaterThan(track[n]!.t));
  });
});

describe('what is heard of a running engine', () => {
  it('turns at what the tachometer reads', () => {
    const reading = { rpm: [2300, 3100, 2400] };
    const heard = heardOf(shown('idle-speed', 'wandering', { reading }), SAW)!.map((p) => Math.round(p.rpm));
    for (const rpm of reading.rpm) expect(heard).toContain(rpm);
    expect(last(heard)).toBe(2400);
  });

  it('is nothing at a check that hears none', () => {
    expect(heardOf(shown('plug-look', 'white'), SAW)).toBeNull();
    expect(heardOf(shown('start-trial', 'pops', { result: null }), SAW)).toBeNull();
  });
});
