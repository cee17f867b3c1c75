import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { anyCheck, barred, checkIn, reach, step, trail } from './bench';

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

test('an instrument feeds the watch live, and the log says that it was a stand-in', async ({ page }) => {
  await checkIn(page, saw('Watch 2'));
  await pick(page, 'Pressure-test the inlet');
  await step(page).getByRole('button', { name: 'From an instrument' }).click();
  await step(page).getByRole('button', { name: 'a large leak' }).click();
  await expect(step(page).getByText('Simulated', { exact: true })).toBeVisible();
  const log = step(page).getByRole('button', { name: /^Log it: (fast|slow) leak$/ });
  await expect(log).toBeVisible();
  // Begun again, the old instrument is not heard any more.
  // By key: the button moves while the first readings come in above it.
  await step(page).getByRole('button', { name: 'Start over' }).press('Enter');
  await page.waitForTimeout(1500);
  await expect(step(page).getByRole('button', { name: 'Start the watch' })).toBeVisible();
  await step(page).getByRole('button', { name: 'From an instrument' }).click();
  await step(page).getByRole('button', { name: 'a large leak' }).click();
  await expect(log).toBeVisible();
  await log.click();
  await expect(trail(page).getByText(/leak, .* psi in \d+ s, simulated$/)).toBeVisible();
});

test('a gauge and a tachometer feed their checks too', async ({ page }) => {
  await checkIn(page, saw('Feed 1'));
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

test('a watch goes on though another entry is logged meanwhile', async ({ page }) => {
  await checkIn(page, saw('Watch 3'));
  await pick(page, 'Pressure-test the tank');
  const gauge = step(page).getByLabel('Gauge now, psi');
  await gauge.fill('2.9');
  await gauge.press('Enter');
  await expect(step(page).getByRole('button', { name: /^Take out 2.9/ })).toBeVisible();
  const line = page.getByRole('textbox', { name: 'Bench line' });
  await line.fill('smell fresh');
  await line.press('Enter');
  await expect(trail(page).getByText('fresh')).toBeVisible();
  await expect(step(page).getByRole('button', { name: /^Take out 2.9/ })).toBeVisible();
});

test('squeeze is corrected for the bench it stands on, refused with the throttle shut, and kept for the model', async ({
  page,
}) => {
  await checkIn(page, saw('Squeeze 1'));
  await pick(page, 'Measure compression');
  await step(page).getByLabel('Gauge after each pull, psi').fill('70 92 101 104 105');
  await expect(step(page).getByText('Marginal', { exact: true })).toBeVisible();
  await step(page).getByRole('radio', { name: 'shut' }).click();
  await expect(step(page).getByText(/^Throttle shut/)).toBeVisible();
  await step(page).getByRole('radio', { name: 'Throttle open' }).click();
  await step(page)
    .getByRole('button', { name: /^This gauge and bench/ })
    .click();
  await step(page).getByLabel('Altitude, m').fill('2000');
  await expect(step(page).getByText('Good', { exact: true })).toBeVisible();
  await step(page).getByRole('button', { name: 'Log it' }).click();
  await expect(trail(page).getByText('good, 70 92 101 104 105 psi')).toBeVisible();
  await pick(page, 'Measure compression');
  await expect(step(page).getByText(/^This machine: 13\d psi on/)).toBeVisible();
  // The bench is as high tomorrow.
  await page.reload();
  await pick(page, 'Measure compression');
  await expect(step(page).getByText(/2000 m$/)).toBeVisible();
});

test('the coil gap says which end to move, by cards or by feeler', async ({ page }) => {
  await checkIn(page, saw('Gap 1'));
  await pick(page, 'Measure the coil air gap');
  await step(page).getByRole('radio', { name: 'Cards' }).click();
  await step(page).getByLabel('Top leg, cards').fill('1');
  await step(page).getByLabel('Bottom leg, cards').fill('2');
  await expect(step(page).getByText(/^Lower end in by 0\.4[12] mm \(16 thou\)$/)).toBeVisible();
  await step(page).getByRole('radio', { name: 'mm', exact: true }).click();
  await step(page).getByLabel('Top leg, mm').fill('0.30');
  await step(page).getByLabel('Bottom leg, mm').fill('9');
  await expect(step(page).getByText('Bottom leg, mm: 9 is outside 0 to 3.')).toBeVisible();
  await step(page).getByLabel('Bottom leg, mm').fill('0,45');
  await expect(step(page).getByText('Lower end in by 0.15 mm (6 thou)')).toBeVisible();
  await step(page).getByRole('button', { name: 'How to set it' }).click();
  await expect(step(page).getByText('Tighten the upper screw first, then the lower')).toBeVisible();
  await step(page).getByRole('button', { name: 'Log it: one leg off' }).click();
  await expect(trail(page).getByText('uneven, 0.30 and 0.45 mm')).toBeVisible();
});

test('screws are counted by tapping eighths', async ({ page }) => {
  await checkIn(page, saw('Screws 1'));
  await pick(page, 'Count the screws to their seats');
  for (let n = 0; n < 3; n++)
    await step(page).getByRole('button', { name: 'L an eighth', exact: true }).click();
  await step(page).getByRole('button', { name: 'L an eighth back' }).click();
  for (let n = 0; n < 3; n++) await step(page).getByRole('button', { name: 'H a turn' }).click();
  await expect(step(page).getByLabel('L turns')).toHaveText('1/4');
  await expect(step(page).getByText(/^2 further out/)).toBeVisible();
  await step(page).getByRole('button', { name: 'Log it: far out' }).click();
  await expect(trail(page).getByText('far out, L 1/4, H 3')).toBeVisible();
});

test('the stop wire is gone through step by step, by keyboard, to where the short is', async ({ page }) => {
  await checkIn(page, { ...saw('Stop 1'), complaints: ['Will not fire'] });
  await pick(page, 'Spark with the stop wire off');
  const answer = (name: string) => step(page).getByRole('button', { name, exact: true }).first();
  await expect(step(page).getByText('1. Wire on, switch at run. Tester on the lead.')).toBeVisible();
  await answer('Nothing').press('Enter');
  await expect(step(page).getByText('2. Pull the stop wire off the coil.')).toBeVisible();
  await answer('Nothing').press('Enter');
  await expect(step(page).getByText('Not the stop circuit')).toBeVisible();
  await answer('Take back').press('Enter');
  // In the dark, and only fairly sure.
  await answer('Lights out').press('Enter');
  const dark = page.getByRole('dialog', { name: 'Lights out' });
  await page.keyboard.press('Space');
  await page.keyboard.press('n');
  await page.keyboard.press('Enter');
  await dark.getByRole('button', { name: 'Fairly' }).press('Enter');
  await expect(step(page).getByText('3. Wire back on the coil. Unplug it at the switch.')).toBeVisible();
  await answer('Spark').press('Enter');
  await expect(step(page).getByText('The switch is shorted')).toBeVisible();
  await answer('Log it').press('Enter');
  await expect(trail(page).getByText('comes back, shorted in the switch')).toBeVisible();
  await expect(trail(page).getByText('Top cover')).toBeVisible();
});

test('a gap that measures right but scrapes is tight, and a substitute diaphragm is held to the old one', async ({
  page,
}) => {
  await checkIn(page, saw('Scrape 1'));
  await pick(page, 'Measure the coil air gap');
  await step(page).getByLabel('Top leg, mm').fill('0.30');
  await step(page).getByLabel('Bottom leg, mm').fill('0.31');
  await expect(step(page).getByText('Right', { exact: true })).toBeVisible();
  await step(page).getByRole('radio', { name: 'Scrapes' }).click();
  await expect(step(page).getByText('Too tight', { exact: true })).toBeVisible();
  await step(page).getByRole('button', { name: 'Log it: too tight' }).click();
  await expect(trail(page).getByText('tight, 0.30 and 0.31 mm, scrapes')).toBeVisible();

  await page.goto('/tools/button');
  await page.getByLabel('Old button, mm').fill('1.2');
  await page.getByLabel('Substitute, mm').fill('1.6');
  await expect(page.getByRole('status')).toHaveText(/0.40 mm prouder: it leans on the lever and floods/);
  await page.getByLabel('Substitute, mm').fill('1.25');
  await expect(page.getByRole('status')).toHaveText(/it fits/);
});

test('lights out: a faint spark is read in the dark by keyboard', async ({ page }) => {
  await checkIn(page, { ...saw('Dark 1'), complaints: ['Will not fire'] });
  await pick(page, 'Look at the spark');
  await page.keyboard.press('l');
  const dark = page.getByRole('dialog', { name: 'Lights out' });
  await expect(dark).toHaveCSS('background-color', 'rgb(0, 0, 0)');
  await page.keyboard.press('Space');
  await page.keyboard.press('n');
  await page.keyboard.press('Space');
  await expect(dark.getByText('2 of 3 pulls')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(dark.getByText('Some pulls, not all. How sure?')).toBeVisible();
  await dark.getByRole('button', { name: 'Fairly' }).click();
  await expect(dark).toHaveCount(0);
  await expect(trail(page).getByText('flickers')).toBeVisible();
  await expect(trail(page).getByText('fairly sure')).toBeVisible();
});

test('a spec card changes the verdict, and cards go out and come in as a table', async ({ page }) => {
  await checkIn(page, saw('Card 1'));
  await page.getByRole('link', { name: 'Brakken Card 1' }).click();
  await page.getByLabel('Idle, rpm').fill('3400');
  await page.getByLabel('Squeeze, psi, from').fill('170');
  await page.getByRole('button', { name: 'Keep the card' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Squeeze, psi: give both' })).toBeVisible();
  await page.getByRole('group').filter({ hasText: 'Squeeze, psi' }).getByLabel('to').fill('190');
  await page.getByRole('button', { name: 'Keep the card' }).click();
  await expect(page.getByRole('button', { name: 'Brakken Card 1 maker' })).toBeVisible();
  await page.goBack();
  await pick(page, 'Measure compression');
  await step(page).getByLabel('Gauge after each pull, psi').fill('90 125 138 141 142');
  await expect(step(page).getByText(/band 170–190 \(the maker’s figure\)/)).toBeVisible();

  await page.goto('/specs');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const csv = await readFile(await (await saved).path(), 'utf8');
  expect(csv).toContain('Brakken,Card 1,3400');
  await page.getByRole('button', { name: 'Paste or drop a table' }).click();
  const table = page.getByLabel('Cards as CSV or JSON');
  await table.fill('maker,model,idle\nTolvane,Puff 20,quick');
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(page.getByText('Line 2: idle "quick" is not a number.')).toBeVisible();
  await table.fill('maker,model,idle\nTolvane,Puff 20,2750');
  await page.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Tolvane Puff 20 maker' })).toBeVisible();
});

test('the reckoners reckon, and say what they cannot', async ({ page }) => {
  await page.goto('/tools/fuel');
  await page.getByLabel('Petrol, litres').fill('4');
  await expect(page.getByText('80 ml oil at 50:1')).toBeVisible();
  await page.getByLabel('Oil that is in it, ml').fill('200');
  await expect(page.getByRole('status').filter({ hasText: 'Add 6.00 l petrol' })).toBeVisible();
  await page.getByLabel('Petrol, litres').fill('four');
  await expect(page.getByText('Petrol, litres: "four" is not a number.')).toBeVisible();
  await page.getByRole('link', { name: 'Altitude and weather' }).click();
  await page.getByLabel('Works at, m').fill('1500');
  await page.getByLabel('and °C').first().fill('5');
  await expect(page.getByText(/^7\.\d % richer$/)).toBeVisible();
  await expect(page.getByText('in 1/8', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Converter' }).click();
  await page.getByLabel('Figure').fill('7');
  await expect(page.getByText('0.4826')).toBeVisible();
});

test('the instruments, a running watch among them, are accessible, light or dark', async ({ page }) => {
  for (const path of ['/tools/pressure', '/tools/squeeze', '/tools/air-gap', '/tools/screws']) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    if (path.endsWith('pressure')) {
      const gauge = page.getByLabel('Gauge now, psi');
      for (const psi of ['7', '6', '5', '4.2', '3.5']) {
        await gauge.fill(psi);
        await gauge.press('Enter');
        await page.waitForTimeout(150);
      }
    }
    expect(await barred(page), path).toEqual([]);
  }
});

test('at phone width no instrument runs off the side', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of [
    '/tools/pressure',
    '/tools/squeeze',
    '/tools/air-gap',
    '/tools/screws',
    '/tools/air',
    '/specs',
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect.poll(() => reach(page), path).toBeLessThanOrEqual(390);
  }
});
