/** Jest transform of plain TypeScript (core and server) by swc. */
exports.swcTransform = {
  '^.+\\.ts$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' }, sourceMaps: 'inline' }],
};
