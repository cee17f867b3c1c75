import type { ReactElement, ReactNode } from 'react';
import { useAppSelector } from '../app/store';
import { isLead } from './hands';

/** What only the lead sets: everybody else reads it, and is told so. */
export function LeadSets({ children }: { children: ReactNode }): ReactElement {
  const lead = useAppSelector(isLead);
  return (
    <>
      <fieldset role="none" disabled={!lead} className="min-w-0">
        {children}
      </fieldset>
      {!lead && <p className="mt-3 text-lg text-soft">The lead sets these.</p>}
    </>
  );
}
