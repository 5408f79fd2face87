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
  { name: 'shoots', at: '/', size: PHONE, theme: 'Dark', does: 'shoots' },
  { name: 'ambient', at: HALL, size: PHONE, theme: 'Dark', tab: 'Ambient' },
  { name: 'look', at: HALL, size: PHONE, theme: 'Dark', tab: 'Look' },
  { name: 'camera', at: TERRACE, size: PHONE, theme: 'Glare', tab: 'Camera' },
  { name: 'flash', at: HALL, size: PHONE, theme: 'Dark', tab: 'Lights' },
  { name: 'check', at: HALL, size: PHONE, theme: 'Dim', tab: 'Check' },
  { name: 'log', at: '/log/019c9c00-0000-7000-8000-000000000001', size: PHONE, theme: 'Dark', does: 'log' },
  { name: 'variants', at: HALL, size: PHONE, theme: 'Dark', tab: 'Look', does: 'variants' },
  { name: 'devices', at: '/devices', size: PHONE, theme: 'Dark', does: 'devices' },
  { name: 'card', at: HALL.replace('setup', 'sheets'), size: PHONE, theme: 'Dark', does: 'card' },
  {
    name: 'packing',
    at: '/packing/019c9c00-0000-7000-8000-000000000001',
    size: PHONE,
    theme: 'Glare',
    does: 'packing',
  },
  { name: 'hour', at: TERRACE.replace('012', '013'), size: PHONE, theme: 'Glare', tab: 'Ambient', does: 'hour' },
  { name: 'spot', at: '/spot/019c9c00-0000-7000-8000-000000000003', size: PHONE, theme: 'Dark', does: 'day' },
  { name: 'plan', at: '/plan/019c9c00-0000-7000-8000-000000000001', size: PHONE, theme: 'Dark', does: 'day' },
  { name: 'kit', at: '/kit', size: PHONE, theme: 'Dark', does: 'kit' },
  { name: 'wide', at: HALL, size: WIDE, theme: 'Dark', does: 'picture' },
  { name: 'stage', at: HALL, size: PHONE, theme: 'Dark', tab: 'Stage', does: 'picture' },
  { name: 'picture', at: HALL.replace('setup', 'picture'), size: PHONE, theme: 'Dark', does: 'picture' },
  { name: 'wide-picture', at: TERRACE.replace('setup', 'picture'), size: WIDE, theme: 'Dark', does: 'picture' },
];

/** Meters some more points of the terrace by the simulated meter, so that the pictures show a metered scene. */
async function meterTheTerrace(page) {
  await page.goto(address + TERRACE);
  await page.getByRole('tab', { name: 'Ambient' }).click();
  await page.getByRole('button', { name: 'Devices' }).click();
  for (const name of ['Simulated meter', 'Simulated camera'])
    await page
      .getByRole('article', { name })
      .getByRole('button', { name: /^(Connect|Take over)/ })
      .click();
  await page.getByRole('button', { name: /^Press for/ }).click();
}

/** What is done on the page before its picture is taken. */
const DO = {
  async log(page) {
    await page.getByRole('button', { name: /^Readings over time/ }).click();
    await page.getByRole('img', { name: /^Ambient over time/ }).waitFor();
  },
  async picture(page) {
    await page
      .getByRole('status', { name: 'Picture: finished' })
      .filter({ visible: true })
      .first()
      .waitFor({ timeout: 60_000 });
  },
  async hour(page) {
    await page.getByRole('button', { name: /^The next hour/ }).click();
    const take = page.getByRole('button', { name: 'Take the sun of this spot' });
    if (await take.count()) await take.click();
    await page.getByText(/change from the sun at this place/).waitFor();
    await page.getByRole('group', { name: 'The next hour' }).evaluate((element) => element.scrollIntoView());
  },
  async day(page) {
    await page.getByRole('group', { name: 'The day', exact: true }).waitFor();
  },
  async kit(page) {
    await page.getByRole('button', { name: 'Edit Tern 400 A' }).click();
  },
  async shoots(page) {
    await page.locator('[data-drawn]').first().waitFor({ timeout: 60_000 });
  },
  async card(page) {
    await page.getByRole('group', { name: 'A Key' }).waitFor();
  },
  async packing(page) {
    for (const name of ['Gannet 1000', 'Octagon 90 cm'])
      await page.getByRole('checkbox', { name: `Out: ${name}` }).click();
    await page.getByText(/^2 of \d+ out/).waitFor();
  },
  async variants(page) {
    await page.getByRole('button', { name: /^Variants\. / }).click();
    if (await page.getByRole('button', { name: 'Use Variant A' }).count()) return;
    await page.getByRole('button', { name: 'Set this one aside', exact: true }).click();
    await page.getByRole('button', { name: /^Carry/ }).click();
    const aside = page.getByRole('article', { name: 'Variant A', exact: true });
    await aside.locator('[data-drawn]').waitFor({ timeout: 60_000 });
    await aside.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  },
  async devices(page) {
    await meterTheTerrace(page);
    await page.getByRole('button', { name: /^(Connect|Take over) Simulated radio/ }).click();
    await page.getByText('No heads arranged yet').waitFor();
    await page.getByRole('article', { name: 'Simulated meter' }).evaluate((element) => element.scrollIntoView());
    await page
      .getByText(/from simulated meter\.$/)
      .filter({ visible: true })
      .first()
      .waitFor({ state: 'detached' });
  },
};

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
  ],
});
for (const { name, at, size, theme, tab, does } of SHOTS) {
  const page = await browser.newPage({ viewport: size, timezoneId: 'Europe/Vienna' });
  // the theme is kept a moment after it shows: load again until it stays
  for (let kept = false; !kept;) {
    await page.goto(`${address}/settings`);
    const radio = page.getByRole('radio', { name: theme });
    await page.getByRole('status', { name: 'Everything is saved' }).first().waitFor();
    kept = await radio.isChecked();
    if (!kept) await radio.click();
  }
  await page.goto(address + at);
  await page.getByRole('status', { name: 'Everything is saved' }).first().waitFor();
  if (tab) await page.getByRole('tab', { name: tab }).click();
  if (does) await DO[does](page);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
