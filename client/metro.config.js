const { readdirSync } = require('node:fs');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
const WHOLE = {
  'pdf-lib': 'pdf-lib/dist/pdf-lib.esm.min.js',
  '@pdf-lib/fontkit': '@pdf-lib/fontkit/dist/fontkit.es.min.js',
};
config.resolver.resolveRequest = (context, name, platform) => {
  const from = context.originModulePath;
  // Zod re-exports its 64 languages from one barrel and Metro does not shake trees: keep English only.
  if (name === '../locales/index.js' && /node_modules\/zod\/v4\//.test(from))
    return { type: 'sourceFile', filePath: path.join(__dirname, 'src/stubs/zodLocales.js') };
  // Paper's icons are a 1.3 MB font with a 180 kB name map: give it our few SVG paths instead.
  if (
    /(^|\/)(react-native-vector-icons|vector-icons)\/MaterialCommunityIcons$/.test(name) &&
    /node_modules\/react-native-paper\//.test(from)
  )
    return { type: 'sourceFile', filePath: path.join(__dirname, 'src/ui/PathIcon.tsx') };
  // what writes PDFs is in many small files whose helpers Metro does not find: take each as the one file that it ships too
  const whole = WHOLE[name];
  if (whole !== undefined) return { type: 'sourceFile', filePath: path.join(__dirname, '../node_modules', whole) };
  return context.resolveRequest(context, name, platform);
};
// A module runs when it is first used, not when the page starts: the list of shoots need not wait for the rest.
// Except one that notes the bundle's address, which is known only while the page's script runs: workers are found by it.
const EARLY = {
  [path.join(path.dirname(require.resolve('expo/package.json')), 'src/winter/ImportMetaRegistry.ts')]: true,
};
// And except the renderer: looking a module up for every name in its inner loops halves its speed.
const RENDERER = path.resolve(__dirname, '../core/src/renderer');
for (const file of readdirSync(RENDERER, { recursive: true })) EARLY[path.join(RENDERER, file)] = true;
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: { blockList: EARLY } } });
module.exports = config;
