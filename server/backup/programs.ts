import { spawn, type ChildProcess } from 'node:child_process';
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

/** How a program ended: null where well, else what it complained of first. Rejects where it could not be started. */
function endOf(name: string, child: ChildProcess): Promise<string | null> {
  let complaint = '';
  child.stderr?.setEncoding('utf8').on('data', (text: string) => (complaint += text));
  return new Promise((done, fail) => {
    child.once('error', fail);
    child.once('close', (code) => {
      const [first] = complaint.trim().split('\n');
      done(code === 0 ? null : `${name}: ${first || `ended with ${code}`}`);
    });
  });
}

/** Has pg_restore write an archive as a script: `from` is the archive, the stream that comes back its SQL. Throws as it reads. */
export function scriptOf(from: Readable): Readable {
  const child = spawn(program('pg_restore'), [
    '--file=-',
    '--exit-on-error',
    '--no-owner',
    '--no-privileges',
    '--no-comments',
  ]);
  const ended = endOf('pg_restore', child);
  pipeline(from, child.stdin).catch(() => undefined);
  return Readable.from(
    (async function* () {
      yield* child.stdout;
      const complaint = await ended;
      if (complaint !== null) throw new Error(complaint);
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
  const [complaint, unread] = await Promise.all([
    endOf(name, child),
    // It may end before it has read everything: then it says why.
    from &&
      child.stdin &&
      pipeline(from, child.stdin).then(
        () => undefined,
        (error: NodeJS.ErrnoException) => (error.code === 'EPIPE' ? undefined : error),
      ),
  ]);
  if (unread) throw unread;
  // What the database itself says stands by itself, without where in a script it said it.
  if (complaint !== null) throw new Error(/ERROR:\s+(.+)/.exec(complaint)?.[1] ?? complaint);
}
