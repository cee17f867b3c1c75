import { Fuel, Link2, Unlink } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import type { Mate } from './useJob';
import type { Log } from './useLog';

/** Which other jobs drink from the same can, so that what is found in it counts here; a link can be cut and tied again. */
export function SameCan({ mates, log }: { mates: readonly Mate[]; log: Log }): ReactElement | null {
  if (mates.length === 0) return null;
  return (
    <section aria-label="Same can" className="mt-3 flex flex-wrap items-center gap-x-2">
      <h3 className="flex items-center gap-2 text-xl font-semibold">
        <Fuel size={19} aria-hidden /> Same can
      </h3>
      {mates.map(({ job, linked }) => (
        <span key={job.id} className="flex items-center">
          <Link
            to={`/job/${job.id}`}
            className={`flex min-h-11 items-center gap-2 rounded-md px-2 hover:bg-line ${linked ? '' : 'text-soft line-through'}`}
          >
            <strong className="font-tag text-xl">{job.tag}</strong>
            <span className="sr-only">{job.machine.model}</span>
          </Link>
          <button
            type="button"
            onClick={() => log('can', { job: job.id, shared: !linked })}
            aria-label={linked ? `Cut the link with ${job.tag}` : `Link with ${job.tag} again`}
            className="grid size-11 place-items-center rounded-md hover:bg-line"
          >
            {linked ? <Unlink size={18} aria-hidden /> : <Link2 size={18} aria-hidden />}
          </button>
        </span>
      ))}
    </section>
  );
}
