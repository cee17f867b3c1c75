import { PARTS } from '@rusty-wren/core/knowledge';
import { GONE_WORDS, itemBack, screwPlanOf, thingOf, type OffItem, type Picture } from '@rusty-wren/core/log';
import { Plus, Undo2 } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { Sheet } from '../ui/Sheet';
import type { Log } from '../job/useLog';
import { ItemSheet } from './ItemSheet';

/** What is off the machine and has to go back, in the order it came off. */
export function Tray({
  picture,
  jobId,
  log,
}: {
  picture: Pick<Picture, 'off' | 'screwPlans' | 'photos'>;
  jobId: string;
  log: Log;
}): ReactElement {
  const { off } = picture;
  const [adding, setAdding] = useState(false);
  const [picked, setPicked] = useState<OffItem | null>(null);
  // With its screws marked, they are gone through first.
  const back = (item: OffItem): void => {
    if (screwPlanOf(thingOf(item), picture.screwPlans)) setPicked(item);
    else log('put-back', itemBack(item));
  };
  return (
    <section aria-label="Tray: what is off" className="flex min-w-0 items-center gap-2 overflow-x-auto">
      <h2 className="shrink-0 font-bold">Off</h2>
      {off.length === 0 && <p className="shrink-0 text-soft">nothing</p>}
      {off.map((item) => (
        <button
          key={item.entryId}
          type="button"
          onClick={() => back(item)}
          aria-label={`Put back: ${item.gone ? 'a new ' : ''}${item.name}`}
          className="inline-flex min-h-11 shrink-0 items-center gap-2 rounded-md border-2 border-ink bg-card px-3 font-semibold hover:bg-line"
        >
          {item.name}
          {item.gone && <span className="text-rust">{GONE_WORDS[item.gone]}</span>}
          <Undo2 size={17} aria-hidden />
        </button>
      ))}
      <button
        type="button"
        onClick={() => setAdding(true)}
        aria-label="Took something off"
        className="grid size-11 shrink-0 place-items-center rounded-md hover:bg-line"
      >
        <Plus aria-hidden />
      </button>
      <TookOff open={adding} onOpenChange={setAdding} off={off} log={log} />
      {picked && (
        <ItemSheet item={picked} picture={picture} jobId={jobId} log={log} onClose={() => setPicked(null)} />
      )}
    </section>
  );
}

/** Says what came off: a part, or any loose thing. */
export function TookOff({
  open,
  onOpenChange,
  off,
  log,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  off: readonly OffItem[];
  log: Log;
}): ReactElement {
  return (
    <Sheet title="Took off" open={open} onOpenChange={onOpenChange}>
      <div className="flex flex-wrap gap-2">
        {PARTS.filter((part) => !off.some((o) => o.part === part.id)).map((part) => (
          <Button
            key={part.id}
            onClick={() => {
              log('took-off', { part: part.id });
              onOpenChange(false);
            }}
          >
            {part.name}
          </Button>
        ))}
      </div>
      <OneLine
        label="Any loose thing"
        placeholder="a loose thing: washer behind the choke lever"
        most={120}
        done="Add"
        look="plain"
        onDone={(thing) => {
          log('took-off', { thing });
          onOpenChange(false);
        }}
      />
    </Sheet>
  );
}
