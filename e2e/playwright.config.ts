import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';
import { BENCH, LONGEST, SIGNED_IN } from './setUp.mjs';

/** What changes the odds of every bench: by itself, once the others are through. */
const ALONE = /learning\.spec\.ts$/;

/**
 * Against a real server on a real database; scripts/test.mjs starts both and says where. The limits are long because a machine
 * shared with others may give a test a tenth of its time.
 */
export default defineConfig({
  testDir: '.',
  // Here and not on the command line, which says nothing to a project that another one waits for.
  ...(process.env['RARE'] ? { grep: /@rare/ } : { grepInvert: /@rare/ }),
  outputDir: '../test-results',
  // One more than two cores: each waits as often as it works.
  workers: 3,
  fullyParallel: true,
  timeout: 300_000,
  expect: { timeout: LONGEST },
  projects: [
    { name: 'side by side', testIgnore: ALONE },
    { name: 'alone', testMatch: ALONE, dependencies: ['side by side'] },
  ],
  reporter: process.env['CI_REPORT']
    ? [['list'], ['json', { outputFile: process.env['CI_REPORT'] }]]
    : 'list',
  globalSetup: './setUp.mjs',
  use: {
    // Signed in as the demo's lead, but where a test signs in itself.
    storageState: SIGNED_IN,
    ...BENCH,
    actionTimeout: LONGEST,
    // To watch every step costs a fifth of the run: what stood on the page when one failed is kept, and seen.
    screenshot: 'only-on-failure',
    launchOptions: CHROMIUM,
  },
});
