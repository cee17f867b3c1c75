import { lazy, Suspense, type ReactElement } from 'react';
import { useParams } from 'react-router';
import { Glance } from './Glance';

/** Fetches the bench: much of it, and the engine. */
export const fetchBench = () => import('./Bench');
const Bench = lazy(async () => ({ default: (await fetchBench()).Bench }));

/** The way to a job's bench: what to do is said while it is fetched. */
export function BenchDoor(): ReactElement {
  const { jobId = '' } = useParams();
  return (
    <Suspense fallback={<Glance jobId={jobId} />}>
      <Bench />
    </Suspense>
  );
}
