import type { Machine, RackTag } from '@rusty-wren/contract';
import { behaviourOf, type ComplaintId } from '@rusty-wren/core/knowledge';
import { comebackOf, nameOfMend } from '@rusty-wren/core/log';
import { format, formatDistanceToNow } from 'date-fns';
import { type ReactElement } from 'react';
import { Link } from 'react-router';
import { useMachineQuery } from '../api/api';
import { comebackWords, goneOf } from '../find/gone';
import { inSentence } from '../ui/words';
import { useOpenedAt } from '../ui/useNow';

const complaintsOf = (tag: RackTag): string =>
  tag.complaints.map((c) => inSentence(behaviourOf(c).label)).join(', ');

/** Whether this machine hangs on the rack already, whether it comes back with the same, and when it was here last and why. */
export function HereBefore({
  machine,
  complaints,
}: {
  machine: Machine;
  complaints: readonly ComplaintId[];
}): ReactElement | null {
  const { data } = useMachineQuery(machine.id);
  const now = useOpenedAt();
  if (!data) return null;
  const hanging = data.jobs.filter((t) => t.stage !== 'closed');
  const [last] = data.jobs.filter((t) => t.stage === 'closed');
  const back = comebackOf(complaints, data.jobs.flatMap(goneOf), now);
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
      {back && <p className="font-semibold text-rust">{comebackWords(back)}.</p>}
      {last ? (
        <p>
          Here last {formatDistanceToNow(last.stageSince ?? last.job.checkedInAt, { addSuffix: true })} (
          {format(last.stageSince ?? last.job.checkedInAt, 'd MMM yyyy')}): {complaintsOf(last)}.{' '}
          {last.mended.length > 0 &&
            `Mended: ${last.mended.map((m) => inSentence(nameOfMend(m, machine.kind))).join(', ')}. `}
          <Link to={`/machines/${machine.id}`} className="underline underline-offset-4">
            Its life
          </Link>
        </p>
      ) : (
        <p className="text-soft">Not here before{hanging.length > 0 ? ' that' : ''}.</p>
      )}
    </div>
  );
}
