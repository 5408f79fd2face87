const preset = require('jest-expo/web/jest-preset');

/** React Native Web in jsdom, driven by Testing Library. */
module.exports = {
  displayName: 'client',
  preset: 'jest-expo/web',
  rootDir: __dirname,
  setupFiles: ['<rootDir>/../scripts/propertySeed.cjs'],
  // the calendar brings packages of colours that are modules only
  transformIgnorePatterns: preset.transformIgnorePatterns.map((pattern) => pattern.replace('(?!(', '(?!(color|')),
  testMatch: ['<rootDir>/test/**/*.test.{ts,tsx}'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@expo/vector-icons/MaterialCommunityIcons$': '<rootDir>/src/ui/PathIcon.tsx',
  },
};
