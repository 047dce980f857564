// `npm test`: install what is missing, then lint, types, unit and server tests, build, browser tests.
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { beside, build, installPackages, root, tool, toolBeside } from './prepare.mjs';

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** The browser tests drive Debian's Chromium, and plans are checked by Debian's glpk, a solver of another make. */
async function installPrograms() {
  const missing = [
    ...(existsSync(chromium) ? [] : ['chromium', 'fonts-liberation']),
    ...(onPath('glpsol') ? [] : ['glpk-utils']),
  ];
  if (missing.length === 0) return;
  if (process.platform !== 'linux' || process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    console.error(
      `The tests need ${missing.join(', ')}: install them (apt-get install ${missing.join(' ')}); CHROMIUM may point at a browser of your own.`,
    );
    process.exit(1);
  }
  console.log(`Installing ${missing.join(', ')}.`);
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  await beside('apt-get', ['update', '-qq'], 'Reading the package lists', quiet);
  await beside(
    'apt-get',
    ['install', '-y', '-qq', '--no-install-recommends', ...missing],
    'Installing what the tests need',
    quiet,
  );
}

const onPath = (program) =>
  (process.env.PATH ?? '').split(path.delimiter).some((folder) => existsSync(path.join(folder, program)));

const counted = (file) => JSON.parse(readFileSync(path.join(root, 'test-results', file), 'utf8'));

// Compiling the database and fetching the browser wait for different things, and so do the two checks.
await Promise.all([installPackages(), installPrograms()]);
await Promise.all([
  toolBeside('eslint/bin/eslint.js', ['.', '--max-warnings', '0'], 'The lint'),
  toolBeside('vue-tsc/bin/vue-tsc.js', ['-p', '.'], 'The type check'),
]);
tool(
  'vitest/vitest.mjs',
  ['run', '--reporter', 'default', '--reporter', 'json', '--outputFile.json', 'test-results/vitest.json'],
  'The unit and server tests',
);
build();
tool('@playwright/test/cli.js', ['test'], 'The browser tests', {
  PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(root, 'test-results', 'browser.json'),
});

const { numPassedTests, numFailedTests } = counted('vitest.json');
const { expected, unexpected } = counted('browser.json').stats;
console.log(`${numPassedTests + expected} passed, ${numFailedTests + unexpected} failed`);
