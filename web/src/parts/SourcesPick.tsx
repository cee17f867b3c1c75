import type { Source } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { useMoney } from '../ui/money';
import { Chips, FIELD, without } from './Chips';

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
      <input
        aria-label="Source"
        placeholder="source"
        value={name}
        onChange={(e) => setName(e.target.value)}
        className={`${FIELD} w-40`}
      />
      <input
        aria-label="Working days"
        placeholder="days"
        inputMode="numeric"
        value={days}
        onChange={(e) => setDays(e.target.value)}
        className={`${FIELD} w-20`}
      />
      <input
        aria-label="Its price there"
        placeholder="price"
        inputMode="decimal"
        value={cost}
        onChange={(e) => setCost(e.target.value)}
        className={`${FIELD} w-24`}
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
