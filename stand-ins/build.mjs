// One file for production; packages stay outside, the core is bundled from its source.
import { readFileSync } from 'node:fs';
import { build } from 'esbuild';

const { dependencies } = JSON.parse(readFileSync(new URL('package.json', import.meta.url), 'utf8'));
await build({
  absWorkingDir: import.meta.dirname,
  entryPoints: { meter: 'src/meter.ts', camera: 'src/camera.ts' },
  outdir: 'dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  sourcemap: 'linked',
  external: Object.keys(dependencies).filter((name) => !name.startsWith('@sphene/')),
});
