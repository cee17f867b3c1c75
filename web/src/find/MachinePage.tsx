import type { MachineLife } from '@rusty-wren/contract';
import { causeOf } from '@rusty-wren/core/knowledge';
import { formatTurns } from '@rusty-wren/core/units';
import { format } from 'date-fns';
import type { ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { problemWords, useMachineQuery } from '../api/api';
import { Loading, NotFetched } from '../ui/State';
import { KIND_WORDS } from '../ui/words';
import { JobList } from './JobList';
import { PapersAndPictures, ToldAndLeft } from './Kept';
import { OverTheYears } from './OverTheYears';

/** A machine's life: what was measured over the years, every job since it first came, what was told and kept. */
export function MachinePage(): ReactElement {
  const { machineId = '' } = useParams();
  const { data, error, refetch } = useMachineQuery(machineId);
  if (data) return <Life life={data} />;
  return error ? (
    <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />
  ) : (
    <Loading what="Fetching its life…" />
  );
}

/** The life of a machine, as it is told. */
export function Life({
  life: { machine, owner, jobs, squeezes, left, record },
}: {
  life: MachineLife;
}): ReactElement {
  const first = jobs.at(-1);
  // Its job knows the maker's figures for it.
  const [latest] = jobs;
  return (
    <div className="w-full max-w-4xl flex-1 px-3 py-5 sm:px-5">
      <h1 className="text-4xl font-bold">
        {machine.maker} {machine.model}
      </h1>
      <p className="mt-1 text-xl">
        <Link to={`/owners/${owner.id}`} className="font-semibold underline underline-offset-4">
          {owner.name}
        </Link>
        <span className="text-soft">
          {`, ${KIND_WORDS[machine.kind]}`}
          {machine.displacementCc !== null && `, ${machine.displacementCc} cc`}
          {machine.serial && `, ${machine.serial}`}
          {first && `, first here ${format(first.job.checkedInAt, 'MMMM yyyy')}`}
        </span>
      </p>
      <OverTheYears machine={latest?.job.machine ?? machine} squeezes={squeezes} left={left} />
      <ToldAndLeft left={left} />
      <section aria-label="Jobs" className="mt-6">
        <h2 className="text-2xl font-bold">
          {jobs.length} {jobs.length === 1 ? 'job' : 'jobs'}
        </h2>
        <JobList jobs={jobs} whose="nobody" />
      </section>
      <PapersAndPictures left={left} />
      <Record record={record} model={`${machine.maker} ${machine.model}`} />
    </div>
  );
}

/** What this shop found on machines of the model: in shares, with the counts they rest on. */
function Record({ record, model }: { record: MachineLife['record']; model: string }): ReactElement | null {
  const { jobs, found, squeeze, screws, parts } = record;
  if (jobs === 0) return null;
  return (
    <section aria-label="What this model has" className="mt-8">
      <h2 className="text-2xl font-bold">
        {model}, {jobs} {jobs === 1 ? 'job' : 'jobs'} in this shop
      </h2>
      <ul className="mt-1 text-lg">
        {found.map(({ cause, jobs: n }) => (
          <li
            key={cause}
            className="grid grid-cols-[1fr_6rem] items-center gap-x-4 border-b border-line py-2 sm:grid-cols-[20rem_1fr_6rem]"
          >
            <span>{causeOf(cause).name}</span>
            <span aria-hidden className="hidden h-3 rounded-sm bg-line sm:block">
              <span className="block h-3 rounded-sm bg-ink" style={{ width: `${(100 * n) / jobs}%` }} />
            </span>
            <strong className="text-right tabular-nums">
              {n} of {jobs}
            </strong>
          </li>
        ))}
      </ul>
      {squeeze && (
        <p className="mt-3 text-lg">
          Sound ones read <strong>{squeeze.psi} psi</strong> ({squeeze.of} measured).
        </p>
      )}
      {screws.map(({ screw, turns, from, to, of }) => (
        <p key={screw} className="mt-1 text-lg">
          Left proved, the {screw} screw stood <strong>{formatTurns(turns)}</strong> out (
          {from < to && `mostly ${formatTurns(from)} to ${formatTurns(to)}, `}
          {of} counted).
        </p>
      ))}
      {parts.length > 0 && (
        <p className="mt-1 text-lg">Took {parts.map((p) => `${p.used} × ${p.name}`).join(', ')}.</p>
      )}
    </section>
  );
}
