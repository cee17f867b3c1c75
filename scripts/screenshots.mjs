import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { CHROMIUM } from '../e2e/chromium.mjs';
import { signedIn } from '../e2e/signedIn.mjs';
import { installPackages, ROOT } from './packages.mjs';
import { freePort, startPostgres } from './postgres.mjs';

/** One current picture of each main view, from fresh demo data, into docs/screenshots. */
installPackages();
const { chromium } = await import('@playwright/test');
const database = await startPostgres('screenshot-db', { fresh: true });
if (!database) process.exit(1);
spawnSync('npx', ['vite', 'build', '--logLevel', 'warn', 'web'], { cwd: ROOT, stdio: 'inherit' });
const port = String(await freePort());
const server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'server', 'main.ts')], {
  cwd: ROOT,
  // It ends with this script, however that ends.
  stdio: ['pipe', 'ignore', 'inherit'],
  env: { ...process.env, ...database.env, PORT: port, STOP_WITH_STDIN: '1' },
});
const base = `http://127.0.0.1:${port}`;
while (
  !(await fetch(`${base}/api/health`).then(
    (r) => r.ok,
    () => false,
  ))
)
  await new Promise((resolve) => setTimeout(resolve, 150));

const { cookie, state } = await signedIn(base);
/** @param {string} path */
const ask = async (path) => (await fetch(`${base}${path}`, { headers: { cookie } })).json();

const folder = join(ROOT, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch(CHROMIUM);

/** @type {{ job: { id: string, machine: { model: string, serial: string | null } } }[]} */
const tags = await ask('/api/jobs?show=open');
/**
 * @param {string} model
 * @param {string} [serial] where there are two of a model
 */
const job = (model, serial) => {
  const tag = tags.find(({ job: { machine: m } }) => m.model === model && (!serial || m.serial === serial));
  return `/job/${tag?.job.id}`;
};

/** @type {{ machines: { id: string }[] }} */
const fell = await ask('/api/find?words=F62-11902');
/**
 * @typedef {object} View
 * @property {string} name
 * @property {string} path
 * @property {boolean} [out] with nobody signed in
 * @property {[number, number]} [size]
 * @property {'light' | 'dark'} [theme]
 * @property {(page: import('@playwright/test').Page) => Promise<void>} [prepare]
 */
/** @type {View[]} */
const views = [
  { name: 'sign-in', path: '/', out: true },
  { name: 'rack', path: '/' },
  {
    name: 'day',
    path: '/day',
    prepare: async (page) => {
      // Whenever the picture is taken, somebody works.
      const week = [0, 1, 2, 3, 4, 5, 6].map((day) => ({ day, from: 420, to: 1380 }));
      for (const { id } of (await (await page.request.get('/api/accounts')).json()).slice(0, 2))
        await page.request.put(`/api/day/hours/${id}`, { data: { week, off: [] } });
      await page.reload();
      await page.getByRole('link', { name: 'To the bench' }).waitFor();
      await page.getByRole('progressbar').waitFor({ state: 'detached', timeout: 60_000 });
      await page.waitForTimeout(6000);
    },
  },
  { name: 'parts', path: '/parts' },
  { name: 'bench', path: job('B45') },
  {
    name: 'bench-found',
    path: job('Reed 22'),
    prepare: async (page) => {
      await page.getByRole('button', { name: 'crossed', exact: true }).click();
      await page.getByRole('button', { name: 'Cured it' }).waitFor();
    },
  },
  { name: 'rebuild', path: `${job('Reed 28')}/rebuild` },
  { name: 'machine', path: `/machines/${fell.machines[0]?.id}`, theme: 'dark' },
  {
    name: 'choices',
    path: `${job('Fell 52', 'F52-7743')}/choices`,
    prepare: async (page) => page.waitForTimeout(2500),
  },
  { name: 'papers', path: `${job('Fell 52', 'F52-7743')}/papers` },
  { name: 'tuning', path: `${job('Fell 52', 'F52-8106')}/tune` },
  {
    name: 'find',
    path: '/',
    prepare: async (page) => {
      await page.keyboard.press('f');
      await page.getByLabel('Find anything').fill('farant');
      await page.getByText('looked for farrant').waitFor();
    },
  },
  { name: 'learnt', path: '/learnt' },
  {
    name: 'bench-compression',
    path: job('Gust 25'),
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Any other check' }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Measure compression' }).click();
      await page.getByLabel('Gauge after each pull, psi').fill('58 82 92 96');
    },
  },
  {
    name: 'gauge-watch',
    path: job('B38'),
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Any other check' }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Pressure-test the line alone' }).click();
      await page.getByRole('button', { name: 'From an instrument' }).click();
      await page.getByRole('button', { name: 'a small leak' }).click();
      await page.getByRole('button', { name: /^Log it/ }).waitFor({ timeout: 120_000 });
      await page.waitForTimeout(9000);
      await page.evaluate(() => scrollTo(0, 0));
    },
  },
  { name: 'cause-map', path: `${job('B45')}/map` },
  {
    name: 'practice',
    path: '/practice/machine/squeeze-2-saw-33',
    prepare: async (page) => {
      for (const [check, result] of [
        ['Smell the fuel', 'fresh'],
        ['Look at the spark', 'strong'],
        ['Look down the plug hole', ''],
      ]) {
        await page.getByLabel('Find a check').fill(check ?? '');
        await page
          .getByRole('button', { name: new RegExp(`^${check}`) })
          .first()
          .click();
        const ready = page.getByRole('group', { name: 'Made ready' }).getByRole('button');
        for (const one of await ready.all()) await one.click();
        await page.getByRole('button', { name: 'Do it' }).click();
        if (result) await page.getByRole('group', { name: 'Result' }).getByText(result).click();
      }
      await page.getByRole('button', { name: 'In words' }).click();
    },
  },
  {
    name: 'check-in',
    path: '/check-in',
    prepare: async (page) => {
      await page.getByRole('textbox', { name: 'Owner' }).fill('Od');
      await page.getByRole('button', { name: 'Odile Farrant' }).click();
      await page.getByRole('button', { name: 'Hobwick Reed 26' }).click();
      await page.getByRole('button', { name: 'Bogs on the throttle' }).click();
      await page.getByRole('button', { name: /nine in ten/ }).waitFor();
    },
  },
  { name: 'bench-phone', path: job('Verge 25'), size: [390, 844] },
];
for (const { name, path, out, size: [width, height] = [1280, 800], theme = 'light', prepare } of views) {
  const context = await browser.newContext({
    viewport: { width, height },
    colorScheme: theme,
    baseURL: base,
    ...(!out && { storageState: state }),
  });
  const page = await context.newPage();
  await page.goto(base + path);
  await page
    .locator(':is([data-tag], [data-suspect], [data-part], form, main section, main li):visible')
    .first()
    .waitFor();
  await page.evaluate(() => document.fonts.ready);
  await prepare?.(page);
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(`${name}.png`);
  await context.close();
}
await browser.close();
server.once('exit', () => {
  database.stop();
  process.exit(0);
});
server.kill('SIGTERM');
