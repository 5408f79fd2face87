import type { Locator } from '@playwright/test';

import { HALL, type SetupPage, TERRACE, WIDE, expect, test, WALKED_SIZES } from './stack';

/** The large figure of the look: tapped, typed over, taken. */
async function sayLook(setup: SetupPage, school: RegExp, text: string): Promise<Locator> {
  const look = await setup.part('Look');
  await look.getByRole('radio', { name: school }).click();
  await look
    .getByRole('button', { name: /Type a value$/ })
    .first()
    .click();
  const field = look.getByRole('textbox', { name: /, typed$/ });
  await field.fill(text);
  await field.press('Enter');
  return look;
}

/** The card of a way out, and one tap on it. */
const card = (camera: Locator, name: RegExp) => camera.getByRole('article', { name });
const take = (camera: Locator, name: RegExp) => camera.getByRole('button', { name }).click();

for (const [size, viewport] of WALKED_SIZES) {
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('three schools reach the same settings by their own words, and what is not a look stays with a message', async ({
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      const told = new Set<string>();
      for (const [school, text, figure] of [
        [/^Flash share/, '75 %', '75 %'],
        [/^Under total/, '2', '2.0 stops under the total'],
        [/^Under key/, '1,585', '1.6 stops under the key alone'],
      ] as const) {
        const look = await sayLook(setup, school, text);
        await expect(look.getByRole('button', { name: /Type a value$/ }).first()).toHaveAccessibleName(
          new RegExp(figure.replace('.', '\\.')),
        );
        await expect(look.getByRole('slider', { name: 'Ambient held back on the face' })).toHaveAttribute(
          'aria-valuetext',
          /75 % of the light is flash/,
        );
        const camera = await setup.part('Camera');
        const settings = await camera.getByRole('group', { name: /^Camera settings/ }).getAttribute('aria-label');
        told.add(`${settings ?? ''} ${(await setup.next.textContent()) ?? ''}`);
        await (await setup.part('Look')).getByRole('button', { name: /^Even/ }).click();
        await expect(setup.next).not.toHaveText([...told][0]?.split(' ').slice(5).join(' ') ?? '');
      }
      expect([...told]).toHaveLength(1);

      const look = await sayLook(setup, /^Flash share/, 'lots');
      await expect(look.getByRole('alert')).toContainText('“lots” does not say a look here. Write it as 37 %.');
      await expect(look.getByRole('textbox', { name: 'Flash share, typed' })).toHaveValue('lots');
    });

    test('a noon scene over the limit is solved by ND, by stopping down, and by high-speed sync, each at its price', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, TERRACE);
      await setup.typeReading('Ambient', 'Face, ambient', '11');
      await (await setup.part('Ambient')).getByRole('radio', { name: /^Background/ }).click();
      await setup.typeReading('Ambient', 'Background, ambient', '16 5');
      const camera = await setup.part('Camera');
      await expect(setup.next).toContainText('No flash can help here');
      const undo = page.getByRole('button', { name: 'Take the last thing back' });
      const figures = camera.getByRole('group', { name: /^Camera settings/ });

      // ND: the aperture stays, the flash pays
      await expect(card(camera, /^Put on ND 6 stops/)).toContainText(
        /Flash\s*1\/\d+.*Noise\s*ISO \d+, [\d.]+ stops? noisier.*Unchanged: depth, look/,
      );
      await take(camera, /^Apply: Put on/);
      await expect(figures).toHaveAccessibleName(/1\/125, f\/2\.8, ISO 160/);
      await expect(setup.next).toContainText(/Set the camera: 1\/125, f\/2\.8, ISO 160/);
      const byFilter = await setup.next.textContent();
      await undo.click();
      await expect(setup.next).toContainText('No flash can help here');

      // stopping down: as much more flash, and more depth
      const stopDown = card(camera, /^Stop down to f\/14/);
      await expect(stopDown).toContainText(/Depth.*smaller: deeper/);
      await take(camera, /^Apply: Stop down to f\/14/);
      await expect(figures).toHaveAccessibleName(/1\/200, f\/14, ISO 100/);
      await expect(camera.getByRole('article')).toHaveCount(0);
      expect(await setup.next.textContent()).not.toBe(byFilter);
      await undo.click();
      await expect(setup.next).toContainText('No flash can help here');

      // high-speed sync: keeps aperture and ISO, costs the flash its entry and every stop of shutter
      await expect(card(camera, /in high-speed sync$/)).toContainText('it does not gain on the sun');
      await take(camera, /^Apply: Faster shutter.*in high-speed sync/);
      await expect(figures).toHaveAccessibleName(/1\/5000, f\/2\.8, ISO 100/);
      await expect(camera).toContainText('so the flash works in high-speed sync');
      await setup.setCamera();
      await expect(setup.next).toContainText(/Flash to 1\//);
    });

    test('a pin holds a dial and the rest follows; the order says what gives way', async ({ setup, stack }) => {
      await setup.open(stack, HALL);
      const camera = await setup.part('Camera');
      const figures = camera.getByRole('group', { name: /^Camera settings/ });
      await expect(figures).toHaveAccessibleName('Camera settings 1/125, f/2.8, ISO 400');
      await camera.getByRole('switch', { name: 'Pin the ISO at 400' }).click();
      await expect(camera.getByRole('switch', { name: 'Pin the ISO at 400' })).toBeChecked();
      await (await setup.part('Look')).getByRole('button', { name: /^Lift/ }).click();
      await setup.part('Camera');
      await expect(figures).toHaveAccessibleName(/ISO 400/);
      await expect(camera).toContainText('ISO 400 pinned');
      await camera.getByRole('switch', { name: 'Pin the ISO at 400' }).click();
      await camera.getByRole('button', { name: /^What is kept/ }).click();
      await camera.getByRole('button', { name: 'Keep ISO before Aperture' }).click();
      await expect(figures).toHaveAccessibleName(/ISO 100/);
      await expect(
        camera.getByRole('list', { name: 'Order of preference' }).getByRole('listitem').first(),
      ).toContainText('ISO');
    });

    test('the feel offset is recorded as such, carried along and shown', async ({ setup, stack }) => {
      await setup.open(stack, HALL);
      const look = await setup.part('Look');
      await look.getByRole('button', { name: 'Feel, after the numbers: lighter' }).click();
      await look.getByRole('button', { name: 'Feel, after the numbers: lighter' }).click();
      await look.getByRole('button', { name: 'Feel, after the numbers: lighter' }).click();
      await expect(look).toContainText('the whole picture +0.3');
      await expect(look).toContainText('Feel +0.3 is carried along in all figures.');
      await expect((await setup.part('Lights')).getByRole('button', { name: /^Why power/ })).toBeVisible();
      await expect(await setup.part('Lights')).toContainText(/Total on the face\s*\+0\.[234]/);
      await expect(setup.ladder).toHaveAccessibleName(/Face: \+0\.[234] stops from mid grey, brighter/);
      await expect((await setup.part('Log')).getByRole('listitem').first()).toContainText(
        'Feel: +0.3 brighter, was 0.0',
      );
    });
  });
}

test('by keyboard alone: look, way out, pin and reason', async ({ page, setup, stack }) => {
  await page.setViewportSize(WIDE);
  await setup.open(stack, TERRACE);
  const press = async (locator: Locator, key: string) => {
    await locator.focus();
    await page.keyboard.press(key);
  };
  const look = await setup.part('Look');
  const slider = look.getByRole('slider', { name: 'Ambient held back on the face' });
  await press(slider, 'PageUp');
  await expect(slider).toHaveAttribute('aria-valuetext', /^1\.2 stops under the total/);
  await press(look.getByRole('slider', { name: 'How bright the background is in the picture' }), 'ArrowLeft');
  await expect(look.getByRole('radio', { name: 'Background' })).toBeChecked();
  const camera = await setup.part('Camera');
  await press(camera.getByRole('button', { name: /^Apply: Stop down/ }), 'Enter');
  await expect(camera.getByRole('article')).toHaveCount(0);
  await press(camera.getByRole('switch', { name: /^Pin the aperture/ }), ' ');
  await expect(camera).toContainText('pinned');
  await press(camera.getByRole('button', { name: /^Why aperture/ }), 'Enter');
  await expect(camera.getByRole('list', { name: /^Why/ })).toBeVisible();
});

test('before a dial is turned the ripple says what moves, what follows and what no longer holds', async ({
  setup,
  stack,
}) => {
  await setup.open(stack, HALL);
  const camera = await setup.part('Camera');
  await camera.getByRole('button', { name: /^Which dial/ }).click();
  await expect(camera.getByRole('row', { name: /^Daylight/ })).toBeVisible();
  await camera.getByRole('button', { name: /^Aperture .* smaller: what follows/ }).click();
  const step = camera.getByRole('group', { name: 'Aperture, one step' });
  await expect(step).toContainText(/daylight −0\.3 darker/);
  await expect(step.getByRole('list', { name: 'What it moves' })).toContainText('ISO 400 → ISO 500');
  await step.getByRole('button', { name: /^Take the step/ }).click();
  await expect(camera.getByRole('group', { name: /^Camera settings/ })).toHaveAccessibleName(/f\/3\.2/);
});

test('from what looks wrong to the one cure; a second camera; filming', async ({ setup, stack }) => {
  await setup.open(stack, HALL);
  const look = await setup.part('Look');
  await look.getByRole('button', { name: /^Something looks wrong/ }).click();
  await look.getByRole('radio', { name: 'Background too dark' }).click();
  await look.getByRole('button', { name: /^Apply: Let the ambient in by 0\.5/ }).click();
  await expect(look.getByRole('slider', { name: 'Ambient held back on the face' })).toHaveAttribute(
    'aria-valuetext',
    /^0\.5 stop under the total/,
  );

  const camera = await setup.part('Camera');
  await camera.getByRole('button', { name: /^Second camera/ }).click();
  await camera
    .getByRole('radiogroup', { name: 'Second camera' })
    .getByRole('radio', { name: /^Dunlin/ })
    .click();
  await expect(camera.getByRole('group', { name: 'Second camera', exact: true })).toContainText(/1\/\d+, f\/2\.8/);
  await camera.getByRole('button', { name: /^Video/ }).click();
  await camera.getByRole('radio', { name: /^Video/ }).click();
  await expect(camera.getByRole('group', { name: /^Camera settings 1\/50/ })).toBeVisible();
  await setup.setCamera();
  await expect(setup.next).toContainText('Film');
});

test('stop arithmetic answers in words and in all notations, and says what it can read', async ({ page, stack }) => {
  await page.goto(`${stack.url}/stops`);
  const field = page.getByLabel('How many stops');
  const answer = page.getByRole('status').filter({ hasText: /stop|Write|Ask/ });
  await field.fill('f/5 to f/7.1');
  await expect(answer).toContainText('1.0 stop darker: a smaller opening, the number goes up');
  await field.fill('3:1');
  await expect(answer).toContainText('1.6');
  await field.fill('35 to 90 Ws');
  await expect(answer).toContainText('1.4');
  await field.fill('purple');
  await expect(answer).toContainText('f/5 to f/7.1');
  await expect(field).toHaveValue('purple');
});
