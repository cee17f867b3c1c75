import type { Source } from '@rusty-wren/core/parts';
import { figureIn, wholeIn } from '@rusty-wren/core/units';
import { MOST_CENTS, MOST_WAIT_DAYS } from '@rusty-wren/core/worth';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { useMoney } from '../ui/money';
import { ChipField, Chips, without } from './Chips';

/** Where the part is had, and after how many working days. */
export function SourcesPick({
  sources,
  onChange,
}: {
  sources: readonly Source[];
  onChange: (sources: readonly Source[]) => void;
}): ReactElement {
  const money = useMoney();
  const [name, setName] = useState('');
  const [days, setDays] = useState('');
  const [cost, setCost] = useState('');
  const waitDays = days.trim() ? wholeIn(days, { min: 0, max: MOST_WAIT_DAYS }) : null;
  const price = cost.trim() ? figureIn(cost, { min: 0, max: MOST_CENTS / 100 }) : null;
  const problem =
    typeof waitDays === 'object' && waitDays
      ? `Working days: ${waitDays.problem}.`
      : typeof price === 'object' && price
        ? `Its price there: ${price.problem}.`
        : null;
  return (
    <Chips
      label="It comes from"
      items={sources}
      nameOf={(s) =>
        `${s.name}, ${s.waitDays} ${s.waitDays === 1 ? 'day' : 'days'}${s.cost === undefined ? '' : `, ${money.exact(s.cost)}`}`
      }
      onRemove={(n) => onChange(without(sources, n))}
    >
      <ChipField label="Source" width="w-40" onType={setName} placeholder="source" value={name} />
      <ChipField
        label="Working days"
        width="w-20"
        onType={setDays}
        placeholder="days"
        inputMode="numeric"
        value={days}
      />
      <ChipField
        label="Its price there"
        width="w-24"
        onType={setCost}
        placeholder="price"
        inputMode="decimal"
        value={cost}
      />
      {problem && (
        <p role="alert" className="w-full font-semibold text-rust">
          {problem}
        </p>
      )}
      <Button
        disabled={
          !name.trim() ||
          typeof waitDays !== 'number' ||
          problem !== null ||
          sources.some((s) => s.name === name.trim())
        }
        onClick={() => {
          if (typeof waitDays !== 'number') return;
          onChange([
            ...sources,
            {
              name: name.trim(),
              waitDays,
              ...(typeof price === 'number' && { cost: Math.round(price * 100) }),
            },
          ]);
          setName('');
          setDays('');
          setCost('');
        }}
      >
        Add
      </Button>
    </Chips>
  );
}
