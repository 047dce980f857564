import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'unit', testTimeout: 60_000, include: ['{core,web,cli,stand-ins}/**/*.test.ts'] } },
      {
        test: {
          name: 'server',
          include: ['tests/server/**/*.test.ts'],
          globalSetup: 'tests/server/buildPrograms.ts',
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
