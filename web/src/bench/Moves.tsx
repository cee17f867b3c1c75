import type { Moved } from '@rusty-wren/core/diagnosis';
import type { ReactElement } from 'react';

/** e^x as "×n", so that odds read like a bookmaker's. */
const times = (logOdds: number): string => {
  const factor = Math.exp(Math.abs(logOdds));
  return `×${factor >= 10 ? (factor >= 999 ? '999+' : Math.round(factor)) : factor.toFixed(1)}`;
};

/** The entries that raised and lowered a suspect, strongest first; each leads to its line in the trail. */
export function Moves({
  moved,
  nameOf,
  onEntry,
}: {
  moved: readonly Moved[];
  nameOf: (ref: string) => string;
  onEntry?: ((ref: string) => void) | undefined;
}): ReactElement {
  if (moved.length === 0)
    return <p className="text-soft">Nothing on the log moved it; this is how common it is.</p>;
  return (
    <ul aria-label="What moved it" className="leading-snug">
      {moved.map((m) => {
        const raised = m.logOdds > 0;
        const says = (
          <>
            <span>
              <span className="sr-only">{raised ? 'Raised by' : 'Lowered by'} </span>
              {nameOf(m.ref)}
            </span>
            <strong className={`shrink-0 ${raised ? 'text-rust' : 'text-moss'}`}>
              {raised ? '▲' : '▼'} {times(m.logOdds)}
            </strong>
          </>
        );
        return (
          <li key={m.ref}>
            {onEntry ? (
              <button
                type="button"
                onClick={() => onEntry(m.ref)}
                className="flex min-h-11 w-full items-center justify-between gap-3 text-left hover:underline"
              >
                {says}
              </button>
            ) : (
              <span className="flex justify-between gap-3 py-1">{says}</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}
