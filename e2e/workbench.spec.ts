import { expect } from '@playwright/test';
import { barred, checkIn, suspects, trail, trimmer, write } from './bench';
import { test } from './device';

test('check-in names what is missing; with the server away the machine hangs here, and is sent with what was noted on it', async ({
  page,
}) => {
  await page.goto('/check-in');
  await page.getByRole('button', { name: 'Check it in' }).click();
  await expect(page.getByRole('alert').last()).toContainText('5 things are missing.');
  await expect(page.getByText('Owner: whose is it?')).toBeVisible();
  await expect(page.getByText('Machine: pick its kind.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Owner' }).fill('Odile');
  await page.getByRole('button', { name: 'Odile Farrant' }).click();
  await page.getByRole('button', { name: 'Brakken B45' }).click();
  await page.getByRole('button', { name: 'Kicks back' }).click();
  await page.route('**/api/jobs', (route) => route.abort());
  await page.getByRole('button', { name: 'Check it in' }).click();
  // It hangs on this device, without a number, and can be worked on.
  await expect(page.getByRole('heading', { name: 'Brakken B45' })).toBeVisible();
  await expect(page.getByText('1 kept here, not sent yet')).toBeVisible();
  await write(page, 'smell stale', 'Smell the fuel: stale');
  await expect(page.getByText('2 kept here, not sent yet')).toBeVisible();
  await page.getByRole('link', { name: 'Rack', exact: true }).click();
  await page.getByRole('region', { name: 'Hung here, not sent yet' }).getByRole('link').click();
  await page.unroute('**/api/jobs');
  await expect(page.getByText(/kept here, not sent yet/)).toHaveCount(0);
  await expect(page.getByText('new', { exact: true })).toHaveCount(0);
  await expect(trail(page).getByText('Smell the fuel: stale')).toBeVisible();
});

test('ways, why not and the map are accessible, light or dark', async ({ page }) => {
  await page.goto('/');
  await page.locator('[data-tag]').first().click();
  // It may be played through before a hand gets there: it is stopped the moment that can be done.
  const stopped = page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        new MutationObserver((_, observer) => {
          const stop = document.querySelector<HTMLElement>('[aria-label="Stop: playing it through"]');
          if (!stop) return;
          stop.click();
          observer.disconnect();
          resolve();
        }).observe(document.body, { childList: true, subtree: true });
      }),
  );
  await page.getByRole('button', { name: /^Follows: / }).click();
  await stopped;
  await expect(page.getByRole('dialog').getByRole('progressbar')).toHaveCount(0);
  expect(await barred(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await suspects(page).getByRole('button', { name: 'Why not something else?' }).click();
  await page.getByRole('dialog').getByRole('listitem').first().getByRole('button').click();
  expect(await barred(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await suspects(page).getByRole('link', { name: 'Map' }).click();
  await expect(page.getByRole('group', { name: 'Cause map' })).toBeVisible();
  expect(await barred(page)).toEqual([]);
});

test('nothing on the way is kept out by the page’s own policy: sheets hold the page, and toasts stand over it', async ({
  page,
}) => {
  const keptOut: string[] = [];
  await page.exposeFunction('isKeptOut', (what: string) => void keptOut.push(what));
  await page.addInitScript(() => {
    addEventListener('securitypolicyviolation', (e) =>
      (window as unknown as { isKeptOut: (what: string) => void }).isKeptOut(
        `${e.violatedDirective} ${e.sourceFile}`,
      ),
    );
  });
  await checkIn(page, trimmer('Policy 1'));
  expect((await page.request.get('/')).headers()['content-security-policy']).not.toContain('unsafe');
  await page.getByRole('button', { name: 'Any other check' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  // What lies behind a sheet does not scroll: its package puts a style in, by the nonce.
  expect(await page.evaluate(() => getComputedStyle(document.body).overflow)).toContain('hidden');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^At the bench/ }).click();
  await page.getByRole('button', { name: 'Another PIN or password' }).click();
  await page.keyboard.press('Escape');
  await write(page, 'note a slip', 'a slip');
  await page.keyboard.press('Escape');
  await page.goto('/day');
  await expect(page.getByRole('region', { name: 'Strips' })).toBeVisible();
  await page.goto('/people');
  await page.getByRole('region', { name: 'People' }).getByRole('combobox').first().selectOption('reader');
  const toast = page.locator('[data-sonner-toast]').first();
  await expect(toast).toBeVisible();
  expect(await toast.evaluate((e) => getComputedStyle(e).position)).toBe('absolute');
  expect(keptOut).toEqual([]);
});
