import { mkdtempSync, rmSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, type BrowserContext, type BrowserType } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';
import { BASE_URL, BENCH, LONGEST, SIGNED_IN } from './setUp.mjs';

type State = Exclude<Parameters<BrowserContext['setStorageState']>[0], string>;

/** A browser with a profile on disk: what it has fetched and compiled of the interface stays, as on a bench that was there yesterday. */
interface Device {
  context: BrowserContext;
  /** Signed in as the demo's lead, with nothing else kept. */
  asNew: () => Promise<void>;
}

/** Where a page keeps things; not what the browser itself does. */
const KEPT = 'local_storage,indexeddb,cache_storage,service_workers,file_systems';

async function openDevice(chromium: BrowserType, profile: string): Promise<Device> {
  const context = await chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    ...BENCH,
  });
  context.setDefaultTimeout(LONGEST);
  const { cookies, origins } = JSON.parse(await readFile(SIGNED_IN, 'utf8')) as State;
  // A page of the same origin that holds nothing itself.
  const [keeper] = context.pages();
  if (!keeper) throw new Error('a browser opens with a page');
  await keeper.goto('/api/health');
  const cdp = await context.newCDPSession(keeper);
  return {
    context,
    asNew: async () => {
      await Promise.all(context.pages().map((page) => page !== keeper && page.close()));
      await context.unrouteAll({ behavior: 'ignoreErrors' });
      await context.setOffline(false);
      await cdp.send('Storage.clearDataForOrigin', { origin: BASE_URL, storageTypes: KEPT });
      await context.clearCookies();
      await context.addCookies(cookies);
      await keeper.evaluate(
        (kept) => {
          for (const { name, value } of kept) localStorage.setItem(name, value);
        },
        origins.flatMap((o) => o.localStorage),
      );
    },
  };
}

/** On a device that was never here before: for what changes its clock, its profile or how it is reached. Slower to open. */
export const freshTest = base.extend<object, { device: Device }>({
  device: [
    async ({ playwright }, use) => {
      const profile = mkdtempSync(join(tmpdir(), 'wren-device-'));
      const device = await openDevice(playwright.chromium, profile);
      await use(device);
      await device.context.close();
      rmSync(profile, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
});

/** On a device that has the interface already, and nothing of what other tests did there. */
export const test = freshTest.extend({
  context: async ({ device }, use, info) => {
    await device.asNew();
    await use(device.context);
    if (info.status === info.expectedStatus) return;
    for (const [n, page] of device.context.pages().entries())
      await page.screenshot({ path: info.outputPath(`page ${n}.png`) }).catch(() => undefined);
  },
  page: async ({ context }, use) => {
    await use(await context.newPage());
  },
});
