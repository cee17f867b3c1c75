import { expect, type Page } from '@playwright/test';
import { anyCheck, barred, checkIn, step, trail } from './bench';
import { test } from './device';

const saw = (model: string) => ({
  owner: `Owner of ${model}`,
  kind: 'Chainsaw',
  maker: 'Brakken',
  model,
  cc: '45',
  complaints: ['Fades under way'],
});

/** Puts a check's instrument on the bench. */
async function pick(page: Page, check: string): Promise<void> {
  await page.getByRole('button', { name: 'Any other check' }).click();
  await anyCheck(page, check).click();
  await expect(step(page).getByRole('heading', { name: check, exact: true })).toBeVisible();
}

test('a gauge is watched by keyboard alone: drawn, judged, compared with the one before, logged', async ({
  page,
}) => {
  await checkIn(page, saw('Watch 1'));
  await pick(page, 'Pressure-test the line alone');
  const gauge = step(page).getByLabel('Gauge now, psi');
  await gauge.fill('seven');
  await gauge.press('Enter');
  await expect(step(page).getByText('Gauge: "seven" is not a number.')).toBeVisible();
  await expect(gauge).toHaveValue('seven');
  await gauge.fill('16');
  await expect(step(page).getByText('never beyond 14.5 psi (1.00 bar)')).toBeVisible();
  for (const psi of ['7', '6.2', '5.4', '4.7', '4.1', '3.6']) {
    await gauge.fill(psi);
    await gauge.press('Enter');
    await expect(gauge).toHaveValue('');
    await page.waitForTimeout(600);
  }
  await expect(step(page).getByRole('timer')).toHaveText(/^0:\d\d$|^Time$/);
  await expect(step(page).getByText('Leaks', { exact: true })).toBeVisible();
  await expect(step(page).getByText(/times the leak allowed$/)).toBeVisible();
  expect(await barred(page)).toEqual([]);
  await step(page).getByRole('button', { name: 'Log it: leaks' }).press('Enter');
  await expect(trail(page).getByText(/^leaks, 7 to 3.6 psi in \d+ s$/)).toBeVisible();

  // Mended, and watched again: a table of another gauge, in another unit.
  await pick(page, 'Pressure-test the line alone');
  await step(page).getByRole('button', { name: 'Paste or drop a table' }).press('Enter');
  const table = step(page).getByLabel('A watch kept as a table: seconds and gauge');
  await table.fill('0;0,5\n10;oops');
  await step(page).getByRole('button', { name: 'Take it', exact: true }).press('Enter');
  await expect(step(page).getByText('Line 2: the gauge "oops" is not a number.')).toBeVisible();
  await expect(table).toHaveValue('0;0,5\n10;oops');
  await table.fill('s;bar\n0;0,50\n10;0,50\n20;0,50\n30;0,50\n40;0,49\n50;0,49\n60;0,49');
  await step(page).getByRole('button', { name: 'Take it', exact: true }).press('Enter');
  await expect(step(page).getByText(/^Mended: \d+ % of the leak is left$/)).toBeVisible();
  await step(page).getByRole('button', { name: 'Log it: holds' }).press('Enter');
  await expect(trail(page).getByText('holds, 0.5 to 0.49 bar in 60 s')).toBeVisible();
});

test('instruments feed the watch, the gauge and the tachometer live, and the log says that it was a stand-in', async ({
  page,
}) => {
  await checkIn(page, saw('Watch 2'));
  await pick(page, 'Pressure-test the inlet');
  await step(page).getByRole('button', { name: 'From an instrument' }).click();
  await step(page).getByRole('button', { name: 'a large leak' }).click();
  await expect(step(page).getByText('Simulated', { exact: true })).toBeVisible();
  const log = step(page).getByRole('button', { name: /^Log it: (fast|slow) leak$/ });
  await expect(step(page).getByRole('timer')).toBeVisible();
  // Begun again, the old instrument is not heard any more.
  // By key: the button moves while the first readings come in above it.
  const hungUp = page.waitForEvent('requestfailed', (request) => request.url().includes('/feed'));
  await step(page).getByRole('button', { name: 'Start over' }).press('Enter');
  await hungUp;
  await expect(step(page).getByRole('button', { name: 'Start the watch' })).toBeVisible();
  await step(page).getByRole('button', { name: 'From an instrument' }).click();
  await step(page).getByRole('button', { name: 'a large leak' }).click();
  await expect(log).toBeVisible();
  await log.click();
  await expect(trail(page).getByText(/leak, .* psi in \d+ s, simulated$/)).toBeVisible();

  // A gauge and a tachometer feed their checks too.
  await pick(page, 'Measure compression');
  await step(page).getByRole('button', { name: 'From an instrument' }).click();
  await step(page).getByRole('button', { name: 'a worn-out one' }).click();
  await expect(step(page).getByLabel('Gauge after each pull, psi')).toHaveValue(/^\d+( \d+){3}/);
  await expect(step(page).getByText('Low', { exact: true })).toBeVisible();
  await step(page).getByRole('button', { name: 'Log it' }).click();
  await expect(trail(page).getByText(/^low, \d+ .* psi, simulated$/)).toBeVisible();
  await pick(page, 'Read the idle speed');
  await step(page).getByRole('button', { name: 'From an instrument' }).click();
  await step(page).getByRole('button', { name: 'about right' }).click();
  await expect(step(page).getByText(/^\d+ rpm, band/)).toBeVisible();
  await step(page).getByRole('button', { name: 'Log it' }).click();
  await expect(trail(page).getByText(/rpm, simulated$/)).toBeVisible();
});
