import { expect } from '@playwright/test';
import { barred, checkIn, suspects, trimmer } from './bench';
import { test } from './device';

test('what the shop has learnt is seen on the bench and on its page, and switched off', async ({ page }) => {
  await checkIn(page, trimmer('Learnt 1'));
  const first = suspects(page).locator('[data-suspect]').first();
  await first.getByRole('button').first().click();
  await expect(first.getByText(/^This shop, .*: \d+ of \d+; the trade: .* in 100$/)).toBeVisible();
  await page.goto('/learnt');
  const causes = page.getByRole('list', { name: 'Causes' });
  await expect(causes.getByText('Spark screen coked')).toBeVisible();
  await expect(page.getByText('Our paper book, before the bench')).toBeVisible();
  expect(await barred(page)).toEqual([]);
  const counted = page.waitForResponse(
    (r) => r.url().endsWith('/api/learnt') && r.request().method() === 'PUT',
  );
  await page.getByRole('radio', { name: 'the trade’s alone' }).click();
  expect((await counted).status()).toBe(200);
  try {
    await page.goBack();
    await first.getByRole('button').first().click();
    await expect(first.getByText(/min$/).first()).toBeVisible();
    await expect(page.getByText(/^This shop, /)).toHaveCount(0);
  } finally {
    await page.request.put('/api/learnt', { data: { counts: true } });
  }
});
