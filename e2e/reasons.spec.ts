import { expect } from '@playwright/test';
import { checkIn, step } from './bench';
import { test } from './device';

const saw = (model: string, ...complaints: string[]) => ({
  owner: `Owner of ${model}`,
  kind: 'Chainsaw',
  maker: 'Brakken',
  model,
  cc: '45',
  complaints,
});
test('a school can be followed instead, with its minutes beside the plan’s, and the shop’s own order once it is kept', async ({
  page,
}) => {
  await checkIn(page, saw('Way 1', 'Fades under way'));
  const follows = page.getByRole('button', { name: /^Follows: / });
  const title = step(page).getByRole('heading', { level: 2 }).first();
  await follows.click();
  const sheet = page.getByRole('dialog');
  for (const way of ['The plan', 'Fuel first', 'Spark, fuel, air, squeeze', 'Squeeze and bore first'])
    await expect(sheet.getByRole('button', { name: new RegExp(`${way}.*\\d+ min`) })).toBeVisible();
  await sheet.getByRole('button', { name: /^Squeeze and bore first/ }).click();
  await expect(step(page).getByText('Squeeze and bore first: next')).toBeVisible();
  await expect(title).toHaveText('Feel the pull');
  await follows.click();
  await sheet.getByRole('button', { name: /^(Make our own|Change our) order$/ }).click();
  const rows = sheet.getByRole('list', { name: 'Our order' }).getByRole('listitem');
  await sheet.getByLabel('Add').selectOption({ label: 'Feel the pull' });
  const move = sheet.getByRole('button', { name: 'Move: Feel the pull' });
  await move.focus();
  await page.keyboard.press('Space');
  const places = await rows.count();
  // Where it stands is said once it is known where the others are: before that no key moves it.
  const stands = (n: number): Promise<void> =>
    expect(page.getByText(`Feel the pull: place ${n} of ${places}.`, { exact: true })).toBeAttached();
  await stands(places);
  for (let n = places - 1; n > 0; n--) {
    await page.keyboard.press('ArrowUp');
    await stands(n);
  }
  await page.keyboard.press('Space');
  await expect(rows.first()).toContainText('Feel the pull');
  await sheet.getByRole('button', { name: 'Keep this order' }).click();
  await sheet.getByRole('button', { name: /^Our own order/ }).click();
  await expect(step(page).getByText('Our own order: next')).toBeVisible();
  await expect(title).toHaveText('Feel the pull');
  await step(page)
    .getByRole('button', { name: /^The plan would: / })
    .click();
  await expect(step(page).getByText('You chose')).toBeVisible();
});
