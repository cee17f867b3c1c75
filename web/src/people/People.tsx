import type { ReactElement } from 'react';
import { problemWords } from '../api/api';
import { Loading, NotFetched } from '../ui/State';
import { Backups } from './Backups';
import { Changed } from './Changed';
import { Devices } from './Devices';
import { Instruments } from './Instruments';
import { OnTheBooks } from './OnTheBooks';
import { usePeopleQuery } from './peopleApi';

/** What the lead sees to: who works here and as what, devices that are signed in, instruments, backups, and what was changed. */
export function People(): ReactElement {
  const { data: people, error, refetch } = usePeopleQuery();
  if (error && !people) return <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />;
  if (!people) return <Loading what="Looking who works here…" />;
  return (
    <div className="grid flex-1 content-start gap-x-12 gap-y-10 px-3 py-5 sm:px-5 lg:grid-cols-[minmax(0,34rem)_minmax(0,34rem)]">
      <div className="grid content-start gap-10">
        <OnTheBooks people={people} />
        <Instruments />
        <Backups />
      </div>
      <div className="grid content-start gap-10">
        <Devices />
        <Changed people={people} />
      </div>
    </div>
  );
}
