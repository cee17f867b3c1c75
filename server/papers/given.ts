import { readPapers, type GivenPaper } from '@rusty-wren/core/log';
import type { Db } from '../db/pool';
import { readLog } from '../jobs/log';

/** A given paper of a job by its entry; null where there is none, or it was struck. */
export async function givenPaper(db: Db, jobId: string, entryId: string): Promise<GivenPaper | null> {
  const log = await readLog(db, jobId);
  const struck = new Set(log.flatMap((e) => e.strikes ?? []));
  return readPapers(log.filter((e) => !struck.has(e.id))).find((p) => p.entryId === entryId) ?? null;
}
