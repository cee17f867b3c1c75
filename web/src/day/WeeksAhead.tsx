import type { CalendarDay, Slot, Work } from '@rusty-wren/core/schedule';
import { format, parseISO } from 'date-fns';
import { useMemo, type ReactElement } from 'react';
import type { Known } from './known';
import { promisedOn } from './words';

/** A working day ahead: how much of everybody's hours is taken, 0 to 1. */
interface Ahead {
  date: string;
  taken: number;
}

const overlap = (from: number, to: number, a: number, b: number): number =>
  Math.max(0, Math.min(to, b) - Math.max(from, a));

/** The working days after the ones that are drawn large. */
function daysAhead(
  work: Work,
  slots: readonly Slot[],
  calendar: readonly CalendarDay[],
  skip: number,
): Ahead[] {
  const windows = work.crew.flatMap((c) => c.windows);
  return calendar
    .flatMap((d): Ahead[] => {
      const [from, to] = [d.starts, d.starts + 1440];
      const hours = windows.reduce((n, [a, b]) => n + overlap(from, to, a, b), 0);
      if (hours === 0) return [];
      const busy = slots.reduce((n, s) => n + (s.crew === null ? 0 : overlap(from, to, s.start, s.end)), 0);
      return [{ date: d.date, taken: busy / hours }];
    })
    .slice(skip, skip + 10);
}

/** The weeks ahead, thin: how full each day is, and what is promised for it. */
export function WeeksAhead({
  work,
  slots,
  calendar,
  skip,
  known,
}: {
  work: Work;
  slots: readonly Slot[];
  calendar: readonly CalendarDay[];
  /** Working days that are drawn large. */
  skip: number;
  known: Known;
}): ReactElement | null {
  const days = useMemo(() => daysAhead(work, slots, calendar, skip), [work, slots, calendar, skip]);
  if (days.length === 0) return null;
  return (
    <ol
      aria-label="Weeks ahead"
      className="mt-6 grid grid-cols-5 gap-x-3 gap-y-3 lg:grid-cols-10 print:hidden"
    >
      {days.map(({ date, taken }) => {
        const promised = promisedOn(date, known);
        return (
          <li key={date}>
            <p className="text-soft">{format(parseISO(date), 'EEE d')}</p>
            <div
              role="img"
              aria-label={`${Math.round(100 * taken)} % taken`}
              className="h-2 overflow-hidden rounded-full bg-line"
            >
              <div className="h-full bg-ink" style={{ width: `${Math.min(100, 100 * taken)}%` }} />
            </div>
            {promised.length > 0 && <p className="font-tag font-bold">{promised.join(', ')}</p>}
          </li>
        );
      })}
    </ol>
  );
}
