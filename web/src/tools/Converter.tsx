import { convert, QUANTITIES, type Quantity } from '@rusty-wren/core/units';
import { useState, type ReactElement } from 'react';
import { NumberField } from '../ui/NumberField';
import { OneOf } from '../ui/OneOf';

const NAMES: readonly { id: Quantity; label: string }[] = [
  { id: 'pressure', label: 'Pressure' },
  { id: 'length', label: 'Gap' },
  { id: 'volume', label: 'Volume' },
];
/** Four figures that count, without a tail of noughts. */
const shown = (value: number): string =>
  new Intl.NumberFormat('en', { maximumSignificantDigits: 4, useGrouping: false }).format(value);

/** One figure in every unit it is written in. */
export function Converter(): ReactElement {
  const [quantity, setQuantity] = useState<Quantity>('pressure');
  const [from, setFrom] = useState<string>('psi');
  const [value, setValue] = useState<number | null>(null);
  const units = QUANTITIES[quantity];
  const all = value === null ? null : convert(value, quantity, from);
  return (
    <section aria-label="Converter">
      <OneOf
        label="What to convert"
        options={NAMES}
        value={quantity}
        onChange={(next) => {
          setQuantity(next);
          setFrom(QUANTITIES[next][0]?.id ?? '');
        }}
      />
      <div className="mt-4 flex flex-wrap items-end gap-4">
        <NumberField label="Figure" value={value} min={-1e6} max={1e6} autoFocus onChange={setValue} />
        <OneOf
          label="Unit"
          options={units.map((u) => ({ id: u.id, label: u.name }))}
          value={from}
          onChange={setFrom}
        />
      </div>
      <dl className="mt-5 grid max-w-md grid-cols-[1fr_auto]">
        {units.map((unit, i) => (
          <div key={unit.id} className="contents">
            <dt className="border-b border-line py-2 text-xl text-soft">{unit.name}</dt>
            <dd className="border-b border-line py-1 text-right text-3xl font-bold">
              {all ? shown(all[i] ?? 0) : '–'}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
