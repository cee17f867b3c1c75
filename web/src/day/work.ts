import type { Account, Day, Drawer, RackTag } from '@rusty-wren/contract';
import {
  USUAL_HOURS,
  windowsOf,
  workOf,
  type CalendarDay,
  type Hours,
  type Waits,
  type Work,
} from '@rusty-wren/core/schedule';
import { addDays, format, parseISO, startOfDay } from 'date-fns';
import { minuteOf } from './moment';

/** Days that are planned. */
const DAYS_AHEAD = 21;
/** The plan's zero moves on so often: within it, the same work has the same plan. */
const GRID_MS = 15 * 60_000;
/** A part is unpacked in the morning; a machine is fetched in the evening of the day it was promised for. */
const PARTS_COME = 9 * 60;
const FETCHED = 17 * 60;

/** The moment a plan begins at: now, down to the quarter of an hour. */
export const zeroOf = (now: number): number => now - (now % GRID_MS);

/** The days to come, from a moment on. */
const calendarFrom = (zero: number): CalendarDay[] =>
  Array.from({ length: DAYS_AHEAD }, (_, n) => {
    const day = addDays(startOfDay(zero), n);
    return {
      date: format(day, 'yyyy-MM-dd'),
      weekday: day.getDay(),
      starts: Math.round(minuteOf(day.getTime(), zero)),
    };
  });

export const hoursOf = ({ hours }: Pick<Day, 'hours'>, account: string): Hours =>
  hours.find((h) => h.account === account)?.hours ?? USUAL_HOURS;

/** The work of the open jobs, as it is planned: for everybody who has hours. */
export interface DayWork {
  work: Work;
  waiting: readonly { job: string; for: Waits }[];
  calendar: readonly CalendarDay[];
}

/** What the rack, the drawer and the day's hours come to, minutes from `zero`. */
export function dayWork(
  {
    tags,
    drawer,
    day,
    accounts,
  }: { tags: readonly RackTag[]; drawer: Drawer; day: Day; accounts: readonly Account[] },
  zero: number,
): DayWork {
  const calendar = calendarFrom(zero);
  const at = (iso: string, minute: number): number =>
    Math.round(minuteOf(parseISO(iso).getTime(), zero)) + minute;
  const crew = accounts
    .map((a) => ({ id: a.id, windows: windowsOf(hoursOf(day, a.id), calendar) }))
    .filter((c) => c.windows.length > 0);
  const jobs = tags.map((tag) => {
    const due = drawer.needs
      .filter((n) => n.jobId === tag.job.id && (n.state === 'ordered' || n.state === 'to-order'))
      .map((n) => (n.state === 'ordered' && n.expected ? at(n.expected, PARTS_COME) : null));
    const { coldStart } = tag;
    return {
      id: tag.job.id,
      stage: tag.stage,
      phase: tag.phase,
      lead: tag.lead,
      off: tag.off,
      coldIn:
        tag.phase.kind === 'prove' && coldStart
          ? Math.max(0, coldStart.notBefore ? Math.ceil(minuteOf(Date.parse(coldStart.notBefore), zero)) : 0)
          : null,
      due: tag.job.promisedFor === null ? null : at(tag.job.promisedFor, FETCHED),
      partsIn: due.length === 0 || due.includes(null) ? null : Math.max(0, ...due.map((d) => d!)),
    };
  });
  const { waiting, ...work } = workOf(jobs, crew);
  const known = new Set(work.tasks.map((t) => t.id));
  const pins = day.pins
    .filter((p) => known.has(p.task) && crew.some((c) => c.id === p.account))
    .map((p) => ({
      task: p.task,
      crew: p.account,
      from: Math.max(0, Math.round(minuteOf(Date.parse(p.from), zero))),
    }));
  return { work: { ...work, crew, ...(pins.length > 0 && { pins }) }, waiting, calendar };
}
