import { causeOf, type CauseId } from '@rusty-wren/core/knowledge';
import type { Found as FoundFault } from '@rusty-wren/core/diagnosis';
import { Eye, Wrench } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

const STATE_WORDS = {
  mended: 'mended',
  vain: 'put right without effect',
} as const;

/** What was seen, measured or put right: true whatever else is wrong, and on the list of work. */
export function Found({
  found,
  mending,
  nameOf,
  onSettle,
  onEntry,
}: {
  found: readonly FoundFault[];
  /** Being mended already. */
  mending: ReadonlySet<CauseId>;
  nameOf: (ref: string) => string;
  onSettle: (cause: CauseId) => void;
  onEntry: (ref: string) => void;
}): ReactElement | null {
  if (found.length === 0) return null;
  return (
    <section aria-label="Found" className="mb-6">
      <h2 className="text-2xl font-bold">Found</h2>
      <ul className="mt-1">
        {found.map(({ cause, refs, state, explains }) => {
          const [ref] = refs;
          return (
            <li
              key={cause}
              data-found={cause}
              className="flex flex-wrap items-center justify-between gap-x-3 border-b border-line py-1"
            >
              <button
                type="button"
                onClick={() => ref && onEntry(ref)}
                className="flex min-h-11 min-w-0 flex-1 items-center gap-2 text-left hover:underline"
              >
                {state === 'standing' ? (
                  <Eye size={20} className="shrink-0" aria-hidden />
                ) : (
                  <Wrench size={20} className="shrink-0 text-moss" aria-hidden />
                )}
                <span className="leading-tight">
                  <strong className="text-lg">{causeOf(cause).name}</strong>
                  <span className="block text-soft">
                    {state === 'standing'
                      ? explains.length > 0
                        ? (ref && nameOf(ref)) || 'seen'
                        : 'on the way: not the complaint'
                      : STATE_WORDS[state]}
                  </span>
                </span>
              </button>
              {state === 'standing' && !mending.has(cause) && (
                <Button onClick={() => onSettle(cause)}>Mend it</Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
