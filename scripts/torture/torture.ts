import { spawnSync } from 'node:child_process';
import pg from 'pg';
import { startPostgres } from '../postgres.mjs';
import { App } from './bench';
import { diskFull } from './diskFull';
import { everyRoute } from './everyRoute';
import { floods } from './floods';
import { kills } from './kills';
import { malformed } from './malformed';
import { restores } from './restores';
import { streams } from './streams';
import { throughput } from './throughput';

/**
 * What the server promises, tried the hard way on a database of its own: `npm run torture`, some minutes; `--short` for every
 * test run. `--only kills,malformed,routes,streams,floods,restores,disk,throughput,tests,browser,audit` makes some of them.
 */
const short = process.argv.includes('--short');
const only = process.argv.includes('--only')
  ? process.argv[process.argv.indexOf('--only') + 1]?.split(',')
  : null;
const wanted = (part: string): boolean => !only || only.includes(part);

const cluster = await startPostgres(short ? 'torture-short' : 'torture', { fresh: true });
if (!cluster) process.exit(1);
const pool = new pg.Pool({ connectionString: cluster.url, max: 2 });
pool.on('error', () => undefined);
const wrong: string[] = [];
try {
  const app = await App.start(cluster.url);
  try {
    if (wanted('malformed')) wrong.push(...(await malformed(app, pool, short ? 2000 : 100_000)));
    if (wanted('routes')) wrong.push(...(await everyRoute(app, pool, cluster.url, short ? 2 : 40)));
    if (wanted('streams'))
      wrong.push(
        ...(await streams(app, short ? { heads: 300, opened: 200 } : { heads: 4000, opened: 2000 })),
      );
    if (wanted('floods') && !short) wrong.push(...(await floods(app, 200)));
    if (wanted('restores') && !short) wrong.push(...(await restores(app, cluster.url, 40)));
    if (wanted('throughput') && !short) await throughput(app, pool, cluster.url, 6);
    if (wanted('kills'))
      wrong.push(
        ...(await kills(
          app,
          pool,
          cluster,
          short ? { ofTheApp: 3, ofThePostmaster: 1 } : { ofTheApp: 300, ofThePostmaster: 50 },
        )),
      );
  } finally {
    await app.stop();
  }
  if (wanted('disk') && !short) wrong.push(...(await diskFull()));
  if (wanted('audit') && !short) {
    const { status } = spawnSync('npx', ['tsx', 'scripts/audit.ts', '--machines', '1000'], {
      stdio: 'inherit',
    });
    if (status !== 0) wrong.push('audit: see above');
  }
  // What every run of the tests makes of a sample, of all; and the types by the compiler that the linter's check is not.
  if (wanted('tests') && !short) {
    const env = { ...process.env, THOROUGH: '1', TEST_DATABASE_URL: cluster.url };
    for (const [program, ...args] of [
      ['vitest', 'run', '--project=unit', '--project=api'],
      ['tsc', '--noEmit', '-p', 'tsconfig.json'],
    ] as const)
      if (spawnSync('npx', [program, ...args], { stdio: 'inherit', env }).status !== 0)
        wrong.push(`${program}: see above`);
  }
  if (wanted('browser') && !short) {
    const { status } = spawnSync('node', ['scripts/test.mjs', '--only', 'rare'], { stdio: 'inherit' });
    if (status !== 0) wrong.push('browser tests: see above');
  }
} finally {
  await pool.end().catch(() => undefined);
  cluster.stop();
}
for (const says of wrong) console.error(`  WRONG: ${says}`);
console.log(wrong.length === 0 ? 'Nothing lost, nothing leaked.' : `${wrong.length} things went wrong.`);
process.exit(wrong.length === 0 ? 0 : 1);
