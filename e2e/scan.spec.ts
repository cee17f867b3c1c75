import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import qrcode from 'qrcode';
import { checkIn, trail, trimmer } from './bench';
import { CHROMIUM, FAKE_MEDIA } from './chromium.mjs';
import { freshTest as test } from './device';

const JOB = randomUUID();
const [WIDTH, HEIGHT] = [640, 480];

/** A film of one picture, as a camera would give it: a hook tag's code on white (YUV4MPEG2, 4:2:0). */
function filmOf(text: string): string {
  const { modules } = qrcode.create(text, { errorCorrectionLevel: 'M' });
  const dot = Math.floor((HEIGHT * 0.7) / modules.size);
  const [left, top] = [(WIDTH - dot * modules.size) >> 1, (HEIGHT - dot * modules.size) >> 1];
  const luma = Buffer.alloc(WIDTH * HEIGHT, 235);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const [i, j] = [Math.floor((x - left) / dot), Math.floor((y - top) / dot)];
      const inside = i >= 0 && j >= 0 && i < modules.size && j < modules.size;
      if (inside && modules.get(j, i)) luma[y * WIDTH + x] = 16;
    }
  const file = join(mkdtempSync(join(tmpdir(), 'wren-film-')), 'tag.y4m');
  const frame = [Buffer.from('FRAME\n'), luma, Buffer.alloc((WIDTH * HEIGHT) / 2, 128)];
  writeFileSync(
    file,
    Buffer.concat([Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420\n`), ...frame, ...frame]),
  );
  return file;
}

test.use({
  viewport: { width: 390, height: 844 },
  permissions: ['camera'],
  launchOptions: {
    ...CHROMIUM,
    args: [
      ...CHROMIUM.args,
      ...FAKE_MEDIA,
      `--use-file-for-fake-video-capture=${filmOf(`https://bench.example:4681/job/${JOB}`)}`,
    ],
  },
});

test('a job is opened by the code on its tag, held before the phone', async ({ page }) => {
  await checkIn(page, trimmer('Scanned 1'), JOB);
  await page.goto('/');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('button', { name: 'Scan a tag' }).click();
  await expect(trail(page)).toBeVisible();
  expect(new URL(page.url()).pathname).toBe(`/job/${JOB}`);
  await expect(page.getByRole('heading', { name: 'Hobwick Scanned 1' })).toBeVisible();
});
