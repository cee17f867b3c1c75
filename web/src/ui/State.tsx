import type { ReactElement, ReactNode } from 'react';

/** A screen with nothing on it yet, and what to do about that. */
export function Blank({ title, children }: { title: string; children?: ReactNode }): ReactElement {
  return (
    <div className="mx-auto max-w-xl px-6 py-24 text-center">
      <p className="text-3xl font-bold">{title}</p>
      {children && <div className="mt-4 text-lg text-soft">{children}</div>}
    </div>
  );
}

/** Something is on its way. */
export function Loading({ what }: { what: string }): ReactElement {
  return (
    <p role="status" className="px-6 py-24 text-center text-xl text-soft">
      {what}
    </p>
  );
}
