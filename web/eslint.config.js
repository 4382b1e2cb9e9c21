import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['src/lib/api/generated.ts'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  { languageOptions: { globals: globals.browser } },
  { files: ['**/*.svelte', '**/*.svelte.ts'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      // Links go to the hash router, which knows no resolve().
      'svelte/no-navigation-without-resolve': 'off',
      // The library never imports a station; stations never import each other.
      'no-restricted-imports': [
        'error',
        {
          paths: ['flowbite-svelte', '@lucide/svelte'].map((name) => ({
            name,
            message: 'Import it by its own file.',
          })),
        },
      ],
    },
  },
  {
    // A station knows what all of them share, and none of the others.
    files: ['src/stations/*/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              caseSensitive: true,
              regex: '^(\\.\\./)+(stations/)?[A-Z][A-Za-z]*(/|$)|^\\.\\.$|^\\.\\./index$',
              message: 'Stations do not import each other.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['src/lib/**'],
    rules: { 'no-restricted-imports': ['error', { patterns: ['**/stations/**', '**/job/**'] }] },
  },
);
