// Bundles the gallery of the interface's parts, apart from the product, into a folder of its own.
import { build } from 'esbuild';
import { copyFileSync, mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';

import { ROOT } from './npm.mjs';

const FOLDER = path.join(ROOT, 'client/dist-gallery');
const FONTS = ['400Regular', '700Bold'];
const require = createRequire(path.join(ROOT, 'client/package.json'));

/** What Metro does for the product: `@/` is the client's source, and Paper takes our icons. */
const likeTheProduct = {
  name: 'like-the-product',
  setup(bundle) {
    bundle.onResolve({ filter: /(^|\/)MaterialDesignIcons$|material-design-icons|MaterialCommunityIcons/ }, () => ({
      path: path.join(ROOT, 'client/src/ui/PathIcon.tsx'),
    }));
  },
};

/** Makes the page; returns the folder that holds it. */
export async function buildGallery() {
  mkdirSync(FOLDER, { recursive: true });
  await build({
    entryPoints: [path.join(ROOT, 'client/src/gallery/main.ts')],
    outfile: path.join(FOLDER, 'gallery.js'),
    bundle: true,
    format: 'iife',
    jsx: 'automatic',
    define: { 'process.env.NODE_ENV': '"production"', __DEV__: 'false', global: 'globalThis' },
    alias: { '@': path.join(ROOT, 'client/src'), 'react-native': require.resolve('react-native-web') },
    resolveExtensions: ['.web.tsx', '.web.ts', '.web.js', '.tsx', '.ts', '.js', '.json'],
    mainFields: ['browser', 'module', 'main'],
    loader: { '.js': 'jsx', '.ttf': 'file', '.png': 'file' },
    plugins: [likeTheProduct],
    logLevel: 'error',
  });
  const faces = FONTS.map((weight) => {
    const family = `AtkinsonHyperlegibleNext_${weight}`;
    copyFileSync(
      require.resolve(`@expo-google-fonts/atkinson-hyperlegible-next/${weight}/${family}.ttf`),
      path.join(FOLDER, `${family}.ttf`),
    );
    return `@font-face { font-family: ${family}; src: url(${family}.ttf); }`;
  });
  writeFileSync(
    path.join(FOLDER, 'index.html'),
    `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>The parts of the interface</title>
<style>${faces.join('\n')}
html, body, #root { margin: 0; min-height: 100%; }
</style>
<div id="root"></div>
<script src="gallery.js"></script>
</html>
`,
  );
  return FOLDER;
}
