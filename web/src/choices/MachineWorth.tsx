import type { Bodies } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';

/** What its worth rests on besides what is wrong: its age, and what a like one costs. */
export function MachineWorth({
  known,
  like,
  onSaid,
}: {
  known: Bodies['worth'];
  /** What a like one costs by the price book, cents. */
  like: number;
  onSaid: (body: Bodies['worth']) => void;
}): ReactElement {
  const [age, setAge] = useState<number | null>(known.ageYears ?? null);
  const [price, setPrice] = useState<number | null>(known.like === undefined ? null : known.like / 100);
  const said: Bodies['worth'] = {
    ...(age !== null && age !== known.ageYears && { ageYears: age }),
    ...(price !== null && Math.round(price * 100) !== known.like && { like: Math.round(price * 100) }),
  };
  return (
    <section aria-label="The machine" className="flex flex-wrap items-end gap-4 lg:justify-end">
      <NumberField label="Age, years" min={0} max={80} value={age} placeholder="?" onChange={setAge} />
      <NumberField
        label="A like one, new"
        min={0}
        max={10_000}
        value={price}
        placeholder={(like / 100).toFixed(0)}
        onChange={setPrice}
      />
      <Button disabled={Object.keys(said).length === 0} onClick={() => onSaid(said)} className="min-h-14">
        Reckon with it
      </Button>
    </section>
  );
}
