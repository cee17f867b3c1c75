import { X } from 'lucide-react';
import type { ComponentProps, ReactElement, ReactNode } from 'react';

/** What was chosen, each with a way to take it out again. */
export function Chips<T>({
  label,
  items,
  nameOf,
  onRemove,
  children,
}: {
  label: string;
  items: readonly T[];
  nameOf: (item: T) => string;
  onRemove: (at: number) => void;
  /** How one is added. */
  children: ReactNode;
}): ReactElement {
  return (
    <fieldset className="mt-4">
      <legend className="font-semibold">{label}</legend>
      {items.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-2">
          {items.map((item, n) => (
            <li key={nameOf(item)}>
              <button
                type="button"
                aria-label={`Take out: ${nameOf(item)}`}
                onClick={() => onRemove(n)}
                className="flex min-h-11 items-center gap-2 rounded-md border-2 border-line bg-card px-3 text-left hover:border-ink"
              >
                {nameOf(item)} <X size={16} className="shrink-0" aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap items-end gap-2">{children}</div>
    </fieldset>
  );
}

export const FIELD =
  'min-h-11 min-w-0 rounded-md border-2 border-line bg-card px-3 text-lg placeholder:text-soft';

/** One thing to type, or a choice of one to add: `width` as a Tailwind class. */
export const ChipField = ({
  label,
  width,
  onType,
  ...rest
}: Omit<ComponentProps<'input'>, 'onChange' | 'className'> & {
  label: string;
  width: string;
  onType: (text: string) => void;
}): ReactElement => (
  <input
    aria-label={label}
    onChange={(e) => onType(e.target.value)}
    className={`${FIELD} ${width}`}
    {...rest}
  />
);

export const without = <T,>(items: readonly T[], at: number): T[] => items.filter((_, n) => n !== at);
