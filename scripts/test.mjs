import { once } from 'node:events';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { DATA, giveUp, installDebian, installPackages, ROOT } from './packages.mjs';
import { freePort, startPostgres } from './postgres.mjs';

/**
 * Everything the project promises, in one run: lint, rooms, types, unit, API and browser tests. `--only browser` makes the
 * browser tests alone, `--only api` the server's, `--only rare` those that no run makes; what follows goes to their runner.
 */
const at = process.argv.indexOf('--only');
const only = at < 0 ? null : (process.argv[at + 1] ?? '');
const rest = at < 0 ? [] : process.argv.slice(at + 2);
/** @param {string} part */
const wanted = (part) => only === null || only === part;
const BUILD = ['npx', 'vite', 'build', '--logLevel', 'warn', 'web'];
installPackages();
if (!existsSync('/usr/bin/pdftotext')) installDebian(['poppler-utils'], 'pdftotext');
if (!existsSync('/usr/bin/chromium')) installDebian(['chromium', 'fonts-dejavu-core'], 'Chromium');

// A cluster of its own, new each time: the demo's data is never touched.
const database = await startPostgres('test-db', { fresh: true });
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

/**
 * Runs one command; it counts as one check unless it writes a report of its own.
 * @param {string} title @param {string[]} command @param {Record<string, string>} [env] @param {string} [cwd]
 */
function run(title, [program = '', ...args], env = {}, cwd = ROOT) {
  console.log(`\n— ${title}`);
  const { status } = spawnSync(program, args, { cwd, stdio: 'inherit', env: { ...process.env, ...env } });
  return status === 0;
}

/** @param {boolean} ok */
function count(ok) {
  if (ok) passed++;
  else failed++;
}

/** @param {string} title @param {string[]} command */
const check = (title, command) => count(run(title, command));

/**
 * Checks that need neither the database nor each other: the lanes side by side, each one's in turn. What one says stands
 * together, once it is through.
 * @param {[title: string, command: string[]][][]} lanes
 */
const sideBySide = (lanes) =>
  Promise.all(
    lanes.map(async (lane) => {
      for (const [title, [program = '', ...args]] of lane) {
        const child = spawn(program, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
        let said = '';
        for (const stream of [child.stdout, child.stderr])
          stream.setEncoding('utf8').on('data', (/** @type {string} */ piece) => (said += piece));
        const [status] = await once(child, 'close');
        console.log(`\n— ${title}\n${said}`);
        count(status === 0);
      }
    }),
  );

/** @param {string} file @returns {any} the report, or null when the runner never wrote it */
const report = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

if (only === null) {
  await sideBySide([
    [['lint', ['npx', 'eslint', '.', '--max-warnings', '0']]],
    [
      ['format', ['npx', 'prettier', '--check', '.', '--log-level', 'warn']],
      ['types', ['npm', 'run', '-s', 'types']],
      ['rooms', ['npm', 'run', '-s', 'rooms']],
      ['build', BUILD],
    ],
  ]);
}

const unitFile = join(reports, 'vitest.json');
const projects = only === 'api' ? ['--project', 'api', ...rest] : [];
const unitOk =
  !wanted('api') ||
  run(
    'unit and API tests',
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
      TEST_DATABASE_URL: database.url,
    },
  );
const unit = report(unitFile);
passed += unit?.numPassedTests ?? 0;
failed += unit?.numFailedTests ?? 0;
if (!unitOk && !unit?.numFailedTests) failed++;

if (only === null) check('torture, in short', ['npx', 'tsx', 'scripts/torture/torture.ts', '--short']);
if (wanted('browser') || wanted('rare')) await inTheBrowser();
await close();
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);

async function inTheBrowser() {
  if (only !== null) check('build', BUILD);
  const port = String(await freePort());
  // Over HTTPS too, as phones at the bench have it.
  const [lan, lanPort, lanFolder] = ['127.0.0.2', String(await freePort()), join(DATA, 'test-lan')];
  server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'server', 'main.ts')], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      DATABASE_URL: database?.url ?? '',
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
  const browserOk = run(
    'browser tests',
    // Some are asked for: only those, not all that would go before them.
    [
      'npx',
      'playwright',
      'test',
      ...(only === 'rare' ? ['--grep', '@rare', '--project', 'side by side'] : ['--grep-invert', '@rare']),
      ...rest,
      ...(rest.length > 0 ? ['--no-deps'] : []),
    ],
    {
      BASE_URL: base,
      LAN_URL: `https://${lan}:${lanPort}`,
      LAN_CERTIFICATE: join(lanFolder, 'server.crt'),
      CI_REPORT: browserFile,
    },
    join(ROOT, 'e2e'),
  );
  const browser = report(browserFile);
  passed += browser?.stats?.expected ?? 0;
  failed += (browser?.stats?.unexpected ?? 0) + (browser?.stats?.flaky ?? 0);
  if (!browserOk && !browser?.stats?.unexpected) failed++;
}
