import type { JobChanged } from '@rusty-wren/contract';
import type { AppStore } from '../app/store';
import { api } from './api';
import { sendUnsent } from './send';

/** Hears other devices' entries and fetches what this one does not have yet. Returns how to stop hearing. */
export function hearChanges(store: AppStore): () => void {
  const source = new EventSource('/api/stream');
  let opened = false;
  const everything = (): void => {
    store.dispatch(api.util.invalidateTags(['Rack', 'Job']));
  };
  source.addEventListener('job', (event) => {
    const { jobId, seq } = JSON.parse(event.data as string) as JobChanged;
    const known = api.endpoints.job.select(jobId)(store.getState()).data;
    const own = store.getState().outbox.unsent.some((u) => u.jobId === jobId);
    if (known && !own && (known.entries.at(-1)?.seq ?? 0) < seq)
      store.dispatch(api.util.invalidateTags([{ type: 'Job', id: jobId }]));
    store.dispatch(api.util.invalidateTags(['Rack', { type: 'Can', id: jobId }]));
  });
  source.addEventListener('gap', everything);
  source.addEventListener('open', () => {
    if (opened) everything();
    opened = true;
    void store.dispatch(sendUnsent());
  });
  return () => source.close();
}
