import { expect, test } from '@playwright/test';
import { barred, checkIn, write } from './bench';

test('the owner is told in writing, takes a choice, and the job moves on its hook', async ({ page }) => {
  await checkIn(page, {
    owner: 'Owner of Cooked 45',
    kind: 'Chainsaw',
    maker: 'Brakken',
    model: 'Cooked 45',
    cc: '45',
    complaints: ['Weak under load'],
  });
  await write(page, 'comp 40 55 60 61', /low/);
  await write(page, 'wet rises', /rises/);
  await write(page, 'peep heavy scoring', /heavy scoring/);
  await page.getByRole('link', { name: 'Lay out the choices' }).click();
  await expect(page.getByText(/nothing is spent before the owner has spoken/)).toBeVisible();
  await page.getByLabel('Age, years').fill('3');
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  expect(await barred(page)).toEqual([]);
  await page.getByRole('button', { name: 'Wait for the owner’s answer' }).click();
  await expect(page.getByText(/^Asked: which it is to be/)).toBeVisible();

  // In writing, with a word of our own; then it stands.
  await page.getByRole('link', { name: 'Papers' }).click();
  await page.getByLabel('A sentence of your own').fill('Ring us before Friday.');
  await page.getByRole('button', { name: 'Add it' }).click();
  expect(await barred(page)).toEqual([]);
  await page.getByRole('button', { name: 'Give it' }).click();
  const pdf = page.getByRole('link', { name: 'PDF, A4' });
  await expect(pdf).toBeVisible();
  const address = await pdf.getAttribute('href');
  await expect
    .poll(async () => (await page.request.get(address!)).headers()['content-type'])
    .toBe('application/pdf');
  // For the printer nothing but the paper is left.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('article')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Papers' })).toBeHidden();
  await expect(page.getByRole('banner')).toBeHidden();
  await page.emulateMedia({ media: 'screen' });

  await page.getByRole('link', { name: 'Choices' }).click();
  await page.getByRole('button', { name: 'They take it: Another machine' }).click();
  await expect(page.getByText('By the report as given, version 1.')).toBeVisible();
  await page.getByRole('button', { name: 'Decided' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Another machine' })).toBeVisible();
  await page.getByRole('link', { name: 'Put it together' }).click();
  await expect(page.getByRole('button', { name: 'On its hook' })).toBeVisible();
});
