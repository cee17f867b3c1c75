import { expect, test, type Page } from '@playwright/test';
import { barred } from './bench';

const bars = (page: Page) =>
  page.getByRole('region', { name: 'Strips' }).getByRole('button', { name: /Find what is wrong|Mend it/ });
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
  await planned(page);
  await expect(page.getByRole('region', { name: 'Promises' })).toBeVisible();
  expect(await barred(page)).toEqual([]);

  // By keyboard: a piece of work is opened and put half an hour later; it says so, and can be left to the plan again.
  const bar = bars(page).last();
  const [tag] = (await bar.getAttribute('aria-label'))!.split(',');
  await bar.focus();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog');
  await expect(sheet).toBeVisible();
  await sheet.getByRole('button', { name: 'Half an hour later' }).focus();
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('button', { name: 'As the plan would' })).toBeEnabled();
  await page.keyboard.press('Escape');
  const pinned = page.getByRole('button', { name: new RegExp(`^${tag}, .*put there by hand`) });
  await expect(pinned).toBeVisible();

  // Another bench shows the same day.
  const other = await context.newPage();
  await planned(other);
  await expect(other.getByRole('button', { name: new RegExp(`^${tag}, .*put there by hand`) })).toBeVisible();
  const plan = async (p: Page) =>
    p
      .getByRole('region', { name: 'Strips' })
      .getByRole('button')
      .evaluateAll((all) => all.map((b) => b.ariaLabel));
  await expect.poll(() => plan(other)).toEqual(await plan(page));

  // By drag: to somebody else's strip.
  const free = bars(page).first();
  const label = (await free.getAttribute('aria-label'))!;
  const from = (await free.boundingBox())!;
  const lanes = page.locator('[data-lane]');
  const mine = await lanes.evaluateAll(
    (all, y) =>
      all.findIndex((l) => {
        const box = l.getBoundingClientRect();
        return y > box.top && y < box.bottom;
      }),
    from.y + from.height / 2,
  );
  const to = (await lanes.nth(mine === 0 ? 1 : 0).boundingBox())!;
  await page.mouse.move(from.x + 4, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 40, { steps: 4 });
  await page.mouse.move(from.x + 60, to.y + to.height / 2, { steps: 6 });
  await page.mouse.up();
  const dragged = label.split(',').slice(0, 2).join(',');
  await expect(
    page.getByRole('button', { name: new RegExp(`^${dragged}, .*put there by hand`) }),
  ).toBeVisible();
  await expect(
    other.getByRole('button', { name: new RegExp(`^${dragged}, .*put there by hand`) }),
  ).toBeVisible();

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
