import type { JobWithLog, RackTag } from '@rusty-wren/contract';
import type { AppThunk } from '../app/state';
import { lastSeen } from '../keeping/shelf';
import { api } from './api';

/** So many of the most pressing jobs can be opened while the server is away. */
const MOST = 60;

let fetching = false;

/** Fetches, one after the other, the jobs of the rack that this device has not seen as they are now. */
export const fetchAhead =
  (tags: readonly RackTag[]): AppThunk<Promise<void>> =>
  async (dispatch) => {
    if (fetching) return;
    fetching = true;
    try {
      for (const { job, entryCount } of tags.filter((t) => t.stage !== 'closed').slice(0, MOST)) {
        const seen = (await lastSeen(`jobs/${job.id}`))?.data as JobWithLog | undefined;
        if (seen?.entries.length === entryCount) continue;
        const { error } = await dispatch(
          api.endpoints.job.initiate(job.id, { subscribe: false, forceRefetch: true }),
        );
        if (error) return;
      }
    } finally {
      fetching = false;
    }
  };
