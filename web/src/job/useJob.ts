import { useMemo } from 'react';
import { useJobQuery } from '../api/api';
import { useAppSelector } from '../app/store';
import { readAtBench, type JobAtBench } from './readAtBench';

export type { JobAtBench, Mate } from './readAtBench';

/** A job with all this device knows of its log, sent or not, and everything worked out from it. */
export function useJob(jobId: string) {
  // Never another job's, which the query would go on showing until this one has come.
  const { currentData: data, isFetching, error, refetch } = useJobQuery(jobId);
  const unsent = useAppSelector((s) => s.outbox.unsent);
  const baselineTurns = useAppSelector((s) => s.settings.baselineTurns);
  const atBench = useMemo((): JobAtBench | null => {
    const own = unsent.filter((u) => u.jobId === jobId).map((u) => u.entry);
    return data ? readAtBench(data, own, baselineTurns) : null;
  }, [data, unsent, jobId, baselineTurns]);
  return { atBench, isLoading: isFetching && !data, error, refetch };
}
