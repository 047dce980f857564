import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          // Loading what is tested takes longer than most tests, and nothing in it keeps a state of its own.
          isolate: false,
          include: ['{core,web,server,cli,stand-ins}/**/*.test.ts'],
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'server',
          isolate: false,
          include: ['tests/server/**/*.test.ts'],
          globalSetup: 'tests/server/buildPrograms.ts',
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        test: {
          name: 'postgres',
          isolate: false,
          include: [
            'tests/postgres/**/*.test.ts',
            // Whatever does not look at files of a data folder is the same on a database that servers share. Who may come
            // where, and what a plan is, has nothing to do with where a site is kept, and is shown once.
            'tests/server/{api,history,pictures,accounts,recorders}.test.ts',
          ],
          globalSetup: 'tests/postgres/setUp.ts',
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
