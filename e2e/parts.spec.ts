import { randomUUID } from 'node:crypto';
import { expect } from '@playwright/test';
import { barred, checkIn } from './bench';
import { test } from './device';

test('a part is wanted, ordered, booked in by its code, and its job hangs on its hook again, on another bench too', async ({
  page,
  context,
}) => {
  await checkIn(page, {
    owner: 'Owner of Coiled 45',
    kind: 'Chainsaw',
    maker: 'Brakken',
    model: 'Coiled 45',
    cc: '45',
    complaints: ['Will not fire'],
  });
  const jobId = new URL(page.url()).pathname.split('/')[2]!;
  await page.request.post('/api/entries', {
    data: {
      parcels: [
        {
          jobId,
          entry: {
            id: randomUUID(),
            notedAt: new Date().toISOString(),
            kind: 'verdict',
            body: { settles: 'coil-failed' },
          },
        },
      ],
    },
  });
  const code = `CO-${jobId.slice(0, 6)}`;

  // A part of its own is put into the catalogue: none lies there.
  await page.goto('/parts');
  await page.getByRole('button', { name: 'A new part' }).click();
  await page.getByLabel('Name').fill('Coil, Coiled 45');
  await page.getByLabel('Code').fill(code);
  await page.getByLabel('Price', { exact: true }).fill('40');
  await page.getByLabel('Find a repair or a layer').fill('coil failed');
  await page.getByRole('button', { name: 'Coil failed', exact: false }).first().click();
  await page.getByLabel('Maker').fill('brakken');
  await page.getByLabel('Model').fill('coiled 45');
  await page
    .getByRole('group', { name: /It goes on/ })
    .getByRole('button', { name: 'Add' })
    .click();
  await page.getByLabel('Source').fill('Otterbank Coils');
  await page.getByLabel('Working days').fill('2');
  await page.getByRole('group', { name: 'It comes from' }).getByRole('button', { name: 'Add' }).click();
  expect(await barred(page)).toEqual([]);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();

  // At the bench it is not here; from the job's parts it is put on the list.
  const other = await context.newPage();
  await other.goto(`/job/${jobId}`);
  await other.getByRole('link', { name: /Coil, Coiled 45.*not here/ }).click();
  expect(await barred(other)).toEqual([]);
  await other.getByRole('button', { name: 'Order from Otterbank Coils' }).click();
  await expect(other.getByText(/On the order list, from Otterbank/)).toBeVisible();
  await other.getByRole('link', { name: 'Bench' }).click();
  await expect(other.getByRole('button', { name: 'Waits for parts', exact: true })).toBeVisible();

  // The list has it for its tag; ordered, it is on its way.
  const list = page.getByRole('region', { name: 'To order' });
  const line = list.getByRole('listitem').filter({ hasText: 'Coil, Coiled 45' });
  await expect(line).toContainText('for ');
  await list
    .getByRole('group', { name: 'Otterbank Coils' })
    .getByRole('button', { name: 'It is ordered' })
    .click();
  await expect(page.getByRole('button', { name: 'Book in: Coil, Coiled 45' })).toBeVisible();
  expect(await barred(page)).toEqual([]);

  // A scanner types its code.
  await page.getByLabel('Find or scan a part').fill(code);
  await page.getByLabel('Find or scan a part').press('Enter');
  await expect(page.getByText(/booked in\. On its hook again: \d+ Owner of Coiled 45/)).toBeVisible();
  // The other bench is told.
  await expect(other.getByRole('button', { name: 'On its hook', exact: true })).toBeVisible();
  await other.getByRole('link', { name: /Coil, Coiled 45.*set aside/ }).click();
  await other.getByRole('button', { name: 'It is fitted' }).click();
  await expect(other.getByText('Fitted', { exact: true })).toBeVisible();
});
