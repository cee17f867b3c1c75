import type { ComponentProps, ReactElement } from 'react';
import { Link } from 'react-router';
import { BUTTON_LOOKS, type ButtonLook } from './Button';

/** The one call of a screen where it leads to another place: a link as large as its button would be. */
export const MainLink = ({
  look = 'rust',
  className = '',
  ...rest
}: ComponentProps<typeof Link> & { look?: ButtonLook }): ReactElement => (
  <Link
    className={`inline-flex min-h-14 items-center rounded-md px-8 text-xl font-semibold ${BUTTON_LOOKS[look]} ${className}`}
    {...rest}
  />
);
