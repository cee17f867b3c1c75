import type { RackTag } from '@rusty-wren/contract';
import { type ComponentProps, type ReactElement } from 'react';
import { Link } from 'react-router';
import { JobRow } from './JobRow';
import { useOpenedAt } from '../ui/useNow';

/** Jobs of a machine or an owner, each a way to its bench. */
export function JobList({
  jobs,
  whose,
}: {
  jobs: readonly RackTag[];
  whose: ComponentProps<typeof JobRow>['whose'];
}): ReactElement {
  const now = useOpenedAt();
  return (
    <ul>
      {jobs.map((tag) => (
        <li key={tag.job.id}>
          <Link
            to={`/job/${tag.job.id}`}
            className="flex min-h-12 items-center border-b border-line py-2 text-lg leading-snug hover:bg-line"
          >
            <JobRow tag={tag} whose={whose} now={now} />
          </Link>
        </li>
      ))}
    </ul>
  );
}
