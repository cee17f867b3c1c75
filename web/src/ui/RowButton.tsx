import type { ComponentProps, ReactElement, ReactNode } from 'react';

/** One row of a list to tap: what it is on the left, a figure on the right. */
export function RowButton({
  aside,
  children,
  ...rest
}: ComponentProps<'button'> & { aside: ReactNode }): ReactElement {
  return (
    <button
      type="button"
      className="flex min-h-11 w-full items-baseline justify-between gap-4 border-b border-line py-2 text-left text-lg hover:border-ink"
      {...rest}
    >
      <span>{children}</span>
      <span className="shrink-0">{aside}</span>
    </button>
  );
}
