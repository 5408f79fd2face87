const { typescriptTransform } = require('../scripts/jestTransform.cjs');

/** @type {import('jest').Config} */
module.exports = {
  displayName: 'stand-ins',
  rootDir: __dirname,
  setupFiles: ['<rootDir>/../scripts/propertySeed.cjs'],
  testEnvironment: 'node',
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  transform: typescriptTransform,
};
