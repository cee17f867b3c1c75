import type { ComponentProps, ReactElement } from 'react';

export type ButtonLook = 'rust' | 'plain' | 'quiet';

export const BUTTON_LOOKS: Readonly<Record<ButtonLook, string>> = {
  rust: 'bg-rust text-on-rust hover:brightness-110',
  plain: 'border-2 border-line bg-card hover:border-ink',
  quiet: 'text-soft underline-offset-4 hover:text-ink hover:underline',
};

/** A button never smaller than a thumb. `rust` only for what needs a hand now. */
export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ComponentProps<'button'> & { look?: ButtonLook }): ReactElement {
  return (
    <button
      type="button"
      className={`inline-flex min-h-11 items-center justify-center gap-2 rounded-md px-4 py-2 font-semibold disabled:opacity-50 ${BUTTON_LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
