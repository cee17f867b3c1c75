import { once } from 'node:events';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA, giveUp, installDebian, installPackages, ROOT } from './packages.mjs';
import { freePort, startPostgres } from './postgres.mjs';

/**
 * Everything the project promises, in one run: lint, rooms, types, unit, API and browser tests. `--only browser` makes the
 * browser tests alone, `--only api` the server's, `--only rare` those that no run makes; what follows goes to their runner.
 * `--changed`: only the tests that what is not committed touches, and the browser tests that were changed themselves.
 */
const at = process.argv.indexOf('--only');
const only = at < 0 ? null : (process.argv[at + 1] ?? '');
const rest = at < 0 ? [] : process.argv.slice(at + 2);
const changed = process.argv.includes('--changed');
/** @param {string} part */
const wanted = (part) => only === null || only === part;
/** Zones far from Greenwich: a bench stands anywhere. All of it is made in the first, what reckons with days and hours in the others too. */
const [WEST, ...EAST] = ['America/Denver', 'Asia/Kolkata', 'Pacific/Auckland'];
const BUILD = ['npx', 'vite', 'build', '--logLevel', 'warn', 'web'];
installPackages();
if (!existsSync('/usr/bin/pdftotext')) installDebian(['poppler-utils'], 'pdftotext');
if (!existsSync('/usr/bin/chromium')) installDebian(['chromium', 'fonts-dejavu-core'], 'Chromium');

// A cluster of its own, new each time: the demo's data is never touched.
const database = await startPostgres('test-db', { fresh: true, thrownAway: true });
if (!database) process.exit(1);
/** @type {import('node:child_process').ChildProcess | null} */
let server = null;
/** The server first, then its database, so that neither has anything left to say. */
const close = async () => {
  if (server && server.exitCode === null && server.signalCode === null) {
    const ended = once(server, 'exit');
    server.kill('SIGTERM');
    await Promise.race([ended, new Promise((resolve) => setTimeout(resolve, 10_000))]);
  }
  database.stop();
};
process.on('SIGINT', () => void close().then(() => process.exit(130)));
process.on('SIGTERM', () => void close().then(() => process.exit(143)));

const reports = join(DATA, 'reports');
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });
let passed = 0;
let failed = 0;

const began = Date.now();
/** @param {number} since "3 min 20 s" */
const minutesSince = (since) => {
  const seconds = Math.round((Date.now() - since) / 1000);
  return seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
};
const testFiles = spawnSync(
  'git',
  ['ls-files', ...(only === 'api' ? ['server/*.test.ts'] : ['*.test.ts', '*.test.tsx'])],
  {
    cwd: ROOT,
    encoding: 'utf8',
  },
)
  .stdout.split('\n')
  .filter(Boolean).length;
/** How far a runner is, as its own lines say: what is done, of how many. */
const HOW_FAR = {
  /** Those made again in other zones come on top. @param {string} log */
  files: (log) => [(log.match(/^ *[✓❯](?!.*days in).*\.test\.tsx?/gm) ?? []).length, testFiles],
  /** @param {string} log */
  journeys: (log) => [
    (log.match(/^ *[✓✘] +\d+ /gm) ?? []).length,
    Number(/Running (\d+) tests/.exec(log)?.[1] ?? 0),
  ],
};

/**
 * Runs one part. Its whole log is kept in a file and shown only where it failed; how far it is is told now and then.
 * @param {string} title @param {string[]} command
 * @param {{ env?: Record<string, string>, cwd?: string, far?: (log: string) => (number | undefined)[] }} [more]
 */
async function run(title, [program = '', ...args], { env = {}, cwd = ROOT, far } = {}) {
  const since = Date.now();
  const child = spawn(program, args, {
    cwd,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, NO_COLOR: '1', ...env },
  });
  let log = '';
  for (const stream of [child.stdout, child.stderr])
    stream.setEncoding('utf8').on('data', (/** @type {string} */ piece) => (log += piece));
  let told = '';
  const tell = setInterval(() => {
    const [done, all] = far?.(log) ?? [];
    const now = all ? `${done} of ${all}` : '';
    if (now && now !== told) console.log(`  ${title}: ${now}, ${minutesSince(since)}`);
    told = now;
  }, 15_000);
  const [status] = await once(child, 'close');
  clearInterval(tell);
  writeFileSync(join(reports, `${title.replace(/\W+/g, '-')}.log`), log);
  if (status !== 0) console.log(`\n— ${title}\n${log}`);
  console.log(`${status === 0 ? '✓' : '✗'} ${title}, ${minutesSince(since)}`);
  return status === 0;
}

/** @param {boolean} ok */
function count(ok) {
  if (ok) passed++;
  else failed++;
}

/** @param {string} title @param {string[]} command */
const check = async (title, command) => count(await run(title, command));

/**
 * Checks that need neither the database nor each other: the lanes side by side, each one's in turn.
 * @param {[title: string, command: string[]][][]} lanes
 */
const sideBySide = (lanes) =>
  Promise.all(
    lanes.map(async (lane) => {
      for (const [title, command] of lane) await check(title, command);
    }),
  );

/** @param {string} file @returns {any} the report, or null when the runner never wrote it */
const report = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

if (only === null) {
  await sideBySide([
    [
      ['format', ['npx', 'oxfmt', '--check', '.']],
      ['lint and types', ['npx', 'oxlint', '--type-check', '.']],
    ],
    [
      ['rooms', ['npm', 'run', '-s', 'rooms']],
      ['build', BUILD],
    ],
  ]);
}

// Beside the tests: it waits for what it kills as long as it works.
const torture =
  only === null &&
  !changed &&
  check('torture, in short', ['npx', 'tsx', 'scripts/torture/torture.ts', '--short']);

const unitFile = join(reports, 'vitest.json');
const projects = only === 'api' ? ['--project', 'api', ...rest] : changed ? ['--changed'] : [];
const unitOk =
  !wanted('api') ||
  (await run(
    only === 'api' ? 'API tests' : 'unit and API tests',
    [
      'npx',
      'vitest',
      'run',
      ...projects,
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${unitFile}`,
    ],
    {
      env: {
        TEST_DATABASE_URL: database.url,
        TZ: WEST,
        ...(only === null && !changed && { ZONES: EAST.join(' ') }),
      },
      far: changed ? undefined : HOW_FAR.files,
    },
  ));
const unit = report(unitFile);
passed += unit?.numPassedTests ?? 0;
failed += unit?.numFailedTests ?? 0;
if (!unitOk && !unit?.numFailedTests) failed++;
await torture;

if (changed) rest.push(...changedSpecs());
if (changed ? rest.length > 0 : wanted('browser') || wanted('rare')) await inTheBrowser();
await close();
console.log(`\nThe whole run took ${minutesSince(began)}.`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);

/** Browser tests that were changed and not committed. */
function changedSpecs() {
  const { stdout } = spawnSync('git', ['status', '--porcelain', '--', 'e2e'], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  return stdout.split('\n').flatMap((line) => /(\w+\.spec\.ts)$/.exec(line)?.[1] ?? []);
}

async function inTheBrowser() {
  if (only !== null) await check('build', BUILD);
  const port = String(await freePort());
  // Over HTTPS too, as phones at the bench have it.
  const [lan, lanPort, lanFolder] = ['127.0.0.2', String(await freePort()), join(DATA, 'test-lan')];
  server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'server', 'main.ts')], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      ...database?.env,
      PORT: port,
      LAN: lan,
      LAN_PORT: lanPort,
      LAN_FOLDER: lanFolder,
    },
  });
  const base = `http://127.0.0.1:${port}`;
  const deadline = Date.now() + 60_000;
  while (
    !(await fetch(`${base}/api/health`).then(
      (r) => r.ok,
      () => false,
    ))
  ) {
    if (Date.now() > deadline || server.exitCode !== null) {
      server.kill('SIGKILL');
      database?.stop();
      giveUp('The server under test did not start.');
    }
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  const browserFile = join(reports, 'playwright.json');
  const browserOk = await run(
    'browser tests',
    // Some are asked for: only those, not all that would go before them.
    [
      'npx',
      'playwright',
      'test',
      ...(only === 'rare' ? ['--project=side by side'] : []),
      ...rest,
      ...(rest.length > 0 ? ['--no-deps'] : []),
    ],
    {
      env: {
        BASE_URL: base,
        LAN_URL: `https://${lan}:${lanPort}`,
        LAN_CERTIFICATE: join(lanFolder, 'server.crt'),
        CI_REPORT: browserFile,
        ...(only === 'rare' && { RARE: 'yes' }),
      },
      cwd: join(ROOT, 'e2e'),
      far: HOW_FAR.journeys,
    },
  );
  const browser = report(browserFile);
  passed += browser?.stats?.expected ?? 0;
  failed += (browser?.stats?.unexpected ?? 0) + (browser?.stats?.flaky ?? 0);
  if (!browserOk && !browser?.stats?.unexpected) failed++;
}
