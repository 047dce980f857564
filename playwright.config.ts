import { defineConfig } from '@playwright/test';
import { launchOptions } from './tests/browser/chromium';

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: 'test-results/browser',
  workers: 2,
  fullyParallel: true,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: { launchOptions, viewport: { width: 1280, height: 800 }, colorScheme: 'light', trace: 'retain-on-failure' },
});
