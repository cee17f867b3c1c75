import { randomUUID } from 'node:crypto';
import { expect } from '@playwright/test';
import { RARE, barred, checkIn } from './bench';
import { test } from './device';

test('an owner is found with a slip, by keys; the machine’s life is opened, and it is a comeback at the counter', async ({
  page,
}) => {
  await checkIn(page, {
    owner: 'Wendeline Quillfeather',
    kind: 'Chainsaw',
    maker: 'Brakken',
    model: 'Comeback 45',
    cc: '45',
    complaints: ['Will not fire'],
  });
  const jobId = new URL(page.url()).pathname.split('/')[2]!;
  const closing = { stage: 'closed', reason: 'runs again, fetched' };
  const noted = await page.request.post(`/api/jobs/${jobId}/entries`, {
    data: {
      entries: [{ id: randomUUID(), notedAt: new Date().toISOString(), kind: 'stage', body: closing }],
    },
  });
  expect(noted.ok(), await noted.text()).toBe(true);

  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Find', exact: true })).toBeVisible();
  await page.locator('body').press('f');
  await page.getByLabel('Find anything').fill('quilfeather');
  await expect(page.getByText('looked for quillfeather')).toBeVisible();
  const owners = page.getByRole('region', { name: 'Owners' });
  await expect(owners.getByRole('button')).toContainText('Wendeline Quillfeather');
  expect(await barred(page)).toEqual([]);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Wendeline Quillfeather' })).toBeVisible();
  await page
    .getByRole('link', { name: /Comeback 45/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Brakken Comeback 45', exact: true })).toBeVisible();
  expect(await barred(page)).toEqual([]);
  await page.getByRole('region', { name: 'Jobs' }).getByRole('link').click();
  await expect(page).toHaveURL(new RegExp(`/job/${jobId}$`));

  // Among the closed ones it is found by the server.
  await page.goto('/closed');
  await page.getByLabel('Find a closed job').fill('comeback quill');
  await expect(page.getByRole('table').getByRole('link')).toHaveText(['Brakken Comeback 45']);

  // It comes in again with the same.
  await page.goto('/check-in');
  await page.getByRole('textbox', { name: 'Owner' }).fill('Wendeline');
  await page.getByRole('button', { name: 'Wendeline Quillfeather' }).click();
  await page.getByRole('button', { name: 'Brakken Comeback 45' }).click();
  await expect(page.getByText(/It comes back/)).toBeHidden();
  await page.getByRole('button', { name: 'Will not fire' }).click();
  await expect(page.getByText('It comes back the same day: will not fire.')).toBeVisible();
  await page.getByRole('radio', { name: 'All sound' }).click();
  await page.getByRole('button', { name: 'Check it in' }).click();
  // Its bench says so too, and leads to its life.
  await expect(page.getByText('It comes back the same day: will not fire.')).toBeVisible();
  await expect(page.getByRole('link', { name: /Then it was \d+/ })).toHaveAttribute('href', `/job/${jobId}`);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('menuitem', { name: 'Its life, its model' }).click();
  await expect(page.getByRole('heading', { name: /Comeback 45, 1 job in this shop/ })).toBeVisible();
});

test(
  'ten thousand closed jobs are paged through by keyboard, and each is fetched once',
  RARE,
  async ({ page }) => {
    await checkIn(page, {
      owner: 'Ottilie Brackwater',
      kind: 'Chainsaw',
      maker: 'Brakken',
      model: 'Endless 45',
      cc: '45',
      complaints: ['Will not fire'],
    });
    const jobId = new URL(page.url()).pathname.split('/')[2]!;
    const tags = (await (await page.request.get('/api/jobs?show=open')).json()) as { job: { id: string } }[];
    const tag = tags.find((t) => t.job.id === jobId)!;
    // As many as a shop closes in a dozen years, page by page as the server gives them out.
    const [jobs, most] = [10_000, 100];
    const asked: number[] = [];
    await page.route('**/api/jobs?show=closed*', (route) => {
      const after = new URL(route.request().url()).searchParams.get('after');
      const from = after === null ? 0 : Number(after) + 1;
      asked.push(from);
      const some = Array.from({ length: most }, (_, n) => ({
        ...tag,
        stage: 'closed',
        stageSince: new Date(Date.UTC(2026, 0, 1) - (from + n) * 3_600_000).toISOString(),
        job: { ...tag.job, id: String(from + n), tag: jobs - from - n },
      }));
      const last = from + most - 1;
      const next = last < jobs - 1 ? { since: some.at(-1)!.stageSince, id: String(last) } : null;
      return route.fulfill({ json: { tags: some, next } });
    });
    await page.goto('/closed');
    const table = page.getByRole('table', { name: 'Closed jobs' });
    await expect(table.getByText('10000', { exact: true })).toBeVisible();
    // Onto the table: it scrolls by its own keys.
    await page.locator('[data-virtuoso-scroller]').focus();
    await expect(async () => {
      await page.keyboard.press('End');
      await expect(table.getByText('1', { exact: true })).toBeVisible({ timeout: 100 });
    }).toPass({ timeout: 60_000, intervals: [20] });
    expect(asked).toEqual(Array.from({ length: jobs / most }, (_, n) => n * most));
    // However many there are, only those in sight are drawn.
    expect(await table.getByRole('row').count()).toBeLessThan(60);
    await page.keyboard.press('Home');
    await expect(table.getByText('10000', { exact: true })).toBeVisible();
  },
);
