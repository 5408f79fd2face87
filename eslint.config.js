import { defineConfig } from 'eslint/config';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import boundaries from 'eslint-plugin-boundaries';
import importX from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const projects = {
  project: ['core/tsconfig.json', 'client/tsconfig.json', 'server/tsconfig.json', 'stand-ins/tsconfig.json'],
  noWarnOnMultipleProjects: true,
};

/** The floors of the house: who may import whom. Imports go one way. */
const CORE_FLOORS = [
  ['photometry', []],
  ['flash', ['photometry']],
  ['modifiers', ['photometry']],
  ['frames', ['photometry']],
  ['colour', ['photometry']],
  ['sky', []],
  ['scene', ['photometry', 'flash', 'modifiers']],
  ['preview', []],
  ['calibration', ['photometry', 'flash', 'modifiers']],
  ['balance', ['photometry', 'flash', 'modifiers', 'colour', 'sky', 'scene', 'calibration']],
  ['picture', ['photometry', 'modifiers', 'colour', 'sky', 'scene', 'preview', 'balance']],
  ['documents', ['photometry', 'flash', 'modifiers', 'colour', 'frames', 'scene', 'calibration', 'balance']],
  ['devices', ['photometry', 'flash', 'modifiers', 'colour', 'scene', 'balance']],
  ['formats', ['photometry', 'flash', 'modifiers', 'colour', 'scene', 'calibration', 'balance', 'documents']],
  ['sample', ['photometry', 'flash', 'modifiers', 'colour', 'balance', 'documents', 'formats']],
];
const elements = [
  ...CORE_FLOORS.map(([floor]) => ({ type: `core-${floor}`, pattern: `core/src/${floor}` })),
  { type: 'route', pattern: 'client/src/app' },
  { type: 'feature', pattern: 'client/src/features' },
  { type: 'ui', pattern: 'client/src/ui' },
  { type: 'store', pattern: 'client/src/store' },
  { type: 'server', pattern: 'server/src' },
  { type: 'workers', pattern: 'client/src/workers' },
  { type: 'stand-ins', pattern: 'stand-ins/src' },
];
const core = CORE_FLOORS.map(([floor]) => `core-${floor}`);
const allow = (from, to) => ({
  from: { element: { type: from } },
  allow: { to: { element: { types: { anyOf: to } } } },
});

export default defineConfig(
  {
    ignores: [
      '**/node_modules',
      '**/dist',
      '**/.expo',
      '**/*.cjs',
      '**/*.mjs',
      'client/*.config.js',
      'client/src/stubs',
      'eslint.config.js',
      'playwright-report',
      'test-results',
      '.data',
    ],
  },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['client/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-imports': [
        'error',
        { paths: ['react-native-gesture-handler', 'react-native-reanimated', '@mdi/js'] },
      ],
    },
  },
  {
    files: ['{core,client,server,stand-ins}/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    plugins: { boundaries, 'import-x': importX },
    settings: {
      ...importX.flatConfigs.typescript.settings,
      'import-x/resolver-next': [createTypeScriptImportResolver(projects)],
      'import/resolver': { typescript: projects },
      'boundaries/elements': elements,
    },
    rules: {
      'import-x/no-cycle': 'error',
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            { allow: { to: { module: { origin: ['external', 'core'] } } } },
            ...CORE_FLOORS.map(([floor, below]) =>
              allow(`core-${floor}`, [`core-${floor}`, ...below.map((name) => `core-${name}`)]),
            ),
            allow('workers', [...core, 'workers']),
            allow('store', [...core, 'store', 'workers']),
            allow('ui', [...core, 'store', 'ui']),
            allow('feature', [...core, 'store', 'ui', 'workers', 'feature']),
            allow('route', [...core, 'store', 'ui', 'feature', 'route']),
            allow('server', [...core, 'server']),
            allow('stand-ins', [...core, 'stand-ins']),
          ],
        },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'import-x/no-extraneous-dependencies': ['error', { packageDir: [`${import.meta.dirname}/core`] }],
      'no-restricted-globals': ['error', 'window', 'document', 'navigator', 'fetch', 'process'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The clock is an argument.' },
      ],
    },
  },
);
