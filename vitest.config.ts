import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          environment: 'node',
          include: [
            'core/**/*.test.ts',
            'contract/**/*.test.ts',
            'web/src/**/*.test.ts',
            'scripts/**/*.test.ts',
          ],
          testTimeout: 30_000,
        },
      },
      {
        test: {
          name: 'api',
          environment: 'node',
          include: ['server/**/*.test.ts'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
