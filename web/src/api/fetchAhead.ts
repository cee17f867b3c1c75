import type { JobWithLog, RackTag } from '@rusty-wren/contract';
import { pause } from '../app/pause';
import { keepSeen, lastSeen } from '../keeping/shelf';

/** So many of the most pressing jobs can be opened while the server is away, seen or not. */
const MOST = 24;
/** Begun once the page has settled, and one at a time with a breath between: it holds nobody up. */
const AFTER_MS = 8_000;
const BREATH_MS = 250;

let fetching = false;

/** Fetches the jobs of the rack that this device has not seen as they are now, and keeps them. */
export async function fetchAhead(tags: readonly RackTag[]): Promise<void> {
  if (fetching) return;
  fetching = true;
  try {
    await pause(AFTER_MS);
    for (const { job, entryCount } of tags.slice(0, MOST)) {
      const key = `jobs/${job.id}`;
      const seen = (await lastSeen(key))?.data as JobWithLog | undefined;
      if ((seen?.entries.length ?? 0) >= entryCount) continue;
      const response = await fetch(`/api/${key}`);
      if (!response.ok) return;
      await keepSeen(key, await response.json());
      await pause(BREATH_MS);
    }
  } catch {
    // Away again: what was fetched is kept.
  } finally {
    fetching = false;
  }
}
