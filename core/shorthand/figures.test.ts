import { describe, expect, it } from 'vitest';
import { judgeReading, type Reading } from '../reading';
import { CHECKS, checkOf, type CheckId } from '../knowledge';
import { readShorthand } from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const reading = (line: string): Reading | null => {
  const read = readShorthand(line);
  if (!read.ok) return null;
  const [entry] = read.entries;
  return entry?.kind === 'finding' ? (entry.body.reading ?? null) : null;
};

/** One figure as people write it: with a point, a comma, thousands parted, a unit, a fraction. */
const forms = (n: number, unit: string): string[] => {
  const comma = String(n).replace('.', ',');
  const parted =
    n >= 1000
      ? [
          `${Math.floor(n / 1000)},${String(n % 1000).padStart(3, '0')}`,
          `${Math.floor(n / 1000)} ${String(n % 1000).padStart(3, '0')}`,
        ]
      : [];
  return [String(n), comma, `${comma} ${unit}`, `${n}${unit}`, ...parted];
};

const FIGURES: readonly (readonly [CheckId, keyof Reading, readonly number[], string])[] = [
  ['idle-speed', 'rpm', [2750, 2800], 'rpm'],
  ['full-speed', 'rpm', [12_400, 9000], 'rpm'],
  ['compression-gauge', 'psi', [62.5, 117, 145], 'psi'],
  ['coil-gap', 'mm', [0.3, 0.45], 'mm'],
  ['plug-gap', 'mm', [0.6, 0.55], 'mm'],
  ['metering-lever', 'mm', [0.4, 0.1], 'mm'],
];

describe('a figure on the bench line, however it is written', () => {
  it.each(FIGURES)('%s: is what was meant, or is asked about', (check, field, values, unit) => {
    let told = 0;
    for (const value of values)
      for (const text of forms(value, unit)) {
        const read = reading(`${check} ${text}`);
        if (!read) continue;
        told++;
        expect(read[field], text).toEqual([value]);
      }
    // A gap inside a speed may be two figures: everything else is told.
    expect(told).toBeGreaterThanOrEqual(values.length * 4);
  });

  it('what cost a shop its trust: 0,4 is four tenths, and 62,5 98,5 117 are three pulls', () => {
    expect(reading('lever 0,4')).toEqual({ mm: [0.4] });
    expect(judgeReading('metering-lever', { mm: [0.4] }, SAW)).toMatchObject({ result: 'high' });
    expect(reading('comp 62,5 98,5 117')).toMatchObject({ psi: [62.5, 98.5, 117] });
    expect(reading('plug gap 0,6')).toEqual({ mm: [0.6] });
    expect(reading('L 1,5 H 1½')).toEqual({ turns: { L: 1.5, H: 1.5 } });
    expect(reading('gap top 0,30 bottom 0,45')).toEqual({ mm: [0.3, 0.45] });
  });

  it('keeps the unit the instrument showed', () => {
    expect(reading('comp 8,5 bar')).toMatchObject({ in: 'bar', psi: [123.3] });
    expect(reading('gap 12 thou')).toMatchObject({ in: 'thou', mm: [0.305] });
  });

  it.each([
    'idle 1e3',
    'idle 0x400',
    'comp abc',
    'gap Infinity',
    'lever --1',
    'plug gap 0,6,7',
    'comp 120,130',
  ])('%s is no figure, and nothing is logged', (line) => {
    expect(readShorthand(line).ok).toBe(false);
  });

  it.each([
    ['comp 300', 'compression-gauge'],
    ['comp 8', 'compression-gauge'],
    ['idle 12400', 'idle-speed'],
    ['full 1240', 'full-speed'],
    ['gap 2.5', 'coil-gap'],
    ['plug gap 2', 'plug-gap'],
    ['lever 3', 'metering-lever'],
    ['L 6', 'screw-turns'],
  ] as const)(
    '%s is asked about in the same words everywhere, and counts once somebody stands by it',
    (line, check) => {
      const read = readShorthand(line);
      expect(read.ok).toBe(false);
      const [choice] = (!read.ok && read.choices) || [];
      expect(choice?.label).toBe('It is right');
      const meant = reading(choice!.line);
      expect(meant).toMatchObject({ confirmed: true });
      const { confirmed, ...bare } = meant!;
      expect(confirmed).toBe(true);
      expect(judgeReading(check, bare, SAW)).toEqual({ refused: read.says });
      expect(judgeReading(check, meant!, SAW)).not.toHaveProperty('refused');
    },
  );

  it('a sound figure of any class is never questioned', () => {
    for (const check of CHECKS.filter((c) => c.reading)) expect(checkOf(check.id).id).toBe(check.id);
    for (const [line, check] of [
      ['comp 40 80 100', 'compression-gauge'],
      ['idle 2300', 'idle-speed'],
      ['full 6800', 'full-speed'],
      ['full 13800', 'full-speed'],
    ] as const)
      expect(judgeReading(check, reading(line)!, SAW)).not.toHaveProperty('refused');
  });
});
