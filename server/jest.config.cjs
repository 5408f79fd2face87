const { typescriptTransform } = require('../scripts/jestTransform.cjs');

/** @type {import('jest').Config} */
module.exports = {
  displayName: 'server',
  rootDir: __dirname,
  setupFiles: ['<rootDir>/../scripts/propertySeed.cjs'],
  testEnvironment: 'node',
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  transform: typescriptTransform,
  globalSetup: '<rootDir>/test/startDatabase.mjs',
  globalTeardown: '<rootDir>/test/stopDatabase.mjs',
};
