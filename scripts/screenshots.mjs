// Takes the pictures of docs/screenshots from a running demo: node scripts/screenshots.mjs ADDRESS [FOLDER]
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';

import { CHROMIUM } from './debian.mjs';
import { ROOT } from './npm.mjs';

const [address = 'http://127.0.0.1:4780', folder = path.join(ROOT, 'docs/screenshots')] = process.argv.slice(2);
mkdirSync(folder, { recursive: true });
const HALL = '/setup/019c9c00-0000-7000-8000-000000000011';
const TERRACE = '/setup/019c9c00-0000-7000-8000-000000000012';
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

const SHOTS = [
  { name: 'shoots', at: '/', size: PHONE, theme: 'Dark' },
  { name: 'ambient', at: HALL, size: PHONE, theme: 'Dark', tab: 'Ambient' },
  { name: 'look', at: HALL, size: PHONE, theme: 'Dark', tab: 'Look' },
  { name: 'camera', at: TERRACE, size: PHONE, theme: 'Glare', tab: 'Camera' },
  { name: 'flash', at: HALL, size: PHONE, theme: 'Dark', tab: 'Flash' },
  { name: 'check', at: HALL, size: PHONE, theme: 'Dim', tab: 'Check' },
  { name: 'log', at: HALL, size: PHONE, theme: 'Dark', tab: 'Log' },
  { name: 'settings', at: '/settings', size: PHONE, theme: 'Glare' },
  { name: 'wide', at: HALL, size: WIDE, theme: 'Dark' },
  { name: 'wide-terrace', at: TERRACE, size: WIDE, theme: 'Glare' },
];

const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'] });
for (const { name, at, size, theme, tab } of SHOTS) {
  const page = await browser.newPage({ viewport: size, timezoneId: 'Europe/Vienna' });
  // the theme is kept a moment after it shows: load again until it stays
  for (let kept = false; !kept; ) {
    await page.goto(`${address}/settings`);
    const radio = page.getByRole('radio', { name: theme });
    await page.getByRole('status', { name: 'Everything is saved' }).first().waitFor();
    kept = await radio.isChecked();
    if (!kept) await radio.click();
  }
  await page.goto(address + at);
  await page.getByRole('status', { name: 'Everything is saved' }).first().waitFor();
  if (tab) await page.getByRole('tab', { name: tab }).click();
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
