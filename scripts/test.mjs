// `npm test`: install what is missing, then lint, types, unit, server and browser tests, with how long each part took.
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import path from 'node:path';
import { beside, build, installPackages, root, toolBeside } from './prepare.mjs';

/** The browsers that the tests take, the one that costs the machine less first. */
const browsers = process.env.CHROMIUM
  ? [process.env.CHROMIUM]
  : ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

const onPath = (program) =>
  (process.env.PATH ?? '').split(path.delimiter).some((folder) => existsSync(path.join(folder, program)));

const mayInstall = () =>
  process.platform === 'linux' && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');

/** The browser tests drive Debian's Chromium, plans are checked by Debian's glpk, a solver of another make, and papers by Debian's poppler. */
async function installPrograms() {
  const missing = [
    ...(browsers.some(existsSync) ? [] : ['chromium-headless-shell', 'fonts-liberation']),
    ...(onPath('glpsol') ? [] : ['glpk-utils']),
    ...(onPath('pdftotext') ? [] : ['poppler-utils']),
  ];
  if (missing.length === 0) return;
  if (!mayInstall()) {
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

/** Where Debian puts the programs of PostgreSQL. */
const hasPostgres = () =>
  existsSync('/usr/lib/postgresql') &&
  readdirSync('/usr/lib/postgresql').some((version) =>
    existsSync(path.join('/usr/lib/postgresql', version, 'bin', 'initdb')),
  );

/** What the tests can do without: where it cannot be had, the next best is taken or the part left out, and that is said. */
function installIfPossible(name) {
  console.log(`Installing ${name}.`);
  try {
    execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      timeout: 180_000,
    });
  } catch {
    console.log(`${name} cannot be installed here.`);
  }
}

function installOptional() {
  if (!mayInstall()) return;
  if (!process.env.CHROMIUM && !existsSync(browsers[0])) installIfPossible('chromium-headless-shell');
  if (!hasPostgres()) installIfPossible('postgresql');
}

const times = [];

/** Runs a part and keeps how long it took. */
async function timed(name, part) {
  const from = Date.now();
  await part();
  times.push(`${name} ${((Date.now() - from) / 1000).toFixed(0)} s`);
}

const counted = (file) => JSON.parse(readFileSync(path.join(root, 'test-results', file), 'utf8'));

/** Runs tests of these projects together, so that no core waits while one of them comes to its end. */
const vitest = (name, ...projects) =>
  toolBeside(
    'vitest/vitest.mjs',
    [
      'run',
      ...projects.flatMap((project) => ['--project', project]),
      '--maxWorkers',
      String(availableParallelism()),
      '--reporter',
      'default',
      '--reporter',
      'json',
      `--outputFile.json=test-results/${name}.json`,
    ],
    `The tests (${projects.join(', ')})`,
  );

/** What a tool found on a file that has not changed since is kept here. */
const cached = (name) => path.join('node_modules', '.cache', 'neotrope', name);
const lintRules = () =>
  toolBeside(
    'eslint/bin/eslint.js',
    ['.', '--cache', '--cache-location', cached('lint'), '--max-warnings', '0'],
    'The lint',
  );
const lintRooms = async () => {
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

/** The tests of a database that several servers share, where one can be had. */
function postgres() {
  if (hasPostgres()) return ['postgres'];
  console.log('No PostgreSQL here (apt-get install postgresql): its tests are left out.');
  return [];
}

/** All but the browser: what a change is held against before it is committed. */
async function check() {
  await Promise.all([
    // By far the longest of them has a core for itself.
    timed('lint', lintRules),
    (async () => {
      await timed('types', types);
      await timed('format', format);
      await timed('lint of rooms', lintRooms);
    })(),
  ]);
  await timed('unit, server and PostgreSQL tests', () => vitest('check', 'unit', 'server', ...postgres()));
}

const parts = {
  lint: async () => {
    await lintRules();
    await lintRooms();
  },
  format,
  types,
  unit: () => vitest('unit', 'unit'),
  server: () => vitest('server', 'server'),
  postgres: () => Promise.all(postgres().map((project) => vitest(project, project))),
  browser: async () => {
    await build();
    await browser();
  },
  check,
  all: async () => {
    // Compiling the database and fetching the browser wait for different things.
    await timed('installing', () =>
      Promise.all([installPackages(), installPrograms().then(installOptional)]),
    );
    await check();
    await timed('build', build);
    await timed('browser tests', browser);
    const { numPassedTests, numFailedTests } = counted('check.json');
    const { expected, unexpected } = counted('browser.json').stats;
    console.log(times.join(', '));
    console.log(`${numPassedTests + expected} passed, ${numFailedTests + unexpected} failed`);
  },
};

const wanted = process.argv[2] ?? 'all';
await parts[wanted]();
if (wanted === 'check') console.log(times.join(', '));
