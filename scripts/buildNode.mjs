// Bundles a workspace's programs for Node.js, one file each; packages stay outside, the core is bundled from its source.
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';

/** @param folder the workspace  @param entryPoints by the name of the file that comes out */
export async function buildNode(folder, entryPoints) {
  const { dependencies } = JSON.parse(readFileSync(path.join(folder, 'package.json'), 'utf8'));
  await build({
    absWorkingDir: folder,
    entryPoints,
    outdir: 'dist',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    sourcemap: 'linked',
    external: Object.keys(dependencies).filter((name) => !name.startsWith('@sphene/')),
  });
}
