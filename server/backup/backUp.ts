import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { rm, stat, writeFile } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import type { Moment } from './moment';
import { runOn } from './programs';
import { migrationsOf, rowsIn, tablesOf } from './tables';

export const BACKUP_FORMAT = 'rusty-wren-backup/1';

/** The first line of a backup; PostgreSQL's own archive follows it. */
export interface BackupHead extends Moment {
  format: typeof BACKUP_FORMAT;
  /** Of the archive: its bytes, and the SHA-256 of them in hexadecimal. */
  bytes: number;
  sha256: string;
}

/** The SHA-256 of a file from some byte on, in hexadecimal. */
export async function hashFrom(file: string, start: number): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file, { start }), hash);
  return hash.digest('hex');
}

/**
 * Writes everything a database holds into one file, as it stood at one moment, whoever goes on writing. Returns what stands at its
 * head. Throws where the file is there already, and leaves none behind where it fails.
 */
export async function backUp(url: string, file: string): Promise<BackupHead> {
  await writeFile(file, '', { flag: 'wx', mode: 0o600 }).catch((error: NodeJS.ErrnoException) => {
    throw error.code === 'EEXIST' ? new Error(`${file} is there already; name another file.`) : error;
  });
  const archive = `${file}.part`;
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
    // The archive, and what is counted, show the same moment.
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const { rows: snapshots } = await client.query<{ id: string; now: Date }>(
      'SELECT pg_export_snapshot() AS id, now()',
    );
    const { id, now } = snapshots[0]!;
    const migrations = await migrationsOf(client);
    if (migrations.length === 0) throw new Error('this database holds no bench.');
    const rows = await rowsIn(client, await tablesOf(client, { all: true }));
    await runOn(url, 'pg_dump', ['--format=custom', `--snapshot=${id}`], {
      to: createWriteStream(archive, { mode: 0o600 }),
    });
    const head: BackupHead = {
      format: BACKUP_FORMAT,
      at: now.toISOString(),
      migrations,
      rows,
      bytes: (await stat(archive)).size,
      sha256: await hashFrom(archive, 0),
    };
    await writeFile(file, `${JSON.stringify(head)}\n`);
    await pipeline(createReadStream(archive), createWriteStream(file, { flags: 'a', flush: true }));
    return head;
  } catch (error) {
    await rm(file, { force: true });
    throw error;
  } finally {
    await rm(archive, { force: true });
    await client.end();
  }
}
