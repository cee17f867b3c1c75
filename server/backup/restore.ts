import { createReadStream } from 'node:fs';
import { readdir, stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import Joi from 'joi';
import pg from 'pg';
import { BACKUP_FORMAT, hashFrom, type BackupHead } from './backUp';
import { withClient } from '../db/pool';
import { jsonIn, momentFields } from './moment';
import { runOn, scriptOf } from './programs';
import { opened, TAG } from './seal';
import { tablesOf } from './tables';

/** No head is longer than this. */
const LONGEST_HEAD = 64 * 1024;

const headSchema = Joi.object<BackupHead>({
  format: Joi.string().valid(BACKUP_FORMAT).required(),
  ...momentFields,
  bytes: Joi.number().integer().min(1).required(),
  sha256: Joi.string().hex().length(64).required(),
  seal: Joi.object({ salt: Joi.string().base64().required(), iv: Joi.string().base64().required() }),
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

/** SQL that throws where a table did not come in with as many rows as were counted, or one came in that was not. */
function countedIn({ rows }: BackupHead): string {
  const tables = Object.entries(rows).map(
    ([name, count]) => `(${pg.escapeLiteral(name)}, ${Math.trunc(count)})`,
  );
  return `DO $counted$
    DECLARE t record; came bigint;
    BEGIN
      FOR t IN SELECT coalesce(w.name, c.relname) AS name, w.n, c.oid FROM (VALUES ${tables.join(', ')}) AS w (name, n)
        FULL JOIN (SELECT relname, oid FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r') c ON c.relname = w.name
      LOOP
        came := NULL;
        IF t.oid IS NOT NULL THEN EXECUTE format('SELECT count(*) FROM public.%I', t.name) INTO came; END IF;
        IF came IS DISTINCT FROM t.n THEN
          RAISE EXCEPTION '% came in with % rows instead of %.', t.name, coalesce(came::text, 'no'), coalesce(t.n::text, 'none');
        END IF;
      END LOOP;
    END $counted$;
`;
}

/** Who was signed in when it was taken is not in now. Backups of before anybody signed in have none of this. */
const SIGNED_OUT = `DO $signed_out$
  DECLARE name text;
  BEGIN
    FOREACH name IN ARRAY ARRAY['session', 'sign_in_try', 'first_lead_code'] LOOP
      IF to_regclass('public.' || name) IS NOT NULL THEN EXECUTE format('DELETE FROM public.%I', name); END IF;
    END LOOP;
  END $signed_out$;
`;

/** The archive of a backup, opened where it is sealed. Throws where it is sealed and there is no passphrase, or another. */
async function archiveOf(
  file: string,
  { head, start, passphrase }: { head: BackupHead; start: number; passphrase: string | undefined },
): Promise<AsyncIterable<Buffer>> {
  if (!head.seal) return createReadStream(file, { start }) as AsyncIterable<Buffer>;
  if (passphrase === undefined) throw new Error(`${file} is sealed: BACKUP_PASSPHRASE says with what.`);
  const end = start + head.bytes - TAG;
  const tag = Buffer.concat((await createReadStream(file, { start: end }).toArray()) as Buffer[]);
  const { seal } = head;
  const open = (): AsyncIterable<Buffer> =>
    opened(createReadStream(file, { start, end: end - 1 }), { seal, tag, passphrase });
  // Once through before any of it is used: only at its end is it known to be what was sealed.
  for await (const _ of open());
  return open();
}

/**
 * Puts a backup into an empty database, whole or not at all: in one transaction it comes in, is counted, and its sessions go; what is
 * cut off in the middle was never there. Returns its head. Throws where it is damaged or of a later program, where anything is in the
 * database already, or where what came in is not what was counted.
 */
export async function restore(url: string, file: string, passphrase?: string): Promise<BackupHead> {
  const { head, start } = await readHead(file);
  const known = await readdir(new URL('../db/migrations/', import.meta.url));
  const later = head.migrations.find((name) => !known.includes(name));
  if (later) throw new Error(`${file} was made by a later Rusty Wren (it has ${later}).`);
  const tables = await withClient(url, (client) => tablesOf(client, { all: true }));
  if (tables.length > 0) throw new Error('the database is not empty: nothing is written over.');
  const archive = await archiveOf(file, { head, start, passphrase });
  async function* inOneGo(): AsyncGenerator<Buffer | string> {
    // Begun and ended here, not by the program that reads it: that would end it where its script is cut off.
    yield 'BEGIN;\n';
    yield* scriptOf(Readable.from(archive, { objectMode: false })) as AsyncIterable<Buffer>;
    yield `\n${countedIn(head)}${SIGNED_OUT}COMMIT;\n`;
  }
  await runOn(
    url,
    'psql',
    ['--no-psqlrc', '--quiet', '--set=ON_ERROR_STOP=1', '--output=/dev/null', '--file=-'],
    {
      from: Readable.from(inOneGo(), { objectMode: false }),
    },
  );
  return head;
}
