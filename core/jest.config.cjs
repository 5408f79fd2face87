const { swcTransform } = require('../scripts/swcJest.cjs');

/** @type {import('jest').Config} */
module.exports = {
  displayName: 'core',
  rootDir: __dirname,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: swcTransform,
};
