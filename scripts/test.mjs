// `npm test`: install what is missing, then lint, types, unit, server and browser tests, with how long each part took.
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { beside, build, installPackages, root, toolBeside } from './prepare.mjs';

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';

const onPath = (program) =>
  (process.env.PATH ?? '').split(path.delimiter).some((folder) => existsSync(path.join(folder, program)));

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

const times = [];

/** Runs a part and keeps how long it took. */
async function timed(name, part) {
  const from = Date.now();
  await part();
  times.push(`${name} ${((Date.now() - from) / 1000).toFixed(0)} s`);
}

const counted = (file) => JSON.parse(readFileSync(path.join(root, 'test-results', file), 'utf8'));

const vitest = (project) =>
  toolBeside(
    'vitest/vitest.mjs',
    [
      'run',
      '--project',
      project,
      '--reporter',
      'default',
      '--reporter',
      'json',
      `--outputFile.json=test-results/${project}.json`,
    ],
    `The ${project} tests`,
  );
/** What a tool found on a file that has not changed since is kept here. */
const cached = (name) => path.join('node_modules', '.cache', 'neotrope', name);
const lint = async () => {
  await toolBeside(
    'eslint/bin/eslint.js',
    ['.', '--cache', '--cache-location', cached('lint'), '--max-warnings', '0'],
    'The lint',
  );
  await toolBeside(
    'dependency-cruiser/bin/dependency-cruise.mjs',
    [...layered, '--config', '.dependency-cruiser.mjs', '--output-type', 'err'],
    'The lint of imports',
  );
  await toolBeside('knip/bin/knip.js', ['--no-progress', '--no-config-hints'], 'The lint of exports');
};
const layered = ['core', 'contract', 'web', 'server', 'cli', 'stand-ins'];
const format = () =>
  toolBeside(
    'prettier/bin/prettier.cjs',
    ['--check', '--cache', '--cache-location', cached('prettier'), '--log-level', 'warn', '.'],
    'The format',
  );
const types = () =>
  toolBeside(
    'vue-tsc/bin/vue-tsc.js',
    ['-p', '.', '--incremental', '--tsBuildInfoFile', cached('types')],
    'The type check',
  );
const browser = () =>
  toolBeside('@playwright/test/cli.js', ['test'], 'The browser tests', {
    PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(root, 'test-results', 'browser.json'),
  });

/** All but the browser: what a change is held against before it is committed. */
const check = () =>
  Promise.all([
    (async () => {
      await timed('lint', lint);
      await timed('server tests', () => vitest('server'));
    })(),
    (async () => {
      await timed('format', format);
      await timed('types', types);
      await timed('unit tests', () => vitest('unit'));
    })(),
  ]);

const parts = {
  lint,
  format,
  types,
  unit: () => vitest('unit'),
  server: () => vitest('server'),
  browser: async () => {
    build();
    await browser();
  },
  check,
  all: async () => {
    // Compiling the database and fetching the browser wait for different things.
    await timed('installing', () => Promise.all([installPackages(), installPrograms()]));
    await check();
    await timed('build', async () => build());
    await timed('browser tests', browser);
    const vitests = ['unit.json', 'server.json'].map(counted);
    const { expected, unexpected } = counted('browser.json').stats;
    const sum = (name) => vitests.reduce((all, one) => all + one[name], 0);
    console.log(times.join(', '));
    console.log(`${sum('numPassedTests') + expected} passed, ${sum('numFailedTests') + unexpected} failed`);
  },
};

const wanted = process.argv[2] ?? 'all';
await parts[wanted]();
if (wanted === 'check') console.log(times.join(', '));
