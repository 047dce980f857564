import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';
import { launchOptions } from './tests/browser/chromium';

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'test-results/browser',
  // What a test waits for is worked out beside it: fewer than two leave a processor idle, more than there are stand in each other’s way.
  workers: Math.max(2, availableParallelism()),
  fullyParallel: true,
  timeout: 300_000,
  // A machine that others use as well can be slow for a while; nothing is waited for longer than it takes.
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    launchOptions,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    // Pages that come from the browser’s own store answer no test that puts itself between them and the server.
    serviceWorkers: 'block',
    // A trace of every step takes as long as the step; it is taken when a failure is looked into.
    trace: process.env['TRACE'] ? 'retain-on-failure' : 'off',
  },
});
