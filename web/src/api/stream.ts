import type { JobChanged } from '@rusty-wren/contract';
import type { StreamEvent } from '../keeping/tabs';
import type { AppThunk } from '../app/state';
import { api } from './api';
import { hear } from './heard';

const REOPEN_MS = 3000;

/** What is fetched again when something beside the logs has changed. */
const MOVED = {
  parts: ['Drawer'],
  day: ['Day'],
  rack: ['Rack'],
  // A bench, a quote and the day reckon with what was learnt.
  learnt: ['Learnt', 'Job', 'Shop', 'Day'],
} as const;

/** Takes in what the stream said: another device's entries are fetched where this page shows them. */
export const hearStream =
  (event: StreamEvent, data: string): AppThunk =>
  (dispatch, getState) => {
    if (event === 'gap') {
      dispatch(api.util.invalidateTags(['Rack', 'Job', 'Drawer', 'Day', 'Learnt']));
      return;
    }
    if (event !== 'job') {
      dispatch(api.util.invalidateTags([...MOVED[event]]));
      return;
    }
    const { jobId, seq } = JSON.parse(data) as JobChanged;
    hear(jobId, seq);
    const known = api.endpoints.job.select(jobId)(getState()).data;
    // An answer to this device's own notes is on its way: whether it brings all of it is seen then.
    const own = getState().outbox.unsent.some((u) => u.jobId === jobId);
    if (known && !own && (known.entries.at(-1)?.seq ?? 0) < seq)
      dispatch(api.util.invalidateTags([{ type: 'Job', id: jobId }]));
    dispatch(api.util.invalidateTags(['Rack', { type: 'Can', id: jobId }]));
  };

/**
 * Listens to the server's changes, and again whenever it was cut off; each time it is let in anew there may have been a gap.
 * `onOpen` is told that the server is there; while nobody is signed in, `isWanted` says not to ask. Returns how to stop.
 */
export function listen(
  on: (event: StreamEvent, data: string) => void,
  onOpen: () => void,
  isWanted: () => boolean,
): () => void {
  let source: EventSource | null = null;
  let opened = false;
  let again: ReturnType<typeof setTimeout>;
  const open = (): void => {
    if (!isWanted()) {
      again = setTimeout(open, REOPEN_MS);
      return;
    }
    const events = new EventSource('/api/stream');
    source = events;
    events.addEventListener('job', (event: MessageEvent<string>) => on('job', event.data));
    events.addEventListener('parts', () => on('parts', ''));
    events.addEventListener('day', () => on('day', ''));
    events.addEventListener('rack', () => on('rack', ''));
    events.addEventListener('learnt', () => on('learnt', ''));
    events.addEventListener('gap', () => on('gap', ''));
    events.addEventListener('open', () => {
      if (opened) on('gap', '');
      opened = true;
      onOpen();
    });
    // A browser tries a lost line again by itself, but not one that was answered with a refusal.
    events.addEventListener('error', () => {
      if (events.readyState === EventSource.CLOSED) again = setTimeout(open, REOPEN_MS);
    });
  };
  open();
  return () => {
    clearTimeout(again);
    source?.close();
  };
}
