import type { PriceLineKey, Shop } from '@rusty-wren/contract';
import { familyName } from '@rusty-wren/core/knowledge';
import { MACHINE_KINDS, type MachineKind } from '@rusty-wren/core/machine';
import {
  partsFor,
  BOOK_IDS,
  pricedName,
  priceTable,
  readPriceTable,
  type PriceLine,
} from '@rusty-wren/core/worth';
import { useState, type ReactElement } from 'react';
import { toast } from 'sonner';
import { Button } from '../ui/Button';
import { useMoney } from '../ui/money';
import { RowButton } from '../ui/RowButton';
import { saveFile } from '../ui/saveFile';
import { TakeTable } from '../ui/TakeTable';
import { KIND_WORDS } from '../ui/words';
import { PriceSheet } from './PriceSheet';

const FROM = {
  model: 'for a model',
  family: 'for a family',
  kind: 'ours, this kind',
  shop: 'ours',
  usual: 'usual',
} as const;
/** What a line is for. */
const keyOf = ({ what, family, maker, model }: PriceLine): PriceLineKey => ({
  what,
  ...(family && { family }),
  ...(maker && model && { maker, model }),
});
type Change = { lines: PriceLine[]; gone?: PriceLineKey[] };

/** The price book: what the parts of each job come to on a kind of machine, ours or the usual. */
export function PriceBook({
  shop,
  onSave,
}: {
  shop: Shop;
  /** Saves, or says why not. */
  onSave: (change: Change) => Promise<string | null>;
}): ReactElement {
  const money = useMoney();
  const [kind, setKind] = useState<MachineKind>('chainsaw');
  const [find, setFind] = useState('');
  const [open, setOpen] = useState<PriceLine['what'] | null>(null);
  const machine = { kind, ...(kind === 'chainsaw' && { displacementCc: 45 }) };
  const shown = BOOK_IDS.filter((what) => pricedName(what).toLowerCase().includes(find.trim().toLowerCase()));
  const narrow = shop.book.filter((l) => l.model || l.family);
  const takeIn = (text: string): string | null => {
    const read = readPriceTable(text);
    if ('problems' in read) return read.problems.slice(0, 5).join(' ');
    void onSave({ lines: read.lines }).then((refused) =>
      refused ? toast.error(refused) : toast.success(`${read.lines.length} prices taken in`),
    );
    return null;
  };
  return (
    <section aria-label="Price book">
      <h2 className="text-4xl font-bold">Price book</h2>
      <div className="mt-4 flex flex-wrap gap-3">
        <select
          aria-label="Kind of machine"
          value={kind}
          onChange={(e) => setKind(e.target.value as MachineKind)}
          className="min-h-11 rounded-md border-2 border-line bg-card px-3 text-lg"
        >
          {MACHINE_KINDS.map((k) => (
            <option key={k} value={k}>
              {KIND_WORDS[k]}
            </option>
          ))}
        </select>
        <input
          aria-label="Find a job"
          placeholder="Find a job"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          className="min-h-11 min-w-0 flex-1 rounded-md border-2 border-line bg-card px-3 text-lg"
        />
      </div>
      <ul className="mt-2 max-h-[30rem] overflow-y-auto" aria-label="Prices">
        {shown.map((what) => {
          const { price, waitDays, from } = partsFor(shop.book, what, machine);
          return (
            <li key={what}>
              <RowButton
                onClick={() => setOpen(what)}
                aside={
                  <span className="tabular-nums">
                    <strong>{money.exact(price)}</strong>
                    <span
                      className={`ml-3 inline-block w-32 text-right ${from === 'usual' ? 'text-soft' : 'font-semibold text-moss'}`}
                    >
                      {FROM[from]}
                      {waitDays > 0 && `, ${waitDays} d`}
                    </span>
                  </span>
                }
              >
                {pricedName(what)}
              </RowButton>
            </li>
          );
        })}
        {shown.length === 0 && <li className="py-3 text-lg text-soft">No such job.</li>}
      </ul>
      {narrow.length > 0 && (
        <ul aria-label="For a model or a family" className="mt-4 text-lg">
          {narrow.map((l) => (
            <li
              key={`${l.what} ${l.maker} ${l.model} ${l.family}`}
              className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line"
            >
              <span>
                {l.family ? familyName(l.family) : `${l.maker} ${l.model}`}: {pricedName(l.what)}
              </span>
              <span className="flex items-center gap-3">
                <strong className="tabular-nums">{money.exact(l.price)}</strong>
                <Button look="quiet" onClick={() => void onSave({ lines: [], gone: [keyOf(l)] })}>
                  Take out
                </Button>
              </span>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-4 flex flex-wrap items-start gap-4">
        <Button
          disabled={shop.book.length === 0}
          onClick={() => saveFile('price-book.csv', priceTable(shop.book), 'text/csv')}
        >
          Save ours as CSV
        </Button>
        <TakeTable what="Prices as CSV" onTake={takeIn} />
      </div>
      {open && (
        <PriceSheet
          what={open}
          kind={kind}
          known={partsFor(shop.book, open, machine)}
          onSave={onSave}
          onClose={() => setOpen(null)}
        />
      )}
    </section>
  );
}
