import type { ComponentProps, ReactElement } from 'react';

/** A labelled field for figures, large enough to read at arm's length. `describedBy` names what says why not. */
export function FigureInput({
  id,
  label,
  wide = false,
  invalid = false,
  describedBy,
  ...rest
}: Omit<ComponentProps<'input'>, 'id' | 'className'> & {
  id: string;
  label: string;
  wide?: boolean;
  invalid?: boolean;
  describedBy?: string | undefined;
}): ReactElement {
  return (
    <div>
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <input
        id={id}
        inputMode="decimal"
        autoComplete="off"
        aria-invalid={invalid}
        aria-describedby={describedBy}
        className={`mt-1 min-h-14 max-w-full rounded-md border-2 border-line bg-card px-3 text-2xl font-semibold placeholder:font-normal placeholder:text-soft/70 ${wide ? 'w-72' : 'w-36'}`}
        {...rest}
      />
    </div>
  );
}
