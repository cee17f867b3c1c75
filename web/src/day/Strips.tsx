import type { Account, DayPin } from '@rusty-wren/contract';
import type { CalendarDay, Slot, Work } from '@rusty-wren/core/schedule';
import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { format, parseISO } from 'date-fns';
import { Flag, Pin } from 'lucide-react';
import { useRef, useState, type ReactElement } from 'react';
import { usePutPinMutation } from '../api/api';
import { toldRefused } from '../ui/refused';
import type { Known } from './known';
import { momentOf } from './moment';
import { SlotSheet } from './SlotSheet';
import { WeeksAhead } from './WeeksAhead';
import { kindWords, promisedOn, whenWords } from './words';

/** A drag puts work to the next so many minutes. */
const SNAP = 5;
/** Further than that a drag is one, not a tap, px. */
const DRAG_FROM = 6;

/** So many working days are drawn large. */
const SHEETS = 2;

/** One working day as it is drawn: from the first hour anybody works to the last. */
interface Sheet {
  date: string;
  from: number;
  to: number;
}

/** Today, or the next day with work on it, and the one after. */
function sheetsOf(work: Work, calendar: readonly CalendarDay[]): Sheet[] {
  const sheets = calendar.flatMap((d): Sheet[] => {
    const inside = work.crew
      .flatMap((c) => c.windows)
      .filter(([from, to]) => to > d.starts && from < d.starts + 1440);
    if (inside.length === 0) return [];
    return [
      { date: d.date, from: Math.min(...inside.map((w) => w[0])), to: Math.max(...inside.map((w) => w[1])) },
    ];
  });
  return sheets.slice(0, SHEETS);
}

/** Everybody's strip of today and of the next working day; a piece of work is dragged elsewhere, or moved from its sheet. */
export function Strips({
  slots,
  work,
  calendar,
  accounts,
  pins,
  known,
}: {
  slots: readonly Slot[];
  work: Work;
  calendar: readonly CalendarDay[];
  accounts: readonly Account[];
  pins: readonly DayPin[];
  known: Known;
}): ReactElement {
  const [put] = usePutPinMutation();
  const [open, setOpen] = useState<Slot | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM } }));
  const board = useRef<HTMLDivElement>(null);
  const sheets = sheetsOf(work, calendar);
  const within = (crew: string, { from, to }: Sheet): Slot[] =>
    slots.filter((s) => s.crew === crew && s.start >= from && s.start < to);
  /** A thin bar is hard to hit with a thumb: a tap beside it means the nearest. */
  const openNearest = (crew: string, sheet: Sheet, share: number): void => {
    const at = sheet.from + share * (sheet.to - sheet.from);
    const off = (s: Slot): number => Math.max(s.start - at, at - s.end);
    setOpen(within(crew, sheet).toSorted((x, y) => off(x) - off(y))[0] ?? null);
  };
  const dropped = ({ active, over, delta }: DragEndEvent): void => {
    const slot = slots.find((s) => s.task === active.id);
    const lane = over?.data.current as { crew: string; sheet: Sheet } | undefined;
    const task = slot && known.tasks.get(slot.task);
    if (!slot || !lane || !task) return;
    const from = active.data.current as { sheet: Sheet };
    const width = board.current?.querySelector('[data-lane]')?.clientWidth ?? 1;
    const moved = (delta.x / width) * (from.sheet.to - from.sheet.from);
    const at = lane.sheet.from + (slot.start - from.sheet.from) + moved;
    const start = Math.max(lane.sheet.from, Math.round(at / SNAP) * SNAP);
    void put({
      task: slot.task,
      jobId: task.job,
      account: lane.crew,
      from: new Date(momentOf(start, known.zero)).toISOString(),
    }).then(toldRefused);
  };
  return (
    <section aria-label="Strips" className="mt-8 print:hidden" ref={board}>
      <DndContext sensors={sensors} autoScroll={false} onDragEnd={dropped}>
        <div className="grid grid-cols-1 gap-x-8 gap-y-6 xl:grid-cols-2">
          {sheets.map((sheet) => (
            <div key={sheet.date} className="min-w-0">
              <h2 className="flex items-baseline justify-between text-lg font-semibold">
                <span>
                  {format(parseISO(sheet.date), 'EEEE d MMMM')}
                  {promisedOn(sheet.date, known).length > 0 && (
                    <span className="ml-3 font-tag">
                      <Flag size={16} className="mr-1 inline text-ochre" aria-hidden />
                      <span className="sr-only">promised: </span>
                      {promisedOn(sheet.date, known).join(', ')}
                    </span>
                  )}
                </span>
                <span className="text-soft tabular-nums">
                  {whenWords(sheet.from, known.zero).slice(-5)} to {whenWords(sheet.to, known.zero).slice(-5)}
                </span>
              </h2>
              {work.crew.map((c) => (
                <div key={c.id} className="mt-1">
                  <p className="text-soft">{accounts.find((a) => a.id === c.id)?.name}</p>
                  <Lane crew={c.id} sheet={sheet} onTap={(share) => openNearest(c.id, sheet, share)}>
                    {c.windows
                      .filter(([from, to]) => to > sheet.from && from < sheet.to)
                      .map(([from, to]) => (
                        <span
                          key={from}
                          aria-hidden
                          className="absolute inset-y-0 rounded-sm bg-card"
                          style={place(from, to, sheet)}
                        />
                      ))}
                    {within(c.id, sheet).map((s) => (
                      <Bar
                        key={s.task}
                        slot={s}
                        sheet={sheet}
                        known={known}
                        pinned={pins.some((p) => p.task === s.task)}
                        onOpen={() => setOpen(s)}
                      />
                    ))}
                  </Lane>
                </div>
              ))}
            </div>
          ))}
        </div>
      </DndContext>
      <WeeksAhead work={work} slots={slots} calendar={calendar} skip={SHEETS} known={known} />
      {open && (
        <SlotSheet
          slot={slots.find((s) => s.task === open.task) ?? open}
          accounts={accounts.filter((a) => work.crew.some((c) => c.id === a.id))}
          pinned={pins.some((p) => p.task === open.task)}
          known={known}
          onClose={() => setOpen(null)}
        />
      )}
    </section>
  );
}

const place = (from: number, to: number, sheet: Sheet): { left: string; width: string } => {
  const [a, b] = [Math.max(from, sheet.from), Math.min(to, sheet.to)];
  const all = sheet.to - sheet.from;
  return { left: `${(100 * (a - sheet.from)) / all}%`, width: `${(100 * (b - a)) / all}%` };
};

function Lane({
  crew,
  sheet,
  onTap,
  children,
}: {
  crew: string;
  sheet: Sheet;
  /** Tapped beside the bars, at a share of the width. */
  onTap: (share: number) => void;
  children: React.ReactNode;
}): ReactElement {
  const { setNodeRef, isOver } = useDroppable({ id: `${crew} ${sheet.date}`, data: { crew, sheet } });
  return (
    <div
      ref={setNodeRef}
      data-lane=""
      onClick={({ target, currentTarget, clientX }) => {
        if (target instanceof Element && target.closest('button')) return;
        const { left, width } = currentTarget.getBoundingClientRect();
        onTap((clientX - left) / Math.max(1, width));
      }}
      className={`relative h-14 overflow-hidden rounded-md bg-line ${isOver ? 'outline-2 outline-ink' : ''}`}
    >
      {children}
    </div>
  );
}

const LOOK: Readonly<Record<string, string>> = {
  look: 'border-steel',
  strip: 'border-ink',
  mend: 'border-ink',
  together: 'border-ink',
  prove: 'border-moss',
  'cold-start': 'border-moss',
  close: 'border-rail',
};

function Bar({
  slot,
  sheet,
  known,
  pinned,
  onOpen,
}: {
  slot: Slot;
  sheet: Sheet;
  known: Known;
  pinned: boolean;
  onOpen: () => void;
}): ReactElement | null {
  const { setNodeRef, attributes, listeners, transform } = useDraggable({ id: slot.task, data: { sheet } });
  const task = known.tasks.get(slot.task);
  const tag = task && known.tags.get(task.job);
  if (!task || !tag) return null;
  const says = `${tag.job.tag}, ${kindWords(task.kind)}, ${whenWords(slot.start, known.zero)}, ${task.minutes} min${pinned ? ', put there by hand' : ''}`;
  return (
    <button
      ref={setNodeRef}
      type="button"
      title={says}
      {...attributes}
      {...listeners}
      aria-label={says}
      data-task={slot.task}
      aria-roledescription="piece of work"
      onClick={onOpen}
      style={{
        ...place(slot.start, slot.end, sheet),
        ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 20 }),
      }}
      className={`@container absolute inset-y-1 touch-none overflow-hidden rounded-sm border-2 border-t-[6px] bg-paper text-left hover:bg-line ${LOOK[task.kind] ?? 'border-line'}`}
    >
      {/* Where there is no room for a number there is none. */}
      <span className="hidden items-center gap-1 px-1 font-tag text-lg leading-none font-bold @min-[2.4rem]:flex">
        {tag.job.tag}
        {pinned && <Pin size={14} aria-hidden />}
      </span>
    </button>
  );
}
