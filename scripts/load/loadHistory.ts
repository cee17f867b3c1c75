import { migrate } from '../../server/db/migrate';
import { withPool } from '../../server/db/pool';
import { loadDemo } from '../../server/demo/load';
import { makeHistory } from './history';

/** Fills an empty database with the demo and a history of so many jobs. */
export async function loadHistory(
  url: string,
  jobs: number,
  tell?: (share: number) => void,
): Promise<{ entries: number; seconds: number }> {
  return withPool(url, async (pool) => {
    await migrate(pool);
    await loadDemo(pool, new Date());
    const began = performance.now();
    const entries = await makeHistory(pool, jobs, tell);
    return { entries, seconds: (performance.now() - began) / 1000 };
  });
}
