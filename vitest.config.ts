import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

/** Milliseconds. A machine shared with others may give a test a tenth of its time: only what hangs should fail. */
const TIMEOUT = 300_000;

/** What is polled for may take as long. */
const PATIENT = { expect: { poll: { timeout: 60_000 } } };

/** To load all modules anew for each file takes longer than to run it; none of these may leave anything in them. */
const SHARED = { isolate: false };

/** What these test is kept by modules themselves, or they take another in a module's place: each has modules of its own. */
const KEEPS_STATE = [
  'web/src/keeping/**/*.test.{ts,tsx}',
  'web/src/ui/useDraft.test.tsx',
  'web/src/day/usePlan.test.tsx',
  'web/src/api/**/*.test.ts',
  'web/src/app/background.test.ts',
  'web/src/choices/Choices.test.tsx',
  'web/src/papers/Papers.test.tsx',
  'web/src/practice/HiddenMachine.test.tsx',
];

/** What reckons with days and hours, made once more in each of these zones: a bench stands anywhere. `npm test` names them. */
const ZONES = (process.env['ZONES'] ?? '').split(' ').filter(Boolean);
const OF_DAYS = [
  'core/schedule/*.test.ts',
  'core/log/{comeback,proof}.test.ts',
  'web/src/{day,rack,ui,find,parts}/*.test.{ts,tsx}',
];

export default defineConfig({
  test: {
    // One more than there are cores: half of the files wait for a database or a page as much as they count.
    maxWorkers: availableParallelism() + 1,
    // What one project has transformed the others read.
    experimental: { fsModuleCache: true },
    projects: [
      {
        test: {
          name: 'unit',
          ...PATIENT,
          ...SHARED,
          environment: 'node',
          include: ['core/**/*.test.ts', 'contract/**/*.test.ts', 'scripts/**/*.test.ts'],
          testTimeout: TIMEOUT,
        },
      },
      {
        test: {
          name: 'web',
          ...PATIENT,
          ...SHARED,
          environment: 'happy-dom',
          setupFiles: ['web/src/testing/setUp.ts'],
          include: ['web/src/**/*.test.{ts,tsx}'],
          exclude: KEEPS_STATE,
          testTimeout: TIMEOUT,
        },
      },
      {
        test: {
          name: 'web alone',
          ...PATIENT,
          environment: 'happy-dom',
          setupFiles: ['web/src/testing/setUp.ts'],
          include: KEEPS_STATE,
          testTimeout: TIMEOUT,
        },
      },
      {
        test: {
          name: 'api',
          ...PATIENT,
          ...SHARED,
          environment: 'node',
          include: ['server/**/*.test.ts'],
          testTimeout: TIMEOUT,
          hookTimeout: TIMEOUT,
        },
      },
      ...ZONES.map((zone) => ({
        test: {
          name: `days in ${zone}`,
          ...PATIENT,
          ...SHARED,
          environment: 'happy-dom',
          env: { TZ: zone },
          setupFiles: ['web/src/testing/setUp.ts'],
          include: OF_DAYS,
          exclude: KEEPS_STATE,
          testTimeout: TIMEOUT,
        },
      })),
    ],
  },
});
