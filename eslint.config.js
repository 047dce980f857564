import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';
import { typedScripts } from './typedScripts.mjs';

// Which room may import which is in .dependency-cruiser.mjs; here stands how a room is entered, and what the core is kept from.

const banImports = (...patterns) => ['error', { patterns }];
const pastADoor = {
  regex: '(^|/)core/',
  message: 'Enter a room of the core by its door: #core/LAYER/ROOM.',
};
const besideTheCore = {
  regex:
    '^(\\.\\./)+(web|server|cli|stand-ins)/|^(vue|vue-router|pinia|primevue|@primeuix|koa|@koa|@mikro-orm|node:|better-sqlite3|echarts)',
  message: 'The core is pure: no screen, no server, no Node.',
};
const outOfTheRoom = {
  regex: '^\\.\\./',
  message: 'Another room of the core is entered by its door: #core/LAYER/ROOM.',
};
const outOfThePart = { ...outOfTheRoom, regex: '^\\.\\./\\.\\./' };
const anotherSide = (sides, message) => ({ regex: `(^|/)(${sides})/`, message });

const clock = 'The core knows no clock: take the moment as an argument.';
const chance = 'The core knows no chance: take a random source as an argument.';
const network = 'The core knows no network.';
const banned = (message, names) => names.map((name) => ({ name, message }));

export default ts.config(
  { ignores: ['dist/', 'programs/', 'node_modules/', 'test-results/', 'data/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  // How a line is broken is the formatter's affair.
  prettier,
  {
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      parserOptions: { parser: ts.parser },
    },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/unified-signatures': 'off',
      'no-undef': 'off',
      'no-restricted-imports': banImports(pastADoor),
      'vue/require-default-prop': 'off',
    },
  },
  {
    files: ['**/*.ts', '**/*.vue'],
    languageOptions: {
      parserOptions: {
        projectService: true,
        tsconfigRootDir: import.meta.dirname,
        extraFileExtensions: ['.vue'],
      },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: typedScripts } } },
  { files: ['**/*.ts'], languageOptions: { parser: typedScripts } },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts', 'core/evaluate/testDecided.ts'],
    rules: {
      'no-restricted-imports': banImports(besideTheCore, outOfTheRoom),
      'no-restricted-globals': [
        'error',
        ...banned(network, ['fetch', 'XMLHttpRequest', 'WebSocket', 'EventSource', 'navigator', 'location']),
        ...banned(clock, ['performance', 'setTimeout', 'setInterval', 'requestAnimationFrame']),
        ...banned(chance, ['crypto']),
        ...banned('The core knows no screen and no store.', [
          'document',
          'window',
          'localStorage',
          'indexedDB',
        ]),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: clock },
        { object: 'Math', property: 'random', message: chance },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: clock },
      ],
    },
  },
  // A part of a room goes up to the room it is a part of, and no farther.
  {
    files: ['core/*/*/*/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: { 'no-restricted-imports': banImports(besideTheCore, outOfThePart) },
  },
  {
    files: ['core/**/*.test.ts', 'core/model/site/testSite.ts', 'core/evaluate/testDecided.ts'],
    rules: { 'no-restricted-imports': banImports(besideTheCore) },
  },
  {
    files: ['web/**'],
    rules: {
      'no-restricted-imports': banImports(
        pastADoor,
        anotherSide('server|cli', 'The pages know the server by its addresses only.'),
      ),
    },
  },
  // Playwright finds out what a fixture needs by the pattern of its first argument, empty or not.
  { files: ['tests/browser/**'], rules: { 'no-empty-pattern': 'off' } },
  { files: ['web/**/*.test.ts', 'stand-ins/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  {
    files: ['stand-ins/**'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': banImports(
        pastADoor,
        anotherSide('web|server|cli', 'A stand-in knows the core only.'),
      ),
    },
  },
  {
    files: ['server/**'],
    rules: {
      'no-restricted-imports': banImports(
        pastADoor,
        anotherSide(
          'web|cli|stand-ins',
          'The server does not know the pages, and instruments by their addresses only.',
        ),
      ),
    },
  },
);
