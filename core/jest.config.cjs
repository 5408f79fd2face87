const { typescriptTransform } = require('../scripts/jestTransform.cjs');

/** @type {import('jest').Config} */
module.exports = {
  displayName: 'core',
  rootDir: __dirname,
  setupFiles: ['<rootDir>/../scripts/propertySeed.cjs'],
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/test/**/*.test.ts'],
  transform: typescriptTransform,
  // published as modules only
  transformIgnorePatterns: ['/node_modules/(?!(fast-png|iobuffer|fflate)/)'],
};
