import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'unit', include: ['{core,web,cli}/**/*.test.ts'] } },
      { test: { name: 'server', include: ['tests/server/**/*.test.ts'], testTimeout: 30_000, hookTimeout: 30_000 } },
    ],
  },
});
