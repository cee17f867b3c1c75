import type { Machine, RackTag } from '@rusty-wren/contract';
import { behaviourOf } from '@rusty-wren/core/knowledge';
import { nameOfMend } from '@rusty-wren/core/log';
import { format, formatDistanceToNow } from 'date-fns';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useRackQuery } from '../api/api';
import { inSentence } from '../ui/words';

const complaintsOf = (tag: RackTag): string =>
  tag.complaints.map((c) => inSentence(behaviourOf(c).label)).join(', ');

/** Whether this machine hangs on the rack already, and when it was here last and why. */
export function HereBefore({ machine }: { machine: Machine }): ReactElement {
  const { data: open = [] } = useRackQuery('open');
  const { data: closed = [] } = useRackQuery('closed');
  const hanging = open.filter((t) => t.job.machine.id === machine.id);
  const [last] = closed.filter((t) => t.job.machine.id === machine.id);
  return (
    <div role="status" className="text-lg leading-snug">
      {hanging.map((tag) => (
        <p key={tag.job.id} className="font-semibold text-ochre">
          It hangs on the rack already:{' '}
          <Link
            to={`/job/${tag.job.id}`}
            className="inline-flex min-h-11 items-center underline underline-offset-4"
          >
            {tag.job.tag}, {complaintsOf(tag)}
          </Link>
        </p>
      ))}
      {last ? (
        <p>
          Here last {formatDistanceToNow(last.stageSince ?? last.job.checkedInAt, { addSuffix: true })} (
          {format(last.stageSince ?? last.job.checkedInAt, 'd MMM yyyy')}): {complaintsOf(last)}.{' '}
          {last.mended.length > 0 &&
            `Mended: ${last.mended.map((m) => inSentence(nameOfMend(m))).join(', ')}.`}
        </p>
      ) : (
        <p className="text-soft">Not here before{hanging.length > 0 ? ' that' : ''}.</p>
      )}
    </div>
  );
}
