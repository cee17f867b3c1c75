import { SURENESS, type Sureness } from '@rusty-wren/core/diagnosis';
import { ToggleGroup } from 'radix-ui';
import type { ReactElement } from 'react';

export const SURENESS_WORDS: Readonly<Record<Sureness, string>> = {
  sure: 'Sure',
  fair: 'Fairly sure',
  doubtful: 'Doubtful',
};

/** How sure the technician is of what they are about to record. */
export function SurenessPick({
  value,
  onChange,
}: {
  value: Sureness;
  onChange: (value: Sureness) => void;
}): ReactElement {
  return (
    <ToggleGroup.Root
      type="single"
      value={value}
      onValueChange={(next) => next && onChange(next as Sureness)}
      aria-label="How sure"
      className="inline-flex overflow-hidden rounded-md border-2 border-line"
    >
      {SURENESS.map((s) => (
        <ToggleGroup.Item
          key={s}
          value={s}
          className="min-h-11 px-3 font-semibold text-soft hover:text-ink data-[state=on]:bg-ink data-[state=on]:text-paper"
        >
          {SURENESS_WORDS[s]}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
