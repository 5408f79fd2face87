import { expect, HALL, WALKED_SIZES, test } from './stack';

const LOG = '/log/019c9c00-0000-7000-8000-000000000001';

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('the work writes its own log: stars, notes, verdicts, found by kind, by words and by the number of a frame', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      await setup.typeReading('Ambient', 'Face, ambient', '2.8');
      const log = await setup.part('Log');
      await log
        .getByRole('button', { name: /^Star: Face, ambient: f\/2\.8 at/ })
        .first()
        .click();
      await expect(log.getByRole('button', { name: /^Take the star from: Face, ambient/ })).toBeVisible();
      await log.getByLabel('Note for the log').fill('Curtain drawn on the left');
      await log.getByRole('radio', { name: 'Works' }).click();
      await log.getByRole('button', { name: 'Keep the note' }).click();
      const line = log.getByRole('listitem').filter({ hasText: 'Curtain drawn on the left' });
      await expect(line).toContainText('Works');
      for (const [field, text] of [
        ['First frame number', '4310'],
        ['Last frame number', '4319'],
      ] as const) {
        await log.getByLabel(field).fill(text);
        await log.getByLabel(field).press('Tab');
      }
      await expect(setup.saved).toBeVisible();

      await setup.open(stack, LOG);
      const lines = page.getByRole('article');
      await expect(lines.nth(3)).toBeVisible();
      await page.getByLabel('Search the log').fill('curtain left');
      await expect(page.getByText('One entry', { exact: true })).toBeVisible();
      await expect(lines).toHaveCount(1);
      await page.getByLabel('Search the log').fill('4312');
      await expect(page.getByText('Frame 4312 was made with Ceremony by the windows')).toBeVisible();
      await page.getByLabel('Search the log').fill('');
      await page.getByRole('radio', { name: 'Starred' }).click();
      await expect(lines).toHaveCount(1);
      await expect(lines).toContainText('Face, ambient: f/2.8');
      await page.getByRole('radio', { name: 'Photos' }).click();
      await expect(page.getByText('Nothing in the log fits.')).toBeVisible();
      await page.getByRole('radio', { name: 'All', exact: true }).click();
      await page.getByRole('button', { name: /^Readings over time\./ }).click();
      await expect(page.getByRole('img', { name: 'Ambient over time, EV' })).toBeVisible();
      await expect(page.getByText(/^● Face: \d/)).toBeVisible();
    });

    test('back to how it was: what was changed since, the light of now, and what to dial in it', async ({
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      await setup.typeReading('Ambient', 'Face, ambient', '2.8');
      const look = await setup.part('Look');
      await look.getByRole('button', { name: /^Carry/ }).click();
      await look.getByRole('radio', { name: 'Background', exact: true }).click();
      const log = await setup.part('Log');
      await log.getByRole('button', { name: /^Back to how it was at: / }).click();
      const panel = log.getByRole('group', { name: /^As it was on / });
      await expect(panel).toContainText('Changed since');
      await expect(panel).toContainText('To be there again in this light');
      await expect(panel).toContainText(/Key A: 1\/\d+/);
      await panel.getByRole('button', { name: 'Be there again' }).click();
      await expect(panel).toHaveCount(0);
      await expect(
        (await setup.part('Look')).getByText('Flash carries the face, ambient two under').first(),
      ).toBeVisible();
    });
  });
