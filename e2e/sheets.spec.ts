import jsQR from 'jsqr';
import { decode } from 'fast-png';
import { readFileSync } from 'node:fs';
import { type BrowserContext, type Page } from '@playwright/test';

import { faults } from './axe';
import { readPdf } from './pdf';
import { expect, HALL, WALKED_SIZES, test } from './stack';

const SHEETS = HALL.replace('/setup/', '/sheets/');
const SHOOT = '019c9c00-0000-7000-8000-000000000001';

/** What a code on a page says, read off a picture of it as a camera would. */
async function codeOn(page: Page): Promise<string | undefined> {
  const picture = decode(await page.getByRole('img', { name: /^A code that opens / }).screenshot());
  const { width, height, channels } = picture;
  const rgba = new Uint8ClampedArray(width * height * 4).fill(255);
  for (let i = 0; i < width * height; i += 1)
    for (let c = 0; c < 3; c += 1) rgba[4 * i + c] = Number(picture.data[channels * i + c]);
  return jsQR(rgba, width, height)?.data;
}

/** Another browser, of somebody without an account. */
const otherBrowser = async (page: Page): Promise<BrowserContext> =>
  page
    .context()
    .browser()!
    .newContext({ serviceWorkers: 'allow', viewport: { width: 390, height: 844 } });

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('a card is handed on: by its code on another device, as it changes, without a network, until it is taken back', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      await page.getByRole('button', { name: 'Card for the assistant, and sheets' }).filter({ visible: true }).click();
      await expect(page.getByRole('group', { name: 'A Key' })).toContainText('2.2 m');
      await page.getByRole('button', { name: /^On another device\./ }).click();
      await page.getByRole('button', { name: 'Make a link' }).click();
      await expect(page.getByText(/Only this machine can open this link/)).toBeVisible();
      const address = await codeOn(page);
      expect(address).toMatch(/\/card\/[\w-]{22}$/);

      const browser = await otherBrowser(page);
      const theirs = await browser.newPage();
      const asked: string[] = [];
      theirs.on('request', (request) => asked.push(new URL(request.url()).pathname));
      await theirs.goto(address!);
      const key = theirs.getByRole('group', { name: 'A Key' });
      await expect(key).toContainText('2.2 m');
      await expect(theirs.getByText(/^Follows every change/)).toBeVisible();
      // nothing of an account was begun there
      expect(asked.filter((path) => path.startsWith('/api/') && !path.startsWith('/api/cards/open/'))).toEqual([]);
      for (const colorScheme of ['light', 'dark'] as const) {
        await theirs.emulateMedia({ colorScheme });
        expect(await faults(theirs)).toEqual([]);
      }
      await theirs.evaluate(async () => {
        await navigator.serviceWorker.ready;
      });

      await stack.query(
        `update documents set body = jsonb_set(body, '{lights,0,distanceM}', '1.7'), version = version + 1 where id = $1`,
        [HALL.slice('/setup/'.length)],
      );
      const [account] = await stack.query<{ id: string }>('select id from accounts');
      await stack.query(`select pg_notify('sphene_changes', $1)`, [account!.id]);
      await expect(key).toContainText('1.7 m');

      await browser.setOffline(true);
      await theirs.reload();
      await expect(key).toContainText('1.7 m');
      await expect(theirs.getByText(/^No network: as it was at/)).toBeVisible();
      await browser.setOffline(false);
      await theirs.reload();
      await expect(theirs.getByText(/^Follows every change/)).toBeVisible();

      await page.getByRole('button', { name: /^Take back the link/ }).click();
      await expect(page.getByText('Taken back: nobody reads it any more.')).toBeVisible();
      await theirs.reload();
      await expect(theirs.getByRole('alert')).toContainText('This card is over, or was taken back');
      await browser.close();
    });

    test('sheets are printed on each paper with all that stands on them, and the stage as a drawing', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, SHEETS);
      const print = async (name: string) => {
        const saving = page.waitForEvent('download');
        await page.getByRole('button', { name }).click();
        return (await saving).path();
      };
      const sizes = { A4: [595, 842], Letter: [612, 792], 'Pocket fold': [595, 842] } as const;
      for (const [paper, [width, height]] of Object.entries(sizes)) {
        const pages = await readPdf(await print(`PDF on ${paper}`));
        const [first] = pages;
        expect([Math.round(first!.width), Math.round(first!.height)]).toEqual([width, height]);
        const text = pages.map((one) => one.text).join(' ');
        for (const told of [
          'Ceremony by the windows',
          'Wren 60 A',
          'A · channel 1',
          '2.2 m',
          'half past 4',
          'Take care',
        ])
          expect(text).toContain(told);
      }
      const svg = readFileSync(await print('Stage as SVG'), 'utf8');
      expect(svg).toMatch(/^<\?xml.*<svg .*<\/svg>/s);
      await page.getByRole('radio', { name: 'Second body' }).click();
      await expect(page.getByText('White balance')).toBeVisible();
    });

    test('the editor and the clients get their own sheets, and the run sheet is printed', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, `/handouts/${SHOOT}`);
      await expect(page.getByText('3250 K')).toBeVisible();
      await page.getByRole('radio', { name: 'Clients' }).click();
      await expect(page.getByText('14:30 – 15:05')).toBeVisible();
      const saving = page.waitForEvent('download');
      await page.getByRole('button', { name: 'PDF on A4' }).click();
      const [first] = await readPdf(await (await saving).path());
      expect(first?.text).toContain('Family of eleven');
      expect(first?.text).not.toMatch(/ISO|f\/\d/);

      await setup.open(stack, `/plan/${SHOOT}`);
      await page.getByRole('button', { name: /^Run sheet and files/ }).click();
      const sheet = page.waitForEvent('download');
      await page.getByRole('button', { name: 'PDF on A4' }).click();
      const [run] = await readPdf(await (await sheet).path());
      expect(run?.text).toContain('Ceremony by the windows');
    });
  });
