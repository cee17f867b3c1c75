import { expect, test, type Page } from '@playwright/test';
import { anyCheck, settled, step, trail } from './bench';

/** Counts what hands do from here on: presses on the screen, and keys. */
async function countHands(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const count = (what: 'taps' | 'keys') => (event: Event) => {
      if (event.isTrusted) localStorage.setItem(what, String(Number(localStorage.getItem(what) ?? 0) + 1));
    };
    addEventListener('pointerdown', count('taps'), true);
    addEventListener('keydown', count('keys'), true);
  });
}

const hands = (page: Page): Promise<{ taps: number; keys: number }> =>
  page.evaluate(() => ({
    taps: Number(localStorage.getItem('taps') ?? 0),
    keys: Number(localStorage.getItem('keys') ?? 0),
  }));

/** So many letters, none of them like those before. */
const anyLetters = (n: number): string =>
  Array.from({ length: n }, () => String.fromCharCode(97 + Math.floor(Math.random() * 26))).join('');

/** A tag on the rack becomes a job: the counter's work, with what has to be said. */
async function hang(page: Page, kind: string, complaint: string): Promise<void> {
  // Like nobody on the books and no machine on the rack, or it would be asked about.
  const owner = anyLetters(12);
  const model = anyLetters(6);
  await page.goto('/');
  await page
    .getByRole('link', { name: /Check in/ })
    .first()
    .click();
  await expect(page.getByRole('textbox', { name: 'Owner' })).toBeFocused();
  await page.keyboard.type(owner);
  await page.getByRole('button', { name: kind, exact: true }).click();
  await page.getByLabel('Maker').click();
  await page.keyboard.type('Hobwick');
  await page.getByLabel('Model').click();
  await page.keyboard.type(model);
  await page.getByRole('button', { name: complaint }).click();
  await page.getByRole('radio', { name: 'All sound' }).click();
  await page.getByRole('button', { name: 'Check it in' }).click();
  await expect(page.getByRole('heading', { name: `Hobwick ${model}` })).toBeVisible();
}

/** A result of a check: at once where it is what the screen proposes, else by typing its name. */
async function note(page: Page, check: string, result: string): Promise<void> {
  const heading = step(page).getByRole('heading', { level: 2 }).first();
  await settled(page);
  if ((await heading.textContent()) !== check) {
    await page.getByRole('button', { name: 'Any other check' }).click();
    await anyCheck(page, check).click();
  }
  await expect(heading).toHaveText(check);
  await step(page).getByRole('button', { name: result, exact: true }).click();
  await expect(trail(page).getByText(`${check}: ${result}`).first()).toBeVisible();
}

/** A figure, on the bench line. */
async function type(page: Page, line: string, stands: RegExp): Promise<void> {
  await page.keyboard.press('/');
  await page.keyboard.type(`${line}\n`);
  await expect(trail(page).getByText(stands)).toBeVisible();
}

const press = (page: Page, name: string | RegExp): Promise<void> =>
  step(page).getByRole('button', { name }).first().click();

/** The proof up to the first cold start, as far as one standing goes. */
async function prove(page: Page): Promise<void> {
  await expect(step(page).getByRole('heading', { name: 'Now prove it' })).toBeVisible();
  for (const label of [
    'Full speed in band',
    'Picks up cleanly and returns',
    'Idle in band',
    'Tool still at idle',
  ]) {
    const row = step(page).getByRole('listitem').filter({ hasText: label });
    if ((await row.getByRole('button', { name: 'Proved' }).count()) === 0) continue;
    await row.getByRole('button', { name: 'Proved' }).click();
    await expect(row.getByRole('button', { name: 'Proved' })).toHaveCount(0);
  }
  await step(page)
    .getByRole('group', { name: /^Restarts warm/ })
    .getByRole('button', { name: '2 pulls' })
    .click();
  await expect(
    step(page)
      .getByText(/^not before/)
      .first(),
  ).toBeVisible();
}

/** Three whole jobs, from the counter to the end of the proof's first standing, and the most that hands may do on each. */
const JOBS: readonly {
  name: string;
  most: { taps: number; keys: number };
  work: (page: Page) => Promise<void>;
}[] = [
  {
    name: 'a vent that is shut',
    most: { taps: 16, keys: 25 },
    work: async (page) => {
      await hang(page, 'Trimmer', 'Fades under way');
      await note(page, 'Test the tank vent', 'blocked');
      await press(page, 'Cured it');
      await prove(page);
    },
  },
  {
    name: 'a stiff diaphragm and a gummed screen, in pieces',
    most: { taps: 25, keys: 25 },
    work: async (page) => {
      await hang(page, 'Trimmer', 'Runs on prime, then dies');
      await note(page, 'Flick the metering diaphragm', 'stiff');
      await note(page, 'Look at the inlet screen', 'gummed');
      await note(page, 'Smell the fuel', 'stale');
      for (const also of ['Inlet screen gummed', 'Stale fuel']) await press(page, also);
      await press(page, 'All back on');
      await press(page, 'Cured it');
      while (await step(page).getByRole('button', { name: 'Ruled out' }).first().isVisible()) {
        const left = await step(page).getByRole('button', { name: 'Ruled out' }).count();
        await press(page, 'Ruled out');
        await expect(step(page).getByRole('button', { name: 'Ruled out' })).not.toHaveCount(left);
      }
      await prove(page);
    },
  },
  {
    name: 'a coil gap that was wide',
    most: { taps: 17, keys: 36 },
    work: async (page) => {
      await hang(page, 'Chainsaw', 'Will not fire');
      await note(page, 'Look at the spark', 'weak');
      await type(page, 'gap .5 .5', /wide, 0.50/);
      await press(page, 'All back on');
      await press(page, 'Cured it');
      await prove(page);
    },
  },
];

for (const { name, most, work } of JOBS)
  test(`hands on a whole job: ${name}`, async ({ page }) => {
    await countHands(page);
    await work(page);
    const { taps, keys } = await hands(page);
    console.log(`${name}: ${taps} taps, ${keys} keys`);
    expect(taps).toBeLessThanOrEqual(most.taps);
    expect(keys).toBeLessThanOrEqual(most.keys);
  });
