import type { Source } from '@rusty-wren/core/parts';
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
  const [waitDays, cents] = [Number(days), Math.round(Number(cost.replace(',', '.')) * 100)];
  const wrong =
    !name.trim() ||
    !days.trim() ||
    !Number.isInteger(waitDays) ||
    waitDays < 0 ||
    !Number.isFinite(cents) ||
    sources.some((s) => s.name === name.trim());
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
      <Button
        disabled={wrong}
        onClick={() => {
          onChange([...sources, { name: name.trim(), waitDays, ...(cost.trim() && { cost: cents }) }]);
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
