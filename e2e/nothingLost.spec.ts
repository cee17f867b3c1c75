import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type BrowserContext, type Page } from '@playwright/test';
import { RARE, checkIn, checkInAtCounter, step, trail, trimmer, write } from './bench';
import { CHROMIUM } from './chromium.mjs';
import { signedIn } from './signedIn.mjs';
import { freshTest, test } from './device';

/** The server does not answer any more, whatever tab asks; returns what lets it answer again. */
async function away(context: BrowserContext): Promise<() => Promise<void>> {
  await context.route('**/api/**', (route) => route.abort());
  return () => context.unroute('**/api/**');
}
const jobOf = (page: Page): string => /job\/([0-9a-f-]{36})/.exec(page.url())![1]!;
/** What the server has on a job's log, in order. */
async function onServer(page: Page, jobId: string): Promise<string[]> {
  const response = await page.request.get(`/api/jobs/${jobId}`);
  // Busy: it says to ask again.
  if (response.status() === 503) return ['asked too early'];
  const { entries } = (await response.json()) as { entries: { seq: number; body: { text?: string } }[] };
  expect(entries.map((e) => e.seq)).toEqual(entries.map((_, i) => i + 1));
  return entries.flatMap((e) => e.body.text ?? []);
}
const noteOn = (page: Page, text: string): Promise<void> => write(page, `note ${text}`, text);
/** Lays notes on this device's shelf as if they had been written in an hour away from the server. */
const layUp = (page: Page, jobId: string, texts: readonly string[]): Promise<void> =>
  page.evaluate(
    ({ job, all }) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('rusty-wren');
        opening.onsuccess = () => {
          const tx = opening.result.transaction('outbox', 'readwrite');
          for (const text of all) {
            const id = crypto.randomUUID();
            const entry = { id, notedAt: new Date().toISOString(), kind: 'note', body: { text } };
            tx.objectStore('outbox').add({ kind: 'entry', id, jobId: job, entry, clockOffMs: 0 });
          }
          tx.oncomplete = () => resolve();
          tx.onerror = () => reject(new Error('not laid up'));
        };
      }),
    { job: jobId, all: texts },
  );
const kept = (page: Page, n: number) => page.getByText(`${n} kept here, not sent yet`);

test('two tabs with the server away, both closed, one opened again: every note of both arrives, once', async ({
  page,
  context,
}) => {
  await checkIn(page, trimmer('Tabs 1'));
  const jobId = jobOf(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(trail(other)).toBeVisible();
  const back = await away(context);
  for (const n of [1, 2, 3]) {
    await noteOn(page, `first tab ${n}`);
    await noteOn(other, `second tab ${n}`);
  }
  await expect(kept(page, 6)).toBeVisible();
  await expect(kept(other, 6)).toBeVisible();
  await other.close();
  await page.close();
  await back();
  const again = await context.newPage();
  await again.goto('/');
  await expect
    .poll(() => onServer(again, jobId))
    .toEqual(['first tab 1', 'second tab 1', 'first tab 2', 'second tab 2', 'first tab 3', 'second tab 3']);
});

test('eight tabs at once: all work, and see what each notes', RARE, async ({ page, context }) => {
  await checkIn(page, trimmer('Eight 1'));
  const tabs = [page];
  for (let n = 2; n <= 8; n++) {
    const tab = await context.newPage();
    // Some stand at the job, some elsewhere.
    await tab.goto(n % 2 === 0 ? page.url() : '/tools');
    tabs.push(tab);
  }
  const benches = [1, 4, 8].map((n) => ({ n, tab: tabs[n - 1]! }));
  for (const { n, tab } of benches) await noteOn(tab, `from tab ${n}`);
  for (const { tab } of benches)
    for (const { n } of benches) await expect(trail(tab).getByText(`from tab ${n}`)).toBeVisible();
  for (const tab of tabs.filter((_, i) => i % 2 === 0).slice(1))
    await expect(tab.getByRole('heading', { level: 1 }).first()).toBeVisible();
  // The one that sends and listens for all is closed: another takes over.
  await page.close();
  await noteOn(tabs[5]!, 'after the first was closed');
  await expect(trail(tabs[3]!).getByText('after the first was closed')).toBeVisible();
  await expect.poll(() => onServer(tabs[5]!, jobOf(tabs[5]!))).toHaveLength(4);
});

test('what the server refuses is kept with its reason: corrected, thrown away, or sent again', async ({
  page,
  context,
}) => {
  await checkIn(page, trimmer('Refused 1'));
  const jobId = jobOf(page);
  let refuses = true;
  await context.route('**/api/entries', async (route) => {
    if (!refuses) return route.fallback();
    const { parcels } = route.request().postDataJSON() as { parcels: unknown[] };
    await route.fulfill({
      json: { stored: [], refused: parcels.map((_, at) => ({ at, error: 'body.text is not liked.' })) },
    });
  });
  const aside = page.getByRole('region', { name: 'Not taken' });
  for (const text of ['one', 'two', 'three']) {
    const field = page.getByRole('textbox', { name: 'Bench line' });
    await field.fill(`note ${text}`);
    await field.press('Enter');
    await expect(aside.getByText(`Note: ${text}`)).toBeVisible();
  }
  await expect(aside.getByText('Because: body.text is not liked.')).toHaveCount(3);
  await page.reload();
  await expect(page.getByRole('button', { name: '3 not taken' })).toBeVisible();
  refuses = false;
  const one = (text: string) => aside.getByRole('listitem').filter({ hasText: text });
  await one('Note: one').getByRole('button', { name: 'Send it again' }).click();
  await expect(trail(page).getByText('one', { exact: true })).toBeVisible();
  await one('Note: two').getByRole('button', { name: 'Correct it' }).click();
  await one('Note: two').getByLabel('What it should say').fill('two, put otherwise');
  await one('Note: two').getByRole('button', { name: 'Send it', exact: true }).click();
  await expect(trail(page).getByText('two, put otherwise')).toBeVisible();
  await one('Note: three').getByRole('button', { name: 'Throw it away' }).click();
  await one('Note: three').getByRole('button', { name: 'Really throw it away' }).click();
  await expect(aside).toHaveCount(0);
  // It is in the trail as soon as it is noted; the server has it when it was delivered.
  await expect.poll(() => onServer(page, jobId)).toEqual(['one', 'two, put otherwise']);
});

freshTest('a clock two days ahead is told, and its notes carry the time they were made', async ({ page }) => {
  await page.clock.install({ time: Date.now() + 2 * 86_400_000 });
  await checkIn(page, trimmer('Clock 1'));
  await expect(page.getByText('This device’s clock is 2 days ahead.')).toBeVisible();
  await noteOn(page, 'by a wrong clock');
  await expect.poll(() => onServer(page, jobOf(page))).toEqual(['by a wrong clock']);
  const response = await page.request.get(`/api/jobs/${jobOf(page)}`);
  const { entries } = (await response.json()) as { entries: { notedAt: string }[] };
  for (const { notedAt } of entries) expect(Math.abs(Date.parse(notedAt) - Date.now())).toBeLessThan(600_000);
});

test('a browser that keeps nothing says so before anybody walks off, and still sends', async ({
  page,
  context,
}) => {
  await page.addInitScript(() => {
    const refuse = (): never => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    IDBObjectStore.prototype.add = refuse;
    Storage.prototype.setItem = refuse;
  });
  await checkIn(page, trimmer('Full 1'));
  const back = await away(context);
  await noteOn(page, 'only in the page');
  await expect(page.getByText('1 not sent yet, lost if this page closes: leave it open.')).toBeVisible();
  await expect(page.getByText(/kept here/)).toHaveCount(0);
  await back();
  await expect.poll(() => onServer(page, jobOf(page))).toEqual(['only in the page']);
});

test('measuring goes on when the server dies, and what comes after is kept', async ({ page, context }) => {
  await checkIn(page, trimmer('Measured 1'));
  await page.goto(`${page.url().split('?')[0]}?check=line-pressure`);
  await expect(step(page).getByLabel('Gauge now, psi')).toBeVisible();
  const back = await away(context);
  for (const psi of ['7', '6.9', '6.8']) {
    await step(page).getByLabel('Gauge now, psi').fill(psi);
    await step(page).getByLabel('Gauge now, psi').press('Enter');
  }
  await expect(step(page).locator('.recharts-surface').first()).toBeVisible();
  await page.goto(page.url().split('?')[0]!);
  await expect(trail(page)).toBeVisible();
  await noteOn(page, 'while it was dead');
  await expect(kept(page, 1)).toBeVisible();
  await back();
  await expect.poll(() => onServer(page, jobOf(page))).toEqual(['while it was dead']);
});

test('a note longer than can be kept is refused whole, not cut', async ({ page }) => {
  await checkIn(page, trimmer('Long 1'));
  const field = page.getByRole('textbox', { name: 'Bench line' });
  const long = `off ${'a'.repeat(119)}😀`;
  await field.fill(long);
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('121 letters; 120 at most');
  await expect(field).toHaveValue(long);
  await field.fill(`note ${'b'.repeat(2000)} `);
  await field.press('Enter');
  await expect.poll(() => onServer(page, jobOf(page))).toEqual(['b'.repeat(2000)]);
});

freshTest.describe('with the interface kept on the device', () => {
  freshTest.use({ serviceWorkers: 'allow' });

  freshTest(
    'an hour without a server: jobs open, three are worked and one checked in, and all of it arrives in order',
    async ({ page, context }) => {
      const jobs: string[] = [];
      for (const n of [1, 2, 3]) {
        await checkIn(page, {
          ...trimmer(`Hour ${n}`),
          owner: ['Amos Vetch', 'Lettice Orme', 'Piers Quoin'][n - 1]!,
        });
        jobs.push(jobOf(page));
      }
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.goto('/');
      await expect(page.getByRole('link', { name: /Hour 3/ }).first()).toBeVisible();
      await context.setOffline(true);
      await page.reload();
      await expect(page.getByRole('link', { name: /Hour 3/ }).first()).toBeVisible();
      for (const jobId of jobs) {
        await page.goto(`/job/${jobId}`);
        await expect(trail(page)).toBeVisible();
        for (let n = 1; n <= 3; n++) await noteOn(page, `note ${n}`);
        await write(page, 'spark none', /Look at the spark: none/);
        await expect(step(page).getByRole('heading', { level: 2 }).first()).not.toHaveText(
          'Look at the spark',
        );
      }
      await checkInAtCounter(page, { ...trimmer('Hour 4'), owner: 'Sabine Tarrow' });
      await expect(page.getByText('new', { exact: true })).toBeVisible();
      await noteOn(page, 'on the new one');
      const held = jobOf(page);
      const rest = Array.from({ length: 97 }, (_, n) => `note ${n + 4}`);
      for (const jobId of jobs) await layUp(page, jobId, rest);
      await context.setOffline(false);
      for (const jobId of jobs)
        await expect
          .poll(() => onServer(page, jobId))
          .toEqual(Array.from({ length: 100 }, (_, n) => `note ${n + 1}`));
      await expect.poll(() => onServer(page, held)).toEqual(['on the new one']);
      await expect(page.getByText('new', { exact: true })).toHaveCount(0);
    },
  );

  freshTest(
    'a new version waits while the bench is seen, and is taken once it is not; the job stays',
    async ({ page, context }) => {
      await checkIn(page, trimmer('Version 1'));
      const worker = new URL('../web/dist/sw.js', import.meta.url);
      const was = readFileSync(worker, 'utf8');
      const marked = (): Promise<boolean> => page.evaluate(() => 'mark' in globalThis);
      const newVersion = async (note: string): Promise<void> => {
        await page.evaluate(() => ((globalThis as { mark?: string }).mark = 'the page as it was'));
        writeFileSync(worker, `${was}\n// ${note}\n`);
        await page.evaluate(async () => {
          const registration = await navigator.serviceWorker.ready;
          await registration.update();
          while (!registration.waiting) await new Promise((resolve) => setTimeout(resolve, 100));
        });
        await noteOn(page, note);
        expect(await marked()).toBe(true);
        await page.evaluate(() => {
          Object.defineProperty(document, 'visibilityState', { get: () => 'hidden', configurable: true });
          document.dispatchEvent(new Event('visibilitychange'));
        });
        await expect.poll(() => marked().catch(() => true)).toBe(false);
        await expect(trail(page).getByText(note, { exact: true })).toBeVisible();
      };
      const taken = (): Promise<boolean> => page.evaluate(() => navigator.serviceWorker.controller !== null);
      try {
        await page.evaluate(() => navigator.serviceWorker.ready);
        await expect.poll(taken).toBe(true);
        await newVersion('under the old version');
        // Loaded past its worker, as a forced reload does, and a worker that starts while the page loads.
        const loaded = page.waitForEvent('load');
        await (await context.newCDPSession(page)).send('Page.reload', { ignoreCache: true });
        await loaded;
        await expect(trail(page)).toBeVisible();
        expect(await taken()).toBe(false);
        await newVersion('loaded past its worker');
      } finally {
        writeFileSync(worker, was);
      }
    },
  );
});

test('two benches on one job see each other, and what both note at once stands', async ({
  page,
  browser,
}) => {
  await checkIn(page, trimmer('Benches 1'));
  const jobId = jobOf(page);
  const elsewhere = await browser.newContext({ serviceWorkers: 'block' });
  const other = await elsewhere.newPage();
  await other.goto(page.url());
  await expect(trail(other)).toBeVisible();
  await Promise.all([noteOn(page, 'here'), noteOn(other, 'there')]);
  for (const bench of [page, other])
    for (const text of ['here', 'there'])
      await expect(trail(bench).getByText(text, { exact: true })).toBeVisible();
  expect((await onServer(page, jobId)).toSorted()).toEqual(['here', 'there']);
  await elsewhere.close();
});

test('a file of the interface that is not there is not a page', async ({ page }) => {
  expect((await page.request.get('/assets/none.js')).status()).toBe(404);
  const place = await page.request.get('/job/none');
  expect([place.status(), place.headers()['content-type']]).toEqual([
    200,
    expect.stringContaining('text/html'),
  ]);
});

test('a browser killed half a second after a note keeps it', async ({ baseURL }) => {
  const profile = mkdtempSync(join(tmpdir(), 'wren-profile-'));
  const open = async (): Promise<BrowserContext> => {
    const opened = await chromium.launchPersistentContext(profile, {
      ...CHROMIUM,
      ...(baseURL && { baseURL }),
      serviceWorkers: 'block',
    });
    // A browser that is killed may not have written its cookies yet.
    await opened.addCookies((await signedIn(baseURL!)).state.cookies);
    return opened;
  };
  try {
    let context = await open();
    let page = await context.newPage();
    await checkIn(page, trimmer('Killed 1'));
    const jobId = jobOf(page);
    await away(context);
    const counter = await context.newPage();
    await counter.goto('/check-in');
    await counter.getByRole('textbox', { name: 'Owner' }).fill('Half Filled');
    await noteOn(page, 'half a second ago');
    await page.waitForTimeout(500);
    execFileSync('pkill', ['-9', '-f', profile]);
    await context.close().catch(() => undefined);
    context = await open();
    page = await context.newPage();
    await page.goto(`/job/${jobId}`);
    await expect(trail(page).getByText('half a second ago')).toBeVisible();
    await expect.poll(() => onServer(page, jobId)).toEqual(['half a second ago']);
    await page.goto('/check-in');
    await expect(page.getByRole('textbox', { name: 'Owner' })).toHaveValue('Half Filled');
    await context.close();
  } finally {
    rmSync(profile, { recursive: true, force: true });
  }
});
