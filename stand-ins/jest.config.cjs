const { typescriptTransform } = require('../scripts/jestTransform.cjs');

/** @type {import('jest').Config} */
module.exports = {
  displayName: 'stand-ins',
  rootDir: __dirname,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  transform: typescriptTransform,
};
