import { readFileSync } from 'node:fs';
import path from 'node:path';
import { type FileChooser, type Page } from '@playwright/test';
import QRCode from 'qrcode';
import { unzipSync } from 'fflate';

import { expect, WALKED_SIZES, test } from './stack';

const LOG = '/log/019c9c00-0000-7000-8000-000000000001';
const PICTURE = readFileSync(path.join(import.meta.dirname, 'fixtures/terrace.jpg'));
const ITS_TIME = '2026:02:27 16:40:00';

/** A picture as a camera wrote it at a time of its own clock. */
function picture(name: string, taken: string) {
  const at = PICTURE.indexOf(ITS_TIME);
  const buffer = Buffer.from(PICTURE);
  buffer.write(taken, at, 'latin1');
  return { name, mimeType: 'image/jpeg', buffer };
}

/** A photograph of a code: the code drawn by a page, with the time that a camera wrote beside it. */
async function photographOf(page: Page, text: string, taken: string) {
  const { data, size } = QRCode.create(text).modules;
  const jpeg = await page.evaluate(
    async ({ dark, side }) => {
      const [scale, quiet] = [9, 5];
      const canvas = new OffscreenCanvas((side + 2 * quiet) * scale, (side + 2 * quiet) * scale);
      const context = canvas.getContext('2d')!;
      context.fillStyle = '#d9d4cc';
      context.fillRect(0, 0, canvas.width, canvas.height);
      context.fillStyle = '#1c1a18';
      dark.forEach((on, i) => {
        if (on) context.fillRect(((i % side) + quiet) * scale, (Math.floor(i / side) + quiet) * scale, scale, scale);
      });
      const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 });
      return [...new Uint8Array(await blob.arrayBuffer())];
    },
    { dark: [...data].map(Boolean), side: size },
  );
  // the camera's own header, from the fixture, before the picture
  const header = picture('', taken).buffer.subarray(2, 4 + PICTURE.readUInt16BE(4));
  return {
    name: 'clock.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.concat([Buffer.from([0xff, 0xd8]), header, Buffer.from(jpeg.slice(2))]),
  };
}

const choose = async (page: Page, button: string, files: Parameters<FileChooser['setFiles']>[0]) => {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: button, exact: true }).click();
  await (await chooser).setFiles(files);
};

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('frames find their setups by time, by the offset that a photograph of the clock tells; and one asks how one was lit', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, LOG);
      await page.getByRole('button', { name: /^Frames of the camera\./ }).click();
      // an hour ahead: 16:45 by the camera is a quarter to four
      await choose(page, 'Choose pictures', [
        picture('ORL_4312.JPG', '2026:02:27 16:45:00'),
        picture('ORL_4313.JPG', '2026:02:27 16:46:30'),
        picture('ORL_4390.JPG', '2026:02:27 19:17:00'),
        { name: 'scan.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') },
      ]);
      await expect(page.getByText('3 frames kept; 1 file says no time and was left out.')).toBeVisible();
      const roll = page.getByRole('group', { name: 'A camera' });
      await choose(page, 'Use a photograph of the clock page', picture('ORL_4300.JPG', '2026:02:27 16:30:00'));
      await expect(page.getByRole('alert')).toContainText('No clock code was found');
      const clock = await photographOf(page, 'sphene clock 2026-02-27T14:40:00.000Z', '2026:02:27 16:40:00');
      await choose(page, 'Use a photograph of the clock page', clock);
      await expect(page.getByText('The camera is ahead by 1:00:00.')).toBeVisible();
      await expect(roll).toContainText('Family of eleven: 2, ORL_4312.JPG to ORL_4313.JPG');
      await expect(roll).toContainText('Blue hour by the cabin: ORL_4390.JPG');

      await page.getByLabel('Search the log').fill('4312');
      const answer = page.getByRole('status').filter({ hasText: 'ORL_4312.JPG, 27 Feb, 15:45: Family of eleven' });
      await expect(answer).toContainText('1/200 · f/8 · ISO 100');
      await expect(answer).toContainText(/Key A · Gannet 1000 · Octagon 90 cm · \d+ Ws · 7\.8 m/);
      await page.getByLabel('Search the log').fill('');

      const saving = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Write sidecars' }).click();
      const files = unzipSync(new Uint8Array(readFileSync(await (await saving).path())));
      expect(Object.keys(files).sort()).toEqual(['ORL_4312.xmp', 'ORL_4313.xmp', 'ORL_4390.xmp']);
      await choose(page, 'Read sidecars', [
        { name: 'ORL_4312.xmp', mimeType: 'application/xml', buffer: Buffer.from(files['ORL_4312.xmp']!) },
        {
          name: 'bad.xmp',
          mimeType: 'application/xml',
          buffer: Buffer.from('<!DOCTYPE a [<!ENTITY b "c">]><a>&b;</a>'),
        },
      ]);
      await expect(page.getByRole('alert')).toContainText('bad.xmp: It declares a document type');
      await page.getByRole('button', { name: 'Keep its look' }).click();
      await expect(page.getByText('Kept among your looks.')).toBeVisible();

      await page.getByRole('button', { name: 'Show the clock page' }).click();
      await expect(page.getByRole('img', { name: 'The time as a code' })).toBeVisible();
    });

    test('a table from elsewhere is mapped, tried and kept all or not at all; our own comes back as it was', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, LOG);
      await page.getByRole('button', { name: /^Files\./ }).click();
      const table = (rows: string[]) => ({
        name: 'meter.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(['Uhrzeit;Wo;Blende;Bemerkung', ...rows].join('\n')),
      });
      const good = [
        '27.02.2026 14:20:00;Face;f/2.8;',
        '27.02.2026 14:21:00;Background;2;',
        '27.02.2026 14:25:00;;;Curtain drawn',
      ];
      await choose(page, 'Bring a table in', table([...good, 'later;Face;f/4;']));
      await expect(page.getByText('Uhrzeit', { exact: true }).first()).toBeVisible();
      // "Wo" is no usual heading: it is said by hand
      await page.getByRole('radiogroup', { name: 'Column: Point' }).getByRole('radio', { name: 'Wo' }).click();
      await page
        .getByRole('radiogroup', { name: 'Into' })
        .getByRole('radio', { name: 'Ceremony by the windows' })
        .click();
      await page.getByRole('button', { name: 'Try it' }).click();
      await expect(page.getByText(/^Line 5: “later” is no time/)).toBeVisible();
      await expect(page.getByRole('button', { name: 'Keep them' })).toHaveCount(0);
      await page.getByRole('button', { name: 'Leave it' }).click();

      await choose(page, 'Bring a table in', table(good));
      await page.getByRole('radiogroup', { name: 'Column: Point' }).getByRole('radio', { name: 'Wo' }).click();
      await page
        .getByRole('radiogroup', { name: 'Into' })
        .getByRole('radio', { name: 'Ceremony by the windows' })
        .click();
      await page.getByRole('button', { name: 'Try it' }).click();
      await expect(page.getByText('2 readings, 1 note')).toBeVisible();
      await page.getByRole('button', { name: 'Keep them' }).click();
      await expect(page.getByText('3 kept.')).toBeVisible();
      await expect(page.getByRole('article').filter({ hasText: 'Curtain drawn' })).toHaveCount(1);

      const saving = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Readings as CSV' }).click();
      const csv = readFileSync(await (await saving).path());
      await choose(page, 'Bring a table in', { name: 'readings.csv', mimeType: 'text/csv', buffer: csv });
      await expect(page.getByText('This table was written here: every column is known.')).toBeVisible();
      await page.getByRole('button', { name: 'Try it' }).click();
      await expect(page.getByText('Everything in it is here already.')).toBeVisible();
      await choose(page, 'Bring a table in', {
        name: 'x.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from([0x61, 0, 0x62]),
      });
      await expect(page.getByRole('alert')).toContainText('this is no CSV file');
    });
  });
