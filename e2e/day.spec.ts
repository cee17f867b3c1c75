import { expect, type Page } from '@playwright/test';
import { barred } from './bench';
import { test } from './device';

const bars = (page: Page) =>
  page.getByRole('region', { name: 'Strips' }).getByRole('button', { name: /Find what is wrong|Mend it/ });
/** A piece of work that was put where it is by hand. */
const pinned = (page: Page, task: string) =>
  page.locator(`[data-task="${task}"][aria-label*="put there by hand"]`);
const planned = async (page: Page): Promise<void> => {
  await page.goto('/day');
  await expect(page.getByRole('link', { name: 'To the bench' })).toBeVisible();
  await expect(page.getByText('Looking for a better plan')).toBeHidden();
};

test('the day is planned, overruled by drag and by keyboard, and is the same on another bench and on a phone', async ({
  page,
  context,
}) => {
  // At the weekend and at night, too: somebody works always.
  const accounts = (await (await page.request.get('/api/accounts')).json()) as { id: string; name: string }[];
  const week = [0, 1, 2, 3, 4, 5, 6].map((day) => ({ day, from: 0, to: 1440 }));
  for (const { id } of accounts.slice(0, 2))
    await page.request.put(`/api/day/hours/${id}`, { data: { week, off: [] } });
  // What a piece of work is stands once its job has been looked at.
  await expect(async () => {
    const tags = (await (await page.request.get('/api/jobs?show=open')).json()) as {
      phase: { kind: string } | null;
      toFind: object | null;
    }[];
    expect(tags.filter((t) => !t.phase || (t.phase.kind === 'check' && !t.toFind))).toEqual([]);
  }).toPass();
  await planned(page);
  await expect(page.getByRole('region', { name: 'Promises' })).toBeVisible();
  expect(await barred(page)).toEqual([]);

  // By keyboard: a piece of work is opened and put half an hour later; it says so, and can be left to the plan again.
  await bars(page).last().focus();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog');
  await expect(sheet).toBeVisible();
  const sent = page.waitForRequest((r) => r.url().endsWith('/api/day/pins'));
  await sheet.getByRole('button', { name: 'Half an hour later' }).focus();
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('button', { name: 'As the plan would' })).toBeEnabled();
  await page.keyboard.press('Escape');
  // Which was the last may have changed since: what was put there is what was sent.
  const { task } = (await sent).postDataJSON() as { task: string };
  await expect(pinned(page, task)).toBeVisible();

  // Another bench shows the same day.
  const other = await context.newPage();
  await planned(other);
  await expect(pinned(other, task)).toBeVisible();
  const plan = async (p: Page) =>
    p
      .getByRole('region', { name: 'Strips' })
      .getByRole('button')
      .evaluateAll((all) => all.map((b) => b.ariaLabel));
  // Other machines come and go meanwhile: at some moment both have the same.
  await expect(async () => expect(await plan(other)).toEqual(await plan(page))).toPass();

  // By drag: to somebody else's strip.
  let dragged = '';
  await page.bringToFront();
  await expect(async () => {
    const free = bars(page).first();
    await free.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    const from = (await free.boundingBox())!;
    const x = from.x + from.width / 2;
    const lanes = page.locator('[data-lane]');
    const middle = from.y + from.height / 2;
    const mine = await lanes.evaluateAll(
      (all, y) =>
        all.findIndex((l) => y > l.getBoundingClientRect().top && y < l.getBoundingClientRect().bottom),
      middle,
    );
    const to = (await lanes.nth(mine === 0 ? 1 : 0).boundingBox())!;
    // However long the pointer takes: one that is not put fails here, and is tried again.
    const put = page
      .waitForResponse((r) => r.url().endsWith('/api/day/pins'), { timeout: 5000 })
      .then((r) => (r.ok() ? (r.request().postDataJSON() as { task: string }).task : ''))
      .catch(() => '');
    await page.mouse.move(x, middle);
    await page.mouse.down();
    await page.mouse.move(x + 60, middle + 20, { steps: 4 });
    await page.mouse.move(x + 60, to.y + to.height / 2, { steps: 6 });
    await page.mouse.up();
    dragged = await put;
    expect(dragged).not.toBe('');
  }).toPass();
  await expect(pinned(page, dragged)).toBeVisible();
  await expect(pinned(other, dragged)).toBeVisible();

  // On a phone nothing is cut.
  await other.setViewportSize({ width: 390, height: 844 });
  await expect(other.getByRole('link', { name: 'To the bench' })).toBeVisible();
  const cut = await other.evaluate(() =>
    [...document.querySelectorAll('body *')]
      .filter((e) => e.getBoundingClientRect().right > innerWidth + 1 && !e.closest('[data-lane]'))
      .map((e) => `${e.tagName} ${e.className}`),
  );
  expect(cut).toEqual([]);

  // For paper there is a list to tick.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('region', { name: 'Day sheet' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Strips' })).toBeHidden();
});
