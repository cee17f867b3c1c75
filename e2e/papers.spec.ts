import { expect } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { barred, checkIn, reach, write } from './bench';
import { test } from './device';

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
  await page.getByRole('radio', { name: 'At the counter' }).click();
  const glass = await page.getByLabel('Sign here').boundingBox();
  await page.mouse.move(glass!.x + 30, glass!.y + 60);
  await page.mouse.down();
  for (let n = 0; n < 10; n++)
    await page.mouse.move(glass!.x + 30 + n * 14, glass!.y + 60 + 20 * Math.sin(n));
  await page.mouse.up();
  await page.getByRole('button', { name: 'Decided' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Another machine' })).toBeVisible();
  await page.getByRole('link', { name: 'Put it together' }).click();
  await expect(page.getByRole('button', { name: 'On its hook' })).toBeVisible();
  await page.goto(`${page.url().split('?')[0]}/papers?paper=work-done`);
  await expect(page.getByRole('img', { name: /^Signed by Owner of Cooked 45/ })).toBeVisible();
});

test('the owner answers on a phone of their own, and the bench sees it', async ({ page, browser }) => {
  await checkIn(page, {
    owner: 'Owner of Answered 25',
    kind: 'Trimmer',
    maker: 'Hobwick',
    model: 'Answered 25',
    cc: '25',
    complaints: ['Runs on prime then dies'],
  });
  await write(page, 'metering diaphragm stiff', /stiff/);
  const bench = page.url().split('?')[0]!;
  await page.goto(`${bench}/papers`);
  await expect(page.getByText('The membrane that doses the fuel is stiff.')).toBeVisible();
  await page.getByRole('button', { name: 'Give it' }).click();
  await page.getByRole('button', { name: 'A page for the owner' }).click();
  const address = await page.getByText(/\/owner\/[\w-]{43}$/).textContent();

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false });
  const owner = await phone.newPage();
  await owner.goto(address!);
  await expect(owner.getByText('The membrane that doses the fuel is stiff.')).toBeVisible();
  await owner.getByRole('radio', { name: /^Mend what is wrong/ }).check();
  await owner.getByLabel('Your name').fill('Odile Farrant');
  await owner.getByRole('button', { name: 'That one' }).click();
  await expect(owner.getByText(/^Odile Farrant took: mend what is wrong, .*\d/)).toBeVisible();
  await phone.close();

  await page.getByRole('button', { name: 'A new address' }).click();
  const again = page.getByText(/\/owner\/[\w-]{43}$/);
  await expect(again).not.toHaveText(address!);
  const open = await again.textContent();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(open!);
  expect(await barred(page)).toEqual([]);
  await expect.poll(() => reach(page)).toBeLessThanOrEqual(390);
  await page.goto(`${bench}/choices`);
  await expect(page.getByText(/Odile Farrant, on their page/)).toBeVisible();
  await page.goto(address!);
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();

  // Mended and taken home with its card: how it goes is asked there, and what it does again brings the job back.
  await page.setViewportSize({ width: 1280, height: 800 });
  const noted = [
    { kind: 'repair', body: { cause: 'metering-diaphragm-stiff', outcome: 'cured' } },
    { kind: 'stage', body: { stage: 'closed', reason: 'Owner in a hurry' } },
  ];
  const kept = await page.request.post(`/api/jobs/${bench.split('/').at(-1)}/entries`, {
    data: {
      entries: noted.map((one) => ({ id: randomUUID(), notedAt: new Date().toISOString(), ...one })),
    },
  });
  expect(kept.ok(), await kept.text()).toBe(true);
  await page.goto(bench);
  await expect(page.getByRole('region', { name: 'How it goes' })).toBeVisible();
  await page.goto(`${bench}/papers?paper=card`);
  await page.getByRole('button', { name: 'Give it', exact: true }).click();
  await page.getByRole('button', { name: 'A page that asks how it goes' }).click();
  const home = await page.getByText(/\/owner\/[\w-]{43}$/).textContent();
  const back = await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false });
  const goes = await back.newPage();
  await goes.goto(home!);
  await goes.getByRole('button', { name: 'No, it runs right' }).first().click();
  await expect(goes.getByText('After the first use: it runs right. Thank you.')).toBeVisible();
  await goes
    .getByRole('button', { name: /^Yes: it runs for a moment/ })
    .first()
    .click();
  await expect(goes.getByText('After 5 uses: it did it again.')).toBeVisible();
  await back.close();
  await page.goto(home!);
  expect(await barred(page)).toEqual([]);
  await page.goto(bench);
  await expect(page.getByRole('button', { name: 'On its hook', exact: true })).toBeVisible();
  await expect(page.getByText('after 5 uses, it did it again').first()).toBeVisible();
});
