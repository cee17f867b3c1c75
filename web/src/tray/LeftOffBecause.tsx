import type { ComponentProps, ReactElement } from 'react';
import { OneLine } from '../ui/OneLine';

type Line = ComponentProps<typeof OneLine>;

/** Something stays off on purpose: the word why, without which it does not. */
export const LeftOffBecause = ({
  label = 'Left off on purpose, because',
  placeholder = 'left off, because…',
  look = 'plain',
  ...rest
}: Pick<Line, 'onDone'> & Partial<Pick<Line, 'label' | 'placeholder' | 'look' | 'focus'>>): ReactElement => (
  <OneLine label={label} placeholder={placeholder} most={500} done="Left off" look={look} {...rest} />
);
