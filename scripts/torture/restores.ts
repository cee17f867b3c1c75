import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { databaseBeside } from '../../server/db/pool';
import { everything } from '../../server/testing/everything';
import { ROOT } from '../packages.mjs';
import { hang, sleep, type App } from './bench';

/** What nobody has after a restore: who was signed in is not in any more. */
const SIGNED_OUT = ['session', 'session_hand', 'sign_in_try', 'first_lead_code'];

/** Runs a command of `keep` on a database; killed after so many ms where that is said, with all it started. Returns how it ended and ms taken. */
async function keep(
  url: string,
  command: 'backup' | 'restore',
  file: string,
  killAfterMs?: number,
): Promise<{ status: number | null; ms: number }> {
  const from = performance.now();
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', join(ROOT, 'scripts', 'keep.ts'), command, file],
    {
      cwd: ROOT,
      env: { ...process.env, DATABASE_URL: url },
      stdio: 'ignore',
      detached: true,
    },
  );
  const ended = once(child, 'exit') as Promise<[number | null]>;
  if (killAfterMs !== undefined) {
    await Promise.race([ended, sleep(killAfterMs)]);
    try {
      process.kill(-child.pid!, 'SIGKILL');
    } catch {
      // Ended by itself just now.
    }
  }
  const [status] = await ended;
  return { status, ms: performance.now() - from };
}

const withoutSessions = (rows: Record<string, string[]>): Record<string, string[]> =>
  Object.fromEntries(Object.entries(rows).filter(([name]) => !SIGNED_OUT.includes(name)));

/** The nth of so many moments, over the part of a run in which the database is worked on. */
const momentOf = (n: number, of: number, ms: number): number => ms * (0.3 + n / of);

/**
 * Restores and backups killed at so many moments each, over the whole of their run: a restore is there whole or not at all, a backup
 * leaves nothing behind and does not keep the next one from its name. Returns what went wrong, a sentence each.
 */
export async function restores(app: App, url: string, moments: number): Promise<string[]> {
  await hang(app, 200);
  const wrong: string[] = [];
  const folder = mkdtempSync(join(tmpdir(), 'wren-restores-'));
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  try {
    const file = join(folder, 'whole.backup');
    const whole = await keep(url, 'backup', file);
    if (whole.status !== 0) return ['no backup could be taken'];
    const wanted = JSON.stringify(withoutSessions(await everything(url)));
    const dropped = (): Promise<unknown> => admin.query('DROP DATABASE IF EXISTS restored WITH (FORCE)');
    const emptyOne = async (): Promise<string> => {
      await dropped();
      await admin.query('CREATE DATABASE restored TEMPLATE template0');
      return databaseBeside(url, 'restored');
    };
    const took = (await keep(await emptyOne(), 'restore', file)).ms;
    const became = { whole: 0, nothing: 0 };
    for (let n = 0; n < moments; n++) {
      const into = await emptyOne();
      await keep(into, 'restore', file, momentOf(n, moments, took));
      const after = await everything(into);
      const isNothing = Object.keys(after).length === 0;
      if (isNothing) became.nothing++;
      else if (JSON.stringify(withoutSessions(after)) !== wanted)
        wrong.push(`restore ${n + 1} was left in halves`);
      else if (SIGNED_OUT.some((name) => (after[name] ?? []).length > 0))
        wrong.push(`restore ${n + 1} let sessions in`);
      else became.whole++;
      // Nothing keeps the next one from it.
      if (isNothing && n % 8 === 0 && (await keep(into, 'restore', file)).status !== 0)
        wrong.push(`after restore ${n + 1} none came in`);
    }
    console.log(`  ${moments} restores killed: ${became.whole} whole, ${became.nothing} not at all`);
    const cut = join(folder, 'cut.backup');
    let [stood, none] = [0, 0];
    for (let n = 0; n < moments; n++) {
      await keep(url, 'backup', cut, momentOf(n, moments, whole.ms));
      if (existsSync(cut)) stood++;
      else none++;
      rmSync(cut, { force: true });
    }
    const last = await keep(url, 'backup', cut);
    if (last.status !== 0) wrong.push('a killed backup keeps the next one from its name');
    const left = readdirSync(folder).filter((name) => !['whole.backup', 'cut.backup'].includes(name));
    if (left.length > 0) wrong.push(`killed backups left ${left.join(', ')}`);
    console.log(`  ${moments} backups killed: ${stood} whole, ${none} not at all, then one that stood`);
    await dropped();
    return wrong;
  } finally {
    await admin.end();
    rmSync(folder, { recursive: true, force: true });
  }
}
