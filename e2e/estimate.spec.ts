import type { Locator, Page } from '@playwright/test';

import { expect, HALL, type SetupPage, type Stack, test, pointIn as point, WALKED_SIZES } from './stack';

/** A fresh setup, at its ambient part, with face and background metered. */
async function metered(stack: Stack, setup: SetupPage): Promise<Locator> {
  await setup.openFresh(stack, 'Estimate');
  const ambient = await setup.part('Ambient');
  await setup.tapReading('Ambient', ['f 2.8', 'and 3 tenths'], 'Save for face');
  await setup.tapReading('Ambient', ['f 1.4', 'and 3 tenths'], 'Save for background');
  return ambient;
}
const readFaceAgain = async (ambient: Locator, setup: SetupPage, key: string) => {
  await point(ambient, 'Face').click();
  await setup.tapReading('Ambient', [key, 'and 3 tenths'], 'Save for face');
};
/** Where a tone lands, by the ladder's own words. */
const landing = async (setup: SetupPage, name: string): Promise<number> => {
  const said = (await setup.ladder.first().getAttribute('aria-label')) ?? '';
  return Number((new RegExp(`${name}: ([+−-]?\\d+\\.\\d)`).exec(said)?.[1] ?? '').replace('−', '-'));
};
/** The ± of a point, by its notes. */
const doubtOf = async (ambient: Locator, name: string): Promise<number> =>
  Number(/± (\d+\.\d)/.exec((await point(ambient, name).getAttribute('aria-label')) ?? '')?.[1] ?? 0);
const typeDial = async (part: Locator, page: Page, name: string, text: string) => {
  await part.getByRole('button', { name: new RegExp(`^${name} .*Type a value`) }).click();
  await page.getByRole('textbox', { name: `${name}, typed` }).fill(text);
  await page.getByRole('textbox', { name: `${name}, typed` }).press('Enter');
};

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('a cloud that nobody reported is asked about: causes by how likely they are, and the right answer carries the rest', async ({
      stack,
      setup,
    }) => {
      const ambient = await metered(stack, setup);
      await readFaceAgain(ambient, setup, 'f 2');
      const question = ambient.getByRole('alert').filter({ hasText: 'under what was foretold' });
      await expect(question).toContainText(/1\.0 stops? under what was foretold/);
      const causes = question.getByRole('listitem');
      await expect(causes.nth(0)).toContainText(/daylight changed|tone, ISO or filter/i);
      await expect(causes.nth(1)).toContainText(/daylight changed|tone, ISO or filter/i);
      await causes
        .filter({ hasText: /daylight changed/i })
        .getByRole('button')
        .click();
      await expect(question).toHaveCount(0);
      // what stands in the same light went with it, and the reading is kept
      await expect(point(ambient, 'Background')).toHaveAccessibleName(/carried/);
      await expect(point(ambient, 'Face')).toHaveAccessibleName(/^Face, f\/2³/);
    });

    test('a cloud that was reported is never asked about, and the background is carried down with the face', async ({
      stack,
      setup,
    }) => {
      const ambient = await metered(stack, setup);
      await ambient.getByRole('button', { name: 'Sun or cloud' }).click();
      await expect(setup.next).toContainText(/Meter the face again/);
      await readFaceAgain(ambient, setup, 'f 2');
      await expect(ambient.getByRole('alert')).toHaveCount(0);
      await expect(point(ambient, 'Background')).toHaveAccessibleName(/carried/);
      expect(await doubtOf(ambient, 'Background')).toBeGreaterThanOrEqual(0.7);
    });
  });

test('a ± grows with time and shrinks with a reading in the same light', async ({ page, stack, setup }) => {
  await page.clock.install({ time: Date.now() });
  const ambient = await metered(stack, setup);
  await ambient.getByRole('button', { name: 'More points' }).click();
  await ambient.getByRole('button', { name: 'Add white cloth' }).click();
  await setup.tapReading('Ambient', ['f 2.8', 'and 3 tenths'], 'Save for white cloth');
  expect(await doubtOf(ambient, 'White cloth')).toBe(0);
  // without a server nobody says what time it is
  await page.context().setOffline(true);
  await page.clock.fastForward('01:00:00');
  await expect.poll(() => doubtOf(ambient, 'White cloth')).toBeGreaterThan(0.3);
  const before = await doubtOf(ambient, 'White cloth');
  await readFaceAgain(ambient, setup, 'f 2.8');
  await expect.poll(() => doubtOf(ambient, 'White cloth')).toBeLessThan(before);
});

test('a head is carried from beside to the front with its reading', async ({ page, stack, setup }) => {
  await setup.open(stack, HALL);
  let lights = await setup.part('Lights');
  await lights.getByRole('button', { name: /^Role, aim and place/ }).click();
  await typeDial(lights, page, 'To the side of the camera', '90');
  await setup.typeReading('Check', 'Face, total', '4');
  const stage = await setup.part('Stage');
  const power = stage.getByRole('status', { name: /^Key A: power / }).first();
  const stopsUnderFull = async () => {
    const said = (await power.getAttribute('aria-label')) ?? '';
    return Math.log2(Number(/1\/(\d+)/.exec(said)?.[1] ?? NaN)) - Number(/\+0\.(\d)/.exec(said)?.[1] ?? 0) / 10;
  };
  const beside = await stopsUnderFull();
  lights = await setup.part('Lights');
  if ((await lights.getByRole('button', { name: /^To the side of the camera/ }).count()) === 0)
    await lights.getByRole('button', { name: /^Role, aim and place/ }).click();
  await typeDial(lights, page, 'To the side of the camera', '0');
  await expect(lights).toContainText('From your reading');
  await setup.part('Stage');
  // (1 + cos 90°)/2 is half of what it gives from the front
  await expect.poll(async () => (await stopsUnderFull()) - beside).toBeGreaterThan(0.6);
  expect((await stopsUnderFull()) - beside).toBeLessThan(1.2);
});

test('a step back from the window: face and backdrop fall by their own geometry, and it may have stood so', async ({
  page,
  stack,
  setup,
}) => {
  await setup.open(stack, HALL);
  const [face, background] = [await landing(setup, 'Face'), await landing(setup, 'Background')];
  const ambient = await setup.part('Ambient');
  await setup.part('Stage');
  const window = page.getByRole('slider', { name: 'Window', exact: true });
  for (let step = 0; step < 6; step += 1) await window.press('ArrowUp');
  await expect(window).toHaveAttribute('aria-valuetext', /^3\.[12] m/);
  await setup.part('Ambient');
  const changed = ambient.getByRole('group', { name: 'Changed in the scene' });
  await expect(changed).toContainText('it stands nearer or farther from a window or door');
  await expect(setup.next).toContainText(/Meter the face again/);
  await expect(point(ambient, 'Face')).toHaveAccessibleName(/carried/);
  await expect(point(ambient, 'Background')).toHaveAccessibleName(/carried/);
  expect(await doubtOf(ambient, 'Face')).toBeGreaterThan(0.4);
  await changed.getByRole('button', { name: /^It stood so already/ }).click();
  await expect(changed).not.toContainText('nearer or farther');
  await expect(point(ambient, 'Face')).not.toHaveAccessibleName(/carried/);
  await expect.poll(() => landing(setup, 'Face')).toBe(face);
  expect(await landing(setup, 'Background')).toBe(background);
});

test.describe('in the picture', () => {
  test.use({ pictures: true });

  test('a silver card at a window lifts the shadow side on the ladder and in the picture alike', async ({
    page,
    stack,
    setup,
  }) => {
    await setup.open(stack, HALL);
    const ambient = await setup.part('Ambient');
    await ambient.getByRole('button', { name: 'Add shadow side' }).click();
    await setup.typeReading('Ambient', 'Shadow side, ambient', '1.4');
    const stage = await setup.part('Stage');
    /** How bright the dark side of the face is drawn, once the picture is fine. */
    const drawn = async (): Promise<number> => {
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      return page.getByRole('img', { name: /^Picture/ }).evaluate((shown) => {
        const canvas = shown instanceof HTMLCanvasElement ? shown : shown.querySelector('canvas');
        if (canvas === null) return NaN;
        const { width, height } = canvas;
        const pixels = canvas
          .getContext('2d')
          ?.getImageData(
            Math.round(0.36 * width),
            Math.round(0.38 * height),
            Math.round(0.08 * width),
            Math.round(0.1 * height),
          );
        if (pixels === undefined) return NaN;
        let sum = 0;
        for (let i = 0; i < pixels.data.length; i += 4) sum += pixels.data[i + 1] ?? 0;
        return sum / (pixels.data.length / 4);
      });
    };
    const [shadow, dark] = [await landing(setup, 'Shadow side'), await drawn()];
    await stage.getByRole('button', { name: /^Add to the stage\. / }).click();
    await stage.getByRole('button', { name: 'Add a reflector' }).click();
    await stage.getByRole('group', { name: 'Reflector', exact: true }).getByRole('radio', { name: 'Silver' }).click();
    await expect.poll(() => landing(setup, 'Shadow side')).toBeGreaterThan(shadow);
    await expect.poll(drawn).toBeGreaterThan(dark);
  });
});

test('the set is turned: it says what went along and stayed, and what lies behind is asked for', async ({
  stack,
  setup,
}) => {
  await setup.open(stack, HALL);
  const stage = await setup.part('Stage');
  await stage.getByRole('button', { name: /^Turn the set/ }).click();
  await stage.getByRole('button', { name: 'Turn the set by 45° to the right' }).click();
  await expect(stage).toContainText(/The camera and the light went round the subject.*The window.* stayed/);
  await expect(setup.next).toContainText(/Meter the face again/);
  const ambient = await setup.part('Ambient');
  await expect(ambient.getByRole('group', { name: 'Changed in the scene' })).toContainText('Meter background again');
});

test('how far a light stands is asked once, before it is tested', async ({ page, stack, setup }) => {
  await setup.openFresh(stack, 'Place');
  await setup.tapReading('Ambient', ['f 1.4', 'and 3 tenths'], 'Save for face');
  await setup.tapReading('Ambient', ['f 1.4'], 'Save for background');
  const lights = await setup.part('Lights');
  await lights
    .getByRole('button', { name: /^Add a key/ })
    .first()
    .click();
  await setup.setCamera();
  await expect(setup.next).toContainText(/Is the flash 1\.5 m from the face\?/);
  await expect(lights).toContainText(/Place assumed\s*± \d\.\d/);
  await setup.doNext();
  await expect(lights).not.toContainText('Place assumed');
  await expect(setup.next).toContainText(/^Flash to|Flash to/);
  await page.getByRole('button', { name: 'Take the last thing back' }).click();
  await expect(setup.next).toContainText(/Is the flash 1\.5 m from the face\?/);
});
