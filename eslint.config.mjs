import expo from 'eslint-config-expo/flat.js';
import tseslint from 'typescript-eslint';

const clockOrChance = 'The core is told what day it is and leaves nothing to chance.';

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/',
      '**/dist/',
      '.wimbel/',
      '**/.expo/',
      '**/.metro-cache/',
      'apps/server/drizzle/',
      'e2e/.shot.mjs',
      'test-results/',
      'playwright-report/',
    ],
  },
  ...expo.map((config) => ({ ...config, files: config.files ?? ['apps/web/**/*.{ts,tsx,js,cjs}'] })),
  {
    files: ['**/*.{ts,tsx}'],
    extends: [...tseslint.configs.recommended],
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-console': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['apps/web/**/*.{ts,tsx}'],
    rules: {
      'import/no-unresolved': 'off',
      'import/namespace': 'off',
      'import/no-named-as-default-member': 'off',
      'react/no-unescaped-entities': 'off',
      'no-restricted-imports': [
        'error',
        {
          name: '@reduxjs/toolkit',
          importNames: ['createSlice', 'createReducer', 'createEntityAdapter', 'createNextState'],
          message: 'Reducers are plain functions; the drafts that these need are not brought (metro.config.cjs).',
        },
      ],
    },
  },
  {
    files: ['apps/**/*.{ts,tsx}', 'packages/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}', '**/testing/**'],
    rules: { 'max-lines-per-function': ['error', { max: 100, IIFEs: true }] },
  },
  {
    files: ['**/*.cjs'],
    languageOptions: { globals: { __dirname: 'readonly', module: 'writable', require: 'readonly' } },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'performance', message: clockOrChance },
        { name: 'crypto', message: clockOrChance },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date']", message: clockOrChance },
        { selector: "CallExpression[callee.name='Date']", message: clockOrChance },
        { selector: "MemberExpression[object.name='Date']", message: clockOrChance },
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: clockOrChance },
      ],
    },
  },
);
