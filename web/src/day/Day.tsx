import { CalendarClock, Printer } from 'lucide-react';
import { useMemo, useState, type ReactElement } from 'react';
import { problemWords } from '../api/api';
import { useAppSelector } from '../app/store';
import { noterOf } from '../hands/hands';
import { Button } from '../ui/Button';
import { Loading, NotFetched } from '../ui/State';
import { useNow } from '../ui/useNow';
import { Working } from '../ui/Working';
import { DaySheet } from './DaySheet';
import { HoursSheet } from './HoursSheet';
import { NowAndThen } from './NowAndThen';
import { Promises } from './Promises';
import { Strips } from './Strips';
import { useBooks } from './useBooks';
import { useHelps, usePlan, usePromises } from './usePlan';
import { dayWork, zeroOf, type Books } from './work';
import { Guarded } from '../ui/Guarded';

const TICK_MS = 20_000;

/** The day: what to do now, what then, what cools meanwhile; everybody's strip; which promises will not hold. */
export function Day(): ReactElement {
  const { books, failed, retry } = useBooks();
  if (books)
    return (
      <Guarded what="The plan">
        <Planned {...books} />
      </Guarded>
    );
  return failed ? (
    <NotFetched why={problemWords(failed)} onRetry={retry} />
  ) : (
    <Loading what="Planning the day…" />
  );
}

/** The day as it is planned for what hangs here. */
export function Planned({ tags, drawer, day, accounts }: Books): ReactElement {
  const zero = zeroOf(useNow(true, Date.now, TICK_MS));
  const noter = useAppSelector(noterOf);
  const me = (accounts.find((a) => a.id === noter) ?? accounts[0])?.id ?? null;
  const [hours, setHours] = useState(false);
  const { work, waiting, calendar } = useMemo(
    () => dayWork({ tags, drawer, day, accounts }, zero),
    [tags, drawer, day, accounts, zero],
  );
  const plan = usePlan(work, zero, day.plan);
  const stand = usePromises(work, plan);
  const helps = useHelps(work, plan, stand, waiting);
  const known = useMemo(
    () => ({
      tags: new Map(tags.map((t) => [t.job.id, t])),
      tasks: new Map(work.tasks.map((t) => [t.id, t])),
      zero,
    }),
    [tags, work, zero],
  );
  return (
    <div className="flex-1 px-3 py-5 sm:px-5">
      <h1 className="sr-only">The day</h1>
      {plan && <DaySheet slots={plan.slots} accounts={accounts} known={known} />}
      <div className="grid grid-cols-1 gap-x-12 gap-y-6 print:hidden lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
        {plan ? (
          <NowAndThen slots={plan.slots} me={me} known={known} />
        ) : (
          <Loading what="Planning the day…" />
        )}
        <Promises
          work={work}
          stand={stand}
          helps={helps}
          waiting={waiting}
          drawer={drawer}
          accounts={accounts}
          known={known}
        />
      </div>
      {plan && (
        <Strips
          slots={plan.slots}
          work={work}
          calendar={calendar}
          accounts={accounts}
          pins={day.pins}
          known={known}
        />
      )}
      <div className="mt-4 flex flex-wrap items-center gap-4 print:hidden">
        <Button onClick={() => setHours(true)}>
          <CalendarClock size={18} aria-hidden /> Hours and days off
        </Button>
        <Button look="quiet" className="!px-0" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Day sheet
        </Button>
        {plan && plan.share !== null && (
          <Working what="Looking for a better plan" share={plan.share} onStop={plan.stop} />
        )}
      </div>
      {hours && <HoursSheet day={day} accounts={accounts} me={me} onClose={() => setHours(false)} />}
    </div>
  );
}
