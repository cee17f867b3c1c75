import { format, isValid, parse } from 'date-fns';

/** How many are kept: of the last days, weeks and months that have any, the newest of each. */
const KEPT = { days: 7, weeks: 5, months: 12 } as const;

const NAME = "'bench-'yyyy-MM-dd-HHmm'.backup'";

/** How a backup that was made by night is called. */
export const nightlyName = (at: Date): string => format(at, NAME);

/** When a file of that name was made; null for any other: nothing else in a folder is ours to throw away. */
export function madeAt(name: string): Date | null {
  const at = parse(name, NAME, new Date(0));
  return isValid(at) && nightlyName(at) === name ? at : null;
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
  const keepNewestOf = (most: number, ofOneSpan: string): void => {
    const spans = new Set<string>();
    for (const { name, at } of ours) {
      const span = format(at, ofOneSpan);
      if (spans.has(span)) continue;
      if (spans.size === most) return;
      spans.add(span);
      kept.add(name);
    }
  };
  keepNewestOf(KEPT.days, 'yyyy-MM-dd');
  keepNewestOf(KEPT.weeks, 'RRRR-II');
  keepNewestOf(KEPT.months, 'yyyy-MM');
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
