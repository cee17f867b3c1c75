import type { Part } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { ChipField, Chips, FIELD, without } from './Chips';

/** What may go in its place, and what has to be seen to then. */
export function InsteadPick({
  instead,
  parts,
  onChange,
}: {
  instead: Part['instead'];
  parts: readonly Part[];
  onChange: (instead: Part['instead']) => void;
}): ReactElement {
  const [other, setOther] = useState('');
  const [condition, setCondition] = useState('');
  const names = new Map(parts.map((p) => [p.id, p.name]));
  return (
    <Chips
      label="In its place"
      items={instead}
      nameOf={(i) => `${names.get(i.part) ?? 'a part'}: ${i.condition}`}
      onRemove={(n) => onChange(without(instead, n))}
    >
      <select
        aria-label="Another part"
        value={other}
        onChange={(e) => setOther(e.target.value)}
        className={`${FIELD} max-w-full`}
      >
        <option value="">another part</option>
        {parts
          .filter((p) => !p.donor && !instead.some((i) => i.part === p.id))
          .map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
      </select>
      <ChipField
        label="What has to be seen to"
        width="w-64"
        onType={setCondition}
        placeholder="what has to be seen to"
        maxLength={300}
        value={condition}
      />
      <Button
        disabled={!other || !condition.trim()}
        onClick={() => {
          onChange([...instead, { part: other, condition: condition.trim() }]);
          setOther('');
          setCondition('');
        }}
      >
        Add
      </Button>
    </Chips>
  );
}
