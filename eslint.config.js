import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** A layer may import only what lies below it: core < formats < server, workers < ui < routes. */
const deny = (files, patterns) => ({
  files,
  rules: {
    'no-restricted-imports': ['error', { patterns: patterns.map(([regex, message]) => ({ regex, message })) }]
  }
});
const doors = ['core/[a-z]+/.+', 'import a core folder through its index'];
const above = {
  routes: ['routes/', 'routes are the top layer'],
  ui: ['(/|^)ui(/|$)', 'the interface lies above'],
  workers: ['(/|^)workers(/|$)', 'workers lie above'],
  server: ['(/|^)server(/|$)', 'the server lies above'],
  formats: ['(/|^)formats(/|$)', 'formats lie above'],
  node: ['^node:', 'no Node built-ins here'],
  svelte: ['^(svelte|\\$app|\\$lib|@sveltejs)', 'no interface code here'],
  database: ['^(kysely|libsql)', 'only the server knows the database']
};

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', 'node_modules/', 'data/', 'docs/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  {
    languageOptions: {
      globals: { ...globals.browser, ...globals.node, ...globals.mocha },
      // No rule reads comments.
      parserOptions: { jsDocParsingMode: 'none' }
    },
    rules: {
      // TypeScript knows the names better, and svelte-check runs on every file.
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }]
    }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
    rules: {
      'svelte/no-navigation-without-resolve': 'off',
      'svelte/no-at-html-tags': 'error',
      // svelte-check compiles every component and says this too.
      'svelte/no-unused-svelte-ignore': 'off',
      'svelte/prefer-svelte-reactivity': 'off'
    }
  },
  deny(
    ['src/lib/core/**'],
    [
      ['^\\.\\./[a-z]+/.+', 'import a core folder through its index'],
      ...['routes', 'ui', 'workers', 'server', 'formats', 'node', 'svelte', 'database'].map((k) => above[k])
    ]
  ),
  deny(
    ['src/lib/formats/**'],
    [doors, ...['routes', 'ui', 'workers', 'server', 'node', 'svelte', 'database'].map((k) => above[k])]
  ),
  deny(['src/lib/server/**'], [doors, ...['routes', 'ui', 'workers'].map((k) => above[k])]),
  deny(
    ['src/lib/workers/**'],
    [doors, ...['routes', 'ui', 'server', 'node', 'database'].map((k) => above[k])]
  ),
  deny(['src/lib/ui/**'], [doors, ...['routes', 'server', 'node', 'database'].map((k) => above[k])]),
  deny(['src/routes/**'], [doors, above.database]),
  // `sure`, `entryOf`, `lastOf` and `byId` say what is missing. A mark is left where types cannot follow; `npm test` allows 60 (`scripts/test.mjs`).
  { files: ['src/**'], rules: { '@typescript-eslint/no-non-null-assertion': 'warn' } },
  // What does not fit is several things, or a table. A group of tests is a function, too: those are left out.
  {
    files: ['src/**', 'bin/**', 'scripts/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 100, skipBlankLines: true, skipComments: true }],
      'max-depth': ['error', 4]
    }
  },
  { files: ['tests/**', 'bench/**'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } }
);
