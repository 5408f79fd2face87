// Makes core/src/renderer/sumsModule.ts from sums.wat; with `--check` it only tells whether the two belong together.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import wabt from 'wabt';

import { ROOT } from './npm.mjs';

const FOLDER = path.join(ROOT, 'core/src/renderer');
const { parseWat } = await wabt();
const parsed = parseWat('sums.wat', readFileSync(path.join(FOLDER, 'sums.wat'), 'utf8'), { simd: true });
const { buffer } = parsed.toBinary({});
const bytes = Buffer.from(buffer).toString('base64');
const lines = bytes.match(/.{1,100}/g).map((line) => `  '${line}'`);
const source = `/** The module of sums.wat, in base 64; made by \`npm run wasm\`. */\nexport const SUMS_MODULE =\n${lines.join(' +\n')};\n`;
const file = path.join(FOLDER, 'sumsModule.ts');
if (process.argv.includes('--check')) {
  if (readFileSync(file, 'utf8') === source) process.exit(0);
  console.error('core/src/renderer/sumsModule.ts does not belong to sums.wat: run `npm run wasm`');
  process.exit(1);
}
writeFileSync(file, source);
