import { expect, HALL, WALKED_SIZES, test } from './stack';

const SHOOT = '019c9c00-0000-7000-8000-000000000001';

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('gear is ticked off out and back, weighed and held; ticks are there on another screen', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, `/packing/${SHOOT}`);
      const octagon = page.getByRole('listitem').filter({ hasText: 'Octagon 90 cm' });
      await expect(octagon).toContainText('for Family of eleven, Couple against the low sun');
      await octagon.getByRole('checkbox', { name: 'Out: Octagon 90 cm' }).click();
      await expect(page.getByText(/^1 of \d+ out, 0 back/)).toBeVisible();
      await page.getByRole('checkbox', { name: 'Out: Wren 60 A', exact: true }).click();
      await octagon.getByRole('checkbox', { name: 'Back: Octagon 90 cm' }).click();
      await expect(page.getByText(/2 of \d+ out, 1 back · Not back yet: Wren 60 A\./)).toBeVisible();
      await page
        .getByRole('button', { name: /^Helpers: / })
        .last()
        .click();
      await expect(page.getByText('You and they bring about 54.0 kg in one way. Together one way.')).toBeVisible();

      await page.getByRole('button', { name: /^Weights\./ }).click();
      const weight = page.getByLabel('Octagon 90 cm, kg');
      await weight.fill('heavy');
      await weight.press('Tab');
      await expect(page.getByRole('alert')).toContainText('Write a weight in kg');
      await expect(weight).toHaveValue('heavy');
      await weight.fill('2,5');
      await weight.press('Tab');
      await expect(octagon).toContainText('2.5 kg');

      await page.getByRole('radio', { name: 'Ceremony by the windows' }).click();
      await expect(page.getByText('Key A: a helper’s hand').or(page.getByText("Key A: a helper's hand"))).toBeVisible();
      await expect(page.getByText(/^Goes on to the next: /)).toBeVisible();
      await expect(setup.saved).toBeVisible();
      await page.reload();
      await expect(page.getByText(/^2 of \d+ out, 1 back/)).toBeVisible();
    });

    test('a review tells what it took, and suggests what would make the next one easier', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, `/review/${SHOOT}`);
      await expect(page.getByRole('heading', { name: 'For next time' })).toBeVisible();
      await expect(page.getByRole('listitem')).toContainText([/Note the frames/]);
      await page.getByRole('button', { name: 'Open Family of eleven' }).click();
      await expect(
        page.getByRole('heading', { name: 'Family of eleven', level: 1 }).filter({ visible: true }),
      ).toBeVisible();
    });

    test('what is usual for me is offered first, shown, erased and counted again', async ({ page, setup, stack }) => {
      await setup.open(stack, HALL);
      const look = await setup.part('Look');
      const usual = look.getByRole('group', { name: 'Usual for you' });
      await expect(usual).toContainText(/All scenes, 3 setups.*Ambient held back \d\.\d stops, mostly \d/);
      await usual.getByRole('button', { name: 'Take what is usual for you' }).click();
      await expect(usual).toContainText('It is set so.');

      await setup.open(stack, '/settings');
      await page.getByRole('button', { name: /^Your taste\./ }).click();
      const taste = page.getByRole('group', { name: 'Your taste' });
      await expect(taste.getByText('All scenes, 3 setups')).toBeVisible();
      await taste.getByRole('button', { name: 'Erase my taste' }).click();
      await expect(taste.getByText(/^It begins with 3 tested setups/)).toBeVisible();
      await taste.getByRole('button', { name: 'Let them count again' }).click();
      await expect(taste.getByText('All scenes, 3 setups')).toBeVisible();
    });
  });
