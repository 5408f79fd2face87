import type { Locator, Page } from '@playwright/test';

import { expect, HALL, type SetupPage, type Stack, TERRACE, test, PHONE } from './stack';

/** The sample's hall by its windows, with the dark side of the face metered. */
async function inTheHall(stack: Stack, setup: SetupPage): Promise<void> {
  await setup.open(stack, HALL);
  const ambient = await setup.part('Ambient');
  await ambient.getByRole('button', { name: 'Add shadow side' }).click();
  await setup.typeReading('Ambient', 'Shadow side, ambient', '1.4');
}

/** A reflector put up on the stage. @returns its card */
async function addReflector(setup: SetupPage): Promise<Locator> {
  const stage = await setup.part('Stage');
  await stage.getByRole('button', { name: /^Add to the stage\. / }).click();
  await stage.getByRole('button', { name: 'Add a reflector' }).click();
  return stage.getByRole('group', { name: 'Reflector', exact: true });
}

/** Asks for a contrast, takes the first place that gives it, and finds on the card what was promised. */
async function placedFor(
  card: Locator,
  page: Page,
  contrast: string,
  told: (promised: string) => RegExp,
): Promise<void> {
  await card.getByRole('button', { name: /^From how far\. / }).click();
  await card.getByRole('button', { name: /^Contrast wished .*Type a value/ }).click();
  const typed = page.getByRole('textbox', { name: 'Contrast wished, typed' });
  await typed.fill(contrast);
  await typed.press('Enter');
  const offer = card.getByRole('article', { name: /from \d\.\d+ m/ }).first();
  await expect(offer).toContainText(`${contrast} stops`);
  await offer.getByRole('button', { name: /^Apply/ }).click();
  await expect(card).toContainText(told(contrast));
}

// minutes of trying places: at one size, for the parts are the same at both
test.describe('on a phone', () => {
  test.use({ viewport: PHONE });

  test('a reflector is placed for a wished contrast: which one, which side, from how far', async ({
    page,
    stack,
    setup,
  }) => {
    await inTheHall(stack, setup);
    const card = await addReflector(setup);
    const before = Number(/with flash (\d\.\d)/.exec((await card.textContent()) ?? '')?.[1] ?? NaN);
    const wished = (before + 0.3).toFixed(1);
    await placedFor(card, page, wished, (promised) => new RegExp(`Contrast from .*, with flash ${promised}\\.`));
  });

  test('a reflector at noon, and under a flash alone', async ({ page, stack, setup }) => {
    await setup.openFresh(stack, 'Noon');
    await setup.typeReading('Ambient', 'Face, ambient', '11');
    const ambient = await setup.part('Ambient');
    await ambient.getByRole('button', { name: 'Add shadow side' }).click();
    await setup.typeReading('Ambient', 'Shadow side, ambient', '4');
    const stage = await setup.part('Stage');
    await stage.getByRole('button', { name: /^Sun\. / }).click();
    await stage.getByRole('radio', { name: /^By hand/ }).click();
    await stage.getByRole('button', { name: /^Sun over the horizon .*Type a value/ }).click();
    const height = page.getByRole('textbox', { name: 'Sun over the horizon, typed' });
    await height.fill('60');
    await height.press('Enter');
    const card = await addReflector(setup);
    await placedFor(card, page, '2.5', (promised) => new RegExp(`Contrast from \\d\\.\\d to ${promised} stops`));

    // indoors a flash is what it throws back, and the card tells it apart
    await setup.openFresh(stack, 'Dark room');
    await setup.typeReading('Ambient', 'Face, ambient', '1');
    const dim = await setup.part('Ambient');
    await dim.getByRole('button', { name: 'Add shadow side' }).click();
    await setup.typeReading('Ambient', 'Shadow side, ambient', '0.9');
    const lights = await setup.part('Lights');
    await lights.getByRole('button', { name: /^Add a key/ }).click();
    const other = await addReflector(setup);
    await expect(other).toContainText(/Dark side: ambient \+\d\.\d, key A \+\d\.\d, together \+\d\.\d\./);
    await other.getByRole('button', { name: /^Starting places\. / }).click();
    const front = other.getByRole('article', { name: /^Low in front/ });
    await expect(front).toContainText(/shows in the eyes at 6 o’clock\. Light from below/);
    const lift = /Dark side (\d\.\d) stops brighter/.exec((await front.textContent()) ?? '')?.[1] ?? '';
    await front.getByRole('button', { name: /^Apply/ }).click();
    await expect(other).toContainText(new RegExp(`together \\+${lift}\\b`));
  });

  test('open shade is offered where it cures, and not where the camera follows what it leaves in the sun', async ({
    stack,
    setup,
  }) => {
    await setup.open(stack, TERRACE);
    const camera = await setup.part('Camera');
    const shade = camera.getByRole('article', { name: 'Open shade' });
    await expect(shade).toContainText(/Needs \d\.\d stops? less light on the face/);
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
    await expect(pool).toContainText(/At its edge −\d\.\d stops?/);
    const from = /from (\d+\.?\d*) m/.exec((await pool.textContent()) ?? '')?.[1] ?? '';
    await pool.getByRole('button', { name: /^Apply/ }).click();
    await expect(lights.getByRole('button', { name: new RegExp(`^Distance to the face ${from}`) })).toBeVisible();
    // a large box is nowhere so small; its bare head is
    await expect(lights).toContainText('No stand goes so far back');
    await lights.getByRole('radio', { name: 'Bare head' }).click();
    const sun = lights.getByRole('article', { name: /^As the sun, from / });
    await expect(sun).toContainText(/The source is [01]\.\d° across/);
    await sun.getByRole('button', { name: /^Apply/ }).click();
    // so far away the power that it takes is said, or how much is missing
    await expect(setup.next).toContainText(/Set the camera|too weak/);
  });
});
