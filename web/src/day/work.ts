import type { Account, Day, Drawer, NeedOfJob, RackTag } from '@rusty-wren/contract';
import { bestSource, workingDaysOn } from '@rusty-wren/core/parts';
import {
  USUAL_HOURS,
  windowsOf,
  workOf,
  type CalendarDay,
  type Hours,
  type Waiting,
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
  waiting: readonly Waiting[];
  calendar: readonly CalendarDay[];
}

/** What the day is planned from. */
export interface Books {
  tags: readonly RackTag[];
  drawer: Drawer;
  day: Day;
  accounts: readonly Account[];
}

/** What the rack, the drawer and the day's hours come to, minutes from `zero`. */
export function dayWork({ tags, drawer, day, accounts }: Books, zero: number): DayWork {
  const calendar = calendarFrom(zero);
  const at = (iso: string, minute: number): number =>
    Math.round(minuteOf(parseISO(iso).getTime(), zero)) + minute;
  const crew = accounts
    .map((a) => ({ id: a.id, windows: windowsOf(hoursOf(day, a.id), calendar) }))
    .filter((c) => c.windows.length > 0);
  const parts = new Map(drawer.parts.map((p) => [p.id, p]));
  const jobOfTag = new Map(tags.map((t) => [t.job.tag, t.job.id]));
  /** When a part is here: as it was ordered, or as it would be if it was ordered today; null where nobody knows. */
  const comes = ({ expected, part, source }: NeedOfJob): number | null => {
    if (expected) return at(expected, PARTS_COME);
    const known = part === null ? undefined : parts.get(part);
    const from = known?.sources.find((s) => s.name === source) ?? (known && bestSource(known));
    return from ? at(workingDaysOn(format(zero, 'yyyy-MM-dd'), from.waitDays), PARTS_COME) : null;
  };
  const allBy = (days: readonly (number | null)[]): number | null =>
    days.length === 0 || days.includes(null) ? null : Math.max(0, ...days.map((d) => d!));
  const jobs = tags.map((tag) => {
    const needs = drawer.needs.filter((n) => n.jobId === tag.job.id);
    const missing = needs.filter((n) => n.state === 'ordered' || n.state === 'to-order');
    const donors = needs.flatMap((n) =>
      n.part && parts.get(n.part)?.donor ? [parts.get(n.part)!.donor!.tag] : [],
    );
    const { coldStart } = tag;
    return {
      id: tag.job.id,
      stage: tag.stage,
      // Nobody has looked at it yet: somebody will have to.
      phase: tag.phase ?? { kind: 'settle' },
      lead: tag.lead,
      toFind: tag.toFind,
      off: tag.off,
      inPieces: tag.inPieces,
      hands: tag.hands,
      donor: donors.flatMap((n) => jobOfTag.get(n) ?? [])[0] ?? null,
      coldIn:
        tag.phase?.kind === 'prove' && coldStart
          ? Math.max(0, coldStart.notBefore ? Math.ceil(minuteOf(Date.parse(coldStart.notBefore), zero)) : 0)
          : null,
      proof: tag.proofLeft,
      due: tag.job.promisedFor === null ? null : at(tag.job.promisedFor, FETCHED),
      partsIn: allBy(missing.map((n) => (n.state === 'ordered' && n.expected ? comes(n) : null))),
      orderedIn: missing.some((n) => n.state === 'to-order') ? allBy(missing.map(comes)) : null,
    };
  });
  const { waiting, ...work } = workOf(jobs, crew, { bath: day.rooms.bath > 0, paces: day.paces });
  const known = new Set(work.tasks.map((t) => t.id));
  const pins = day.pins
    .filter((p) => known.has(p.task) && crew.some((c) => c.id === p.account))
    .map((p) => ({
      task: p.task,
      crew: p.account,
      from: Math.max(0, Math.round(minuteOf(Date.parse(p.from), zero))),
    }));
  return { work: { ...work, crew, rooms: day.rooms, ...(pins.length > 0 && { pins }) }, waiting, calendar };
}
