import { expect, HALL, SIZES, test } from './stack';

for (const [size, viewport] of SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('from the first screen to the first power in seven taps, and back to where one was', async ({
      page,
      stack,
      setup,
    }) => {
      await setup.open(stack, HALL);
      const shutter = (await setup.part('Ambient')).getByRole('button', { name: /^Meter shutter 1\/60/ });
      await expect(shutter).toBeVisible();
      await page.goto(stack.url);
      // the sample's last work stands there to go on with
      await expect(page.getByRole('button', { name: /^Go on: / })).toBeVisible();

      let taps = 0;
      const tap = async (locator: ReturnType<typeof page.getByRole>) => {
        taps += 1;
        await locator.click();
      };
      await tap(page.getByRole('button', { name: 'Meter now' }));
      const isWide = viewport.width > 1000;
      const ambient = isWide
        ? page.getByRole('region', { name: 'Ambient', exact: true })
        : page.getByRole('tabpanel', { name: 'Ambient' });
      await tap(ambient.getByRole('button', { name: 'f 8', exact: true }));
      await tap(setup.save('Save for face'));
      await tap(ambient.getByRole('button', { name: 'f 5.6', exact: true }));
      await tap(setup.save('Save for background'));
      // the last setup had a key: it is there again, marked, and its power stands before the camera is set
      await expect(setup.next).toContainText('Set the camera');
      if (!isWide) await tap(page.getByRole('tab', { name: 'Lights' }));
      await expect(page.getByRole('status').filter({ hasText: 'Lights as in the setup before.' })).toBeVisible();
      await expect(page.getByRole('button', { name: /in every scale$/ })).toContainText(/1\/\d+/);
      expect(taps).toBeLessThanOrEqual(7);

      // it is of today, in a shoot of its own, and is gone on with from the first screen
      await page.goto(stack.url);
      await expect(page.getByRole('article').first()).toContainText('Setup 1');
      await page.getByRole('button', { name: 'Go on: Setup 1, First spot' }).click();
      await expect(page.getByRole('heading', { name: 'Setup 1' }).filter({ visible: true })).toBeVisible();
      // once more on the same day: another setup beside it
      await page.goto(stack.url);
      await page.getByRole('button', { name: 'Meter now' }).click();
      await expect(page.getByRole('heading', { name: 'Setup 2' }).filter({ visible: true })).toBeVisible();
    });
  });
