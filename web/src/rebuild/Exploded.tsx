import { conditionWords, type Carburettor, type StackId } from '@rusty-wren/core/knowledge';
import { GONE_WORDS } from '@rusty-wren/core/log';
import { isCover, type LayerNow, type Rebuild } from '@rusty-wren/core/rebuild';
import type { ReactElement } from 'react';
import { BodyGlyph, LayerGlyph } from '../drawn/LayerGlyph';

/** What a layer's row says of it beside its name. */
function stateWords(layer: LayerNow): string {
  const { id, where, condition, renewed } = layer;
  // What the old one was is no word on the new one.
  const how =
    condition && !renewed && !isCover(id) && condition !== 'missing' ? conditionWords(id, condition) : '';
  const at = {
    in: renewed ? 'a new one' : '',
    tray: 'off',
    ...GONE_WORDS,
    'left-off': 'left off',
  }[where];
  return [at, how].filter(Boolean).join(', ');
}

function LayerRow({
  layer,
  now,
  onPick,
}: {
  layer: LayerNow;
  /** The guide asks for it now. */
  now: boolean;
  onPick: (id: StackId) => void;
}): ReactElement {
  const away = layer.where !== 'in';
  const says = stateWords(layer);
  const bad = layer.where === 'missing' || (layer.condition !== null && layer.condition !== 'sound');
  return (
    <li>
      <button
        type="button"
        data-layer={layer.id}
        aria-current={now ? 'step' : undefined}
        onClick={() => onPick(layer.id)}
        className={`flex h-11 w-full items-center gap-2.5 rounded-md pr-2 text-left hover:bg-card ${
          now ? 'bg-card outline-3 outline-rust' : ''
        }`}
      >
        <span className="relative grid h-full w-24 shrink-0 place-items-center">
          <span aria-hidden className="absolute inset-y-0 left-1/2 border-l border-dashed border-rail" />
          <LayerGlyph
            id={layer.id}
            ghost={away}
            className={`relative h-9 ${away ? 'text-rail' : 'text-ink'}`}
          />
        </span>
        <span className="min-w-0 leading-tight">
          <span className={`block truncate text-lg leading-tight font-semibold ${away ? 'text-soft' : ''}`}>
            {layer.name}
          </span>
          {says && (
            <span
              className={`block truncate leading-tight ${bad && !layer.renewed ? 'font-semibold text-rust' : 'text-soft'}`}
            >
              {says}
            </span>
          )}
        </span>
      </button>
    </li>
  );
}

/**
 * The carburettor along its axes: each side's layers over the body, the outermost on top; of what is off, only where it
 * sat. A tap picks a layer.
 */
export function Exploded({
  rebuild,
  carburettor,
  now,
  onPick,
}: {
  rebuild: Rebuild;
  carburettor: Carburettor;
  /** The layer the guide asks for. */
  now: StackId | null;
  onPick: (id: StackId) => void;
}): ReactElement {
  const { layers } = rebuild;
  const stack = rebuild.makeUp?.stacks;
  const outward = (side: 'pump' | 'metering'): LayerNow[] => {
    const order = stack?.[side] ?? [];
    const mine = layers.filter((l) => l.place === side);
    return mine.toSorted((x, y) => order.indexOf(y.id) - order.indexOf(x.id));
  };
  const outside = layers.filter((l) => l.place === 'outside');
  const row = (layer: LayerNow): ReactElement => (
    <LayerRow key={layer.id} layer={layer} now={layer.id === now} onPick={onPick} />
  );
  const column = (title: string, rows: readonly LayerNow[], onBody = false): ReactElement | null =>
    rows.length === 0 ? null : (
      <div>
        <h3 className="font-semibold text-soft">{title}</h3>
        <ul>
          {rows.map(row)}
          {onBody && (
            <li className="flex items-center gap-2.5">
              <BodyGlyph throat={carburettor.throat} className="h-9 w-24" />
              <span className="text-soft">body</span>
            </li>
          )}
        </ul>
      </div>
    );
  const pump = outward('pump');
  return (
    <section aria-label="The carburettor in layers" className="@container">
      <div className="grid items-start gap-x-4 gap-y-4 @md:grid-cols-2">
        <div className="grid gap-4">
          {column('Outside', outside)}
          {column('Pump side', pump, true)}
        </div>
        {column(pump.length > 0 ? 'Metering side' : 'One stack', outward('metering'), true)}
      </div>
    </section>
  );
}
