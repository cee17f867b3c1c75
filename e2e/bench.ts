import { randomUUID } from 'node:crypto';
import { expect, type Locator, type Page } from '@playwright/test';
import axe from 'axe-core';

/** Slow, and about what seldom changes: made by `npm run torture`, not by every test run. */
export const RARE = { tag: '@rare' };

/** The bench as a technician works it, for tests to speak in. */
export const step = (page: Page): Locator => page.locator('#step');
export const suspects = (page: Page): Locator => page.getByRole('region', { name: 'Suspects' });
export const trail = (page: Page): Locator => page.getByRole('region', { name: 'Evidence so far' });
/** The bench is there, not only its first glance. */
const wholeBench = (page: Page): Promise<void> => expect(trail(page)).toBeVisible();
export const tray = (page: Page): Locator => page.getByRole('region', { name: 'Tray' });
export const leading = (page: Page): Locator => suspects(page).locator('[data-suspect]').first();

/** What is proposed has been thought through: it does not change any more by itself. */
export async function settled(page: Page): Promise<void> {
  await wholeBench(page);
  await expect(step(page).locator('[aria-busy=true]')).toHaveCount(0);
}

/** Writes a line on the bench line and waits until it stands in the trail. */
export async function write(page: Page, line: string, stands: string | RegExp): Promise<void> {
  const field = page.getByRole('textbox', { name: 'Bench line' });
  await field.fill(line);
  await field.press('Enter');
  await expect(field).toHaveValue('');
  await expect(trail(page).getByText(stands).first()).toBeVisible();
}

export interface NewMachine {
  owner: string;
  kind: string;
  maker: string;
  model: string;
  cc: string;
  complaints: string[];
}

/** A trimmer that is nobody's yet, by the name of its test. */
export const trimmer = (model: string, ...complaints: string[]): NewMachine => ({
  owner: `Owner of ${model}`,
  kind: 'Trimmer',
  maker: 'Hobwick',
  model,
  cc: '25',
  complaints: complaints.length > 0 ? complaints : ['Will not fire'],
});

const kebab = (label: string): string =>
  label
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '');
/** Complaints whose id is not their label in small letters. */
const COMPLAINTS: Readonly<Record<string, string>> = {
  'Will not fire': 'no-fire',
  'Bogs on the throttle': 'bogs-on-throttle',
};

/** Checks a new owner's new machine in as the page would, all sound, and opens its bench. */
export async function checkIn(page: Page, m: NewMachine, jobId: string = randomUUID()): Promise<void> {
  const noted = [
    ...m.complaints.map((label) => ({
      kind: 'complaint',
      body: { complaint: COMPLAINTS[label] ?? kebab(label) },
    })),
    { kind: 'finding', body: { check: 'safety-walkround', result: 'sound', sureness: 'sure' } },
  ];
  const notedAt = new Date().toISOString();
  const answer = await page.request.post('/api/jobs', {
    data: {
      jobId,
      customer: { name: m.owner },
      machine: { kind: kebab(m.kind), maker: m.maker, model: m.model, displacementCc: Number(m.cc) },
      entries: noted.map((one) => ({ id: randomUUID(), notedAt, ...one })),
    },
  });
  expect(answer.ok(), await answer.text()).toBe(true);
  await page.goto(`/job/${jobId}`);
  await expect(page.getByRole('heading', { name: `${m.maker} ${m.model}` })).toBeVisible();
  await wholeBench(page);
}

/** Checks a new owner's new machine in at the counter and lands on its bench. */
export async function checkInAtCounter(page: Page, m: NewMachine): Promise<void> {
  await page.goto('/check-in');
  const owner = page.getByRole('textbox', { name: 'Owner' });
  // Nobody has to tap into the first field.
  await expect(owner).toBeFocused();
  await owner.fill(m.owner);
  await page.getByRole('button', { name: m.kind, exact: true }).click();
  await page.getByLabel('Maker').fill(m.maker);
  await page.getByLabel('Model').fill(m.model);
  await page.getByLabel('Displacement, cc').fill(m.cc);
  for (const complaint of m.complaints) await page.getByRole('button', { name: complaint }).click();
  await page.getByRole('radio', { name: 'All sound' }).click();
  await page.getByRole('button', { name: 'Check it in' }).click();
  const bench = page.getByRole('heading', { name: `${m.maker} ${m.model}` });
  const other = page.getByRole('button', { name: 'Somebody else' });
  await expect(bench.or(other)).toBeVisible();
  // A name near one on the books is asked about.
  if (await other.isVisible()) {
    await other.click();
    await page.getByRole('button', { name: 'Check it in' }).click();
  }
  await expect(bench).toBeVisible();
  await wholeBench(page);
}

/** A check in the list of all of them, by its whole name. */
export const anyCheck = (page: Page, check: string): Locator =>
  page
    .getByRole('dialog')
    .getByRole('button')
    .filter({ has: page.getByText(check, { exact: true }) });

/** Makes a check by picking it from the whole list and tapping a result. */
export async function findBy(page: Page, check: string, result: string, sureness?: string): Promise<void> {
  await page.getByRole('button', { name: 'Any other check' }).click();
  await anyCheck(page, check).click();
  await expect(step(page).getByRole('heading', { name: check, exact: true })).toBeVisible();
  if (sureness) await step(page).getByRole('radio', { name: sureness }).click();
  await step(page).getByRole('button', { name: result, exact: true }).click();
  await expect(trail(page).getByText(`${check}: ${result}`).first()).toBeVisible();
}

/**
 * What is not accessible on a page as it stands, in the light and in the dark: only colours differ between the two. Run in the page
 * itself: to be sent what passed, in a page opened for it each time, takes five times as long.
 */
export async function barred(page: Page): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe.source);
  const said = (only?: string): Promise<string[]> =>
    page.evaluate(async (rule) => {
      const { axe: inThePage } = globalThis as unknown as { axe: typeof axe };
      const { violations } = await inThePage.run({
        resultTypes: ['violations'],
        // Style sheets are the page's own: none has to be fetched again.
        preload: false,
        ...(rule && { runOnly: [rule] }),
      });
      return violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`);
    }, only);
  const lit = (theme: string): Promise<void> =>
    page.evaluate((to) => void (document.documentElement.dataset['theme'] = to), theme);
  const light = await said();
  await lit('dark');
  const dark = await said('color-contrast');
  await lit('light');
  return [...light, ...dark.map((one) => `in the dark, ${one}`)];
}

/** How far right the page or a drawing in it goes, px: a drawing follows its place a moment later, and is clipped meanwhile. */
export const reach = (page: Page): Promise<number> =>
  page.evaluate(() =>
    Math.max(
      document.documentElement.scrollWidth,
      ...[...document.querySelectorAll('.recharts-wrapper')].map((of) =>
        Math.floor(of.getBoundingClientRect().right),
      ),
    ),
  );

/** What was seen wrong and stands on the list of work. */
export const found = (page: Page, cause: string): Locator => suspects(page).locator(`[data-found=${cause}]`);

/**
 * A clock of the page's own, which no answer of the server corrects. Returns what moves it on, ms.
 */
export async function ownClock(page: Page): Promise<(ms: number) => Promise<void>> {
  await page.clock.install();
  await page.route(
    (url) => url.pathname.startsWith('/api/') && !/stream|feed/.test(url.pathname),
    async (route) => {
      try {
        const response = await route.fetch();
        const { date: _, ...headers } = response.headers();
        await route.fulfill({ response, headers });
      } catch (gone) {
        // What is asked for as the page goes, before its answer or while it is given, is answered to nobody.
        if (!/disposed|closed|abort|canceled|ended/i.test(String(gone))) throw gone;
      }
    },
  );
  return (ms) => page.clock.fastForward(ms);
}
