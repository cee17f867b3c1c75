import type { JobWithLog, NewEntry } from '@rusty-wren/contract';
import { toast } from 'sonner';
import type { AppThunk } from '../app/state';
import { api, problemWords } from './api';
import { sent, unreachable } from './outbox';

let sending = false;

const isRefusal = (error: unknown): boolean =>
  typeof error === 'object' &&
  error !== null &&
  'status' in error &&
  typeof error.status === 'number' &&
  error.status < 500;

/**
 * Sends what is unsent, a job at a time, in order. What the server refuses is dropped with its reason shown; what it
 * cannot be told now is kept and tried again.
 */
export const sendUnsent = (): AppThunk<Promise<void>> => async (dispatch, getState) => {
  if (sending) return;
  sending = true;
  // One at a time after a refusal, so that one bad entry does not take good ones with it.
  let batch = Infinity;
  try {
    for (;;) {
      const { unsent } = getState().outbox;
      const jobId = unsent[0]?.jobId;
      if (!jobId) return;
      const entries: NewEntry[] = unsent
        .filter((u) => u.jobId === jobId)
        .slice(0, batch)
        .map((u) => u.entry);
      const ids = entries.map((e) => e.id);
      const result = await dispatch(api.endpoints.addEntries.initiate({ jobId, entries }, { track: false }));
      if (result.data) {
        const { entries: stored } = result.data;
        const before = api.endpoints.job.select(jobId)(getState()).data?.entries.at(-1)?.seq ?? 0;
        dispatch(
          api.util.updateQueryData('job', jobId, (draft): JobWithLog => {
            const { entries: had, ...rest } = draft as JobWithLog;
            const known = new Set(had.map((e) => e.id));
            return { ...rest, entries: [...had, ...stored.filter((e) => !known.has(e.id))] };
          }),
        );
        dispatch(sent(ids));
        // Somebody else's entries came between: fetch them.
        if ((stored[0]?.seq ?? 0) > before + 1)
          dispatch(api.util.invalidateTags([{ type: 'Job', id: jobId }]));
      } else if (isRefusal(result.error) && entries.length > 1) {
        batch = 1;
      } else if (isRefusal(result.error)) {
        toast.error(`Not logged: ${problemWords(result.error)}`, { duration: 12_000 });
        dispatch(sent(ids));
      } else {
        dispatch(unreachable());
        return;
      }
    }
  } finally {
    sending = false;
  }
};
