import path from 'node:path';
import { defineConfig } from 'vitest/config';

/** What runs beside a server is taken as it is built: compiling it from its sources takes longer than what it does. */
const built = { NEOTROPE_PROGRAMS: path.resolve(import.meta.dirname, 'programs') };

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          // Loading what is tested takes longer than most tests, and nothing in it keeps a state of its own.
          isolate: false,
          include: ['{core,web,server,cli,stand-ins,scripts}/**/*.test.ts'],
          testTimeout: 120_000,
          // What is set up before a file's tests plans the demo: seconds here, more where other parts share the cores.
          hookTimeout: 120_000,
        },
      },
      {
        test: {
          name: 'server',
          env: built,
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
          env: built,
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
