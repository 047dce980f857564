// `npm test`: install what is missing, then lint, types, unit and server tests, build, browser tests.
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { build, installPackages, root, run, tool } from './prepare.mjs';

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** The browser tests drive Debian's Chromium. */
function installChromium() {
  if (existsSync(chromium)) return;
  if (process.platform !== 'linux' || process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    console.error('The browser tests need Chromium: install the package “chromium” (apt-get install chromium), or point CHROMIUM at one.');
    process.exit(1);
  }
  console.log('Installing Chromium.');
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], 'Reading the package lists', quiet);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'fonts-liberation'], 'Installing Chromium', quiet);
}

const counted = (file) => JSON.parse(readFileSync(path.join(root, 'test-results', file), 'utf8'));

installPackages();
installChromium();
tool('eslint/bin/eslint.js', ['.', '--max-warnings', '0'], 'The lint');
tool('vue-tsc/bin/vue-tsc.js', ['-p', '.'], 'The type check');
tool('vitest/vitest.mjs', ['run', '--reporter', 'default', '--reporter', 'json', '--outputFile.json', 'test-results/vitest.json'], 'The unit and server tests');
build();
tool('@playwright/test/cli.js', ['test'], 'The browser tests', { PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(root, 'test-results', 'browser.json') });

const { numPassedTests, numFailedTests } = counted('vitest.json');
const { expected, unexpected } = counted('browser.json').stats;
console.log(`${numPassedTests + expected} passed, ${numFailedTests + unexpected} failed`);
