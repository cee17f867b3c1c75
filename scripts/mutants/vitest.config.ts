import { defineConfig } from 'vitest/config';

/** The tests that altered lines are held against: the rooms that judge and tune. */
export default defineConfig({
  test: {
    include: [
      'core/airgap/*.test.ts',
      'core/compression/*.test.ts',
      'core/metering/*.test.ts',
      'core/pressure/*.test.ts',
      'core/reading/*.test.ts',
      'core/starting/*.test.ts',
      'core/tuning/**/*.test.ts',
      'core/log/*.test.ts',
    ],
    testTimeout: 300_000,
  },
});
