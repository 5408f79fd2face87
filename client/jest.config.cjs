/** React Native Web in jsdom, driven by Testing Library. */
module.exports = {
  displayName: 'client',
  preset: 'jest-expo/web',
  rootDir: __dirname,
  testMatch: ['<rootDir>/test/**/*.test.{ts,tsx}'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@expo/vector-icons/MaterialCommunityIcons$': '<rootDir>/src/ui/PathIcon.tsx',
  },
};
