import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSE_IDS, CAUSES, causeOf } from '../knowledge';
import { chanceFrom } from '../chance';
import { codeOf, GROUPS, isAbout, kindsOf, LEVELS, MOST_NUMBER, readCode, THEMES } from './exercise';
import { isTold } from './hidden';
import { drawExercise, hiddenOf, TRAPS, trapOf, trapOfWeek, weekOf, type Exercise } from './index';

const exercises = fc.record({
  theme: fc.constantFrom(...THEMES, ...CAUSE_IDS),
  level: fc.constantFrom(...LEVELS),
  group: fc.constantFrom(...GROUPS),
  number: fc.integer({ min: 1, max: MOST_NUMBER }),
});

const hidden = (theme: Exercise['theme'], level: Exercise['level'], number: number) =>
  hiddenOf({ theme, level, group: 'any', number });

describe('the code of an exercise', () => {
  it('is read back as the exercise it was', () => {
    fc.assert(
      fc.property(exercises, (exercise) => {
        expect(readCode(codeOf(exercise))).toEqual({ exercise });
        expect(readCode(` ${codeOf(exercise).toUpperCase()} `)).toEqual({ exercise });
      }),
    );
  });

  it('gives away nothing of a cause that is met again', () => {
    const codes = CAUSE_IDS.map((theme) => codeOf({ theme, level: 2, group: 'any', number: 1 }));
    expect(new Set(codes).size).toBe(CAUSE_IDS.length);
    for (const code of codes) expect(code).toMatch(/^again[a-z0-9]+-2-any-1$/);
  });

  it.each([
    ['coil-failed-2-saw-1', 'no theme'],
    ['', 'no theme'],
    ['wood-1-saw-1', 'no theme'],
    ['2-saw-1', 'no theme'],
    ['fuel', 'no theme'],
    ['fuel-5-saw-1', 'no level'],
    ['fuel-1-boat-1', 'names no group'],
    ['fuel-1-saw-0', 'number from 1'],
    ['fuel-1-saw-1000000', 'number from 1'],
    ['fuel-1-saw-1x', 'number from 1'],
  ])('%s is refused with its reason', (code, reason) => {
    const read = readCode(code);
    expect('refused' in read && read.refused).toContain(reason);
  });
});

describe('a hidden machine', () => {
  it('is the same for the same exercise, and another for another number', () => {
    expect(hidden('any', 4, 12)).toEqual(hidden('any', 4, 12));
    const some = Array.from({ length: 12 }, (_, n) => hidden('any', 4, n + 1).faults.join());
    expect(new Set(some).size).toBeGreaterThan(6);
  });

  it.each(['fuel', 'carburettor', 'spark', 'squeeze'] as const)('of the theme %s has it in it', (theme) => {
    for (let n = 1; n <= 20; n++)
      expect(hidden(theme, 4, n).toBlame.some((cause) => isAbout({ theme }, cause))).toBe(true);
  });

  it('is as hard as its level', () => {
    for (let n = 1; n <= 25; n++) {
      const [one, two, three] = [hidden('any', 1, n), hidden('any', 2, n), hidden('any', 3, n)];
      expect(one.faults).toHaveLength(1);
      expect(one.safety).toBeNull();
      expect(two.faults.length).toBeLessThanOrEqual(3);
      expect(three.toBlame.length).toBeGreaterThanOrEqual(2);
    }
  });

  it('is of the group asked for, of a size its kind comes in', () => {
    for (const group of ['saw', 'trimmer', 'blower'] as const)
      for (let n = 1; n <= 10; n++) {
        const { machine } = hiddenOf({ theme: 'any', level: 2, group, number: n });
        expect(kindsOf(group)).toContain(machine.kind);
        expect(machine.displacementCc).toBeLessThanOrEqual(80);
      }
    for (let n = 1; n <= 40; n++) {
      const { machine } = hidden('any', 4, n);
      if (machine.kind === 'hedge-trimmer') expect(machine.displacementCc).toBeLessThanOrEqual(28);
    }
  });

  it('can be had for every cause that anybody complains of', () => {
    for (const { id, complaints } of CAUSES)
      if (Object.keys(complaints).length > 0) expect(hidden(id, 2, 5).toBlame).toContain(id);
  }, 60_000);

  it('is told of as one owner would: what will not fire has no idle', () => {
    expect(isTold(['no-fire', 'flooded'])).toBe(true);
    expect(isTold(['no-fire', 'dies-at-idle'])).toBe(false);
    expect(isTold(['no-fire', 'pops-only'])).toBe(false);
    expect(isTold(['dies-at-idle', 'heavy-smoke', 'hard-to-start'])).toBe(true);
    expect(isTold(['dies-at-idle', 'heavy-smoke', 'hard-to-start', 'leaks-fuel'])).toBe(false);
    for (let n = 1; n <= 60; n++) expect(isTold(hidden('any', 4, n).complaints)).toBe(true);
  });

  it('tells in its owner’s words all that is complained of', () => {
    const machine = hidden('any', 3, 8);
    expect(machine.says).toHaveLength(machine.complaints.length);
    for (const complaint of machine.complaints)
      expect(machine.from.get(complaint)?.length).toBeGreaterThan(0);
  });
});

describe('traps', () => {
  it('come round in turn, and only on machines that can have what is wrong', () => {
    const met = new Set(TRAPS.map((_, n) => trapOf(n + 1).id));
    expect(met.size).toBe(TRAPS.length);
    for (let n = 1; n <= 30; n++) {
      const { trap, faults, machine } = hidden('trap', 4, n);
      expect(trap).toBe(trapOf(n));
      for (const cause of faults) expect(causeOf(cause).kinds?.[machine.kind]).not.toBe(0);
    }
  });

  it('change on Monday', () => {
    const at = (day: string): number => weekOf(Date.parse(`${day}T12:00:00Z`));
    expect(at('2026-11-22')).toBe(at('2026-11-16'));
    expect(at('2026-11-23')).toBe(at('2026-11-22') + 1);
    const [sunday, monday] = ['2026-11-22', '2026-11-23'].map((d) =>
      trapOfWeek(Date.parse(`${d}T12:00:00Z`)),
    );
    expect(hiddenOf(sunday!).trap).not.toBe(hiddenOf(monday!).trap);
  });
});

describe('an exercise drawn for a shop', () => {
  it('is oftener about what comes in oftener there', () => {
    const count = (commonness: Partial<Record<'tank-vent-blocked', number>>): number => {
      const chance = chanceFrom(3);
      const drawn = Array.from({ length: 60 }, () =>
        drawExercise(chance, { theme: 'fuel', level: 2, group: 'any' }, commonness),
      );
      return drawn.filter((e) => hiddenOf(e).toBlame.includes('tank-vent-blocked')).length;
    };
    expect(count({ 'tank-vent-blocked': 6 })).toBeGreaterThan(2 * Math.max(1, count({})));
  });

  it('is repeated by its number alone', () => {
    const exercise = drawExercise(
      chanceFrom(9),
      { theme: 'any', level: 4, group: 'saw' },
      { 'stale-fuel': 4 },
    );
    const read = readCode(codeOf(exercise));
    expect('exercise' in read && hiddenOf(read.exercise)).toEqual(hiddenOf(exercise));
  });
});
