import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
const URL = process.argv[2];
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const SHOOT = '/shoot/019c9c00-0000-7000-8000-000000000001',
  HALL = '/setup/019c9c00-0000-7000-8000-000000000011';
async function dev(name, viewport) {
  const c = await b.newContext({ viewport, colorScheme: 'dark' });
  const p = await c.newPage();
  await p.goto(URL + '/settings');
  await p.getByLabel('Name of this device').waitFor();
  await p.waitForTimeout(1500);
  await p.getByLabel('Name of this device').fill(name);
  await p.getByLabel('Name of this device').press('Enter');
  return [c, p];
}
const [ca, a] = await dev('Phone', { width: 390, height: 844 });
const [cb, w] = await dev('Laptop', { width: 1280, height: 800 });
await a.getByText('This device', { exact: true }).scrollIntoViewIfNeeded();
await a.screenshot({ path: '/tmp/p-settings.png' });
await a.goto(URL + HALL);
await w.goto(URL + HALL);
await a.waitForTimeout(2500);
await ca.setOffline(true);
await w
  .getByRole('region', { name: 'Look', exact: true })
  .getByRole('button', { name: /^Touch/ })
  .click();
await w.waitForTimeout(800);
await a.getByRole('tab', { name: 'Look' }).click();
await a.getByRole('button', { name: /^Hint/ }).click();
await ca.setOffline(false);
await a.waitForTimeout(2500);
await a.screenshot({ path: '/tmp/p-mark.png' });
await w.screenshot({ path: '/tmp/w-mark.png' });
await a
  .getByRole('button', { name: /to settle/ })
  .filter({ visible: true })
  .click();
await a.waitForTimeout(1200);
await a.screenshot({ path: '/tmp/p-sheet.png' });
await w
  .getByRole('button', { name: /to settle/ })
  .filter({ visible: true })
  .click();
await w.waitForTimeout(1200);
await w.screenshot({ path: '/tmp/w-sheet.png' });
await w.keyboard.press('Escape');
await a.keyboard.press('Escape');
await a.waitForTimeout(300);
await a.getByRole('tab', { name: 'Log' }).click();
await a.waitForTimeout(300);
await a.screenshot({ path: '/tmp/p-log.png' });
await w.goto(URL + SHOOT);
await w.waitForTimeout(1200);
await w.getByRole('button', { name: 'Delete Wedding at the old funicular' }).click();
await a.goto(URL);
await a.waitForTimeout(2500);
await a.getByRole('button', { name: /^Deleted/ }).click();
await a.waitForTimeout(300);
await a.screenshot({ path: '/tmp/p-deleted.png' });
await b.close();
