import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { inTransaction, type Pool } from './pool';

const FOLDER = new URL('./migrations/', import.meta.url);
/** Any fixed number: two processes starting at once must not migrate at once. */
const LOCK = 460_046_804;

interface Migration {
  name: string;
  sql: string;
  checksum: string;
}

async function onDisk(folder: URL): Promise<Migration[]> {
  const names = (await readdir(folder)).filter((name) => name.endsWith('.sql')).sort();
  return Promise.all(
    names.map(async (name) => {
      const sql = await readFile(new URL(name, folder), 'utf8');
      return { name, sql, checksum: createHash('sha256').update(sql).digest('hex') };
    }),
  );
}

/**
 * Applies the numbered migrations that have not been applied yet, in order, in one transaction under an advisory lock.
 * Returns their names. Throws when one already applied has since been changed or removed.
 */
export async function migrate(pool: Pool, folder: URL = FOLDER): Promise<string[]> {
  const wanted = await onDisk(folder);
  return inTransaction(pool, async (client) => {
    await client.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
    await client.query(
      'CREATE TABLE IF NOT EXISTS migration (name text PRIMARY KEY, checksum text NOT NULL, applied_at timestamptz NOT NULL DEFAULT now())',
    );
    const { rows } = await client.query<{ name: string; checksum: string }>(
      'SELECT name, checksum FROM migration',
    );
    const applied = new Map(rows.map((row) => [row.name, row.checksum]));
    for (const name of applied.keys()) {
      if (!wanted.some((m) => m.name === name))
        throw new Error(`migration ${name} was applied but its file is gone`);
    }
    const fresh = wanted.filter((m) => !applied.has(m.name));
    for (const m of wanted) {
      const was = applied.get(m.name);
      if (was !== undefined && was !== m.checksum)
        throw new Error(`migration ${m.name} was changed after it was applied`);
    }
    for (const m of fresh) {
      await client.query(m.sql);
      await client.query('INSERT INTO migration (name, checksum) VALUES ($1, $2)', [m.name, m.checksum]);
    }
    return fresh.map((m) => m.name);
  });
}
