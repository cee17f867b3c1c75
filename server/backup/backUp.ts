import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { access, constants, copyFile, link, open, readdir, rm, type FileHandle } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import pg from 'pg';
import type { Moment } from './moment';
import { runOn } from './programs';
import { sealed, type Seal } from './seal';
import { migrationsOf, rowsIn, tablesOf } from './tables';

export const BACKUP_FORMAT = 'rusty-wren-backup/1';

/** The first line of a backup; PostgreSQL's own archive follows it. */
export interface BackupHead extends Moment {
  format: typeof BACKUP_FORMAT;
  /** Of the archive: its bytes, and the SHA-256 of them in hexadecimal. */
  bytes: number;
  sha256: string;
  /** Where it is sealed with a passphrase. */
  seal?: Seal;
}

const hashOf = async (bytes: AsyncIterable<Buffer>): Promise<string> => {
  const hash = createHash('sha256');
  for await (const some of bytes) hash.update(some);
  return hash.digest('hex');
};

/** The SHA-256 of a file from some byte on, in hexadecimal. */
export const hashFrom = (file: string, start: number): Promise<string> =>
  hashOf(createReadStream(file, { start }));

/** A file that has no name: whatever becomes of this program, nothing of it is left. */
async function nameless(beside: string): Promise<FileHandle> {
  const name = `${beside}.${randomUUID()}.archive`;
  const held = await open(name, 'wx+', 0o600);
  // Another may have taken it for one that was left by a killed one.
  await rm(name, { force: true });
  return held;
}

/** All that was written to a file that is held open; it stays open. */
const fromStart = ({ fd }: FileHandle): AsyncIterable<Buffer> =>
  createReadStream('', { fd, start: 0, autoClose: false });

const isThere = (file: string): Error => new Error(`${file} is there already; name another file.`);

/** Throws away what was being written out under this name by one that was killed. */
async function clearParts(file: string): Promise<void> {
  const [folder, name] = [dirname(file), basename(file)];
  for (const part of await readdir(folder))
    if (part.startsWith(`${name}.`) && /\.(part|archive)$/.test(part))
      await rm(join(folder, part), { force: true });
}

/** Writes a backup where it is to stand, under its name only once it is whole. Throws where something stands there by then. */
async function writeWhole(file: string, head: BackupHead, archive: FileHandle): Promise<void> {
  await clearParts(file);
  const part = `${file}.${randomUUID()}.part`;
  const out = await open(part, 'wx', 0o600);
  try {
    await out.write(`${JSON.stringify(head)}\n`);
    for await (const some of fromStart(archive)) await out.write(some);
    await out.sync();
    // A second name, and not a new one: that would take the place of what stands there.
    await link(part, file).catch(async (error: NodeJS.ErrnoException) => {
      if (error.code === 'EEXIST') throw isThere(file);
      // A disk that knows no second names, as many that are carried about.
      await copyFile(part, file, constants.COPYFILE_EXCL);
    });
  } finally {
    await out.close();
    await rm(part, { force: true });
  }
}

/** Puts what was written out into another file without a name, sealed. Returns what it is opened with. */
async function sealInto(to: FileHandle, from: FileHandle, passphrase: string): Promise<Seal> {
  const { seal, bytes } = await sealed(fromStart(from), passphrase);
  for await (const some of bytes) await to.write(some);
  return seal;
}

/**
 * Writes everything a database holds into one file, as it stood at one moment, whoever goes on writing; sealed where there is a
 * passphrase. Returns what stands at its head. Throws where the file is there already, and leaves none behind where it fails.
 */
export async function backUp(url: string, file: string, passphrase?: string): Promise<BackupHead> {
  // Before anything is read: it is made sure of once more when it is written.
  const free = await access(file).then(
    () => false,
    () => true,
  );
  if (!free) throw isThere(file);
  const client = new pg.Client({ connectionString: url });
  const plain = await nameless(file);
  const archive = passphrase === undefined ? plain : await nameless(file);
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
    await runOn(url, 'pg_dump', ['--format=custom', `--snapshot=${id}`], { to: plain.fd });
    const seal = passphrase === undefined ? null : await sealInto(archive, plain, passphrase);
    const head: BackupHead = {
      format: BACKUP_FORMAT,
      at: now.toISOString(),
      migrations,
      rows,
      bytes: (await archive.stat()).size,
      sha256: await hashOf(fromStart(archive)),
      ...(seal && { seal }),
    };
    await writeWhole(file, head, archive);
    return head;
  } finally {
    await plain.close();
    if (archive !== plain) await archive.close();
    await client.end();
  }
}
