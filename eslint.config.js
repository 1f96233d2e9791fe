import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { wordKeys } from './scripts/lint/word-keys.mjs';

/** A call with as many arguments as there are values overflows the stack where there are many. */
const MANY_ARGUMENTS = [
  {
    selector: "CallExpression[callee.object.name='Math'] > SpreadElement",
    message: 'A list may be long: largest, least.',
  },
  {
    selector: "CallExpression[callee.property.name='push'] > SpreadElement",
    message: 'A list may be long: push one after the other.',
  },
];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'scripts/**', 'eslint.config.js', 'web/vite.config.ts'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-empty': 'error',
      eqeqeq: 'error',
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded generator down.' },
      ],
      'no-restricted-globals': ['error', { name: 'eval' }],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='localeCompare']",
          message: 'Order by code units: byCodeUnits.',
        },
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'No clock in a result.',
        },
        ...MANY_ARGUMENTS,
      ],
    },
  },
  {
    files: ['web/src/**/*.{ts,tsx}', 'cli/src/**/*.ts', 'server/src/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', ...MANY_ARGUMENTS] },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['core/src/**/*.ts', 'web/src/**/*.{ts,tsx}', 'cli/src/**/*.ts', 'server/src/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { words: { rules: { keys: wordKeys } } },
    rules: {
      'words/keys': 'error',
      // A failure that nobody hears is shown to nobody.
      '@typescript-eslint/no-floating-promises': ['error', { ignoreVoid: false }],
    },
  },
  {
    files: ['core/test/**', 'e2e/**', 'cli/test/**', 'server/test/**'],
    rules: { '@typescript-eslint/no-unused-expressions': 'off' },
  },
);
