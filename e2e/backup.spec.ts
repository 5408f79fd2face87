import { readFileSync } from 'node:fs';

import { expect, HALL, Stack, test } from './stack';

test('a backup is saved, looked at and restored elsewhere: the same setups with the same answers; other files are refused', async ({
  page,
  setup,
  stack,
}) => {
  await setup.open(stack, HALL);
  await setup.typeReading('Ambient', 'Face, ambient', '2.8');
  await expect(setup.next).toContainText('1/');
  await expect(setup.saved).toBeVisible();
  const said = await setup.next.innerText();
  await setup.open(stack, '/settings');
  const backup = page.getByRole('group', { name: 'Backup', exact: true });
  const saving = page.waitForEvent('download');
  await backup.getByRole('button', { name: 'Save a backup' }).click();
  const file = await (await saving).path();
  expect(readFileSync(file, 'utf8')).toContain('"format":"sphene-backup"');

  const other = await Stack.start({ sample: false });
  await setup.open(other, '/settings');
  const wrong = page.waitForEvent('filechooser');
  await backup.getByRole('button', { name: 'Restore from a backup' }).click();
  await (await wrong).setFiles({ name: 'notes.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
  await expect(backup.getByRole('alert')).toContainText('no backup of Sphene');
  const chooser = page.waitForEvent('filechooser');
  await backup.getByRole('button', { name: 'Restore from a backup' }).click();
  await (await chooser).setFiles(file);
  await backup.getByRole('button', { name: /^Add what is missing/ }).click();
  await expect(backup.getByText(/things are back/)).toBeVisible();
  await setup.open(other, HALL);
  await expect.poll(() => setup.next.innerText()).toBe(said);
  // the second time there is nothing to do
  await setup.open(other, '/settings');
  const again = page.waitForEvent('filechooser');
  await backup.getByRole('button', { name: 'Restore from a backup' }).click();
  await (await again).setFiles(file);
  await expect(backup.getByText('Nothing in it is missing here.')).toBeVisible();
  await other.kill();
});

test('search finds shoots, setups, looks, notes and kit as one types, and opens them', async ({
  page,
  setup,
  stack,
}) => {
  await setup.open(stack, '/');
  await page.getByRole('button', { name: 'Search' }).click();
  const field = page.getByLabel('Search shoots, spots, setups, looks, log and kit');
  await field.fill('terrace');
  await expect(page.getByRole('group', { name: 'Spots' })).toContainText('Upper terrace');
  await field.fill('octagon');
  await expect(page.getByText('One thing', { exact: true })).toBeVisible();
  await field.fill('nowhere');
  await expect(page.getByText('Nothing here holds “nowhere”.')).toBeVisible();
  await field.fill('low sun');
  await page.getByRole('link', { name: 'Open Couple against the low sun' }).click();
  await expect(page.getByRole('heading', { name: 'Couple against the low sun' }).first()).toBeVisible();
});
