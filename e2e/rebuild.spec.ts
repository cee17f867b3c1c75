import { expect, test, type Locator, type Page } from '@playwright/test';
import { barred, checkIn, reach, trail, trimmer } from './bench';

const now = (page: Page): Locator => page.locator('#rebuild-step');
const title = (page: Page): Locator => now(page).getByRole('heading', { level: 2 });
const onTray = (page: Page): Locator => page.getByRole('region', { name: 'On the tray' });
const layer = (page: Page, id: string): Locator => page.locator(`[data-layer=${id}]`);
const pass = (page: Page): Promise<void> => now(page).getByRole('button', { name: 'Pass this over' }).click();
/** Answers the step that is up. */
async function answer(page: Page, heading: string, button: string): Promise<void> {
  await expect(title(page)).toHaveText(heading);
  await now(page).getByRole('button', { name: button, exact: true }).click();
}

test('a bulb-on-body carburettor is rebuilt by touch: one layer missing, one renewed, a washer noticed before the start', async ({
  page,
}) => {
  // A model nobody has met, also when it is run again.
  const model = `Rebuilt ${Date.now() % 1e6}`;
  await checkIn(page, trimmer(model, 'Runs on prime, then dies'));
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Carburettor in pieces' }).click();
  // Two taps say which it is.
  await now(page)
    .getByRole('button', { name: /A plate on a shaft/ })
    .click();
  await now(page)
    .getByRole('button', { name: /Bulb on its body/ })
    .click();
  await answer(page, 'Drain the fuel', 'Drained');
  // Nothing is counted through a cap.
  await expect(title(page)).toHaveText('Limiter caps off');
  await pass(page);
  await expect(title(page)).toHaveText('Count the screws to their seats');
  await pass(page);
  await answer(page, 'Links and springs looked at before they were unhooked', 'Done');
  await expect(title(page)).toHaveText('Tag the lines');
  await now(page).getByLabel('Its tag').fill('clear');
  await now(page).getByRole('button', { name: 'filter in the tank' }).click();
  await now(page).getByRole('button', { name: 'supply stub' }).click();
  await now(page).getByRole('button', { name: 'Tag it' }).click();
  await now(page).getByRole('button', { name: 'All tagged' }).click();
  await pass(page);
  await expect(now(page).getByText('Petrol vapour')).toBeVisible();
  await answer(page, 'Carburettor off', 'Off');
  await answer(page, 'Line scribed across body and covers', 'Done');
  // Not the guide's order: the hand that has the thing in it says which.
  await layer(page, 'low-screw').click();
  await expect(now(page).getByText('L is not counted yet.')).toBeVisible();
  await now(page).getByRole('button', { name: 'Count it now' }).click();
  await expect(title(page)).toHaveText('Count the screws to their seats');
  await now(page).getByRole('button', { name: 'Back to the guide' }).click();

  await answer(page, 'Pump cover off', 'Off');
  await answer(page, 'Pump gasket off', 'sound');
  await answer(page, 'Pump diaphragm off', 'limp, flat');
  await layer(page, 'inlet-screen').click();
  await expect(title(page)).toHaveText('Inlet screen');
  await now(page).getByRole('button', { name: 'missing' }).click();
  await expect(layer(page, 'inlet-screen')).toContainText('missing');
  await answer(page, 'Bulb ring off', 'sound');
  await answer(page, 'Purge bulb off', 'sound');
  await answer(page, 'Check valve off', 'sound');
  await answer(page, 'Bulb base off', 'Off');
  await answer(page, 'Metering diaphragm off', 'stiff');
  await onTray(page).getByRole('button', { name: 'Took something off' }).click();
  await page.getByRole('dialog').getByLabel('Any loose thing').fill('bent washer');
  await page.getByRole('dialog').getByRole('button', { name: 'Add' }).click();
  await answer(page, 'Metering gasket off', 'sound');
  await expect(title(page)).toHaveText('Measure the metering lever');
  await pass(page);
  // Off far enough: the lever stays in.
  await expect(title(page)).toHaveText('Pin screw off');
  await expect(layer(page, 'lever-screw')).toHaveAttribute('aria-current', 'step');
  for (let n = 0; n < 12 && (await title(page).innerText()) !== 'Is it off far enough?'; n++) {
    const may = now(page).getByRole('button', { name: 'Pass this over' });
    if (await may.isVisible()) await may.click();
    else await now(page).getByRole('button', { name: 'Off, not looked at' }).click();
  }
  await answer(page, 'Is it off far enough?', 'Far enough');
  await expect(title(page)).toHaveText('Blow through the passages');
  await now(page).getByRole('button', { name: 'clear', exact: true }).click();
  await expect(title(page)).toHaveText('What is renewed?');
  // Somebody has been inside: a new one is the first answer, with its reason; the technician takes the kit.
  const choices = now(page).getByRole('listitem');
  await expect(choices.first()).toContainText('A new carburettor');
  await expect(choices.first()).toContainText('somebody has been inside');
  expect(await barred(page)).toEqual([]);
  await choices.filter({ hasText: 'The whole kit' }).getByRole('button').click();

  // It goes together backwards, one layer at a time.
  const built: string[] = [];
  while (
    / on$/.test(await title(page).innerText()) &&
    !(await title(page).innerText()).includes('Carburettor')
  ) {
    const heading = await title(page).innerText();
    built.push(heading);
    await now(page).locator('[data-main]').click();
    await expect(title(page)).not.toHaveText(heading);
    const said = await title(page).innerText();
    if (said === 'Measure the metering lever') {
      await now(page).getByRole('button', { name: 'in band', exact: true }).click();
      await expect(title(page)).toHaveText('Pressure-test the inlet');
      await pass(page);
    }
    if ((await title(page).innerText()).startsWith('New diaphragm'))
      await now(page).locator('[data-main]').click();
  }
  const at = (heading: string): number => built.indexOf(heading);
  expect(at('A new inlet needle on')).toBeGreaterThan(at('A new lever spring on'));
  expect(at('A new metering diaphragm on')).toBeGreaterThan(at('A new metering gasket on'));
  expect(at('Bulb ring on')).toBeGreaterThan(at('Purge bulb on'));
  expect(at('A new inlet screen on')).toBeGreaterThanOrEqual(0);
  await expect(title(page)).toHaveText('Gasket hole over the impulse port');

  // Not started with a washer on the tray.
  await page.getByRole('link', { name: 'Starting' }).click();
  await expect(page.getByRole('group', { name: 'Put back first' })).toContainText('bent washer');
  await page.goBack();
  await answer(page, 'Gasket hole over the impulse port', 'Done');
  await answer(page, 'Carburettor on', 'On');
  await expect(title(page)).toHaveText('Lines back on');
  await now(page).getByRole('button', { name: 'Somewhere else' }).click();
  await now(page).getByRole('button', { name: 'filter in the tank' }).click();
  await now(page).getByRole('button', { name: 'return stub' }).click();
  await now(page).getByRole('button', { name: 'It is there now' }).click();
  await expect(now(page).getByRole('alert')).toContainText('it was not there');
  await now(page).getByRole('button', { name: 'As it was' }).click();
  await answer(page, 'Throttle and choke full travel, by hand', 'Done');
  await answer(page, 'Air box on', 'On');
  await answer(page, 'Stop and earth wires clear', 'Done');
  await answer(page, 'Throttle and choke full travel with the covers on', 'Done');
  await page.getByRole('link', { name: 'Starting' }).click();
  await expect(page.getByRole('group', { name: 'Put back first' })).toContainText('One thing is off');
  await page.goBack();
  await answer(page, 'Bent washer: where does it go?', 'It is back');
  // What was drained has to be filled again before there is anything to prime.
  await answer(page, 'Fill it with fresh mix', 'Filled');
  await answer(page, 'Work the primer bulb', 'fills, firm');
  await expect(title(page)).toHaveText('It is together');
  await expect(now(page)).toContainText('parts for variants');
  await now(page).getByRole('button', { name: 'Note the repair, to be tried' }).click();
  await now(page).getByRole('link', { name: 'Start it' }).click();
  await expect(
    page.getByRole('region', { name: 'Pulls' }).getByRole('button', { name: /Pull/ }),
  ).toBeVisible();
  // What was found on the layers is on the log, and its model is known from now on.
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(trail(page).getByText('Off: Metering diaphragm, stiff')).toBeVisible();
  // The kit is one piece of work; what was missing and is there again is another.
  await expect(trail(page).getByText(/Repair: .*done, not tried yet/)).toHaveCount(2);
  await checkIn(page, trimmer(model, 'Will not fire'));
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Carburettor in pieces' }).click();
  await expect(title(page)).toHaveText('Drain the fuel');
  await expect(page.getByText('Plate, bulb on the body: change')).toBeVisible();
});

test('a barrel type is taken apart and built by keyboard alone', async ({ page }) => {
  await checkIn(page, trimmer(`Barrel ${Date.now() % 1e6}`, 'Hard to start'));
  await page.getByRole('button', { name: 'More', exact: true }).press('Enter');
  await page.getByRole('menuitem', { name: 'Carburettor in pieces' }).press('Enter');
  await expect(title(page)).toHaveText('What opens it?');
  await page.keyboard.press('2');
  await expect(title(page)).toHaveText('Where is the bulb?');
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { name: 'One stack' })).toBeVisible();
  const line = page.getByRole('textbox', { name: 'Bench line' });
  const says = async (text: string): Promise<void> => {
    await page.keyboard.press('/');
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
    await expect(line).toHaveValue('');
    await page.keyboard.press('Escape');
  };
  // A thing in the hand is said on the line; what the guide asks for is one key.
  await says('off 2 long screws, top');
  await expect(onTray(page).getByText('2 of them, top')).toBeVisible();
  await says('off metering gasket torn; bin metering gasket');
  await expect(layer(page, 'metering-gasket')).toContainText('in the bin');
  // A screw that nobody has counted stays in.
  await page.keyboard.press('/');
  await page.keyboard.type('off L screw');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'count it to its seat first' })).toBeVisible();
  await page.keyboard.press('Escape');
  await says('L 1 1/2');
  const seen: string[] = [];
  for (let n = 0; n < 60; n++) {
    const heading = await title(page).innerText();
    if (heading === 'It is together') break;
    seen.push(heading);
    const results = now(page).locator('[data-result]');
    if (await now(page).locator('[data-pass]').isVisible()) await page.keyboard.press('o');
    else if (await now(page).locator('[data-main]').first().isVisible()) await page.keyboard.press('x');
    else if (await results.first().isVisible()) await page.keyboard.press('1');
    await expect(title(page)).not.toHaveText(heading);
  }
  await expect(title(page)).toHaveText('It is together');
  expect(seen).toEqual(
    expect.arrayContaining(['Metering lever off', 'What is renewed?', 'A new metering gasket on']),
  );

  await expect(page.getByLabel('Things on the tray')).toHaveText('0');
});

test('a rebuild on a phone: the step first, nothing off the side, every layer a thumb high', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await page.getByRole('link', { name: /Hobwick Reed 28/ }).click();
  await page.waitForURL(/\/job\//);
  await page.goto(`${page.url()}/rebuild`);
  await expect(title(page)).toBeInViewport();
  await expect.poll(() => reach(page)).toBeLessThanOrEqual(390);
  for (const row of await page.locator('[data-layer]').all())
    expect((await row.boundingBox())?.height).toBeGreaterThanOrEqual(44);
  await layer(page, 'purge-bulb').click();
  await expect(title(page)).toHaveText('Purge bulb on');
  await expect(title(page)).toBeInViewport();
});

test.describe('photos', () => {
  test.use({ serviceWorkers: 'allow' });

  test('taken with the server away wait on this device through a reload, and arrive; pins, before and after', async ({
    page,
    context,
  }) => {
    const drawn = async (colour: string): Promise<Buffer> => {
      const data = await page.evaluate((fill) => {
        const canvas = document.createElement('canvas');
        Object.assign(canvas, { width: 2400, height: 1200 });
        const pen = canvas.getContext('2d')!;
        pen.fillStyle = fill;
        pen.fillRect(0, 0, 2400, 1200);
        return canvas.toDataURL('image/jpeg').split(',')[1]!;
      }, colour);
      return Buffer.from(data, 'base64');
    };
    await checkIn(page, trimmer('Photo 1', 'Hard to start'));
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.goto(`${page.url()}/rebuild`);
    await page.keyboard.press('1');
    await page.keyboard.press('3');
    const photos = page.getByRole('region', { name: 'Photos' });
    const take = photos.getByLabel('Take one');
    await take.setInputFiles({
      name: 'words.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.from('no picture'),
    });
    await expect(photos.getByRole('alert')).toHaveText('words.jpg is no picture that can be read.');

    await context.setOffline(true);
    await take.setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: await drawn('#884422') });
    const shown = photos.getByRole('img');
    await expect(shown).toHaveCount(1);
    await page.reload();
    await expect(shown).toHaveCount(1);
    await expect.poll(() => shown.first().evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(1600);
    await shown.first().click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('img').click({ position: { x: 60, y: 40 } });
    await sheet.getByLabel('What pin 1 shows').fill('link in the inner hole');
    await sheet.getByLabel('What pin 1 shows').press('Enter');
    await expect(sheet.getByRole('listitem')).toContainText('link in the inner hole');
    await sheet.getByRole('radio', { name: 'Before' }).click();
    await expect(sheet.getByRole('heading')).toContainText('before, 1 link in the inner hole');
    await page.keyboard.press('Escape');

    await context.setOffline(false);
    const jobId = page.url().split('/').at(-2)!;
    const onServer = async (): Promise<string[]> => {
      const { entries } = (await (await page.request.get(`/api/jobs/${jobId}`)).json()) as {
        entries: { kind: string; body: { hash: string } }[];
      };
      return entries.filter((e) => e.kind === 'photo').map((e) => e.body.hash);
    };
    await expect.poll(async () => (await onServer()).length).toBe(3);
    const [hash] = await onServer();
    await expect.poll(async () => (await page.request.get(`/api/photos/${hash}`)).status()).toBe(200);
    await take.setInputFiles({ name: 'b.jpg', mimeType: 'image/jpeg', buffer: await drawn('#228844') });
    await expect(shown).toHaveCount(2);
    await shown.nth(1).click();
    await sheet.getByRole('radio', { name: 'After' }).click();
    await expect(sheet.getByRole('img')).toHaveCount(2);
    expect(await barred(page)).toEqual([]);
  });
});
