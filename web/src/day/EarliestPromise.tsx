import { format } from 'date-fns';
import { useMemo, type ReactElement } from 'react';
import { dayWords } from '../ui/words';
import { useNow } from '../ui/useNow';
import { momentOf } from './moment';
import { useBooks } from './useBooks';
import { usePlan, usePromises } from './usePlan';
import { dayWork, zeroOf, type Books } from './work';
import { Guarded } from '../ui/Guarded';

const TICK_MS = 60_000;

interface Chosen {
  value: string;
  onTake: (day: string) => void;
}

/** The earliest day that can be promised at nine in ten, by all that hangs here; nothing until it is known. */
export function EarliestPromise(chosen: Chosen): ReactElement | null {
  const { books } = useBooks();
  return (
    books && (
      <Guarded what="The earliest day">
        <Reckoned books={books} {...chosen} />
      </Guarded>
    )
  );
}

function Reckoned({ books, value, onTake }: Chosen & { books: Books }): ReactElement | null {
  const { tags, drawer, day, accounts } = books;
  const zero = zeroOf(useNow(true, Date.now, TICK_MS));
  const { work } = useMemo(
    () => dayWork({ tags, drawer, day, accounts }, zero),
    [tags, drawer, day, accounts, zero],
  );
  const plan = usePlan(work, zero, day.plan);
  const stand = usePromises(work, plan);
  if (!stand || !Number.isFinite(stand.newcomer)) return null;
  const earliest = format(momentOf(stand.newcomer, zero), 'yyyy-MM-dd');
  return (
    <button
      type="button"
      aria-pressed={value === earliest}
      onClick={() => onTake(earliest)}
      className="min-h-11 rounded-md border-2 border-dashed border-line px-3 font-medium hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
    >
      {dayWords(earliest)}, nine in ten
    </button>
  );
}
