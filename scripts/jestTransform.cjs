/** Jest transform of plain TypeScript (core and server). */
exports.typescriptTransform = {
  '\\.[jt]s$': ['babel-jest', { configFile: false, babelrc: false, presets: [['babel-preset-expo', { jsxRuntime: 'automatic' }]] }],
};
