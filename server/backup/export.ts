import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { mkdir, readdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import Papa from 'papaparse';
import type pg from 'pg';
import { withClient } from '../db/pool';
import type { Moment } from './moment';
import { migrationsOf, quoted, tablesOf, type Table } from './tables';

export const EXPORT_FORMAT = 'rusty-wren-export/1';
export const ABOUT = 'shop.json';

/** What an export says of itself; its tables in the order they can be taken in. */
export interface ExportAbout extends Moment {
  format: typeof EXPORT_FORMAT;
}

const BATCH = 1000;

/** The rows of a table as JSON, some at a time, in the order of its key: a log's in the order it was written. */
async function* rowsOf(client: pg.ClientBase, { name, columns, key }: Table): AsyncGenerator<string[]> {
  const order = name === 'bench_entry' ? ['job_id', 'seq'] : key;
  await client.query(
    `DECLARE exported NO SCROLL CURSOR FOR SELECT to_jsonb(t)::text AS line FROM
       (SELECT ${columns.map(quoted).join(', ')} FROM ${quoted(name)} ORDER BY ${order.map(quoted).join(', ')}) t`,
  );
  for (;;) {
    const { rows } = await client.query<{ line: string }>(`FETCH ${BATCH} FROM exported`);
    if (rows.length === 0) break;
    yield rows.map((row) => row.line);
  }
  await client.query('CLOSE exported');
}

const cell = (value: unknown): unknown =>
  typeof value === 'object' && value !== null ? JSON.stringify(value) : value;

/** Lines of a CSV, for a spreadsheet: what looks like a formula is no formula. */
function csvOf(columns: string[], lines: readonly string[]): string {
  const data = lines.map((line) => {
    const row = JSON.parse(line) as Record<string, unknown>;
    return columns.map((name) => cell(row[name]));
  });
  return Papa.unparse(data, { escapeFormulae: true, newline: '\n' });
}

async function exportTable(client: pg.ClientBase, table: Table, folder: string): Promise<number> {
  const csv = createWriteStream(join(folder, `${table.name}.csv`), { flags: 'wx', mode: 0o600 });
  csv.write(`${table.columns.join(',')}\n`);
  let count = 0;
  async function* lines(): AsyncGenerator<string> {
    for await (const some of rowsOf(client, table)) {
      count += some.length;
      if (!csv.write(`${csvOf(table.columns, some)}\n`)) await once(csv, 'drain');
      yield `${some.join('\n')}\n`;
    }
  }
  await pipeline(
    Readable.from(lines()),
    createWriteStream(join(folder, `${table.name}.jsonl`), { flags: 'wx', mode: 0o600 }),
  );
  await new Promise<void>((done, fail) => csv.once('error', fail).end(done));
  return count;
}

/**
 * Writes everything the shop has noted into a folder, as it stood at one moment: a table each as JSON lines, which can be taken in
 * again, and as CSV, to be read elsewhere. What is worked out of the logs is left out. Throws where the folder holds anything.
 */
export async function exportShop(url: string, folder: string): Promise<ExportAbout> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  if ((await readdir(folder)).length > 0) throw new Error(`${folder} is not empty; name another folder.`);
  return withClient(url, async (client) => {
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const about: ExportAbout = {
      format: EXPORT_FORMAT,
      at: new Date().toISOString(),
      migrations: await migrationsOf(client),
      rows: {},
    };
    for (const table of await tablesOf(client, { all: false }))
      about.rows[table.name] = await exportTable(client, table, folder);
    // Last: a folder without it is not whole.
    await writeFile(join(folder, ABOUT), `${JSON.stringify(about, null, 1)}\n`, { flag: 'wx', mode: 0o600 });
    return about;
  });
}
