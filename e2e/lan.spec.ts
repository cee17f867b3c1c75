import { createHash, X509Certificate } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { devices, expect, test } from '@playwright/test';
import { CHROMIUM, FAKE_MEDIA } from './chromium.mjs';

/** Where the server under test is served over HTTPS, and its certificate. */
const LAN = process.env['LAN_URL'] ?? '';
const CERTIFICATE = process.env['LAN_CERTIFICATE'] ?? '';

/** What a certificate is trusted by here: its chain is proved where it is made, this browser has no store to put an authority in. */
const keyHash = existsSync(CERTIFICATE)
  ? createHash('sha256')
      .update(
        new X509Certificate(readFileSync(CERTIFICATE)).publicKey.export({ type: 'spki', format: 'der' }),
      )
      .digest('base64')
  : '';

test.use({
  ...devices['Pixel 7'],
  viewport: { width: 390, height: 844 },
  baseURL: LAN,
  storageState: { cookies: [], origins: [] },
  serviceWorkers: 'allow',
  permissions: ['microphone', 'camera'],
  launchOptions: {
    ...CHROMIUM,
    args: [
      ...CHROMIUM.args,
      `--ignore-certificate-errors-spki-list=${keyHash}`,
      ...FAKE_MEDIA,
      '--autoplay-policy=no-user-gesture-required',
    ],
  },
});

test('a phone at the bench: signed in over HTTPS it hears, sees, can be put on the first screen, and goes on without a server', async ({
  page,
  context,
}) => {
  await page.goto('/trust');
  await expect(page.getByRole('heading', { name: 'Let this phone trust the shop' })).toBeVisible();
  await page.getByRole('link', { name: 'To the bench' }).tap();
  await page.getByRole('button', { name: 'Idris Pell' }).tap();
  for (const digit of '305714') await page.getByRole('button', { name: digit, exact: true }).tap();
  const tag = page.locator('[data-tag]').first();
  await expect(tag).toBeVisible();

  expect(await page.evaluate(() => isSecureContext)).toBe(true);
  const tracks = await page.evaluate(async () => {
    const heard = await navigator.mediaDevices.getUserMedia({ audio: true });
    const seen = await navigator.mediaDevices.getUserMedia({ video: true });
    return [...heard.getTracks(), ...seen.getTracks()].map((t) => `${t.kind} ${t.readyState}`);
  });
  expect(tracks).toEqual(['audio live', 'video live']);

  const manifest = await page.evaluate(async () => {
    const { href } = document.querySelector<HTMLLinkElement>('link[rel=manifest]')!;
    const { display, start_url, icons } = (await (await fetch(href)).json()) as {
      display: string;
      start_url: string;
      icons: { src: string }[];
    };
    const types = await Promise.all(
      icons.map(async ({ src }) => (await fetch(new URL(src, href))).headers.get('content-type')),
    );
    return { display, start: start_url, types: [...new Set(types)] };
  });
  expect(manifest).toEqual({ display: 'fullscreen', start: '/', types: ['image/png'] });

  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect(tag).toBeVisible();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await context.setOffline(true);
  await page.reload();
  await expect(tag).toBeVisible();
  await context.setOffline(false);
});
