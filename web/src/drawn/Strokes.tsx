import type { ComponentProps, ReactElement } from 'react';

/** A line drawing: round strokes in the colour of the words beside it, and nothing for a reader of the screen. */
export const Strokes = (props: ComponentProps<'svg'>): ReactElement => (
  <svg
    aria-hidden
    fill="none"
    stroke="currentColor"
    strokeWidth={2.4}
    strokeLinecap="round"
    strokeLinejoin="round"
    {...props}
  />
);
