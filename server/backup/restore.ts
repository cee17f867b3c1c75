import { createReadStream } from 'node:fs';
import { readdir, stat } from 'node:fs/promises';
import Joi from 'joi';
import pg from 'pg';
import { BACKUP_FORMAT, hashFrom, type BackupHead } from './backUp';
import { jsonIn, momentFields } from './moment';
import { runOn } from './programs';
import { rowsIn, tablesOf } from './tables';

/** No head is longer than this. */
const LONGEST_HEAD = 64 * 1024;

const headSchema = Joi.object<BackupHead>({
  format: Joi.string().valid(BACKUP_FORMAT).required(),
  ...momentFields,
  bytes: Joi.number().integer().min(1).required(),
  sha256: Joi.string().hex().length(64).required(),
}).required();

/** What stands at the head of a backup, and at which byte its archive begins. Throws where it is no backup, or not whole. */
export async function readHead(file: string): Promise<{ head: BackupHead; start: number }> {
  const first = Buffer.concat((await createReadStream(file, { end: LONGEST_HEAD }).toArray()) as Buffer[]);
  const end = first.indexOf('\n');
  const said = jsonIn(first.toString('utf8', 0, Math.max(0, end)));
  const { error, value: head } = headSchema.validate(said, { convert: false });
  if (error) throw new Error(`${file} is no backup of a bench.`);
  const start = end + 1;
  if ((await stat(file)).size - start !== head.bytes || (await hashFrom(file, start)) !== head.sha256)
    throw new Error(`${file} is damaged: it is not what was written on ${head.at}.`);
  return { head, start };
}

/**
 * Puts a backup into an empty database, whole or not at all. Returns its head. Throws where it is damaged or of a later program,
 * where anything is in the database already, or where what came in is not what was counted.
 */
export async function restore(url: string, file: string): Promise<BackupHead> {
  const { head, start } = await readHead(file);
  const known = await readdir(new URL('../db/migrations/', import.meta.url));
  const later = head.migrations.find((name) => !known.includes(name));
  if (later) throw new Error(`${file} was made by a later Rusty Wren (it has ${later}).`);
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    if ((await tablesOf(client, { all: true })).length > 0)
      throw new Error('the database is not empty: nothing is written over.');
    const quietly = ['--no-owner', '--no-privileges', '--no-comments'];
    await runOn(url, 'pg_restore', ['--single-transaction', '--exit-on-error', ...quietly], {
      from: createReadStream(file, { start }),
    });
    const rows = await rowsIn(client, await tablesOf(client, { all: true }));
    const wrong = Object.keys({ ...head.rows, ...rows }).find((name) => rows[name] !== head.rows[name]);
    if (wrong) throw new Error(`${wrong} came in with ${rows[wrong]} rows instead of ${head.rows[wrong]}.`);
    // Who was signed in when it was taken is not in now.
    await client.query('DELETE FROM session; DELETE FROM sign_in_try');
    return head;
  } finally {
    await client.end();
  }
}
