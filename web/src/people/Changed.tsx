import type { PersonOnBooks } from '@rusty-wren/contract';
import { format } from 'date-fns';
import type { ReactElement } from 'react';
import { useMoney } from '../ui/money';
import { doneWords } from './doneWords';
import { useDoneQuery } from './peopleApi';

/** What was done with access and settings, latest first: who, what, when, from where. */
export function Changed({ people }: { people: readonly PersonOnBooks[] }): ReactElement {
  const { data: done = [] } = useDoneQuery();
  const money = useMoney();
  const nameOf = (id: string): string | undefined => people.find((p) => p.id === id)?.name;
  return (
    <section aria-label="What was changed">
      <h2 className="text-2xl font-bold">What was changed</h2>
      <ol
        className="mt-3 max-h-[32rem] divide-y divide-line overflow-y-auto border-y border-line"
        tabIndex={0}
      >
        {done.map((one) => (
          <li key={one.n} className="py-2 wrap-anywhere">
            <strong>{one.who ?? 'Somebody'}</strong> {doneWords(one, nameOf, money)}
            <span className="block text-soft tabular-nums">
              {format(one.at, 'd MMM HH:mm')}
              {one.address && one.address !== 'none' && `, from ${one.address}`}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
