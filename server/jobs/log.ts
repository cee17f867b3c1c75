import type { NewEntry } from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import type pg from 'pg';
import type { Db } from '../db/pool';
import { refuse } from '../http/problem';
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

const DAY_MS = 86_400_000;

/**
 * Adds entries to a job's log, in the order given, inside the caller's transaction. Entries already there are passed
 * over, so sending twice is harmless. Returns the entries sent, with their order. Throws 404 for no such job, 409 for
 * an id that belongs to another job, 400 for a strike at nothing or a time that has not come.
 */
export async function appendEntries(
  client: pg.PoolClient,
  jobId: string,
  entries: readonly NewEntry[],
): Promise<Entry[]> {
  // Holding the job's row makes concurrent writers take turns, so the order has no gaps and no clashes.
  const job = await client.query('SELECT id FROM job WHERE id = $1 FOR UPDATE', [jobId]);
  if (job.rowCount === 0) throw refuse(404, 'No such job.');
  const { rows: last } = await client.query<{ seq: number }>(
    'SELECT coalesce(max(seq), 0) AS seq FROM bench_entry WHERE job_id = $1',
    [jobId],
  );
  let seq = last[0]?.seq ?? 0;
  for (const [i, entry] of entries.entries()) {
    if (Date.parse(entry.notedAt) > Date.now() + DAY_MS)
      throw refuse(400, `entries[${i}].notedAt lies in the future.`);
    const known = await client.query<{ job_id: string }>('SELECT job_id FROM bench_entry WHERE id = $1', [
      entry.id,
    ]);
    const home = known.rows[0]?.job_id;
    if (home === jobId) continue;
    if (home !== undefined) throw refuse(409, `entries[${i}].id belongs to another job.`);
    if (entry.strikes) await mustBeStrikable(client, jobId, entry.strikes, i);
    if (entry.by) await mustBeKnown(client, entry.by, i);
    await client.query(
      `INSERT INTO bench_entry (id, job_id, seq, noted_at, account_id, kind, body, strikes) VALUES ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [
        entry.id,
        jobId,
        ++seq,
        entry.notedAt,
        entry.by ?? null,
        entry.kind,
        JSON.stringify(entry.body),
        entry.strikes ?? null,
      ],
    );
  }
  const { rows } = await client.query<EntryRow>(
    `SELECT ${ENTRY_COLUMNS} FROM bench_entry WHERE job_id = $1 AND id = ANY($2) ORDER BY seq`,
    [jobId, entries.map((e) => e.id)],
  );
  return rows.map(entryOf);
}

async function mustBeStrikable(
  client: pg.PoolClient,
  jobId: string,
  target: string,
  i: number,
): Promise<void> {
  const found = await client.query('SELECT 1 FROM bench_entry WHERE id = $1 AND job_id = $2', [
    target,
    jobId,
  ]);
  if (found.rowCount === 0) throw refuse(400, `entries[${i}].strikes names no entry of this job.`);
}

async function mustBeKnown(client: pg.PoolClient, account: string, i: number): Promise<void> {
  const found = await client.query('SELECT 1 FROM account WHERE id = $1', [account]);
  if (found.rowCount === 0) throw refuse(400, `entries[${i}].by names nobody on the books.`);
}
