import { getISOWeek, getISOWeekYear } from 'date-fns';

/** How many are kept: of the last days, weeks and months that have any, the newest of each. */
const KEPT = { days: 7, weeks: 5, months: 12 } as const;

const two = (n: number): string => String(n).padStart(2, '0');

/** How a backup that was made by night is called. */
export const nightlyName = (at: Date): string =>
  `bench-${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}-${two(at.getHours())}${two(at.getMinutes())}.backup`;

/** When a file of that name was made; null for any other: nothing else in a folder is ours to throw away. */
export function madeAt(name: string): Date | null {
  const [, year, month, day, hour, minute] =
    /^bench-(\d{4})-(\d\d)-(\d\d)-(\d\d)(\d\d)\.backup$/.exec(name) ?? [];
  return year === undefined
    ? null
    : new Date(Number(year), Number(month) - 1, Number(day), Number(hour), Number(minute));
}

/**
 * Which of these are to go: all but the newest of each of the last seven days, five weeks and twelve months that have one.
 *
 * @example tooMany(['bench-2026-11-30-0230.backup', 'bench-2026-11-30-1130.backup']) // ['bench-2026-11-30-0230.backup']
 */
export function tooMany(names: readonly string[]): string[] {
  const ours = names
    .flatMap((name) => {
      const at = madeAt(name);
      return at ? [{ name, at }] : [];
    })
    .toSorted((x, y) => y.at.getTime() - x.at.getTime());
  const kept = new Set<string>();
  const keepNewestOf = (most: number, spanOf: (at: Date) => string): void => {
    const spans = new Set<string>();
    for (const { name, at } of ours) {
      const span = spanOf(at);
      if (spans.has(span)) continue;
      if (spans.size === most) return;
      spans.add(span);
      kept.add(name);
    }
  };
  keepNewestOf(KEPT.days, (at) => at.toDateString());
  keepNewestOf(KEPT.weeks, (at) => `${getISOWeekYear(at)} ${getISOWeek(at)}`);
  keepNewestOf(KEPT.months, (at) => `${at.getFullYear()} ${at.getMonth()}`);
  return ours.flatMap(({ name }) => (kept.has(name) ? [] : [name]));
}

/** Nobody works then. */
const isNight = (at: Date): boolean => at.getHours() >= 2 && at.getHours() < 5;
const HOUR_MS = 3_600_000;

/** Whether the next one is to be made: by night, and at any time where a night was slept through. */
export function isDue(last: Date | null, now: Date): boolean {
  if (last === null) return true;
  const hours = (now.getTime() - last.getTime()) / HOUR_MS;
  return hours >= 26 || (isNight(now) && hours >= 12);
}
