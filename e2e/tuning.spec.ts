import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { barred, checkIn, trail, write } from './bench';
import { test } from './device';

const saw = (model: string) => ({
  owner: `Owner of ${model}`,
  kind: 'Chainsaw',
  maker: 'Brakken',
  model,
  cc: '45',
  complaints: ['Bogs on the throttle'],
});
const advice = (page: Page) => page.getByRole('region', { name: 'Advice' });
const moves = (page: Page) => page.getByRole('list', { name: 'Moves' });

/** Past the gate, knowingly, with the screws counted. */
async function toTheScrews(page: Page, counted: string): Promise<void> {
  await write(page, counted, /L 1, H 1/);
  await page.getByRole('link', { name: 'Tune', exact: true }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Is it the screws?' })).toBeVisible();
  await page.getByRole('button', { name: 'Tune it all the same' }).press('Enter');
}

/** Listens to the stand-in to the end of the guided recording. */
async function standIn(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'A stand-in' }).press('Enter');
  await expect(page.getByLabel('Speed now')).toHaveText(/^\d{4,5} ?rpm/);
  await expect(page.getByText('Simulated', { exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Listening' })).toHaveCount(0, { timeout: 120_000 });
}

test('a live engine is heard, a screw advised, turned and put back, by keyboard alone; its sound as a file says the same, and a video its speed', async ({
  page,
}) => {
  await checkIn(page, saw('Tune 1'));
  // Before anything is heard: H is far in, so it comes out first.
  await toTheScrews(page, 'L 1 H 1/2');
  await expect(advice(page)).toContainText('H out 3/4');
  await page.locator('body').press('x');
  await expect(moves(page).getByText('H out 3/4')).toBeVisible();
  await expect(page.getByLabel('H stands')).toHaveText('1 1/4');
  await expect(advice(page)).toContainText('Then let it be heard.');

  await standIn(page);
  await expect(page.getByRole('figure', { name: 'Speed over time' })).toBeVisible();
  await expect(advice(page).getByRole('button', { name: 'Turned it' })).toBeVisible();
  const full = await page
    .getByText('Full', { exact: true })
    .locator('xpath=following-sibling::dd[1]')
    .innerText();
  const [sound] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Sound, WAV' }).click(),
  ]);
  const [table] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Trace, CSV' }).click(),
  ]);
  const lines = (await readFile(await table.path(), 'utf8')).split(/\r?\n/);
  expect(lines[0]).toBe('seconds,rpm,confidence,four_stroking');
  expect(lines.length).toBeGreaterThan(1000);

  const told = await advice(page).innerText();
  const move = /(L|H|Idle stop) (in|out) [\d/ ]+/.exec(told)?.[0].trim() ?? 'no move in the advice';
  await page.locator('body').press('x');
  await expect(moves(page).getByText(move, { exact: true })).toBeVisible();
  await expect(advice(page)).toContainText('listen again');

  // What is seen beside the trace changes the advice.
  await page.getByRole('button', { name: 'Put back to as it came in' }).press('Enter');
  await expect(page.getByLabel('H stands')).toHaveText('1/2');
  await expect(page.getByLabel('L stands')).toHaveText('1');

  await page.locator('body').press('b');
  await expect(trail(page).getByText(/Listened: .*simulated/)).toBeVisible();
  await expect(trail(page).getByText(/Read the full speed: .*simulated/)).toBeVisible();
  await expect(trail(page).getByText(/Screw: H in .*Put back: as it came in/)).toBeVisible();
  expect(await barred(page)).toEqual([]);

  // The same sound, as a file from elsewhere, says the same on another saw; what is no recording is said to be none.
  await checkIn(page, saw('Tune 2'));
  await toTheScrews(page, 'L 1 H 1 1/2');
  const file = page.getByLabel('A recording or a video');
  await file.setInputFiles({ name: 'a.wav', mimeType: 'audio/wav', buffer: Buffer.from('not a recording') });
  await expect(page.getByRole('alert')).toHaveText('The recording is not a WAV file that can be read.');
  await file.setInputFiles({ name: 'b.wav', mimeType: 'audio/wav', buffer: Buffer.alloc(0) });
  await expect(page.getByRole('alert')).toHaveText('b.wav is empty.');
  await file.setInputFiles(await sound.path());
  await expect(page.getByRole('figure', { name: 'Speed over time' })).toBeVisible();
  await expect(advice(page).getByRole('button', { name: 'Turned it' })).toBeVisible();
  const again = await page
    .getByText('Full', { exact: true })
    .locator('xpath=following-sibling::dd[1]')
    .innerText();
  const rpm = (text: string): number => Number(text.replace(',', ''));
  expect(Math.abs(rpm(again) / rpm(full) - 1)).toBeLessThan(0.01);
  expect(await barred(page)).toEqual([]);

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
  await file.setInputFiles({ name: 'saw.webm', mimeType: 'video/webm', buffer: Buffer.from(video) });
  await expect(page.getByText('Idle', { exact: true }).locator('xpath=following-sibling::dd[1]')).toHaveText(
    /^2,?[67]\d0/,
  );
  // What has no sound in it is said to have none.
  await file.setInputFiles({
    name: 'notes.mp4',
    mimeType: 'video/mp4',
    buffer: Buffer.from('no film at all'),
  });
  await expect(page.getByRole('alert')).toContainText('notes.mp4 cannot be read');
});

test('a mistuned saw is practised on: pulled, revved, a screw turned, all of it judged', async ({ page }) => {
  await page.goto('/practice/tune');
  const speed = page.getByLabel('Speed now');
  await page.getByRole('button', { name: 'Pull the cord' }).click();
  await expect(speed).toHaveText(/^\d{3,5}$/);
  await page.keyboard.down(' ');
  await expect(speed).toHaveText(/^\d{5}$|^[5-9]\d{3}$/);
  await page.keyboard.up(' ');
  await page.getByRole('button', { name: 'L out an eighth' }).click();
  await page.locator('body').press('j');
  await expect(page.getByText('Turns').locator('xpath=following-sibling::dd')).toHaveText('2');
  // Another class is another engine, and begins anew.
  await page.getByRole('radio', { name: 'Trimmer' }).click();
  await expect(page.getByText('Turns').locator('xpath=following-sibling::dd')).toHaveText('0');
  await expect(page.getByRole('button', { name: 'Another trimmer' })).toBeVisible();
  expect(await barred(page)).toEqual([]);
});
