import { expect, HALL, WALKED_SIZES, test } from './stack';

const FOUNDRY = '/setup/019c9c00-0000-7000-8000-000000000015';

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('a look is kept in the hall as relations, named, and taken in the foundry with what the kit has', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      await setup.typeReading('Ambient', 'Face, ambient', '2.8');
      const look = await setup.part('Look');
      const looks = look.getByRole('group', { name: 'Looks', exact: true });
      await looks.getByRole('button', { name: /^Looks\./ }).click();
      await looks.getByRole('button', { name: 'Keep this look' }).click();
      const own = looks.getByRole('group', { name: 'Yours', exact: true });
      await own.getByRole('button', { name: /^Ceremony by the windows\./ }).click();
      await own.getByLabel('Name of the look').fill('Window and one box');
      await own.getByLabel('Name of the look').press('Enter');
      await own.getByLabel('Tags').fill('room, couple');
      await own.getByLabel('Tags').press('Enter');
      const named = own.getByRole('group', { name: 'Window and one box', exact: true });
      await expect(named.getByText('It passes: the same, relation by relation.')).toBeVisible();
      await expect(setup.saved).toBeVisible();

      await setup.open(stack, FOUNDRY);
      const there = (await setup.part('Look')).getByRole('group', { name: 'Looks', exact: true });
      await there.getByRole('button', { name: /^Looks\./ }).click();
      const kept = there.getByRole('group', { name: 'Window and one box', exact: true });
      await kept.getByRole('button', { name: /^Window and one box\. .*room · couple/ }).click();
      const here = kept.getByRole('group', { name: 'Here, with your kit', exact: true });
      await expect(here).toContainText(/Key [A-F]: .*, \d+(\.\d+)? m, 1\/\d+/);
      // the foundry's background lies in its own light
      await expect(here.getByRole('list', { name: 'What cannot be met' })).toContainText('Background against mid grey');
      await here.getByRole('button', { name: 'Take the look Window and one box here' }).click();
      const now = kept.getByRole('table', { name: 'The picture as it stands, against it' });
      await expect(now).toContainText('One relation differs');
      await expect(setup.saved).toBeVisible();
      await page.getByRole('button', { name: 'Take the last thing back' }).filter({ visible: true }).click();
      await expect(now).not.toContainText('One relation differs');

      await kept.getByRole('button', { name: 'Remove the look Window and one box' }).click();
      await expect(kept).toHaveCount(0);
      await page.getByRole('button', { name: /Bring .*back/ }).click();
      await expect(kept).toBeVisible();
    });
  });

test('looks of the schools say what they are for and their price; another setup is a look too', async ({
  setup,
  stack,
}) => {
  await setup.openFresh(stack, 'Under the arch');
  const looks = (await setup.part('Look')).getByRole('group', { name: 'Looks', exact: true });
  await looks.getByRole('button', { name: /^Looks\./ }).click();
  await expect(looks).toContainText('Once the face is metered, this look can be kept.');
  const behind = looks.getByRole('group', { name: 'Sun behind', exact: true });
  await looks.getByRole('radio', { name: 'Sun behind' }).click();
  await expect(behind).toContainText('The sun as rim');
  await expect(behind).toContainText('Price: Flare in the lens');
  await expect(behind.getByRole('list', { name: 'What cannot be met' })).toContainText('Face is not metered here.');
  await looks.getByRole('radio', { name: /^Under the skylight/ }).click();
  const other = looks.getByRole('group', { name: 'As in another setup', exact: true });
  await expect(other.getByRole('table', { name: 'The picture as it stands, against it' })).toContainText('differ');
});
