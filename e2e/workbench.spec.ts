import { expect, test } from '@playwright/test';
import {
  barred,
  checkIn,
  found,
  leading,
  settled,
  step,
  suspects,
  trail,
  tray,
  trimmer,
  write,
} from './bench';

test('the bench line shows what it understood, logs it, and says what it did not', async ({ page }) => {
  await checkIn(page, trimmer('Line 1'));
  await page.keyboard.press('/');
  await page.keyboard.type('gap top .30 bottom .45');
  await expect(
    page.getByRole('status').filter({ hasText: 'Measure the coil air gap: 0.3 0.45 mm' }),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(trail(page).getByText('uneven, 0.30 and 0.45 mm')).toBeVisible();

  const field = page.getByRole('textbox', { name: 'Bench line' });
  await field.fill('spark purple');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Look at the spark: which? strong, flickers, weak, none');
  await expect(field).toHaveValue('spark purple');
  // The gap lies behind the recoil: it is off now, and is not taken off twice.
  await expect(tray(page).getByRole('button', { name: 'Put back: Recoil starter' })).toBeVisible();
  await field.fill('off recoil');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Recoil starter is off already.');
  await write(page, 'put all back', 'Recoil starter');
  await expect(tray(page).getByText('nothing')).toBeVisible();
  await write(page, 'note ring her first', 'ring her first');
});

test('a job is worked by keyboard alone', async ({ page }) => {
  await checkIn(page, trimmer('Keys 1'));
  await page.locator('body').click({ position: { x: 5, y: 400 } });
  await settled(page);
  const first = (await step(page).getByRole('heading').first().textContent()) ?? '';
  await page.keyboard.press('o');
  await expect(step(page).getByText('You chose')).toBeVisible();
  await page.keyboard.press('b');
  await expect(step(page).getByRole('heading', { name: first })).toBeVisible();
  await page.keyboard.press('q');
  await page.keyboard.press('1');
  await expect(trail(page).getByText('(doubtful)')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('write on the bench line');
  await page.keyboard.press('Escape');
  await page.keyboard.press('r');
  await expect(page.getByRole('heading', { name: /Needs a hand/ })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('[data-tag]').nth(1)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(suspects(page)).toBeVisible();
});

test('a measured check is judged as it is typed, and refused with the starting valve open', async ({
  page,
}) => {
  await checkIn(page, trimmer('Gauge 1'));
  await page.getByRole('button', { name: 'Any other check' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Measure compression' }).click();
  const figures = step(page).getByLabel('Gauge after each pull, psi');
  await step(page).getByRole('button', { name: 'Log it' }).click();
  await expect(step(page).getByRole('alert')).toContainText('nothing is written');
  await figures.fill('62 9x 117');
  await step(page).getByRole('button', { name: 'Log it' }).click();
  await expect(step(page).getByRole('alert')).toContainText('give the gauge after each pull');
  await figures.fill('42 61 70 74');
  await expect(step(page).getByText('Low', { exact: true })).toBeVisible();
  await expect(step(page).getByText(/^heading for \d+ psi/)).toBeVisible();
  await step(page).getByLabel('Starting valve open').check();
  await expect(step(page).getByText(/Starting valve open: shut it/)).toBeVisible();
  await step(page).getByLabel('Starting valve open').uncheck();
  await step(page).getByRole('button', { name: 'Log it' }).click();
  await expect(trail(page).getByText('low, 42 61 70 74 psi')).toBeVisible();
  await expect(leading(page)).toContainText(/Piston|Ring/);
});

test('what one bench notes, another sees; what is noted without a server is kept and sent later', async ({
  page,
  context,
}) => {
  await checkIn(page, trimmer('Two 1'));
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(trail(other)).toBeVisible();
  await write(page, 'smell stale', 'Smell the fuel: stale');
  await expect(trail(other).getByText('Smell the fuel: stale')).toBeVisible();

  // One of the tabs sends for both.
  await context.route('**/api/entries', (route) => route.abort());
  await write(page, 'note while the server is away', 'while the server is away');
  await expect(page.getByText('1 kept here, not sent yet')).toBeVisible();
  await expect(trail(page).getByText('not sent yet')).toBeVisible();
  await context.unroute('**/api/entries');
  await expect(page.getByText('1 kept here, not sent yet')).toHaveCount(0);
  await expect(trail(other).getByText('while the server is away')).toBeVisible();
});

test('an entry noted without a server survives a reload', async ({ page }) => {
  await checkIn(page, trimmer('Kept 1'));
  await page.route('**/api/entries', (route) => route.abort());
  await write(page, 'note kept through a reload', 'kept through a reload');
  await page.reload();
  await expect(trail(page).getByText('kept through a reload')).toBeVisible();
});

test('a struck finding can count again', async ({ page }) => {
  await checkIn(page, trimmer('Strike 1'));
  await write(page, 'spark none', 'Look at the spark: none');
  const line = trail(page).getByRole('button', { name: /Look at the spark: none/ });
  await line.click();
  await trail(page).getByRole('button', { name: 'Strike it out' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Poor light' }).click();
  await expect(trail(page).locator('[data-state=struck]')).toHaveCount(1);
  await line.click();
  await trail(page).getByRole('button', { name: 'Let it count again' }).click();
  await expect(trail(page).locator('[data-state=struck]')).toHaveCount(0);
});

test('a finding made before a repair that changed it is marked as old', async ({ page }) => {
  await checkIn(page, { ...trimmer('Stale 1'), complaints: ['Hard to start'] });
  await write(page, 'linetest leaks', 'Pressure-test the line alone: leaks');
  await step(page).getByRole('button', { name: 'Better, not cured' }).click();
  await expect(found(page, 'fuel-line-leak')).toContainText('mended');
  await expect(trail(page).getByRole('button', { name: /line alone: leaks/ })).toContainText(
    'before the repair',
  );
  await expect(suspects(page).locator('[data-suspect=fuel-line-leak]')).toHaveCount(0);
});

test('before the carburettor comes off, the cheap checks that could settle it are named', async ({
  page,
}) => {
  await checkIn(page, { ...trimmer('Skip 1'), complaints: ['Fades under way'] });
  await page.getByRole('button', { name: 'Any other check' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Look at the inlet screen' }).click();
  const cheaper = step(page).getByRole('list', { name: 'Cheaper first' });
  const name = (await cheaper.getByRole('button').first().locator('strong').textContent()) ?? '';
  await cheaper.getByRole('button', { name }).click();
  await expect(step(page).getByRole('heading', { level: 2 }).first()).toHaveText(new RegExp(name, 'i'));
});

test('a job waits for a part by name, and its tag says so', async ({ page }) => {
  await checkIn(page, trimmer('Waits 1'));
  await page.getByRole('button', { name: 'On its hook' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: 'Waits for parts' }).click();
  await sheet.getByLabel('What it waits for').fill('Fuel line, Friday');
  await sheet.getByRole('button', { name: 'It waits' }).click();
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Hobwick Waits 1/ })).toContainText('Fuel line, Friday');
});

test('check-in names what is missing; with the server away the machine hangs here, and is sent with what was noted on it', async ({
  page,
}) => {
  await page.goto('/check-in');
  await page.getByRole('button', { name: 'Check it in' }).click();
  await expect(page.getByRole('alert').last()).toContainText('5 things are missing.');
  await expect(page.getByText('Owner: whose is it?')).toBeVisible();
  await expect(page.getByText('Machine: pick its kind.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Owner' }).fill('Odile');
  await page.getByRole('button', { name: 'Odile Farrant' }).click();
  await page.getByRole('button', { name: 'Brakken B45' }).click();
  await page.getByRole('button', { name: 'Kicks back' }).click();
  await page.route('**/api/jobs', (route) => route.abort());
  await page.getByRole('button', { name: 'Check it in' }).click();
  // It hangs on this device, without a number, and can be worked on.
  await expect(page.getByRole('heading', { name: 'Brakken B45' })).toBeVisible();
  await expect(page.getByText('1 kept here, not sent yet')).toBeVisible();
  await write(page, 'smell stale', 'Smell the fuel: stale');
  await expect(page.getByText('2 kept here, not sent yet')).toBeVisible();
  await page.getByRole('link', { name: 'Rack', exact: true }).click();
  await page.getByRole('region', { name: 'Hung here, not sent yet' }).getByRole('link').click();
  await page.unroute('**/api/jobs');
  await expect(page.getByText(/kept here, not sent yet/)).toHaveCount(0);
  await expect(page.getByText('new', { exact: true })).toHaveCount(0);
  await expect(trail(page).getByText('Smell the fuel: stale')).toBeVisible();
});

test('unknown jobs and addresses, and a silent server, each have their screen', async ({ page }) => {
  // A device that has seen no rack yet.
  await page.route('**/api/jobs?*', (route) => route.abort());
  // Told of a change, the page would ask again by itself.
  await page.route('**/api/stream', (route) => route.abort());
  // Gone to from within: what the rack asks for is asked for beside its scripts where it is opened.
  await page.goto('/tools');
  await page.getByRole('link', { name: 'Rack', exact: true }).click();
  await expect(page.getByText('The bench server does not answer')).toBeVisible();
  await page.unroute('**/api/jobs?*');
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByRole('heading', { name: /Needs a hand/ })).toBeVisible();
  await page.goto('/job/6b1b3b8e-0000-4000-8000-000000000000');
  await expect(page.getByText('No such job.')).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByText('Nothing hangs here')).toBeVisible();
});

test('ways, why not and the map are accessible, light or dark', async ({ page }) => {
  await page.goto('/');
  await page.locator('[data-tag]').first().click();
  await page.getByRole('button', { name: /^Follows: / }).click();
  await page.getByRole('button', { name: 'Stop: playing it through' }).click();
  expect(await barred(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await suspects(page).getByRole('button', { name: 'Why not something else?' }).click();
  await page.getByRole('dialog').getByRole('listitem').first().getByRole('button').click();
  expect(await barred(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await suspects(page).getByRole('link', { name: 'Map' }).click();
  await expect(page.getByRole('group', { name: 'Cause map' })).toBeVisible();
  expect(await barred(page)).toEqual([]);
});

test('a stray tap is taken back with one key, and what was opened for it with it', async ({ page }) => {
  await checkIn(page, trimmer('Slip 1'));
  await page.getByRole('button', { name: 'Any other check' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Look at the air filter/ })
    .click();
  await step(page).getByRole('button', { name: 'dusty', exact: true }).click();
  await expect(tray(page).getByRole('button', { name: 'Put back: Air box' })).toBeVisible();
  await page.keyboard.press('z');
  await expect(tray(page).getByText('nothing')).toBeVisible();
  const line = trail(page).locator('[data-entry=finding][data-state=struck]').first();
  await expect(line).toContainText('dusty');
  await expect(line).toContainText('Slip');
});

test('nothing is cured or started in pieces, and a start that fails opens the case again', async ({
  page,
}) => {
  await checkIn(page, { ...trimmer('Pieces 1'), complaints: ['Fades under way'] });
  await write(page, 'metering diaphragm stif', /stiff/);
  await expect(tray(page).getByRole('button', { name: 'Put back: Metering cover' })).toBeVisible();
  // Nothing that runs is taken while it is in pieces.
  const bench = page.getByRole('textbox', { name: 'Bench line' });
  for (const impossible of ['idle 2750', 'start cold 4']) {
    await bench.fill(impossible);
    await expect(page.getByText(/still off: air box, carburettor, metering cover/)).toBeVisible();
    await bench.press('Enter');
    await expect(page.getByRole('alert')).toContainText('put all back');
    await bench.fill('');
  }
  await expect(step(page).getByRole('button', { name: 'Cured it' })).toHaveCount(0);
  await step(page).getByRole('button', { name: 'All back on' }).click();
  await expect(tray(page).getByText('nothing')).toBeVisible();
  await step(page).getByRole('button', { name: 'Cured it' }).click();
  await expect(step(page).getByRole('heading', { level: 2 }).first()).not.toHaveText(/Mend/);
  await write(page, 'start cold 10 nothing', /cold, nothing/);
  await expect(step(page).getByText(/Do this next|Do this again/)).toBeVisible();
  await expect(found(page, 'metering-diaphragm-stiff')).toContainText('mended');
  // The slip of a key: the start never was, and the proof goes on.
  await page.keyboard.press('Escape');
  await page.locator('body').press('z');
  await expect(step(page).getByText(/Do this next/)).toHaveCount(0);
});

test('can be put on a phone’s first screen, and opens there at the rack, full screen', async ({ page }) => {
  await page.goto('/');
  const cdp = await page.context().newCDPSession(page);
  const { errors, data, url } = await cdp.send('Page.getAppManifest');
  expect(errors).toEqual([]);
  const manifest = JSON.parse(data!) as {
    start_url: string;
    display: string;
    icons: { src: string; sizes: string }[];
  };
  expect(manifest).toMatchObject({ start_url: '/', display: 'fullscreen' });
  for (const { src, sizes } of manifest.icons) {
    const wide = await page.evaluate(async (icon) => {
      const image = new Image();
      image.src = icon;
      await image.decode();
      return `${image.naturalWidth}x${image.naturalHeight}`;
    }, new URL(src, url).href);
    expect(wide).toBe(sizes);
  }
});

test('nothing on the way is kept out by the page’s own policy: sheets hold the page, and toasts stand over it', async ({
  page,
}) => {
  const keptOut: string[] = [];
  await page.exposeFunction('isKeptOut', (what: string) => void keptOut.push(what));
  await page.addInitScript(() => {
    addEventListener('securitypolicyviolation', (e) =>
      (window as unknown as { isKeptOut: (what: string) => void }).isKeptOut(
        `${e.violatedDirective} ${e.sourceFile}`,
      ),
    );
  });
  await checkIn(page, trimmer('Policy 1'));
  expect((await page.request.get('/')).headers()['content-security-policy']).not.toContain('unsafe');
  await page.getByRole('button', { name: 'Any other check' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  // What lies behind a sheet does not scroll: its package puts a style in, by the nonce.
  expect(await page.evaluate(() => getComputedStyle(document.body).overflow)).toContain('hidden');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^At the bench/ }).click();
  await page.getByRole('button', { name: 'Another PIN or password' }).click();
  await page.keyboard.press('Escape');
  await write(page, 'note a slip', 'a slip');
  await page.keyboard.press('Escape');
  await page.goto('/day');
  await expect(page.getByRole('region', { name: 'Strips' })).toBeVisible();
  await page.goto('/people');
  await page.getByRole('region', { name: 'People' }).getByRole('combobox').first().selectOption('reader');
  const toast = page.locator('[data-sonner-toast]').first();
  await expect(toast).toBeVisible();
  expect(await toast.evaluate((e) => getComputedStyle(e).position)).toBe('absolute');
  expect(keptOut).toEqual([]);
});
