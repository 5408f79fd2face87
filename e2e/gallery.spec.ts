import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect, test } from '@playwright/test';

import { buildGallery } from '../scripts/galleryPage.mjs';
import { faults } from './axe';
import { WIDE } from './stack';

// one test: two would bundle into the same folder at once
test('axe finds nothing in any part of the interface: each theme, phone and wide, folded parts open, faults shown', async ({
  page,
}) => {
  const address = pathToFileURL(path.join(await buildGallery(), 'index.html')).href;
  const found: string[] = [];
  for (const viewport of [{ width: 390, height: 844 }, WIDE])
    for (const theme of ['Glare', 'Dark', 'Dim']) {
      await page.setViewportSize(viewport);
      await page.goto(address);
      await page.getByRole('radio', { name: theme, exact: true }).click();
      await expect(page.getByRole('radio', { name: theme, exact: true })).toBeChecked();
      const folded = page.getByRole('button', { expanded: false });
      while ((await folded.count()) > 0) await folded.first().click();
      // a dial and a reading that cannot be read say what would be right
      await page.getByRole('button', { name: 'Aperture f/5.6. Type a value' }).click();
      await page.getByLabel('Aperture, typed').fill('none');
      await page.getByLabel('Aperture, typed').press('Enter');
      await page.getByLabel('Reading of the face').fill('none');
      await page.getByLabel('Reading of the face').press('Enter');
      await expect(page.getByRole('alert')).toHaveCount(2);
      found.push(...(await faults(page)).map((fault) => `${theme}, ${viewport.width} px: ${fault}`));
    }
  expect(found).toEqual([]);
});
