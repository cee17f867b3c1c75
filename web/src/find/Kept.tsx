import type { MachineLeft } from '@rusty-wren/contract';
import { causeOf, CHOICE_NAMES } from '@rusty-wren/core/knowledge';
import { PAPER_NAMES } from '@rusty-wren/core/paper';
import { format } from 'date-fns';
import type { ReactElement, ReactNode } from 'react';
import { Link } from 'react-router';

/** A heading over what jobs left, each under its tag and day. */
function ByJob({
  title,
  left,
  show,
}: {
  title: string;
  left: readonly MachineLeft[];
  show: (one: MachineLeft) => ReactNode;
}): ReactElement | null {
  if (left.length === 0) return null;
  return (
    <section aria-label={title} className="mt-7">
      <h2 className="text-2xl font-bold">{title}</h2>
      <ul className="text-lg leading-snug">
        {left.toReversed().map((one) => (
          <li key={one.jobId} className="flex gap-3 border-b border-line py-2">
            <Link
              to={`/job/${one.jobId}`}
              className="inline-flex min-h-11 min-w-11 items-center font-tag text-2xl font-bold hover:underline"
            >
              {one.tag}
            </Link>
            <div className="min-w-0 flex-1 self-center">{show(one)}</div>
            <span className="self-center text-soft">{format(one.at, 'd MMM yyyy')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What an owner was told of a machine and left as it was, and what they chose. */
export const ToldAndLeft = ({ left }: { left: readonly MachineLeft[] }): ReactElement => (
  <ByJob
    title="Told, and left"
    left={left.filter((one) => one.told.length > 0)}
    show={({ told, decided }) => (
      <>
        {told.map(({ cause, answer, words }) => (
          <p key={cause}>
            <strong>{causeOf(cause).name}</strong>, {answer === 'told' ? 'the owner was told' : 'left'}
            {words && <>: {words}</>}.
          </p>
        ))}
        {decided && <p>Chosen: {CHOICE_NAMES[decided]}.</p>}
      </>
    )}
  />
);

/** Papers given and pictures taken. */
export const PapersAndPictures = ({ left }: { left: readonly MachineLeft[] }): ReactElement => (
  <ByJob
    title="Papers and pictures"
    left={left.filter((one) => one.papers.length + one.photos.length > 0)}
    show={({ jobId, tag, papers, photos }) => (
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        {papers.length > 0 && (
          <Link
            to={`/job/${jobId}/papers`}
            className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
          >
            {papers.map((p) => PAPER_NAMES[p]).join(', ')}
          </Link>
        )}
        {photos.map((hash, n) => (
          <Link key={hash} to={`/job/${jobId}`}>
            <img
              src={`/api/photos/${hash}`}
              alt={`Picture ${n + 1} of tag ${tag}`}
              loading="lazy"
              className="size-20 rounded-md object-cover"
            />
          </Link>
        ))}
      </div>
    )}
  />
);
