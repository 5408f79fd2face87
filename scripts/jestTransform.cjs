const { transformSync } = require('esbuild');

// In the context that Jest runs tests in, every look at a global is an interceptor's call, some fifty times slower than in
// Node: what inner loops use is looked up once per file.
const GLOBALS = [
  'Math',
  'Float32Array',
  'Float64Array',
  'Uint8Array',
  'Uint8ClampedArray',
  'Uint16Array',
  'Uint32Array',
  'Int32Array',
];
const ONCE = GLOBALS.map((name) => `const ${name} = globalThis.${name};`).join(' ');

/** Jest transform of plain TypeScript, and of packages that are modules only: modern code stays as it is, so that tests run at the speed of the product. */
function processSource(source, file) {
  const typescript = file.endsWith('.ts');
  const { code } = transformSync(source, {
    loader: typescript ? 'ts' : 'js',
    format: 'cjs',
    target: 'node20',
    sourcemap: 'inline',
    sourcefile: file,
  });
  return { code: typescript ? `${ONCE} ${code}` : code };
}
module.exports = { process: processSource, typescriptTransform: { '\\.[jt]s$': __filename } };
