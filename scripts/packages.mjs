import { execFileSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));
export const DATA = join(ROOT, '.data');

/** Ends with one line and no stack trace. */
export function giveUp(/** @type {string} */ message) {
  console.error(message);
  process.exit(1);
}

/** Installs the packages when the lockfile has changed since they were last installed. */
export function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.rusty-wren-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing packages…');
  execFileSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: ROOT, stdio: 'inherit' });
  mkdirSync(join(ROOT, 'node_modules'), { recursive: true });
  writeFileSync(stamp, lock);
}

/** What this machine puts to every PIN before it is hashed; made once, kept beside the database and not in it. */
export function pepper() {
  const file = join(DATA, 'pepper');
  mkdirSync(DATA, { recursive: true });
  if (!existsSync(file))
    writeFileSync(file, `${randomBytes(32).toString('hex')}\n`, { mode: 0o600, flag: 'wx' });
  return readFileSync(file, 'utf8').trim();
}

/** Whether this process is root. */
export const isRoot = () => process.getuid?.() === 0;

/**
 * Installs Debian packages when root; otherwise says the one command to run and ends.
 * @param {string[]} names
 * @param {string} what what they are for, in words
 */
export function installDebian(names, what) {
  const command = `apt-get install -y --no-install-recommends ${names.join(' ')}`;
  if (!isRoot()) return giveUp(`${what} is missing. Run: sudo ${command}`);
  console.log(`Installing ${what} from Debian…`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  try {
    execFileSync('apt-get', ['update', '-qq'], { stdio: ['ignore', 'ignore', 'inherit'], env });
    execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...names], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env,
    });
  } catch {
    giveUp(`${what} could not be installed. Run: ${command}`);
  }
}
