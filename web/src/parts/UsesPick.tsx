import { PART_USES, useName, type PartUse } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { useFinder } from '../ui/useFinder';
import { ChipField, Chips, without } from './Chips';

const USES = PART_USES.map((id) => ({ id, name: useName(id) }));
const BY = ['name', 'id'] as const;

/** What the part is fitted for: found by typing, taken by a tap. */
export function UsesPick({
  uses,
  onChange,
}: {
  uses: readonly PartUse[];
  onChange: (uses: readonly PartUse[]) => void;
}): ReactElement {
  const [find, setFind] = useState('');
  const found = useFinder(USES, BY, find);
  const offered = find.trim() ? found.filter((u) => !uses.includes(u.id)).slice(0, 5) : [];
  return (
    <Chips label="It is for" items={uses} nameOf={useName} onRemove={(n) => onChange(without(uses, n))}>
      <ChipField
        label="Find a repair or a layer"
        width="w-full sm:w-72"
        onType={setFind}
        placeholder="a repair or a layer"
        value={find}
      />
      {offered.map((u) => (
        <button
          key={u.id}
          type="button"
          onClick={() => {
            onChange([...uses, u.id]);
            setFind('');
          }}
          className="min-h-11 rounded-md border-2 border-dashed border-line px-3 text-left hover:border-ink"
        >
          {u.name}
        </button>
      ))}
    </Chips>
  );
}
