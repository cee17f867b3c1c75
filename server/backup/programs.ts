import { spawn } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable, Writable } from 'node:stream';
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

/**
 * Runs one of PostgreSQL's programs on a database, its password kept out of the list of processes. `from`: what it reads;
 * `to`: where it writes. Throws with what it complained of.
 */
export async function runOn(
  url: string,
  name: 'pg_dump' | 'pg_restore',
  args: readonly string[],
  { from, to }: { from?: Readable; to?: Writable },
): Promise<void> {
  const plain = new URL(url);
  const password = decodeURIComponent(plain.password);
  plain.password = '';
  const child = spawn(program(name), [...args, `--dbname=${plain.href}`], {
    env: { ...process.env, ...(password && { PGPASSWORD: password }) },
    stdio: [from ? 'pipe' : 'ignore', to ? 'pipe' : 'ignore', 'pipe'],
  });
  let complaint = '';
  child.stderr?.setEncoding('utf8').on('data', (text: string) => (complaint += text));
  const ended = new Promise<number | null>((done, fail) => {
    child.once('error', fail);
    child.once('close', done);
  });
  const [code] = await Promise.all([
    ended,
    to && child.stdout && pipeline(child.stdout, to),
    // It may end before it has read everything: then it says why.
    from && child.stdin && pipeline(from, child.stdin).catch(() => undefined),
  ]);
  if (code !== 0) throw new Error(`${name}: ${complaint.trim().split('\n')[0] ?? `ended with ${code}`}`);
}
