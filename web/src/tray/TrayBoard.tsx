import { allBack, type OffItem, type Picture } from '@rusty-wren/core/log';
import type { StackId } from '@rusty-wren/core/knowledge';
import { isCover } from '@rusty-wren/core/rebuild';
import { Plus } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { LayerGlyph } from '../drawn/LayerGlyph';
import type { Log } from '../job/useLog';
import { Button } from '../ui/Button';
import { ItemSheet, lyingWords } from './ItemSheet';
import { TookOff } from './Tray';

const layerIn = (item: OffItem): StackId | null =>
  item.layer ?? (item.part && isCover(item.part) ? item.part : null);

/** Everything off the machine as it lies on the tray, in the order it came off; each a tap away from going back. */
export function TrayBoard({
  picture,
  jobId,
  log,
}: {
  picture: Picture;
  jobId: string;
  log: Log;
}): ReactElement {
  const { off, leftOff } = picture;
  const [picked, setPicked] = useState<OffItem | null>(null);
  const [adding, setAdding] = useState(false);
  return (
    <section aria-label="On the tray" className="@container">
      <div className="flex items-baseline justify-between">
        <h2 className="text-2xl font-bold">On the tray</h2>
        <output aria-label="Things on the tray" className="text-3xl font-bold tabular-nums">
          {off.length}
        </output>
      </div>
      <ol className="mt-1 grid grid-cols-3 gap-1.5 rounded-md border-4 border-rail p-1.5 @lg:grid-cols-4">
        {off.map((item, n) => {
          const layer = layerIn(item);
          const says = lyingWords(item);
          return (
            <li key={item.entryId}>
              <button
                type="button"
                onClick={() => setPicked(item)}
                className="relative flex h-full min-h-14 w-full flex-col justify-center rounded-md bg-card px-2 py-1 text-left leading-tight hover:outline-2 hover:outline-ink"
              >
                {layer && (
                  <LayerGlyph
                    id={layer}
                    ghost={item.gone !== undefined}
                    className="absolute top-0.5 right-0.5 h-5 text-soft"
                  />
                )}
                <span className="text-sm leading-tight font-bold text-soft tabular-nums">{n + 1}</span>
                <span className="font-semibold first-letter:uppercase">{item.name}</span>
                {says && <span className={item.gone ? 'font-semibold text-rust' : 'text-soft'}>{says}</span>}
              </button>
            </li>
          );
        })}
        {off.length === 0 && (
          <li className="col-span-full py-4 text-center text-lg text-soft">Nothing is off.</li>
        )}
      </ol>
      <div className="mt-1 flex flex-wrap items-center justify-between gap-x-3">
        <Button look="quiet" className="!px-0" onClick={() => setAdding(true)}>
          <Plus size={18} aria-hidden /> Took something off
        </Button>
        {off.length > 1 && (
          <Button look="quiet" className="!px-0" onClick={() => log.all(allBack(off))}>
            All back on
          </Button>
        )}
      </div>
      {leftOff.length > 0 && (
        <ul aria-label="Left off on purpose" className="mt-2 text-base leading-snug text-soft">
          {leftOff.map((item) => (
            <li key={item.entryId}>
              <strong>{item.name}</strong> left off: {item.words}
            </li>
          ))}
        </ul>
      )}
      <TookOff open={adding} onOpenChange={setAdding} off={off} log={log} />
      {picked && (
        <ItemSheet item={picked} picture={picture} jobId={jobId} log={log} onClose={() => setPicked(null)} />
      )}
    </section>
  );
}
