import { expect, type Page } from '@playwright/test';
import { barred, reach } from './bench';
import { freshTest, test } from './device';

/** A saw whose filter is clogged, with stale fuel besides. */
const SAW = '/practice/machine/fuel-2-saw-202';

const soFar = (page: Page) => page.getByRole('region', { name: 'Evidence so far' });
const clock = (page: Page) => page.getByLabel('Bench time so far');
const results = (page: Page) => page.getByRole('group', { name: 'Result' });

test('a whole exercise by keyboard: looked at, read, mended, handed back, gone through', async ({ page }) => {
  await page.goto('/tools');
  await page.getByRole('link', { name: 'Practice', exact: true }).press('Enter');
  const number = page.getByLabel('Number of an exercise');
  await number.fill('fuel-2-saw-202');
  await number.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Brakken/);
  await expect(clock(page)).toHaveText('0:00');
  expect(await barred(page)).toEqual([]);

  await page.keyboard.press('a');
  await page.keyboard.type('fuel filter');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Look at the fuel filter' })).toBeVisible();
  await page.getByRole('button', { name: 'Do it' }).focus();
  await page.keyboard.press('1');
  await expect(page.getByRole('img')).toBeVisible();
  expect(await barred(page)).toEqual([]);
  await results(page).getByText('clogged').focus();
  await page.keyboard.press('2');
  await expect(soFar(page)).toContainText('Look at the fuel filter: clogged');
  await expect(clock(page)).toHaveText('0:02');

  await page.keyboard.press('e');
  // What stands behind a clogged filter is looked at before a new one goes in.
  await expect(page.getByRole('region', { name: 'The teacher' })).toContainText('Look at the fuel');
  await page.keyboard.press('m');
  await page.getByLabel('What to mend').fill('fuel filter clogged');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Fuel filter clogged/ })
    .press('Enter');
  await expect(page.getByRole('heading', { name: /^That was it/ })).toBeVisible();

  await page.getByRole('button', { name: 'Hand back' }).press('Enter');
  await expect(page.getByRole('heading', { name: /^Cured in \d+ minutes$/ })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Minutes' }).getByRole('listitem')).toHaveCount(5, {
    timeout: 60_000,
  });
  await expect(page.getByRole('list', { name: 'What the teacher says' })).toContainText(
    'Left in it: stale fuel',
  );
  expect(await barred(page)).toEqual([]);
  // It is listed once, and nothing of it hangs on the rack.
  await page.getByRole('link', { name: 'To the practice bench' }).press('Enter');
  await expect(page.getByRole('region', { name: 'Practised' }).getByRole('listitem')).toHaveCount(1);
  await page.goto('/');
  await expect(page.locator('[data-tag]').first()).toBeVisible();
  await expect(page.locator('[data-tag="0"]')).toHaveCount(0);
});

freshTest.describe('on a phone, by touch', () => {
  freshTest.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  freshTest(
    'a hidden machine is worked, left, gone on with, and ends where it hurts somebody',
    async ({ page }) => {
      const sent: string[] = [];
      page.on('request', (request) => {
        if (request.method() !== 'GET') sent.push(request.url());
      });
      await page.goto(SAW);
      await page.getByRole('button', { name: 'Spark', exact: true }).tap();
      await page.getByRole('button', { name: /^Look at the spark / }).tap();
      await expect(page.getByText('First off: plug')).toBeVisible();
      await page.getByRole('button', { name: 'Fuel shut and away' }).tap();
      await page.getByRole('button', { name: 'Room dim' }).tap();
      await page.getByRole('button', { name: 'Do it' }).tap();
      await expect(page.getByRole('img')).toBeVisible();
      await page.getByRole('button', { name: 'In words' }).tap();
      await expect(page.getByRole('status').filter({ hasText: 'blue' })).toBeVisible();
      await results(page).getByText('strong').tap();
      await expect(soFar(page)).toContainText('Look at the spark: strong');
      // Nothing runs off the side.
      await expect.poll(() => reach(page)).toBeLessThanOrEqual(390);

      await page.reload();
      await expect(soFar(page)).toContainText('Look at the spark: strong');

      await page.getByRole('button', { name: 'Fuel and lines' }).tap();
      await page.getByRole('button', { name: /^Pressure-test the line alone/ }).tap();
      for (let n = 0; n < 15; n++) await page.getByRole('button', { name: 'One stroke' }).tap();
      await page.getByRole('button', { name: 'Do it' }).tap();
      await expect(page.getByRole('heading', { name: 'Stop.' })).toBeVisible();
      await expect(page.getByText('never beyond 14.5 psi')).toBeVisible();
      await expect(page.getByRole('region', { name: 'The path' })).toBeVisible({ timeout: 60_000 });
      await expect.poll(() => reach(page)).toBeLessThanOrEqual(390);
      // Practice is no record of the shop: nothing was sent.
      expect(sent).toEqual([]);
    },
  );
});
