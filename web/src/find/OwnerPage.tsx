import type { OwnerLife } from '@rusty-wren/contract';
import { Plus } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { problemWords, useOwnerQuery } from '../api/api';
import { useAppSelector } from '../app/store';
import { roleOf } from '../hands/hands';
import { Loading, NotFetched } from '../ui/State';
import { JobList } from './JobList';
import { TakeOut } from './TakeOut';

/** An owner: whom to ring, their machines, and what they brought. */
export function OwnerPage(): ReactElement {
  const { ownerId = '' } = useParams();
  const { data, error, refetch } = useOwnerQuery(ownerId);
  if (data) return <Owner life={data} />;
  return error ? (
    <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />
  ) : (
    <Loading what="Fetching what they brought…" />
  );
}

/** An owner's machines and jobs, as they are told. */
export function Owner({ life: { owner, machines, jobs } }: { life: OwnerLife }): ReactElement {
  const role = useAppSelector(roleOf);
  return (
    <div className="w-full max-w-4xl flex-1 px-3 py-5 sm:px-5">
      <h1 className="text-4xl font-bold">{owner.name}</h1>
      <p className="mt-1 text-xl text-soft">{[owner.circle, owner.phone].filter(Boolean).join(', ')}</p>
      <section aria-label="Machines" className="mt-6">
        <h2 className="text-2xl font-bold">Machines</h2>
        <ul className="sm:columns-2 sm:gap-10">
          {machines.map((m) => (
            <li key={m.id} className="break-inside-avoid">
              <Link
                to={`/machines/${m.id}`}
                className="flex min-h-12 items-baseline justify-between gap-4 border-b border-line py-2 text-lg hover:bg-line"
              >
                <span>
                  <strong>
                    {m.maker} {m.model}
                  </strong>{' '}
                  <span className="text-soft">{m.serial}</span>
                </span>
                <span>
                  {m.jobs} {m.jobs === 1 ? 'job' : 'jobs'}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        <Link
          to="/check-in"
          className="mt-3 inline-flex min-h-11 items-center gap-1 font-semibold underline underline-offset-4"
        >
          <Plus size={18} aria-hidden /> Check one in
        </Link>
      </section>
      <section aria-label="Jobs" className="mt-6">
        <h2 className="text-2xl font-bold">Jobs</h2>
        <JobList jobs={jobs} whose="machine" />
      </section>
      {role === 'lead' && <TakeOut owner={owner} />}
    </div>
  );
}
