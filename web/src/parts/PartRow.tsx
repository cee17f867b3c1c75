import type { Drawer } from '@rusty-wren/contract';
import { freeOf, type Stocked } from '@rusty-wren/core/parts';
import type { ReactElement } from 'react';

/** One part: where it lies, how many are free, and how many there should be. */
export function PartRow({
  part,
  drawer,
  onOpen,
}: {
  part: Stocked;
  drawer: Pick<Drawer, 'orders'>;
  onOpen: () => void;
}): ReactElement {
  const free = freeOf(part);
  const coming = drawer.orders.reduce((n, o) => n + (o.part === part.id ? o.count : 0), 0);
  const short = !part.donor && free < part.least;
  const beside = [
    part.held > 0 && `${part.held} set aside`,
    coming > 0 && `${coming} on the way`,
    part.donor && `out of ${part.donor.tag}: ${part.donor.condition}`,
  ].filter(Boolean);
  return (
    <li>
      <button
        type="button"
        onClick={onOpen}
        className="grid min-h-14 w-full grid-cols-[4.5rem_minmax(0,1fr)_auto] items-baseline gap-x-4 border-b border-line py-2 text-left hover:border-ink"
      >
        <span className="text-lg font-semibold text-soft">{part.shelf ?? '–'}</span>
        <span className="min-w-0">
          <span className="text-xl font-semibold">{part.name}</span>
          {beside.length > 0 && <span className="block text-soft">{beside.join(', ')}</span>}
        </span>
        <span className="text-right tabular-nums">
          <span className={`text-3xl font-bold ${free === 0 ? 'text-soft' : ''}`}>{free}</span>
          {short && <span className="ml-2 font-semibold text-ochre">of {part.least}</span>}
        </span>
      </button>
    </li>
  );
}
