import type { Account, Day } from '@rusty-wren/contract';
import type { Hours } from '@rusty-wren/core/schedule';
import { X } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { problemWords, useSetHoursMutation } from '../api/api';
import { LeadSets } from '../hands/LeadSets';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { dayWords } from '../ui/words';
import { CalendarLink } from './CalendarLink';
import { RoomsPick } from './RoomsPick';
import { hoursOf } from './work';

const WEEK = [
  [1, 'Mon'],
  [2, 'Tue'],
  [3, 'Wed'],
  [4, 'Thu'],
  [5, 'Fri'],
  [6, 'Sat'],
  [0, 'Sun'],
] as const;

const clock = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
const FIELD = 'min-h-11 rounded-md border-2 border-line bg-card px-2 text-lg tabular-nums';

/** The shifts of a day as they are written: "08:00-12:00, 13:00-17:00". */
const written = (hours: Hours, day: number): string =>
  hours.week
    .filter((h) => h.day === day)
    .toSorted((x, y) => x.from - y.from)
    .map((h) => `${clock(h.from)}-${clock(h.to)}`)
    .join(', ');

/** The shifts in what was written, or why there are none. */
function read(text: string, day: number, name: string): Hours['week'] | { problem: string } {
  const shifts: { day: number; from: number; to: number }[] = [];
  for (const one of text
    .split(',')
    .map((s) => s.trim())
    .filter(Boolean)) {
    const [, h1, m1, h2, m2] = /^(\d{1,2})(?::(\d\d))?\s*[-–]\s*(\d{1,2})(?::(\d\d))?$/.exec(one) ?? [];
    const [from, to] = [Number(h1) * 60 + Number(m1 ?? 0), Number(h2) * 60 + Number(m2 ?? 0)];
    if (!h1 || to > 24 * 60 || from >= to)
      return { problem: `${name}: "${one}" is no shift, as in 08:00-12:00.` };
    if (shifts.some((s) => from < s.to && to > s.from))
      return { problem: `${name}: "${one}" overlaps another.` };
    shifts.push({ day, from, to });
  }
  return shifts;
}

/** When somebody works, by weekday, and the days they do not. */
export function HoursSheet({
  day,
  accounts,
  me,
  onClose,
}: {
  day: Day;
  accounts: readonly Account[];
  me: string | null;
  onClose: () => void;
}): ReactElement {
  const [who, setWho] = useState(me ?? accounts[0]?.id ?? '');
  return (
    <Sheet title="Hours and days off" open onOpenChange={(open) => !open && onClose()}>
      <select
        aria-label="Whose"
        value={who}
        onChange={(e) => setWho(e.target.value)}
        className={`${FIELD} w-full`}
      >
        {accounts.map((a) => (
          <option key={a.id} value={a.id}>
            {a.name}
          </option>
        ))}
      </select>
      <LeadSets>
        <HoursOf key={who} account={who} known={hoursOf(day, who)} onDone={onClose} />
        <RoomsPick rooms={day.rooms} />
      </LeadSets>
      <CalendarLink key={`calendar ${who}`} account={who} />
    </Sheet>
  );
}

function HoursOf({
  account,
  known,
  onDone,
}: {
  account: string;
  known: Hours;
  onDone: () => void;
}): ReactElement {
  const [send] = useSetHoursMutation();
  const [week, setWeek] = useState(() => new Map<number, string>(WEEK.map(([d]) => [d, written(known, d)])));
  const [off, setOff] = useState(known.off);
  const [told, setTold] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const days = WEEK.map(([d, name]) => read(week.get(d) ?? '', d, name));
    const wrong = days.find((d) => 'problem' in d);
    if (wrong && 'problem' in wrong) return setTold(wrong.problem);
    const hours = { week: days.flatMap((d) => ('problem' in d ? [] : d)), off: [...off].sort() };
    const { error } = await send({ account, hours });
    if (error) setTold(problemWords(error));
    else onDone();
  };
  return (
    <>
      <div className="mt-4 grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
        {WEEK.map(([d, name]) => (
          <label key={d} className="contents">
            <span className="text-lg font-semibold">{name}</span>
            <input
              value={week.get(d) ?? ''}
              placeholder="off"
              onChange={(e) => setWeek(new Map(week).set(d, e.target.value))}
              className={FIELD}
            />
          </label>
        ))}
      </div>
      <fieldset className="mt-4">
        <legend className="text-lg font-semibold">Days off</legend>
        <div className="mt-1 flex flex-wrap items-center gap-2">
          {off.map((d) => (
            <button
              key={d}
              type="button"
              aria-label={`Works on ${dayWords(d)} after all`}
              onClick={() => setOff(off.filter((o) => o !== d))}
              className="flex min-h-11 items-center gap-2 rounded-md border-2 border-line bg-card px-3 hover:border-ink"
            >
              {dayWords(d)} <X size={16} aria-hidden />
            </button>
          ))}
          <input
            type="date"
            aria-label="Another day off"
            value=""
            onChange={(e) => {
              if (e.target.value && !off.includes(e.target.value)) setOff([...off, e.target.value]);
            }}
            className={FIELD}
          />
        </div>
      </fieldset>
      {told && (
        <p role="alert" className="mt-3 font-semibold text-rust">
          {told}
        </p>
      )}
      <Button look="rust" className="mt-4 min-h-14 px-6 text-lg" onClick={() => void keep()}>
        Keep them
      </Button>
    </>
  );
}
