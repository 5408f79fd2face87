// Draws the application's icons from its mark: in two sizes, and one with room round it for masks of any shape.
import { mkdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';

import { CHROMIUM } from './debian.mjs';
import { ROOT } from './npm.mjs';

const PUBLIC = path.join(ROOT, 'client/public');
const mark = readFileSync(path.join(PUBLIC, 'mark.svg'), 'utf8');
const GROUND = '#14160f';
const ICONS = [
  { name: 'icon-192', size: 192, viewBox: '0 0 32 32' },
  { name: 'icon-512', size: 512, viewBox: '0 0 32 32' },
  { name: 'icon-maskable-512', size: 512, viewBox: '-6 -4 44 44' },
];

mkdirSync(path.join(PUBLIC, 'icons'), { recursive: true });
const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
for (const { name, size, viewBox } of ICONS) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  const drawn = mark.replace(/viewBox="[^"]*"/, `viewBox="${viewBox}" width="${size}" height="${size}"`);
  await page.setContent(`<body style="margin:0;background:${GROUND}">${drawn}</body>`);
  await page.screenshot({ path: path.join(PUBLIC, 'icons', `${name}.png`) });
}
await browser.close();
