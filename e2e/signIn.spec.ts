import { expect, type Page } from '@playwright/test';
import { checkIn, findBy, barred, step, trail, trimmer } from './bench';
import { LEAD } from './signedIn.mjs';
import { freshTest, test } from './device';

const [TECHNICIAN, COUNTER] = ['Idris Pell', 'Maren Tolle'];
const PINS: Record<string, string> = { [LEAD]: '482916', [TECHNICIAN]: '305714', [COUNTER]: '771203' };
const tapPin = async (page: Page, pin: string): Promise<void> => {
  for (const digit of pin) await page.getByRole('button', { name: digit, exact: true }).click();
};
const inHand = (page: Page, name: string) => page.getByRole('button', { name: `At the bench: ${name}` });
/** Changes hands by the sheet. */
const handTo = async (page: Page, name: string): Promise<void> => {
  await page.getByRole('button', { name: /^At the bench/ }).click();
  await page.getByRole('dialog').getByRole('button', { name }).click();
};

freshTest.describe('nobody signed in', () => {
  freshTest.use({ storageState: { cookies: [], origins: [] } });

  freshTest(
    'a bench opens to a name and its PIN, by touch on a phone, and to nothing else; to the counter as the counter’s',
    async ({ page }) => {
      await page.setViewportSize({ width: 390, height: 844 });
      await page.goto('/');
      await expect(page.getByRole('heading', { name: 'Who has the bench?' })).toBeVisible();
      await expect(page.locator('[data-tag]')).toHaveCount(0);
      expect(await barred(page)).toEqual([]);
      await page.getByRole('button', { name: COUNTER }).click();
      await tapPin(page, '771204');
      await expect(page.getByRole('alert')).toHaveText('That is not the PIN or password of this name.');
      expect(await barred(page)).toEqual([]);
      await tapPin(page, PINS[COUNTER]!);
      await expect(page.locator('[data-tag]').first()).toBeVisible();
      await page.reload();
      await expect(inHand(page, COUNTER)).toBeVisible();
      await checkIn(page, trimmer('Counter 1'));
      // How it stands, and what its owner says: nothing asks for a hand on the machine.
      await expect(page.getByRole('heading', { name: 'The cause is being looked for' })).toBeVisible();
      await expect(step(page)).toHaveCount(0);
      await page.getByLabel('What was said').fill('wants it by Friday');
      await page.keyboard.press('Enter');
      await expect(trail(page).getByText('wants it by Friday')).toBeVisible();
      expect(await barred(page)).toEqual([]);
    },
  );

  freshTest(
    'two at one bench change hands mid-job; locked it shows nothing; signed out it remembers nothing',
    async ({ page }) => {
      await page.goto('/');
      await page.getByRole('button', { name: LEAD }).click();
      await page.getByLabel('PIN or password').fill(PINS[LEAD]!);
      await page.keyboard.press('Enter');
      await expect(inHand(page, LEAD)).toBeVisible();
      await checkIn(page, trimmer('Hands 1'));
      await findBy(page, 'Smell the fuel', 'fresh');
      await handTo(page, TECHNICIAN);
      await tapPin(page, PINS[TECHNICIAN]!);
      await expect(inHand(page, TECHNICIAN)).toBeVisible();
      await findBy(page, 'Work the primer bulb', 'slow');
      // Back in two taps: both have said today who they are.
      await handTo(page, LEAD);
      await expect(inHand(page, LEAD)).toBeVisible();
      const jobId = /job\/([0-9a-f-]{36})/.exec(page.url())![1]!;
      const accounts = (await (await page.request.get('/api/accounts')).json()) as {
        id: string;
        name: string;
      }[];
      // Noted in each one's hands, and delivered when it was.
      const noters = async () => {
        const log = (await (await page.request.get(`/api/jobs/${jobId}`)).json()) as {
          entries: { kind: string; by?: string }[];
        };
        return log.entries.slice(-2).map((e) => accounts.find((a) => a.id === e.by)?.name);
      };
      await expect.poll(noters).toEqual([LEAD, TECHNICIAN]);

      const other = await page.context().newPage();
      await other.goto('/');
      await expect(other.locator('[data-tag]').first()).toBeVisible();
      await expect(step(page).getByRole('heading').first()).toBeVisible();
      await page.keyboard.press('Shift+L');
      for (const tab of [page, other]) {
        await expect(tab.getByRole('heading', { name: 'Locked' })).toBeVisible();
        await expect(tab.getByText('Hands 1')).toHaveCount(0);
      }
      await page.reload();
      await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
      await expect(trail(page)).toHaveCount(0);
      await tapPin(page, PINS[LEAD]!);
      for (const tab of [page, other]) await expect(inHand(tab, LEAD)).toBeVisible();
      await expect(trail(page).getByText('Work the primer bulb: slow')).toBeVisible();

      await page.getByRole('button', { name: /^At the bench/ }).click();
      await page.getByRole('button', { name: 'Sign out' }).click();
      // Each tab forgets once it knows: what the other one was just being sent, it may keep until then.
      for (const tab of [page, other])
        await expect(tab.getByRole('heading', { name: 'Who has the bench?' })).toBeVisible();
      const left = (): Promise<number> =>
        page.evaluate(
          () =>
            new Promise<number>((resolve) => {
              const opening = indexedDB.open('rusty-wren');
              opening.onsuccess = () => {
                const count = opening.result.transaction('seen').objectStore('seen').count();
                count.onsuccess = () => resolve(count.result);
              };
            }),
        );
      await expect.poll(left).toBe(0);
      // Nor of what was still on its way.
      await page.waitForTimeout(1000);
      expect(await left()).toBe(0);
    },
  );
});

test('the lead puts somebody on the books, sets a forgotten PIN, and stays the lead', async ({
  page,
  browser,
}) => {
  await page.goto('/people');
  const people = page.getByRole('region', { name: 'People' });
  await page.getByRole('button', { name: 'Somebody new' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Wenna Thrale');
  const secret = page.getByRole('dialog').getByLabel(/^A PIN of six digits/);
  await secret.fill('123456');
  await page.getByRole('button', { name: 'Put on the books' }).click();
  await expect(page.getByRole('alert')).toHaveText(
    'The PIN or password is tried first by anybody; take another.',
  );
  await secret.fill('640195');
  await page.getByRole('button', { name: 'Put on the books' }).click();
  await expect(people.getByText('Wenna Thrale')).toBeVisible();
  await people.getByRole('combobox', { name: `What ${LEAD} is` }).selectOption('technician');
  await expect(page.getByText('Somebody has to lead the shop')).toBeVisible();
  await expect(people.getByRole('combobox', { name: `What ${LEAD} is` })).toHaveValue('lead');
  // Fading, it is nobody's to read.
  await expect(page.getByText('Somebody has to lead the shop')).toHaveCount(0);
  expect(await barred(page)).toEqual([]);

  const phone = await browser.newContext({
    storageState: { cookies: [], origins: [] },
    serviceWorkers: 'block',
  });
  const other = await phone.newPage();
  const signIn = async (pin: string): Promise<void> => {
    await other.goto('/');
    await other.getByRole('button', { name: 'Wenna Thrale' }).click();
    await tapPin(other, pin);
  };
  await signIn('640195');
  await expect(inHand(other, 'Wenna Thrale')).toBeVisible();
  const row = people.getByRole('listitem').filter({ hasText: 'Wenna Thrale' });
  await row.getByRole('button', { name: 'Another PIN' }).click();
  await secret.fill('518304');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await other.reload();
  await expect(other.getByRole('heading', { name: 'Who has the bench?' })).toBeVisible();
  await signIn('518304');
  await expect(inHand(other, 'Wenna Thrale')).toBeVisible();
  await row.getByRole('button', { name: 'Has left' }).click();
  await expect(row.getByText('has left')).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'What was changed' })
      .getByText('changed somebody: Wenna Thrale, has left'),
  ).toBeVisible();
  await phone.close();
});
