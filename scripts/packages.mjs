import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
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
