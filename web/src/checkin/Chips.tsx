import { ToggleGroup } from 'radix-ui';
import type { ReactElement, ReactNode } from 'react';

export interface Chip<T> {
  value: T;
  label: string;
}

/** A chip, and the one that is picked. */
export const CHIP =
  'min-h-11 rounded-md border-2 border-line bg-card px-3 font-medium hover:border-ink data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper';

/** One question, one answer or none, in thumb-sized chips. */
export function Chips<T extends string>({
  label,
  chips,
  value,
  onChange,
  children,
}: {
  label: string;
  chips: readonly Chip<T>[];
  value: T | undefined;
  onChange: (value: T | undefined) => void;
  /** Another answer, beside the chips. */
  children?: ReactNode;
}): ReactElement {
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="w-32 shrink-0 font-semibold">{label}</span>
      <ToggleGroup.Root
        type="single"
        value={value ?? ''}
        onValueChange={(next) => onChange((next || undefined) as T | undefined)}
        aria-label={label}
        className="flex flex-wrap gap-1"
      >
        {chips.map((chip) => (
          <ToggleGroup.Item key={chip.value} value={chip.value} className={CHIP}>
            {chip.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {children}
    </div>
  );
}
