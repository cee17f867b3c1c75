import { DndContext, PointerSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import { nameOfThing, screwPlanOf, type Picture, type ScrewPlace, type Thing } from '@rusty-wren/core/log';
import { MapPin } from 'lucide-react';
import { useRef, useState, type KeyboardEvent, type MouseEvent, type ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { TakePhoto } from '../photos/TakePhoto';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { OneOf } from '../ui/OneOf';
import { Sheet } from '../ui/Sheet';
import { useDraft } from '../ui/useDraft';
import { inSentence } from '../ui/words';
import { placed, ScrewBoard, type MarkedOn } from './ScrewBoard';

const KINDS = ['long', 'short', 'with a washer'];
const OUTLINE_LABELS = [
  { id: 'four-sided', label: 'Four-sided' },
  { id: 'long', label: 'Long' },
  { id: 'round', label: 'Round' },
] as const;
/** How far an arrow key moves a screw, as a share of the board. */
const NUDGE = 0.02;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-NUDGE, 0],
  ArrowRight: [NUDGE, 0],
  ArrowUp: [0, -NUDGE],
  ArrowDown: [0, NUDGE],
};
const share = (at: number): number => Math.round(Math.min(1, Math.max(0, at)) * 1000) / 1000;

/** A button that opens the screw plan of a cover. */
export function MarkScrews({
  of,
  jobId,
  picture,
  log,
}: {
  of: Thing;
  jobId: string;
  picture: Pick<Picture, 'screwPlans' | 'photos'>;
  log: Log;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const name = inSentence(nameOfThing(of));
  return (
    <>
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        <MapPin size={20} aria-hidden />{' '}
        {screwPlanOf(of, picture.screwPlans) ? 'Its screws' : 'Mark its screws'}
      </Button>
      <Sheet title={`Screws of the ${name}`} open={open} onOpenChange={setOpen}>
        <Marking {...{ of, jobId, picture, log }} onDone={() => setOpen(false)} />
      </Sheet>
    </>
  );
}

interface Marked {
  on: MarkedOn;
  screws: readonly ScrewPlace[];
}

function Marking({
  of,
  jobId,
  picture,
  log,
  onDone,
}: {
  of: Thing;
  jobId: string;
  picture: Pick<Picture, 'screwPlans' | 'photos'>;
  log: Log;
  onDone: () => void;
}): ReactElement {
  const known = screwPlanOf(of, picture.screwPlans);
  const [{ on, screws }, setMarked, drop] = useDraft<Marked>(`${jobId} screws ${nameOfThing(of)}`, () =>
    known ? { on: known.on, screws: known.screws } : { on: { outline: 'four-sided' }, screws: [] },
  );
  const [kind, setKind] = useState(KINDS[0]!);
  const [picked, setPicked] = useState<number | null>(null);
  const board = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const setScrews = (next: readonly ScrewPlace[]): void => setMarked((m) => ({ ...m, screws: next }));
  const change = (at: number, to: Partial<ScrewPlace>): void =>
    setScrews(screws.map((screw, n) => (n === at ? { ...screw, ...to } : screw)));
  const add = (x: number, y: number): void => {
    setScrews([...screws, { x: share(x), y: share(y), kind }]);
    setPicked(null);
  };
  const point = (event: MouseEvent): void => {
    const box = event.currentTarget.getBoundingClientRect();
    add((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
  };
  const takeOut = (at: number): void => {
    setScrews(screws.filter((_, n) => n !== at));
    setPicked(null);
  };
  const kinds = [...new Set([...KINDS, ...screws.map((s) => s.kind), kind])];
  const photos = picture.photos.filter(
    (p) => p.of && !('entry' in p.of) && nameOfThing(p.of) === nameOfThing(of),
  );
  const photo = photos.at(-1);
  const chosen = picked === null ? undefined : screws[picked];
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <OneOf
          label="Marked on"
          options={[...OUTLINE_LABELS, ...(photo ? [{ id: 'photo', label: 'Its photo' } as const] : [])]}
          value={'photo' in on ? 'photo' : on.outline}
          onChange={(to) =>
            setMarked((m) => ({
              ...m,
              on: to === 'photo' ? (photo ? { photo: photo.hash } : m.on) : { outline: to },
            }))
          }
        />
        <TakePhoto jobId={jobId} log={log} of={{ of }} words="Photo of it" />
      </div>
      <div className="mt-3">
        <OneOf
          label="Kind of screw"
          options={kinds.map((id) => ({ id, label: id }))}
          value={chosen?.kind ?? kind}
          onChange={(to) => (picked === null ? setKind(to) : change(picked, { kind: to }))}
        />
      </div>
      <DndContext
        sensors={sensors}
        onDragEnd={({ active, delta }) => {
          const box = board.current?.getBoundingClientRect();
          const at = Number(active.id);
          const screw = screws[at];
          if (!box || !screw) return;
          change(at, { x: share(screw.x + delta.x / box.width), y: share(screw.y + delta.y / box.height) });
        }}
      >
        <ScrewBoard ref={board} on={on} photos={picture.photos} onPoint={point}>
          {screws.map((screw, n) => (
            <Mark
              // A screw has no name but its number.
              key={n}
              n={n}
              screw={screw}
              picked={picked === n}
              onPick={() => setPicked(picked === n ? null : n)}
              onKeyDown={(event) => {
                const by = ARROWS[event.key];
                if (!by) return event.key === 'Delete' ? takeOut(n) : undefined;
                event.preventDefault();
                change(n, { x: share(screw.x + by[0]), y: share(screw.y + by[1]) });
              }}
            />
          ))}
        </ScrewBoard>
      </DndContext>
      {screws.length === 0 && <p className="mt-2 text-lg text-soft">Tap where each one sits.</p>}
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <Button
          look="rust"
          className="min-h-14 px-8 text-lg"
          disabled={screws.length === 0}
          onClick={() => {
            log('screw-plan', { of, on, screws });
            drop();
            onDone();
          }}
        >
          Keep it
        </Button>
        <Button onClick={() => add(0.5, 0.5)}>Add one</Button>
        {picked !== null && <Button onClick={() => takeOut(picked)}>Take {picked + 1} out</Button>}
      </div>
      <OneLine
        label="Another kind of screw"
        placeholder="another kind: 20 mm, sleeve under it"
        most={40}
        done="Use it"
        look="plain"
        onDone={(words) => (picked === null ? setKind(words) : change(picked, { kind: words }))}
      />
    </>
  );
}

function Mark({
  n,
  screw,
  picked,
  onPick,
  onKeyDown,
}: {
  n: number;
  screw: ScrewPlace;
  picked: boolean;
  onPick: () => void;
  onKeyDown: (event: KeyboardEvent) => void;
}): ReactElement {
  const { setNodeRef, listeners, transform } = useDraggable({ id: n });
  return (
    <button
      ref={setNodeRef}
      type="button"
      aria-pressed={picked}
      aria-label={`Screw ${n + 1}, ${screw.kind}`}
      {...listeners}
      onClick={onPick}
      onKeyDown={onKeyDown}
      style={{
        ...placed(screw),
        translate: `calc(-50% + ${transform?.x ?? 0}px) calc(-1.375rem + ${transform?.y ?? 0}px)`,
      }}
      className="group absolute grid touch-none justify-items-center leading-none"
    >
      <span className="grid size-11 place-items-center rounded-full border-2 border-paper bg-ink text-lg font-bold text-paper group-aria-pressed:bg-rust group-aria-pressed:text-on-rust">
        {n + 1}
      </span>
      <span className="rounded bg-paper px-1 font-semibold whitespace-nowrap">{screw.kind}</span>
    </button>
  );
}
