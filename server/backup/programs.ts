import { spawn } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';

const DEBIAN = '/usr/lib/postgresql';

/** One of PostgreSQL's own programs: Debian's newest, else whatever the path has. */
function program(name: string): string {
  const versions = existsSync(DEBIAN) ? readdirSync(DEBIAN) : [];
  const newest = versions
    .filter((v) => existsSync(join(DEBIAN, v, 'bin', name)))
    .sort((a, b) => Number(b) - Number(a))[0];
  return newest ? join(DEBIAN, newest, 'bin', name) : name;
}

/** Has pg_restore write an archive as a script: `from` is the archive, the stream that comes back its SQL. Throws as it reads. */
export function scriptOf(from: Readable): Readable {
  const child = spawn(
    program('pg_restore'),
    ['--file=-', '--exit-on-error', '--no-owner', '--no-privileges', '--no-comments'],
    { stdio: ['pipe', 'pipe', 'pipe'] },
  );
  let complaint = '';
  child.stderr.setEncoding('utf8').on('data', (text: string) => (complaint += text));
  const ended = new Promise<number | null>((done, fail) => {
    child.once('error', fail);
    child.once('close', done);
  });
  pipeline(from, child.stdin).catch(() => undefined);
  return Readable.from(
    (async function* () {
      yield* child.stdout;
      const code = await ended;
      if (code !== 0)
        throw new Error(`pg_restore: ${complaint.trim().split('\n')[0] ?? `ended with ${code}`}`);
    })(),
    { objectMode: false },
  );
}

/**
 * Runs one of PostgreSQL's programs on a database, its password kept out of the list of processes. `from`: what it reads;
 * `to`: the open file it writes to. Throws with what it complained of.
 */
export async function runOn(
  url: string,
  name: 'pg_dump' | 'psql',
  args: readonly string[],
  { from, to }: { from?: Readable; to?: number },
): Promise<void> {
  const plain = new URL(url);
  const password = decodeURIComponent(plain.password);
  plain.password = '';
  const child = spawn(program(name), [...args, `--dbname=${plain.href}`], {
    env: { ...process.env, ...(password && { PGPASSWORD: password }) },
    stdio: [from ? 'pipe' : 'ignore', to ?? 'ignore', 'pipe'],
  });
  let complaint = '';
  child.stderr?.setEncoding('utf8').on('data', (text: string) => (complaint += text));
  const ended = new Promise<number | null>((done, fail) => {
    child.once('error', fail);
    child.once('close', done);
  });
  let unread: Error | undefined;
  const [code] = await Promise.all([
    ended,
    // It may end before it has read everything: then it says why.
    from &&
      child.stdin &&
      pipeline(from, child.stdin).catch((error: NodeJS.ErrnoException) => (unread = error)),
  ]);
  if (unread && (unread as NodeJS.ErrnoException).code !== 'EPIPE') throw unread;
  if (code === 0) return;
  const [first = `ended with ${code}`] = complaint.trim().split('\n');
  // What the database itself says stands by itself, without where in a script it said it.
  throw new Error(/ERROR:\s+(.+)/.exec(first)?.[1] ?? `${name}: ${first}`);
}
