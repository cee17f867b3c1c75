import { tagWords } from '../ui/words';
import type { Job } from '@rusty-wren/contract';
import { ArrowLeft } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';

/** Along the top of a job's other screens: back to its bench, which machine it is, and the screen worked in turns with. */
export function JobBar({ job, other }: { job: Job; other?: { to: string; words: string } }): ReactElement {
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b-2 border-line px-3 py-2 sm:px-5">
      <Link
        to={`/job/${job.id}`}
        className="-ml-2 flex min-h-11 items-center gap-2 rounded-md px-2 font-semibold hover:bg-line"
      >
        <ArrowLeft size={20} aria-hidden /> Bench
      </Link>
      <span className="font-tag text-4xl leading-none font-bold">{tagWords(job.tag)}</span>
      <h1 className="font-tag text-2xl font-semibold">
        {job.machine.maker} {job.machine.model}
      </h1>
      {other && (
        <Link
          to={`/job/${job.id}/${other.to}`}
          className="ml-auto flex min-h-11 items-center rounded-md px-2 font-semibold hover:bg-line"
        >
          {other.words}
        </Link>
      )}
    </div>
  );
}
