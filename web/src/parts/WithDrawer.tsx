import type { Drawer } from '@rusty-wren/contract';
import type { ReactElement } from 'react';
import { problemWords, useDrawerQuery } from '../api/api';
import { Loading, NotFetched } from '../ui/State';

/** What needs the drawer: shown once it is fetched. `jobId`: with what was fitted on that job, too. */
export function WithDrawer({
  jobId = null,
  show,
}: {
  jobId?: string | null;
  show: (drawer: Drawer) => ReactElement;
}): ReactElement {
  const { data, isLoading, error, refetch } = useDrawerQuery(jobId);
  if (isLoading) return <Loading what="Opening the drawer…" />;
  if (!data) return <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />;
  return show(data);
}
