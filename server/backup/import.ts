import { createReadStream } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import Joi from 'joi';
import type pg from 'pg';
import { rebuildCards } from '../cards/project';
import { migrate } from '../db/migrate';
import { withClient, withPool } from '../db/pool';
import { ABOUT, EXPORT_FORMAT, type ExportAbout } from './export';
import { jsonIn, momentFields } from './moment';
import { migrationsOf, quoted, tablesOf, type Table } from './tables';

const BATCH = 500;
/** Rows in one of these: somebody works here already. */
const TAKEN = ['account', 'customer', 'job', 'part'];

const aboutSchema = Joi.object<ExportAbout>({
  format: Joi.string().valid(EXPORT_FORMAT).required(),
  ...momentFields,
}).required();

async function readAbout(folder: string): Promise<ExportAbout> {
  const text = await readFile(join(folder, ABOUT), 'utf8').catch(() => null);
  if (text === null) throw new Error(`${folder} holds no export: ${ABOUT} is not there.`);
  const { error, value } = aboutSchema.validate(jsonIn(text), { convert: false });
  if (error) throw new Error(`${ABOUT}: ${error.message}`);
  return value;
}

/** Takes a table's lines in. Throws naming the file and the line that is wrong, or how many are missing. */
async function importTable(
  client: pg.ClientBase,
  table: Table,
  folder: string,
  wanted: number,
): Promise<void> {
  const file = `${table.name}.jsonl`;
  const columns = table.columns.map(quoted).join(', ');
  let some: string[] = [];
  let n = 0;
  const put = async (): Promise<void> => {
    if (some.length === 0) return;
    await client
      .query(
        `INSERT INTO ${quoted(table.name)} (${columns}) OVERRIDING SYSTEM VALUE
         SELECT ${columns} FROM jsonb_populate_recordset(NULL::${quoted(table.name)}, $1::jsonb)`,
        [`[${some.join(',')}]`],
      )
      .catch((error: Error) => {
        throw new Error(`${file}, lines ${n - some.length + 1} to ${n}: ${error.message}`);
      });
    some = [];
  };
  const lines = createInterface({ input: createReadStream(join(folder, file)), crlfDelay: Infinity });
  for await (const line of lines) {
    n++;
    try {
      JSON.parse(line);
    } catch {
      throw new Error(`${file}, line ${n} is no JSON.`);
    }
    some.push(line);
    if (some.length === BATCH) await put();
  }
  await put();
  if (n !== wanted) throw new Error(`${file} has ${n} lines instead of ${wanted}.`);
}

/** Every number that the database counts goes on after the highest that was taken in. */
async function goOnCounting(client: pg.ClientBase): Promise<void> {
  const { rows } = await client.query<{ name: string; column: string; sequence: string }>(
    `SELECT c.relname AS name, a.attname AS column, pg_get_serial_sequence(quote_ident(c.relname), a.attname) AS sequence
     FROM pg_attribute a JOIN pg_class c ON c.oid = a.attrelid
     WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r' AND a.attidentity <> ''`,
  );
  for (const { name, column, sequence } of rows)
    await client.query(
      `SELECT setval($1, n) FROM (SELECT max(${quoted(column)}) AS n FROM ${quoted(name)}) highest WHERE n IS NOT NULL`,
      [sequence],
    );
}

/**
 * Takes an export into an empty shop, all of it or nothing, and works out of its logs what lists need. Throws naming what is wrong.
 */
export async function importShop(url: string, folder: string): Promise<ExportAbout> {
  const about = await readAbout(folder);
  return withPool(url, async (pool) => {
    await migrate(pool);
    return withClient(url, async (client) => {
      const here = await migrationsOf(client);
      if (here.join() !== about.migrations.join())
        throw new Error(
          `the export is of another Rusty Wren: it ends with ${about.migrations.at(-1)}, this one with ${here.at(-1)}.`,
        );
      await client.query('BEGIN');
      for (const name of TAKEN)
        if ((await client.query(`SELECT 1 FROM ${quoted(name)} LIMIT 1`)).rowCount)
          throw new Error(`the shop is not empty: there are rows in ${name}.`);
      const tables = await tablesOf(client, { all: false });
      const unknown = Object.keys(about.rows).find((name) => !tables.some((t) => t.name === name));
      if (unknown) throw new Error(`${ABOUT} names a table that is not known: ${unknown}.`);
      // What is taken in was counted and announced once already.
      for (const { name } of tables) await client.query(`ALTER TABLE ${quoted(name)} DISABLE TRIGGER USER`);
      // A migration may have laid a first row down.
      for (const { name } of tables.toReversed()) await client.query(`DELETE FROM ${quoted(name)}`);
      for (const table of tables) await importTable(client, table, folder, about.rows[table.name] ?? 0);
      for (const { name } of tables) await client.query(`ALTER TABLE ${quoted(name)} ENABLE TRIGGER USER`);
      await goOnCounting(client);
      await client.query('COMMIT');
      await rebuildCards(pool);
      return about;
    });
  });
}
