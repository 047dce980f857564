import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'unit', include: ['{core,web,cli,stand-ins}/**/*.test.ts'] } },
      { test: { name: 'server', include: ['tests/server/**/*.test.ts'], testTimeout: 30_000, hookTimeout: 30_000 } },
    ],
  },
});
