import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import { databaseBeside, withClient } from '../db/pool';
import { restore } from './restore';
import { quoted } from './tables';

/** Rows held against each other at once. */
const BATCH = 2000;

/**
 * What is only ever added to: as it came in, it must stand in the shop now. `same`: what of a row is compared; `unless`: rows of the shop
 * of which it may be another by now.
 */
const ADDED_TO = [
  {
    table: 'bench_entry',
    key: 'id',
    same: "t.job_id || ' ' || t.seq || ' ' || t.kind || ' ' || t.noted_at || ' ' || t.body",
    // An owner's details may have been taken out since.
    unless: `EXISTS (SELECT 1 FROM job j JOIN machine m ON m.id = j.machine_id JOIN customer c ON c.id = m.customer_id
      WHERE j.id = t.job_id AND c.forgotten_at IS NOT NULL)`,
  },
  { table: 'audit', key: 'n', same: "t.at || ' ' || t.what || ' ' || t.about", unless: 'false' },
] as const;

/** Throws where something of the copy is not in the shop, or otherwise. */
async function compared(copy: pg.ClientBase, shop: pg.ClientBase): Promise<void> {
  for (const { table, key, same, unless } of ADDED_TO) {
    for (let after: string | null = null; ;) {
      const { rows }: { rows: { key: string; hash: string }[] } = await copy.query(
        `SELECT t.${key}::text AS key, md5(${same}) AS hash FROM ${table} t
         WHERE $1::text IS NULL OR t.${key} > $1::text::${key === 'n' ? 'bigint' : 'uuid'} ORDER BY t.${key} LIMIT ${BATCH}`,
        [after],
      );
      if (rows.length === 0) break;
      const { rows: met } = await shop.query<{ n: number }>(
        `SELECT count(*)::int AS n FROM unnest($1::text[], $2::text[]) AS w (key, hash)
         JOIN ${table} t ON t.${key}::text = w.key AND (md5(${same}) = w.hash OR ${unless})`,
        [rows.map((r) => r.key), rows.map((r) => r.hash)],
      );
      if (met[0]!.n !== rows.length)
        throw new Error(`${rows.length - met[0]!.n} rows of ${table} are not as they stand in the shop.`);
      after = rows.at(-1)!.key;
    }
  }
}

/**
 * Puts a backup into a database of its own on the same server, holds it against the shop, and throws it away. Throws with what was
 * wrong.
 */
export async function rehearse(url: string, file: string, passphrase?: string): Promise<void> {
  const name = `rehearsal_${randomUUID().replaceAll('-', '')}`;
  const place = databaseBeside(url, name);
  await withClient(url, async (shop) => {
    try {
      await shop.query(`CREATE DATABASE ${quoted(name)} TEMPLATE template0`);
      await restore(place, file, passphrase);
      await withClient(place, (copy) => compared(copy, shop));
    } finally {
      await shop.query(`DROP DATABASE IF EXISTS ${quoted(name)} WITH (FORCE)`).catch(() => undefined);
    }
  });
}
