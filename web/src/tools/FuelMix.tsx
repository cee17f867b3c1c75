import { ageOfCan, correctCan, oilFor, splitCan, type FuelAge } from '@rusty-wren/core/fuel';
import { format } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { NumberField } from '../ui/NumberField';
import { useMinute } from '../ui/useNow';

const USUAL = 50;
const AGE_WORDS: Readonly<Record<FuelAge, string>> = {
  fresh: 'Fresh',
  'use-soon': 'Use it this week',
  suspect: 'Suspect: over a month',
  bad: 'Bad: over three months',
};

const ml = (value: number): string => `${Math.round(value)} ml`;

/** Oil for petrol, a can filled at a ratio, a can mixed wrong put right, and how old a can is. */
export function FuelMix(): ReactElement {
  const [ratio, setRatio] = useState<number | null>(USUAL);
  const [petrol, setPetrol] = useState<number | null>(5);
  const [hasOil, setHasOil] = useState<number | null>(null);
  const [label, setLabel] = useState('');
  const [ethanol, setEthanol] = useState(true);
  const to = ratio ?? USUAL;
  const petrolMl = (petrol ?? 0) * 1000;
  const add = hasOil !== null && petrolMl > 0 ? correctCan({ petrolMl, oilMl: hasOil }, to) : null;
  const today = useMinute();
  const age = label && label <= today.slice(0, 10) ? ageOfCan(label, today, ethanol) : null;
  return (
    <section aria-label="Fuel mix">
      <div className="flex flex-wrap gap-4">
        <NumberField label="Petrol to one of oil" value={ratio} min={10} max={100} onChange={setRatio} />
        <NumberField
          label="Petrol, litres"
          value={petrol}
          min={0.05}
          max={1000}
          autoFocus
          onChange={setPetrol}
        />
      </div>
      {petrolMl > 0 && (
        <>
          <p className="mt-4 text-5xl font-bold">
            {ml(oilFor(petrolMl, to))} <span className="text-2xl font-semibold">oil at {to}:1</span>
          </p>
          <p className="mt-1 text-lg text-soft">
            A can that holds {petrol} l in all: {ml(splitCan(petrolMl, to).petrolMl)} petrol,{' '}
            {ml(splitCan(petrolMl, to).oilMl)} oil
          </p>
        </>
      )}
      <h2 className="mt-7 text-2xl font-bold">Mixed wrong</h2>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <NumberField label="Oil that is in it, ml" value={hasOil} min={0} max={50_000} onChange={setHasOil} />
        {add && (
          <p className="min-h-14 text-3xl font-bold" role="status">
            {add.oilMl >= 0.5
              ? `Add ${ml(add.oilMl)} oil`
              : add.petrolMl >= 0.5
                ? `Add ${(add.petrolMl / 1000).toFixed(2)} l petrol`
                : 'It is right'}
          </p>
        )}
      </div>
      {hasOil === 0 && (
        <p className="mt-1 text-lg font-semibold text-ochre">
          Anything that ran on it had no oil: look at its piston.
        </p>
      )}
      <h3 className="mt-7 text-2xl font-bold">Age of a can</h3>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <label className="font-semibold">
          Mixed on
          <input
            type="date"
            value={label}
            max={format(today, 'yyyy-MM-dd')}
            onChange={(e) => setLabel(e.target.value)}
            className="mt-1 block min-h-14 rounded-md border-2 border-line bg-card px-3 text-xl"
          />
        </label>
        <label className="flex min-h-14 items-center gap-2 text-lg">
          <input
            type="checkbox"
            className="size-5 accent-rust"
            checked={ethanol}
            onChange={(e) => setEthanol(e.target.checked)}
          />
          Ethanol in it
        </label>
        {label && !age && (
          <p className="min-h-14 font-semibold text-rust">Mixed on: that day is still to come.</p>
        )}
        {age && (
          <p className="min-h-14 text-2xl font-bold" role="status">
            {AGE_WORDS[age.age]} <span className="font-normal text-soft">{age.days} days</span>
          </p>
        )}
      </div>
    </section>
  );
}
