import { execFileSync, spawnSync } from 'node:child_process';
import { closeSync, mkdtempSync, openSync, rmdirSync, rmSync, statfsSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type BrowserContext, type Page } from '@playwright/test';
import { RARE, trail } from './bench';
import { CHROMIUM } from './chromium.mjs';
import { signedIn } from './signedIn.mjs';
import { freshTest as test } from './device';

/** A small disk of its own to put a browser's profile on; null where none can be mounted here. */
function smallDisk(): string | null {
  const disk = mkdtempSync(join(tmpdir(), 'wren-device-'));
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=200m', 'none', disk]).status === 0) return disk;
  rmdirSync(disk);
  return null;
}

/** Fills the disk until so many bytes are left. */
function fill(disk: string, left: number): void {
  const file = openSync(join(disk, 'ballast'), 'a');
  const piece = Buffer.alloc(65_536, 1);
  for (;;) {
    const { bavail, bsize } = statfsSync(disk);
    const room = bavail * bsize - left;
    if (room <= 0) break;
    try {
      writeSync(file, piece, 0, Math.min(room, piece.length));
    } catch {
      break;
    }
  }
  closeSync(file);
}

/** How a run goes: what is left on the device at first, after which note nothing is, and how it ends. */
interface Run {
  ends: 'killed' | 'closed';
  left: number;
  notes: number;
  nothingAfter: number;
  /** Words of each note. */
  long: number;
  /** Full before the page is opened. */
  first?: boolean;
}

const RUNS: readonly Run[] = (['killed', 'closed'] as const).flatMap((ends) => [
  ...[0, 8_000, 40_000, 150_000, 600_000].flatMap((left): Run[] => [
    { ends, left, notes: 5, nothingAfter: 2, long: 0 },
    { ends, left, notes: 14, nothingAfter: 6, long: 30 },
  ]),
  ...[0, 60_000, 400_000].map((left): Run => ({
    ends,
    left,
    notes: 14,
    nothingAfter: 6,
    long: 30,
    first: true,
  })),
]);

const statusOf = async (page: Page): Promise<string> =>
  (await page.getByRole('status').allInnerTexts()).join(' ');

test.describe.configure({ mode: 'serial' });
for (const run of RUNS)
  test(
    `a device that runs full keeps what it says, or says so: ${JSON.stringify(run)}`,
    RARE,
    async ({ baseURL }) => {
      const disk = smallDisk();
      test.skip(disk === null, 'a small disk cannot be mounted here');
      if (disk === null) return;
      const profile = join(disk, 'profile');
      const { state, cookie } = await signedIn(baseURL!);
      const open = async (): Promise<BrowserContext> => {
        const context = await chromium.launchPersistentContext(profile, {
          ...CHROMIUM,
          ...(baseURL && { baseURL }),
          serviceWorkers: 'block',
        });
        await context.addCookies(state.cookies);
        await context.addInitScript((kept) => {
          for (const { name, value } of kept) localStorage.setItem(name, value);
        }, state.origins[0]!.localStorage);
        return context;
      };
      try {
        const jobs = (await (await fetch(`${baseURL}/api/jobs`, { headers: { cookie } })).json()) as {
          job: { id: string };
        }[];
        const jobId = jobs[0]!.job.id;
        let context = await open();
        let page = await context.newPage();
        if (run.first) fill(disk, run.left);
        await page.goto(`/job/${jobId}`);
        await expect(trail(page)).toBeVisible();
        await context.route('**/api/**', (route) => route.abort());
        fill(disk, run.left);
        const name = Math.random().toString(36).slice(2, 8);
        const words = Array.from({ length: run.long }, () => Math.random().toString(36).slice(2, 10)).join(
          ' ',
        );
        for (let n = 1; n <= run.notes; n++) {
          const field = page.getByRole('textbox', { name: 'Bench line' });
          await field.fill(`note ${name} ${n}. ${words}`);
          await field.press('Enter');
          await expect(trail(page).getByText(`${name} ${n}.`)).toBeVisible();
          await page.waitForTimeout(400);
          fill(disk, n >= run.nothingAfter ? 0 : run.left);
        }
        await page.waitForTimeout(1500);
        const said = await statusOf(page);
        if (run.ends === 'killed') execFileSync('pkill', ['-9', '-f', profile]);
        else await page.close();
        await context.close().catch(() => undefined);
        rmSync(join(disk, 'ballast'));
        context = await open();
        page = await context.newPage();
        await context.route('**/api/entries', (route) => route.abort());
        await page.goto(`/job/${jobId}`);
        await expect(trail(page)).toBeVisible();
        await page.waitForTimeout(1500);
        const there = await trail(page).innerText();
        const lost = Array.from({ length: run.notes }, (_, i) => `${name} ${i + 1}.`).filter(
          (n) => !there.includes(n),
        );
        await context.close();
        console.log(`${run.notes - lost.length} of ${run.notes} kept, said: ${said}`);
        if (lost.length > 0) expect(said).toMatch(/lost if this page closes|nearly full/);
      } finally {
        spawnSync('umount', ['-l', disk]);
        rmdirSync(disk);
      }
    },
  );
