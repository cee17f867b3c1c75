import { BEHAVIOURS, type ComplaintId } from '@rusty-wren/core/knowledge';
import { ToggleGroup } from 'radix-ui';
import type { ReactElement } from 'react';
import { SpeedShape } from '../drawn/SpeedShape';

/** Which of these was it? Every behaviour as its speed against time; any number may be picked. */
export function Shapes({
  value,
  narrow = false,
  onChange,
}: {
  value: readonly ComplaintId[];
  /** In a dialog: three beside each other at most. */
  narrow?: boolean;
  onChange: (value: ComplaintId[]) => void;
}): ReactElement {
  return (
    <ToggleGroup.Root
      type="multiple"
      value={[...value]}
      onValueChange={(next) => onChange(next as ComplaintId[])}
      aria-label="What it does"
      className={`grid grid-cols-2 gap-2 ${narrow ? 'sm:grid-cols-3' : 'sm:grid-cols-4 lg:grid-cols-7'}`}
    >
      {BEHAVIOURS.map((b) => (
        <ToggleGroup.Item
          key={b.id}
          value={b.id}
          title={b.words}
          className="rounded-md border-2 border-line bg-card px-2 pt-2 pb-1.5 text-left text-[0.95rem] hover:border-ink data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper"
        >
          <SpeedShape complaint={b.id} className="h-7 w-full" />
          <span className="block leading-tight font-semibold">{b.label}</span>
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
