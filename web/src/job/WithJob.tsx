import type { ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { problemWords } from '../api/api';
import { Loading, NotFetched } from '../ui/State';
import { KindInHand } from './tradeWords';
import { useJob, type JobAtBench } from './useJob';

/** A screen about the job in the address: shown once it is fetched, with its loading and its failing in one place. */
export function WithJob({
  show,
  waiting = () => <Loading what="Fetching the job…" />,
}: {
  show: (atBench: JobAtBench) => ReactElement;
  /** What stands there until it is fetched. */
  waiting?: (jobId: string) => ReactElement;
}): ReactElement {
  const { jobId = '' } = useParams();
  const { atBench, isLoading, error, refetch } = useJob(jobId);
  if (isLoading) return waiting(jobId);
  if (atBench) return <KindInHand value={atBench.job.machine.kind}>{show(atBench)}</KindInHand>;
  return (
    <NotFetched why={problemWords(error)} onRetry={() => void refetch()}>
      {' '}
      <Link to="/" className="ml-4 font-semibold underline">
        To the rack
      </Link>
    </NotFetched>
  );
}
