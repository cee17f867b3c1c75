/** When somebody works: by weekday (0 Sunday to 6 Saturday), minutes since midnight; and days they do not. */
export interface Hours {
  week: readonly { day: number; from: number; to: number }[];
  off: readonly string[];
}

/** Eight to twelve and one to five, Monday to Friday. */
export const USUAL_HOURS: Hours = {
  week: [1, 2, 3, 4, 5].flatMap((day) => [
    { day, from: 8 * 60, to: 12 * 60 },
    { day, from: 13 * 60, to: 17 * 60 },
  ]),
  off: [],
};

/** One day of the calendar: its ISO date, its weekday, and the minute it begins, since the plan's zero. */
export interface CalendarDay {
  date: string;
  weekday: number;
  starts: number;
}

/** The windows in which somebody works over the days to come, minutes since the plan's zero, what is past left out. */
export const windowsOf = ({ week, off }: Hours, days: readonly CalendarDay[]): [number, number][] =>
  days
    .filter((d) => !off.includes(d.date))
    .flatMap((d) =>
      week
        .filter((h) => h.day === d.weekday && h.to > h.from)
        .toSorted((x, y) => x.from - y.from)
        .map((h): [number, number] => [Math.max(0, d.starts + h.from), d.starts + h.to]),
    )
    .filter(([from, to]) => to > from);
