import { readdirSync } from 'node:fs';

import { defineConfig } from 'eslint/config';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import boundaries from 'eslint-plugin-boundaries';
import importX from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

import { CLIENT_FOLDERS, CORE_ROOMS, FEATURES_WITHIN, SPEAKING_ROOMS } from './scripts/rooms.mjs';

const projects = {
  project: ['core/tsconfig.json', 'client/tsconfig.json', 'server/tsconfig.json', 'stand-ins/tsconfig.json'],
  noWarnOnMultipleProjects: true,
};

const names = (pairs) => pairs.map(([name]) => name);
/** Types that the boundaries rule tells files by: a room of core, a folder of the client, a feature. */
const CORE = names(CORE_ROOMS).map((room) => `core-${room}`);
const elements = [
  ...names(CORE_ROOMS).map((room) => ({ type: `core-${room}`, pattern: `core/src/${room}` })),
  { type: 'features', pattern: 'client/src/features/*', capture: ['feature'] },
  // the deeper folder first: the first pattern that fits counts
  ...names(CLIENT_FOLDERS)
    .filter((name) => name !== 'features')
    .sort((a, b) => b.length - a.length)
    .map((name) => ({ type: name, pattern: `client/src/${name}` })),
  { type: 'server', pattern: 'server/src' },
  { type: 'stand-ins', pattern: 'stand-ins/src' },
];
const allow = (from, to) => ({
  from: { element: { type: from } },
  allow: { to: { element: { types: { anyOf: to } } } },
});
/** Rooms of core import rooms below them; the table stands from the ground up. */
const corePolicies = CORE.map((room, index) => allow(room, CORE.slice(0, index + 1)));
const clientPolicies = CLIENT_FOLDERS.map(([folder, , below]) =>
  allow(folder, [...CORE, ...below, ...(folder === 'features' ? [] : [folder])]),
);
const allowFeature = (feature, other) => ({
  from: { element: { type: 'features', captured: { feature } } },
  allow: { to: { element: { type: 'features', captured: { feature: other } } } },
});
const featurePolicies = [
  ...readdirSync(new URL('client/src/features', import.meta.url)).map((name) => allowFeature(name, name)),
  ...Object.entries(FEATURES_WITHIN).flatMap(([name, others]) => others.map((other) => allowFeature(name, other))),
];

/** Between rooms only the door; how far up the way goes tells a neighbour's file from one of the own room. */
const onlyDoors = (folder, up) => ({
  files: [`core/src/${folder}/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ regex: `^${up}[^./]+/.+`, message: 'Between rooms only the door (index.ts) is imported.' }] },
    ],
  },
});

/** A text with a blank between two words is a sentence or part of one. */
const SENTENCE = '/[A-Za-z]{2,}[,:.;]? [A-Za-z]{2,}/';
const NO_CLOCK = {
  selector: "NewExpression[callee.name='Date'][arguments.length=0]",
  message: 'The clock is an argument.',
};
const NO_SENTENCE = [
  ['Literal', 'value'],
  ['TemplateElement', 'value.raw'],
].map(([node, field]) => ({
  // what a programmer reads (an error that is thrown) is no sentence of the product
  selector: `${node}[${field}=${SENTENCE}]:not(ThrowStatement *):not(Property[key.name='description'] *)`,
  message: 'Only words speak: hand on a reason with its figures.',
}));

/** What is seen or read aloud, where a text of the client would stand if it were not in its catalogue. */
const SAID =
  '/^(label|note|title|summary|placeholder|said|text|detail|less|more|saveLabel|aria-label|accessibilityLabel)$/';
const WORD = '/[A-Za-z]{3,}/';
const CATALOGUED = { message: "The client's own texts stand in the texts.ts of their feature." };
const NO_TEXT = [
  `JSXText[value=${WORD}]`,
  `JSXAttribute[name.name=${SAID}] > Literal[value=${WORD}]`,
  `JSXAttribute[name.name=${SAID}] > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=${WORD}]`,
  `Property[key.name=${SAID}] > Literal[value=/[A-Za-z]{3,} [A-Za-z]{2,}/]`,
].map((selector) => ({ selector, ...CATALOGUED }));

export default defineConfig(
  {
    ignores: [
      '**/node_modules',
      '**/dist',
      '**/dist-gallery',
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
    files: ['client/src/**/*.tsx'],
    // the gallery is for those who change the product
    ignores: ['client/src/gallery/**'],
    rules: { 'no-restricted-syntax': ['error', ...NO_TEXT] },
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
            ...corePolicies,
            ...clientPolicies,
            ...featurePolicies,
            allow('server', [...CORE, 'server']),
            allow('stand-ins', [...CORE, 'stand-ins']),
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
      'no-restricted-syntax': ['error', NO_CLOCK, ...NO_SENTENCE],
    },
  },
  {
    files: Object.keys(SPEAKING_ROOMS).map((room) => `core/src/${room}/**/*.ts`),
    rules: { 'no-restricted-syntax': ['error', NO_CLOCK] },
  },
  onlyDoors('*', '\\.\\./'),
  onlyDoors('*/*', '(\\.\\./){2}'),
  {
    files: ['core/src/documents/migrations/*.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        { patterns: [{ regex: '.*', allowTypeImports: true, message: 'A frozen step imports nothing but types.' }] },
      ],
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    // drawn paths of icons, written by a script
    ignores: ['client/src/ui/iconPaths.ts'],
    rules: { 'max-len': ['error', { code: 140 }] },
  },
  {
    files: ['{core,client,server,stand-ins}/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 20],
    },
  },
);
