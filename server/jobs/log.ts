import type { Entry } from '@rusty-wren/core/log';
import type { Db } from '../db/pool';
import { ENTRY_COLUMNS, entryOf, type EntryRow } from './rows';

/** The whole logs of these jobs, each in order, by job id; empty for a job without entries. */
export async function readLogs(db: Db, jobIds: readonly string[]): Promise<Map<string, Entry[]>> {
  const logs = new Map<string, Entry[]>(jobIds.map((id) => [id, []]));
  if (jobIds.length === 0) return logs;
  const { rows } = await db.query<EntryRow>(
    `SELECT ${ENTRY_COLUMNS} FROM bench_entry WHERE job_id = ANY($1) ORDER BY job_id, seq`,
    [jobIds],
  );
  for (const row of rows) logs.get(row.job_id)?.push(entryOf(row));
  return logs;
}

/** A job's whole log, in order. */
export const readLog = async (db: Db, jobId: string): Promise<Entry[]> =>
  (await readLogs(db, [jobId])).get(jobId) ?? [];
