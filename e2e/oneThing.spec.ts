import { expect, test, type Page } from '@playwright/test';
import {
  anyCheck,
  barred,
  checkIn,
  found,
  reach,
  settled,
  step,
  suspects,
  trail,
  tray,
  trimmer,
  write,
} from './bench';

/** What the screen calls for in rust: never more than one thing. */
const calls = (page: Page): Promise<string[]> =>
  page
    .locator('main .bg-rust:visible:not(:disabled)')
    .evaluateAll((found) => found.map((e) => e.textContent?.trim() ?? ''));
const settles = expect.configure({ soft: true });
const heading = (page: Page) => step(page).getByRole('heading', { level: 2 }).first();
const press = (page: Page, name: string | RegExp) => step(page).getByRole('button', { name }).click();

test('a fading trimmer with its carburettor in pieces: nothing that runs is proposed or taken until it is together', async ({
  page,
}) => {
  await checkIn(page, trimmer('Fade 1', 'Fades under way', 'Runs on prime, then dies'));
  await write(page, 'metering diaphragm stiff', 'Flick the metering diaphragm: stiff');
  await expect(heading(page)).toHaveText('Metering diaphragm stiff');
  // While it is in pieces only what can be done in pieces is named.
  const other = await page.getByRole('region', { name: 'Other checks' }).innerText();
  expect(other).not.toMatch(/idle speed|full speed|Crack the cap|as a test/i);
  await expect(step(page).getByRole('button', { name: 'Cured it' })).toHaveCount(0);
  // It is done, but not to be tried yet: a screen is found gummed while it is open.
  await press(page, 'Done, tried later');
  await expect(heading(page)).toHaveText('Put it together');
  await expect.poll(() => calls(page)).toEqual(['All back on']);
  await write(page, 'inlet screen gummed', 'Look at the inlet screen: gummed');
  await expect(found(page, 'inlet-screen-clogged')).toBeVisible();
  await found(page, 'inlet-screen-clogged').getByRole('button').first().click();
  await found(page, 'inlet-screen-clogged').getByRole('button', { name: 'Mended' }).click();
  await expect(heading(page)).toHaveText('Put it together');
  await press(page, 'All back on');
  await expect(tray(page).getByText('nothing')).toBeVisible();
  await expect(heading(page)).toHaveText('Does it still do it?');
  await press(page, 'Cured it');
  // A gummed screen is a result: what gummed it is answered before it is proved.
  await expect(heading(page)).toHaveText('What caused it?');
  const open = step(page).getByRole('button', { name: 'Ruled out' });
  while ((await open.count()) > 0) {
    const left = await open.count();
    await open.first().click();
    await expect(open).not.toHaveCount(left);
  }
  await expect(heading(page)).toHaveText('Now prove it');
  await expect(page.getByRole('button', { name: 'Being proved' })).toBeVisible();
});

test('a fixed idea is tried, refuted, and the bench goes back to looking', async ({ page }) => {
  await checkIn(page, trimmer('Fixed 1', 'Will not fire'));
  await suspects(page).getByRole('button', { name: 'Why not something else?' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Which cause').fill('coil failed');
  await sheet.getByRole('button', { name: /^Coil failed/ }).click();
  await sheet.getByRole('button', { name: 'Settle on this' }).click();
  await expect(heading(page)).toHaveText('Coil failed');
  await press(page, 'Changed nothing');
  await expect(step(page).getByText('Do this next')).toBeVisible();
  await expect(found(page, 'coil-failed')).toContainText('without effect');
  await expect(suspects(page).locator('[data-suspect=coil-failed]')).toHaveCount(0);
});

test('what is not on the list is settled in own words; complaints come and go', async ({ page }) => {
  await checkIn(page, trimmer('Words 1', 'Rattle or scrape'));
  await page.getByRole('button', { name: /^What it does/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Weak under load' }).click();
  await page.keyboard.press('Escape');
  await expect(trail(page).getByText('Weak under load')).toBeVisible();
  await suspects(page).getByRole('button', { name: 'Why not something else?' }).click();
  await page.getByLabel('Which cause').fill('mouse nest in the fan');
  await page.getByRole('button', { name: /It is something else/ }).click();
  await expect(heading(page)).toHaveText('mouse nest in the fan');
  await press(page, 'Cured it');
  await expect(heading(page)).toHaveText('Now prove it');
});

test('a safety fault is red on the tag, stands among what was found, and is put right in one tap', async ({
  page,
}) => {
  const { kind, maker, model } = trimmer('Catch 1');
  // A name like nobody's on the books, or it would be asked about.
  await page.goto('/check-in');
  await page.getByRole('textbox', { name: 'Owner' }).fill('Rosamund Quillfeather');
  await page.getByRole('button', { name: kind, exact: true }).click();
  await page.getByLabel('Maker').fill(maker);
  await page.getByLabel('Model').fill(model);
  await page.getByRole('button', { name: 'Dies at idle' }).click();
  await page.getByRole('radio', { name: 'A fault' }).click();
  await page.getByLabel('Name the fault').fill('guard cracked');
  await page.getByRole('button', { name: 'Check it in' }).click();
  await expect(page.getByRole('heading', { name: `${maker} ${model}` })).toBeVisible();
  await page.goto('/');
  const tag = page.getByRole('link', { name: /Hobwick Catch 1.*safety fault: guard cracked/ });
  await expect(tag).toContainText('guard cracked');
  await page.getByRole('button', { name: /^Safety/ }).click();
  await tag.click();
  await found(page, 'safety').getByRole('button').first().click();
  await found(page, 'safety').getByRole('button', { name: 'Put right' }).click();
  await expect(found(page, 'safety')).toHaveCount(0);
  await expect(trail(page).getByText('put right')).toBeVisible();
});

test('nothing typed is lost: reload, back and a closed dialog', async ({ page }) => {
  await page.goto('/check-in');
  await page.getByRole('textbox', { name: 'Owner' }).fill('Half Written');
  await page.getByRole('button', { name: 'Flooded' }).click();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Owner' })).toHaveValue('Half Written');
  await expect(page.getByRole('button', { name: 'Flooded' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Clear the page' }).click();

  await checkIn(page, trimmer('Draft 1', 'Fades under way'));
  const job = page.url();
  await settled(page);
  const next = await heading(page).innerText();
  // A chosen check is in the address; Back goes to what was up before.
  await page.getByRole('button', { name: 'Any other check' }).click();
  await page.getByLabel('Find a check').fill('line alone');
  await page.getByLabel('Find a check').press('Enter');
  await expect(heading(page)).toHaveText('Pressure-test the line alone');
  await step(page).getByLabel('Gauge now, psi').fill('7');
  await step(page).getByLabel('Gauge now, psi').press('Enter');
  await expect(step(page).getByRole('timer')).toBeVisible();
  await page.reload();
  await expect(step(page).getByRole('timer')).toBeVisible();
  await expect(step(page).getByRole('button', { name: /^Take out 7 at 0 s/ })).toBeVisible();
  await page.goto(job);
  await expect(heading(page)).toHaveText(next);
  // Back closes a dialog and stays on the job.
  await page.getByRole('button', { name: /^History/ }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  expect(page.url()).toBe(job);
  await page.getByRole('button', { name: /^History/ }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Rusty Wren, the rack' }).click();
  await page.goBack();
  await expect(page).toHaveURL(job);
});

test('a stray number logs nothing while something else has the focus', async ({ page }) => {
  await checkIn(page, trimmer('Stray 1', 'Will not fire'));
  const lines = await trail(page).getByRole('listitem').count();
  await page.getByRole('button', { name: /^History/ }).focus();
  await page.keyboard.press('1');
  await expect(trail(page).getByRole('listitem')).toHaveCount(lines);
  await heading(page).click();
  await page.keyboard.press('1');
  await expect(trail(page).getByRole('listitem')).not.toHaveCount(lines);
});

test('the sound of a video says the speed', async ({ page }) => {
  await checkIn(page, { ...trimmer('Video 1', 'Bogs on the throttle'), kind: 'Chainsaw', cc: '45' });
  await write(page, 'L 1 H 1', /L 1, H 1/);
  await page.getByRole('link', { name: 'Tune', exact: true }).click();
  await page.getByRole('button', { name: 'Tune it all the same' }).click();
  await page.getByRole('button', { name: 'Drop a recording' }).waitFor();
  // A webm of a grey picture and a 45 Hz engine with its harmonics: 2,700 a minute.
  const video = await page.evaluate(async () => {
    const audio = new AudioContext();
    const out = audio.createMediaStreamDestination();
    const tone = audio.createOscillator();
    tone.type = 'sawtooth';
    tone.frequency.value = 45;
    tone.connect(out);
    tone.start();
    const canvas = document.createElement('canvas');
    canvas.getContext('2d')?.fillRect(0, 0, 300, 150);
    const stream = canvas.captureStream(10);
    out.stream.getAudioTracks().forEach((track) => stream.addTrack(track));
    const recorder = new MediaRecorder(stream, { mimeType: 'video/webm;codecs=vp8,opus' });
    const pieces: Blob[] = [];
    recorder.ondataavailable = (e) => pieces.push(e.data);
    recorder.start();
    await new Promise((resolve) => setTimeout(resolve, 3000));
    await new Promise((resolve) => {
      recorder.onstop = resolve;
      recorder.stop();
    });
    const bytes = new Uint8Array(await new Blob(pieces).arrayBuffer());
    return [...bytes];
  });
  await page
    .getByLabel('A recording or a video')
    .setInputFiles({ name: 'saw.webm', mimeType: 'video/webm', buffer: Buffer.from(video) });
  await expect(page.getByRole('figure', { name: 'Speed over time' })).toBeVisible();
  await page.goBack();
  await expect(trail(page).getByText(/idle 2[67]\d0/)).toBeVisible();
  // What has no sound in it is said to have none.
  await page.getByRole('link', { name: 'Tune', exact: true }).click();
  await page
    .getByLabel('A recording or a video')
    .setInputFiles({ name: 'notes.mp4', mimeType: 'video/mp4', buffer: Buffer.from('no film at all') });
  await expect(page.getByRole('alert')).toContainText('notes.mp4 cannot be read');
});

test('a job on a phone: checked, found, mended, with nothing under the bench line', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await checkIn(page, trimmer('Pocket 1', 'Fades under way'));
  await page.getByRole('button', { name: 'Any other check' }).click();
  await page.getByLabel('Find a check').fill('tank vent');
  await anyCheck(page, 'Test the tank vent').click();
  await press(page, 'blocked');
  await expect(found(page, 'tank-vent-blocked')).toBeVisible();
  await press(page, 'Cured it');
  await expect(heading(page)).toHaveText('Now prove it');
  // An instrument in use has the whole screen, its drawing and its verdict in view.
  await page.goto(`${page.url().split('?')[0]}?check=line-pressure`);
  await step(page).getByLabel('Gauge now, psi').fill('7');
  await step(page).getByLabel('Gauge now, psi').press('Enter');
  await expect(step(page).getByRole('timer')).toBeVisible();
  const chart = step(page).locator('.recharts-surface').first();
  await expect(chart).toBeInViewport({ ratio: 1 });
  await expect(step(page).getByRole('button', { name: 'Read' })).toBeInViewport({ ratio: 1 });
});

test('the rack and the bench say the same about a job', async ({ page }) => {
  for (const tag of [103, 110, 111]) {
    await page.goto('/');
    const hung = page.locator(`[data-tag="${tag}"]`);
    const asks = (await hung.locator('p[title]').getAttribute('title')) ?? '';
    await hung.click();
    await settled(page);
    await expect(heading(page)).toHaveText(asks.replace(/, [\d½]+ min$/, ''));
  }
});

const VIEWS = [
  '/',
  '/day',
  '/closed',
  '/check-in',
  '/specs',
  '/shop',
  '/parts',
  '/practice',
  '/practice/tune',
  '/practice/machine/fuel-2-saw-21',
  '/tools',
  '/tools/fuel',
] as const;
const OF_A_JOB = ['', '/map', '/tune', '/start', '/rebuild', '/choices', '/papers', '/parts'] as const;
const SIZES = [
  [1280, 800],
  [390, 844],
  // 1280 wide at 200 %.
  [640, 400],
] as const;

for (const [whose, paths] of [
  ['main view', VIEWS],
  ['view of a job', OF_A_JOB],
] as const)
  test(`every ${whose}: one call to act, nothing cut, nothing barred, light or dark`, async ({ page }) => {
    await page.goto('/');
    const job = whose === 'main view' ? '' : await page.locator('[data-tag]').first().getAttribute('href');
    for (const path of paths.map((of) => `${job}${of}`)) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(path);
      await expect(page.locator('main h1, main h2').first()).toBeVisible();
      expect.soft(await barred(page), path).toEqual([]);
      expect
        .soft((await calls(page)).length, `${path}: ${(await calls(page)).join(' | ')}`)
        .toBeLessThanOrEqual(1);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        await settles.poll(() => reach(page), `${path} at ${width}`).toBeLessThanOrEqual(width);
      }
    }
  });
