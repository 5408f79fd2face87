import { expect, HALL, type SetupPage, type Stack, TERRACE, test, SIZES } from './stack';

/** The sample's hall by its windows, with the dark side of the face metered. */
async function inTheHall(stack: Stack, setup: SetupPage): Promise<void> {
  await setup.open(stack, HALL);
  const ambient = await setup.part('Ambient');
  await ambient.getByRole('button', { name: 'Add shadow side' }).click();
  await setup.typeReading('Ambient', 'Shadow side, ambient', '1.4');
}

for (const [size, viewport] of SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('a reflector is placed for a wished contrast: which one, which side, from how far', async ({
      page,
      stack,
      setup,
    }) => {
      await inTheHall(stack, setup);
      const stage = await setup.part('Stage');
      await stage.getByRole('button', { name: /^Add to the stage\. / }).click();
      await stage.getByRole('button', { name: 'Add a reflector' }).click();
      const card = stage.getByRole('group', { name: 'Reflector', exact: true });
      const before = Number(/with flash (\d\.\d)/.exec((await card.textContent()) ?? '')?.[1] ?? NaN);
      await card.getByRole('button', { name: /^From how far\. / }).click();
      const wished = card.getByRole('button', { name: /^Contrast wished .*Type a value/ });
      await wished.click();
      const typed = page.getByRole('textbox', { name: 'Contrast wished, typed' });
      await typed.fill(String(Number((before + 0.3).toFixed(1))));
      await typed.press('Enter');
      const offers = card.getByRole('article');
      await expect(offers.first()).toContainText(/from \d\.\d+ m/);
      const promised = /(\d\.\d) stops/.exec((await offers.first().textContent()) ?? '')?.[1] ?? '';
      await offers
        .first()
        .getByRole('button', { name: /^Apply/ })
        .click();
      // what was promised comes true on the card
      await expect(card).toContainText(new RegExp(`Contrast from .*, with flash ${promised}\\.`));
    });

    test('open shade is offered where it cures, and not where the camera follows what it leaves in the sun', async ({
      stack,
      setup,
    }) => {
      await setup.open(stack, TERRACE);
      const camera = await setup.part('Camera');
      const shade = camera.getByRole('article', { name: 'Open shade' });
      await expect(shade).toContainText(/Needs \d\.\d stops less light on the face/);
      await expect(shade).toContainText(/Flash/);
      const look = await setup.part('Look');
      await look.getByRole('radio', { name: /^Background/ }).click();
      await setup.part('Camera');
      await expect(camera.getByRole('article').first()).toBeVisible();
      await expect(shade).toHaveCount(0);
    });

    test('a light goes where it draws a pool of a wished width, or falls as the sun does', async ({ stack, setup }) => {
      await setup.open(stack, HALL);
      const lights = await setup.part('Lights');
      await lights.getByRole('button', { name: /^Where it goes for what it should do\. / }).click();
      await expect(lights).toContainText(/Holds within ¼ stop from \d\.\d+ m to \d\.\d+ m/);
      const pool = lights.getByRole('article', { name: /^A pool of 1\.2 m, from / });
      await expect(pool).toContainText(/At its edge −\d\.\d stops/);
      const from = /from (\d+\.?\d*) m/.exec((await pool.textContent()) ?? '')?.[1] ?? '';
      await pool.getByRole('button', { name: /^Apply/ }).click();
      await expect(lights.getByRole('button', { name: new RegExp(`^Distance to the face ${from}`) })).toBeVisible();
      // a large box is nowhere so small; its bare head is
      await expect(lights).toContainText('No stand goes so far back');
      await lights.getByRole('radio', { name: 'Standard reflector' }).click();
      const sun = lights.getByRole('article', { name: /^As the sun, from / });
      await expect(sun).toContainText(/The source is [01]\.\d° across/);
      await sun.getByRole('button', { name: /^Apply/ }).click();
      // so far away the power that it takes is said, or how much is missing
      await expect(setup.next).toContainText(/Flash to|too weak/);
    });
  });
