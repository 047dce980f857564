import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';

/** A room may be entered by its door only, and some rooms never enter others. */
const rooms = (forbidden) => ['error', { patterns: forbidden }];
const pastADoor = { regex: '(^|/)core/', message: 'Enter a room of the core by its door: #core/NAME.' };
const besideTheCore = {
  regex:
    '^(\\.\\./)+(web|server|cli|stand-ins)/|^(vue|vue-router|pinia|primevue|@primeuix|koa|@koa|@mikro-orm|node:|better-sqlite3|echarts)',
  message: 'The core is pure: no screen, no server, no Node.',
};
const insideTheCore = {
  regex: '^\\.\\./',
  message: 'Another room of the core is entered by its door: #core/NAME.',
};

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
      'no-restricted-imports': rooms([pastADoor]),
      'vue/require-default-prop': 'off',
    },
  },
  { files: ['core/**/*.ts'], rules: { 'no-restricted-imports': rooms([besideTheCore, insideTheCore]) } },
  // A part of a room goes up to the room it is a part of, and no farther.
  {
    files: ['core/*/*/**/*.ts'],
    rules: {
      'no-restricted-imports': rooms([besideTheCore, { ...insideTheCore, regex: '^\\.\\./\\.\\./' }]),
    },
  },
  {
    files: ['core/**/*.test.ts', 'core/site/testSite.ts'],
    rules: { 'no-restricted-imports': rooms([besideTheCore]) },
  },
  {
    files: ['web/**'],
    rules: {
      'no-restricted-imports': rooms([
        pastADoor,
        { regex: '(^|/)(server|cli)/', message: 'The pages know the server by its addresses only.' },
      ]),
    },
  },
  // Playwright finds out what a fixture needs by the pattern of its first argument, empty or not.
  { files: ['tests/browser/**'], rules: { 'no-empty-pattern': 'off' } },
  { files: ['web/**/*.test.ts', 'stand-ins/**/*.test.ts'], rules: { 'no-restricted-imports': 'off' } },
  {
    files: ['stand-ins/**'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': rooms([
        pastADoor,
        { regex: '(^|/)(web|server|cli)/', message: 'A stand-in knows the core only.' },
      ]),
    },
  },
  {
    files: ['server/**'],
    rules: {
      'no-restricted-imports': rooms([
        pastADoor,
        {
          regex: '(^|/)(web|cli|stand-ins)/',
          message: 'The server does not know the pages, and instruments by their addresses only.',
        },
      ]),
    },
  },
);
