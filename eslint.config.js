import { readFileSync } from 'node:fs';
import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/**
 * ESLint reads the components and the scripts; oxlint reads the TypeScript, in a fortieth of the time. What holds for some
 * folders, such as what a layer may import, stands in `.oxlintrc.json` for both: core < formats < server, workers < ui <
 * routes. A non-null mark is left where types cannot follow (60 in all, see `scripts/test.mjs`); a function that does not
 * fit is several things, or a table, but a group of tests is a function, too, and is left out.
 */
const { overrides } = JSON.parse(readFileSync(new URL('.oxlintrc.json', import.meta.url), 'utf8'));
const ours = (name) => name.replace(/^typescript\//, '@typescript-eslint/');
const shared = overrides.map(({ files, rules }) => ({
  files,
  rules: Object.fromEntries(Object.entries(rules).map(([name, how]) => [ours(name), how]))
}));

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', 'node_modules/', 'data/', 'docs/', '**/*.ts', '!**/*.svelte.ts'] },
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
  ...shared
);
