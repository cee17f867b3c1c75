import type { Job } from '@rusty-wren/contract';
import { comebackOf, type Picture } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useMachineQuery } from '../api/api';
import { comebackWords, goneOf } from '../find/gone';

/** That the machine was here lately with the same, or with what was left then; nothing where it was not. */
export function CameBack({
  job,
  picture,
}: {
  job: Job;
  picture: Pick<Picture, 'complaints'>;
}): ReactElement | null {
  const { data } = useMachineQuery(job.machine.id);
  const gone = (data?.jobs ?? []).filter((t) => t.job.id !== job.id).flatMap(goneOf);
  const back = comebackOf(
    picture.complaints.map((c) => c.complaint),
    gone,
    job.checkedInAt,
  );
  return back ? (
    <p className="mt-1 font-semibold text-rust">
      {comebackWords(back)}.{' '}
      <Link to={`/job/${back.job.tag.job.id}`} className="underline underline-offset-4">
        Then it was {back.job.tag.job.tag}
      </Link>
    </p>
  ) : null;
}
