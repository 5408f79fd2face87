// Draws docs/architecture.svg from the table that the lint rules read: node scripts/architecture.mjs [--check]
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import { ROOT } from './npm.mjs';
import { CLIENT_FOLDERS, CORE_ROOMS } from './rooms.mjs';

const FILE = path.join(ROOT, 'docs/architecture.svg');
const ROW = 26;
const [TOP, LEFT, WIDE, GAP] = [56, 16, 470, 24];

/** One column of rows, the ground at the foot. */
function column(x, title, rows) {
  const high = Math.max(CORE_ROOMS.length, CLIENT_FOLDERS.length);
  const texts = rows.map(([name, purpose], index) => {
    const y = TOP + (high - 1 - index) * ROW;
    return (
      `<rect x="${x}" y="${y}" width="${WIDE}" height="${ROW - 4}" rx="3" fill="#20231a" stroke="#5c614d"/>` +
      `<text x="${x + 10}" y="${y + 15}" fill="#cbdc4e">${name}</text>` +
      `<text x="${x + 120}" y="${y + 15}" fill="#f1f2e6">${purpose}</text>`
    );
  });
  return `<text x="${x}" y="36" fill="#f1f2e6" font-size="16">${title}</text>\n${texts.join('\n')}`;
}

const width = LEFT * 2 + WIDE * 2 + GAP;
const height = TOP + Math.max(CORE_ROOMS.length, CLIENT_FOLDERS.length) * ROW + 36;
const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="12">
<rect width="100%" height="100%" fill="#14160f"/>
${column(LEFT, 'core: a room imports rooms under it', CORE_ROOMS)}
${column(LEFT + WIDE + GAP, 'client: stands on core', CLIENT_FOLDERS)}
<text x="${LEFT}" y="${height - 14}" fill="#b4b8a3">Written by a script from scripts/rooms.mjs, the table of the lint rules.</text>
</svg>
`;
if (process.argv.includes('--check')) {
  if (readFileSync(FILE, 'utf8') !== drawing) throw new Error('docs/architecture.svg is stale: npm run architecture');
} else writeFileSync(FILE, drawing);
