import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { checkIn, leading, settled, step, trail, write } from './bench';

const saw = (model: string, ...complaints: string[]) => ({
  owner: `Owner of ${model}`,
  kind: 'Chainsaw',
  maker: 'Brakken',
  model,
  cc: '45',
  complaints,
});
test('a school can be followed instead, with its minutes beside the plan’s', async ({ page }) => {
  await checkIn(page, saw('Way 1', 'Fades under way'));
  await page.getByRole('button', { name: /^Follows: / }).click();
  const sheet = page.getByRole('dialog');
  for (const way of ['The plan', 'Fuel first', 'Spark, fuel, air, squeeze', 'Squeeze and bore first'])
    await expect(sheet.getByRole('button', { name: new RegExp(`${way}.*\\d+ min`) })).toBeVisible({
      timeout: 25_000,
    });
  await sheet.getByRole('button', { name: /^Squeeze and bore first/ }).click();
  await expect(step(page).getByText('Squeeze and bore first: next')).toBeVisible();
  await expect(step(page).getByRole('heading', { level: 2 }).first()).toHaveText('Feel the pull');
  const plan = step(page).getByRole('button', { name: /^The plan would: / });
  await plan.click();
  await expect(step(page).getByText('You chose')).toBeVisible();
});

test('the shop’s own order is put together, kept, and followed', async ({ page }) => {
  await checkIn(page, saw('Way 2', 'Will not fire'));
  await page.getByRole('button', { name: /^Follows: / }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: /our own order|our order/i }).click();
  const rows = sheet.getByRole('list', { name: 'Our order' }).getByRole('listitem');
  await sheet.getByLabel('Add').selectOption({ label: 'Feel the pull' });
  const move = sheet.getByRole('button', { name: 'Move: Feel the pull' });
  await move.focus();
  await page.keyboard.press('Space');
  const places = await rows.count();
  for (let n = 1; n < places; n++) {
    await page.keyboard.press('ArrowUp');
    await page.waitForTimeout(120);
  }
  await page.keyboard.press('Space');
  await expect(rows.first()).toContainText('Feel the pull');
  await sheet.getByRole('button', { name: 'Keep this order' }).click();
  await sheet.getByRole('button', { name: /^Our own order/ }).click();
  await expect(step(page).getByText('Our own order: next')).toBeVisible();
  await expect(step(page).getByRole('heading', { level: 2 }).first()).toHaveText('Feel the pull');
});

test('a job goes out as a case file and comes in again with all it found', async ({ page }) => {
  await checkIn(page, saw('File 1', 'Will not fire'));
  await write(page, 'comp 62 98 117 124', '62 98 117 124 psi');
  await write(page, 'spark none', 'Look at the spark: none');
  await settled(page);
  const lead = await leading(page).innerText();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('button', { name: /^History/ })
      .click()
      .then(() => page.getByRole('link', { name: 'Save as a case file' }).click()),
  ]);
  const text = await readFile(await download.path(), 'utf8');
  expect(JSON.parse(text)).toMatchObject({ format: 'rusty-wren-case/1', machine: { kind: 'chainsaw' } });

  await page.goto('/check-in');
  const file = page.getByLabel('From a case file');
  await file.setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"x"}'),
  });
  await expect(page.getByRole('alert')).toContainText('bad.json: format must be');
  await file.setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByText(/entries of the file go on the log/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Owner' }).fill('Somebody Else');
  await page.getByLabel('Maker').fill('Brakken');
  await page.getByLabel('Model').fill('File 2');
  await page.getByRole('button', { name: 'Check it in' }).click();
  await expect(page.getByRole('heading', { name: 'Brakken File 2' })).toBeVisible();
  await expect(trail(page).getByText('Look at the spark: none')).toBeVisible();
  await expect.poll(() => leading(page).innerText()).toBe(lead);
});
