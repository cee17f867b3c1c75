import { createHash, X509Certificate } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { devices, expect } from '@playwright/test';
import { CHROMIUM, FAKE_MEDIA } from './chromium.mjs';
import { freshTest as test } from './device';

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

  const cdp = await context.newCDPSession(page);
  const { errors, data, url } = await cdp.send('Page.getAppManifest');
  expect(errors).toEqual([]);
  const manifest = JSON.parse(data!) as {
    start_url: string;
    display: string;
    icons: { src: string; sizes: string }[];
  };
  expect(manifest).toMatchObject({ start_url: '/', display: 'fullscreen' });
  expect(manifest.icons.length).toBeGreaterThan(0);
  for (const { src, sizes } of manifest.icons) {
    const wide = await page.evaluate(async (icon) => {
      const image = new Image();
      image.src = icon;
      await image.decode();
      return `${image.naturalWidth}x${image.naturalHeight}`;
    }, new URL(src, url).href);
    expect(wide).toBe(sizes);
  }

  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect(tag).toBeVisible();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await context.setOffline(true);
  await page.reload();
  await expect(tag).toBeVisible();
  await context.setOffline(false);
});
