import { expect, type Page } from '@playwright/test';
import { anyCheck, barred, checkIn, found, reach, settled, step, trimmer } from './bench';
import { test } from './device';

/** What the screen calls for in rust: never more than one thing. */
const calls = (page: Page): Promise<string[]> =>
  page
    .locator('main .bg-rust:visible:not(:disabled)')
    .evaluateAll((found) => found.map((e) => e.textContent?.trim() ?? ''));
const settles = expect.configure({ soft: true });
const heading = (page: Page) => step(page).getByRole('heading', { level: 2 }).first();
const press = (page: Page, name: string | RegExp) => step(page).getByRole('button', { name }).click();

test('nothing typed is lost: reload, back and a closed dialog', async ({ page }) => {
  await page.goto('/check-in');
  await page.getByRole('textbox', { name: 'Owner' }).fill('Half Written');
  await page.getByRole('button', { name: 'Flooded' }).click();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Owner' })).toHaveValue('Half Written');
  await expect(page.getByRole('button', { name: 'Flooded' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Clear the page' }).click();

  await checkIn(page, trimmer('Draft 1', 'Fades under way'));
  const job = page.url();
  await settled(page);
  const next = await heading(page).innerText();
  // A chosen check is in the address; Back goes to what was up before.
  await page.getByRole('button', { name: 'Any other check' }).click();
  await page.getByLabel('Find a check').fill('line alone');
  await page.getByLabel('Find a check').press('Enter');
  await expect(heading(page)).toHaveText('Pressure-test the line alone');
  await step(page).getByLabel('Gauge now, psi').fill('7');
  await step(page).getByLabel('Gauge now, psi').press('Enter');
  await expect(step(page).getByRole('timer')).toBeVisible();
  await page.reload();
  await expect(step(page).getByRole('timer')).toBeVisible();
  await expect(step(page).getByRole('button', { name: /^Take out 7 at 0 s/ })).toBeVisible();
  await page.goto(job);
  await expect(heading(page)).toHaveText(next);
  // Back closes a dialog and stays on the job.
  await page.getByRole('button', { name: /^History/ }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  expect(page.url()).toBe(job);
  await page.getByRole('button', { name: /^History/ }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Rusty Wren, the rack' }).click();
  await page.goBack();
  await expect(page).toHaveURL(job);
});

test('a job on a phone: checked, found, mended, with nothing under the bench line', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await checkIn(page, trimmer('Pocket 1', 'Fades under way'));
  await page.getByRole('button', { name: 'Any other check' }).click();
  await page.getByLabel('Find a check').fill('tank vent');
  await anyCheck(page, 'Test the tank vent').click();
  await press(page, 'blocked');
  await expect(found(page, 'tank-vent-blocked')).toBeVisible();
  await press(page, 'Cured it');
  await expect(heading(page)).toHaveText('Now prove it');
  // An instrument in use has the whole screen, its drawing and its verdict in view.
  await page.goto(`${page.url().split('?')[0]}?check=line-pressure`);
  await step(page).getByLabel('Gauge now, psi').fill('7');
  await step(page).getByLabel('Gauge now, psi').press('Enter');
  await expect(step(page).getByRole('timer')).toBeVisible();
  const chart = step(page).locator('.recharts-surface').first();
  await expect(chart).toBeInViewport({ ratio: 1 });
  await expect(step(page).getByRole('button', { name: 'Read' })).toBeInViewport({ ratio: 1 });
});

test('the rack and the bench say the same about a job', async ({ page }) => {
  await page.goto('/');
  for (const tag of [103, 110, 111]) {
    const hung = page.locator(`[data-tag="${tag}"]`);
    const asks = (await hung.locator('p[title]').getAttribute('title')) ?? '';
    await hung.click();
    await settled(page);
    await expect(heading(page)).toHaveText(asks.replace(/, [\d½]+ min$/, ''));
    await page.getByRole('link', { name: 'Rusty Wren, the rack' }).click();
  }
});

const VIEWS = [
  '/',
  '/day',
  '/closed',
  '/check-in',
  '/specs',
  '/shop',
  '/parts',
  '/practice',
  '/practice/tune',
  '/practice/machine/fuel-2-saw-202',
  '/tools',
  '/tools/fuel',
  '/tools/pressure',
  '/tools/squeeze',
  '/tools/air-gap',
  '/tools/screws',
  '/tools/gauges',
  '/tools/air',
  '/settings',
] as const;
const OF_A_JOB = ['', '/map', '/tune', '/start', '/rebuild', '/choices', '/papers', '/parts'] as const;
const SIZES = [
  [1280, 800],
  [390, 844],
  // 1280 wide at 200 %.
  [640, 400],
] as const;

/**
 * Goes on to an address within the interface, as one of its links would: to load all of it for each takes longer than to look.
 * Where it stands already nothing would be drawn anew, so there is nothing to wait for.
 */
async function goTo(page: Page, path: string): Promise<void> {
  if (new URL(page.url()).pathname === path) return;
  await page.evaluate((to) => {
    for (const shown of document.querySelectorAll('main > *')) shown.classList.add('before');
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, path);
  await expect(page.locator('main > .before')).toHaveCount(0);
}

for (const [whose, paths] of [
  ['main view', VIEWS],
  ['view of a job', OF_A_JOB],
] as const)
  test(`every ${whose}: one call to act, nothing cut, nothing barred, light or dark`, async ({ page }) => {
    await page.goto('/');
    await expect(page.locator('main h1, main h2').first()).toBeVisible();
    const job = whose === 'main view' ? '' : await page.locator('[data-tag]').first().getAttribute('href');
    for (const path of paths.map((of) => `${job}${of}`)) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await goTo(page, path);
      await expect(page.locator('main h1, main h2').first()).toBeVisible();
      expect.soft(await barred(page), path).toEqual([]);
      expect
        .soft((await calls(page)).length, `${path}: ${(await calls(page)).join(' | ')}`)
        .toBeLessThanOrEqual(1);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        await settles.poll(() => reach(page), `${path} at ${width}`).toBeLessThanOrEqual(width);
      }
    }
  });
