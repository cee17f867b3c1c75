import Papa from 'papaparse';
import { PRESSURE_UNITS, readNumber, type PressureUnit } from '../units';

/** More points than any watch gives; a longer file is something else. */
export const MOST_POINTS = 10_000;
/** No gauge of this trade reads higher, in any unit. */
const MOST_GAUGE = 2_000;

export type ReadPoints =
  | { points: (readonly [seconds: number, gauge: number])[]; unit: PressureUnit | null }
  | { problem: string };

/** "3,5" is three and a half where commas do not part the columns. A file of a logger has no thousands. */
const numberIn = (text: string): number => {
  const read = readNumber(text);
  return 'value' in read ? read.value : 'either' in read ? read.either[1] : NaN;
};

const unitIn = (text: string): PressureUnit | null =>
  PRESSURE_UNITS.find((unit) => new RegExp(`(?<![a-z])${unit}(?![a-z])`, 'i').test(text)) ?? null;

/**
 * Time and gauge from a pasted or dropped table: two columns, seconds first, parted by tabs, semicolons, commas or
 * spaces, with or without a heading. A unit in the heading is taken; different units, or anything that is no number, is
 * named with its line. Nothing is guessed or left out.
 */
export function readPoints(text: string): ReadPoints {
  const trimmed = text.replace(/^\uFEFF/, '').trim();
  if (!trimmed) return { problem: 'The table is empty.' };
  const delimiter = /\t/.test(trimmed)
    ? '\t'
    : /;/.test(trimmed)
      ? ';'
      : /,\s*\S/.test(trimmed.split('\n')[0] ?? '')
        ? ','
        : ' ';
  const { data } = Papa.parse<string[]>(delimiter === ' ' ? trimmed.replace(/ +/g, ' ') : trimmed, {
    delimiter,
    skipEmptyLines: true,
  });
  const lines = data.map((row) => row.map((cell) => cell.trim()).filter((cell, i) => i < 2 || cell !== ''));
  const heading = lines[0]?.some((cell) => /[a-z]{2}/i.test(cell) && !/\d/.test(cell))
    ? lines.shift()
    : undefined;
  const units = new Set(
    [heading?.join(' ') ?? '', ...lines.map((row) => row[1] ?? '')].map(unitIn).filter((u) => u !== null),
  );
  if (units.size > 1) return { problem: `The table mixes units: ${[...units].join(' and ')}.` };
  const unit = [...units][0] ?? null;
  if (lines.length === 0) return { problem: 'The table has a heading and nothing under it.' };
  if (lines.length > MOST_POINTS)
    return { problem: `The table has ${lines.length} lines; ${MOST_POINTS} is the most a watch can have.` };
  const points: [number, number][] = [];
  for (const [i, row] of lines.entries()) {
    const at = `Line ${i + (heading ? 2 : 1)}`;
    if (row.length !== 2)
      return {
        problem: `${at} has ${row.length} ${row.length === 1 ? 'column' : 'columns'}: give seconds and gauge, parted by a tab, a semicolon or a comma.`,
      };
    const seconds = numberIn(row[0]!);
    const gauge = numberIn(row[1]!.replace(/(psi|bar|kpa|inhg)$/i, ''));
    if (!Number.isFinite(seconds))
      return { problem: `${at}: the time "${row[0]}" is not a number of seconds.` };
    if (!Number.isFinite(gauge)) return { problem: `${at}: the gauge "${row[1]}" is not a number.` };
    if (seconds < 0) return { problem: `${at}: the time ${seconds} s is before the start.` };
    // A vacuum gauge may count down from nought.
    if (Math.abs(gauge) > MOST_GAUGE) return { problem: `${at}: the gauge ${gauge} cannot be right.` };
    points.push([seconds, gauge]);
  }
  const negative = points.filter(([, g]) => g < 0).length;
  if (negative > 0 && points.some(([, g]) => g > 0))
    return {
      problem: 'The gauge is above nought on some lines and below on others: keep pressure and vacuum apart.',
    };
  return { points: points.map(([t, g]) => [t, Math.abs(g)] as const), unit };
}
