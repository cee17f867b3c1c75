import { defineConfig } from '@playwright/test';

/** Against a real server on a real database; scripts/test.mjs starts both and says where. */
export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  workers: 2,
  fullyParallel: true,
  timeout: 30_000,
  expect: { timeout: 8_000 },
  reporter: process.env['CI_REPORT']
    ? [['list'], ['json', { outputFile: process.env['CI_REPORT'] }]]
    : 'list',
  use: {
    baseURL: process.env['BASE_URL'] ?? 'http://127.0.0.1:4680',
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
