import type { ReactElement, ReactNode } from 'react';
import { Button } from './Button';

/** A screen with nothing on it yet, and what to do about that. */
export function Blank({ title, children }: { title: string; children?: ReactNode }): ReactElement {
  return (
    <div className="mx-auto max-w-xl px-6 py-24 text-center">
      <p className="text-3xl font-bold">{title}</p>
      {children && <div className="mt-4 text-lg text-soft">{children}</div>}
    </div>
  );
}

/** What was asked for did not come: why, and one more try. */
export const NotFetched = ({
  why,
  onRetry,
  children,
}: {
  why: string;
  onRetry: () => void;
  children?: ReactNode;
}): ReactElement => (
  <Blank title={why}>
    <Button look="rust" onClick={onRetry}>
      Try again
    </Button>
    {children}
  </Blank>
);

/** Something is on its way. */
export function Loading({ what }: { what: string }): ReactElement {
  return (
    <p role="status" className="px-6 py-24 text-center text-xl text-soft">
      {what}
    </p>
  );
}
