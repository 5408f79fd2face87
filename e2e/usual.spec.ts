import { HALL, TERRACE, expect, test } from './stack';

test.describe('settings', () => {
  test('the meter in thirds and distances in feet are used everywhere, and come with the account', async ({
    page,
    stack,
    setup,
    browser,
  }) => {
    await page.goto(`${stack.url}/settings`);
    await page.getByRole('radio', { name: /^Thirds/ }).click();
    const sent = page.waitForResponse(
      (response) => response.url().endsWith('/api/sync') && response.request().postData()?.includes('"ft"') === true,
    );
    await page.getByRole('radio', { name: 'Feet' }).click();
    await sent;
    await setup.open(stack, HALL);
    await expect(
      (await setup.part('Lights')).getByRole('button', { name: /^Distance to the face 7\.2 ft/ }),
    ).toBeVisible();
    await expect(setup.next).not.toContainText('⁴');
    const context = await browser.newContext();
    const other = await context.newPage();
    await other.goto(`${stack.url}/settings`);
    await expect(other.getByRole('radio', { name: 'Feet' })).toBeChecked();
    await context.close();
  });

  test('the theme stays on this device', async ({ page, stack }) => {
    await page.goto(`${stack.url}/settings`);
    await page.getByRole('radio', { name: /^Dim/ }).click();
    await expect(page.getByRole('radio', { name: /^Dim/ })).toBeChecked();
    await page.reload();
    await expect(page.getByRole('radio', { name: /^Dim/ })).toBeChecked();
  });
});

test.describe('a dial', () => {
  test('takes what is typed, keeps what it cannot read with a message, and lets go on Escape', async ({
    page,
    stack,
    setup,
  }) => {
    await setup.open(stack, HALL);
    const flash = await setup.part('Lights');
    await flash.getByRole('button', { name: /^Distance to the face 2\.2 m/ }).click();
    const field = flash.getByLabel('Distance to the face, typed');
    await field.fill('far');
    await field.press('Enter');
    await expect(flash.getByRole('alert')).toContainText('Write a distance between 0.3 m and 30 m, such as 1.5 m');
    await expect(field).toHaveValue('far');
    await field.fill('150 cm');
    await field.press('Enter');
    await expect(flash.getByRole('button', { name: /^Distance to the face 1\.5 m/ })).toBeVisible();
    await flash.getByRole('button', { name: /^Distance to the face 1\.5 m/ }).click();
    await field.fill('3');
    await field.press('Escape');
    await expect(flash.getByRole('button', { name: /^Distance to the face 1\.5 m/ })).toBeVisible();
    await expect(page.getByRole('alert')).toHaveCount(0);
  });

  test('a limit set here says so and goes back to the kit', async ({ stack, setup }) => {
    await setup.open(stack, HALL);
    const camera = await setup.part('Camera');
    await camera.getByRole('button', { name: /^Limits\./ }).click();
    await camera.getByRole('button', { name: 'Slowest sharp shutter: slower' }).click();
    await expect(camera.getByRole('button', { name: /^Slowest sharp shutter 1\/100/ })).toBeVisible();
    await expect(camera).toContainText('set here');
    await camera.getByRole('button', { name: "Slowest sharp shutter: back to the kit's value" }).click();
    await expect(camera.getByRole('button', { name: /^Slowest sharp shutter 1\/125/ })).toBeVisible();
    // a dial stepped several times is one entry of the log
    await camera.getByRole('button', { name: 'Wanted aperture: smaller' }).click();
    await camera.getByRole('button', { name: 'Wanted aperture: smaller' }).click();
    await camera.getByRole('button', { name: 'Wanted aperture: smaller' }).click();
    await expect((await setup.part('Log')).getByRole('listitem').first()).toContainText(
      'Wanted aperture: f/4, was f/2.8',
    );
  });
});

test('a flash that is too strong says by how much and where to move it, in one tap', async ({ stack, setup }) => {
  await setup.open(stack, HALL);
  const flash = await setup.part('Lights');
  await flash.getByRole('radio', { name: 'Gannet 1000' }).click();
  await expect(flash).toContainText(/stops too strong; .+ is the limit/);
  await expect(setup.next).toContainText('too strong');
  await flash.getByRole('button', { name: /^Apply: Move the light out to/ }).click();
  await expect(flash).not.toContainText('too strong');
  await setup.setCamera();
  await expect(setup.next).toContainText('Flash to ');
});

test('no flash can help where the ambient is there already, and shade is named', async ({ stack, setup }) => {
  await setup.open(stack, TERRACE);
  await expect(await setup.part('Lights')).toContainText('No flash can help here');
  await expect((await setup.part('Camera')).getByRole('article', { name: /Open shade/ })).toContainText(
    'then meter again',
  );
  await expect(await setup.part('Look')).toContainText('Background clips');
});

test('spots and setups are added, renamed and deleted', async ({ page, stack }) => {
  await page.goto(`${stack.url}/shoot/019c9c00-0000-7000-8000-000000000001`);
  const spots = page.getByRole('article').filter({ visible: true });
  await expect(spots).toHaveCount(4);
  const name = spots.first().getByLabel('Spot name');
  await name.fill(' ');
  await name.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Give it a name');
  await name.fill('Winch hall, north side');
  await name.press('Enter');
  await page.getByRole('button', { name: 'Add a setup at Winch hall, north side' }).click();
  await expect(page.getByRole('heading', { name: 'Setup 2', level: 1 }).filter({ visible: true })).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
  await expect(spots.first().getByRole('link')).toHaveCount(2);
  await page.getByRole('button', { name: 'Delete Upper terrace' }).click();
  await expect(spots).toHaveCount(3);
  await page.getByRole('button', { name: 'Bring back' }).filter({ visible: true }).click();
  await expect(spots).toHaveCount(4);
});

test('an address that leads nowhere says so', async ({ page, stack }) => {
  await page.goto(`${stack.url}/setup/019c9c00-0000-7000-8000-00000000ffff`);
  await expect(page.getByText('There is nothing at this address on this account.')).toBeVisible();
  await page.getByRole('button', { name: 'To the shoots' }).click();
  await expect(page.getByRole('article', { name: 'Wedding at the old funicular' })).toBeVisible();
});

test('scrolled down, the ladder shrinks to a strip; at the top it opens again', async ({ stack, setup }) => {
  await setup.open(stack, TERRACE);
  const camera = await setup.part('Camera');
  const open = (await setup.ladder.boundingBox())?.height ?? 0;
  await camera.hover();
  await setup.page.mouse.wheel(0, 400);
  await expect.poll(async () => (await setup.ladder.boundingBox())?.height ?? 0).toBeLessThan(open - 30);
  await setup.page.mouse.wheel(0, -2000);
  await expect.poll(async () => (await setup.ladder.boundingBox())?.height ?? 0).toBe(open);
});

test('the textures of the ladder are its own, so that they stay after a visit elsewhere', async ({
  stack,
  setup,
  page,
}) => {
  await setup.open(stack, TERRACE);
  await setup.part('Look');
  await page.getByRole('button', { name: 'Stop arithmetic' }).filter({ visible: true }).click();
  await page.goBack();
  // every fill of the ladder on screen names a texture that is on screen too, and no name is there twice
  const lost = await setup.ladder.filter({ visible: true }).evaluate(
    (ladder) =>
      [...ladder.querySelectorAll('[fill^="url("]')].filter((shape) => {
        const name = /#([^")]+)/.exec(shape.getAttribute('fill') ?? '')?.[1] ?? '';
        return (
          ladder.querySelector(`[id="${name}"]`) === null || document.querySelectorAll(`[id="${name}"]`).length !== 1
        );
      }).length,
  );
  expect(await setup.ladder.filter({ visible: true }).locator('[fill^="url("]').count()).toBeGreaterThan(2);
  expect(lost).toBe(0);
});

test('a light that is added takes its room at once: nothing moves when the ladder opens again', async ({
  stack,
  setup,
}) => {
  await setup.open(stack, TERRACE);
  const lights = await setup.part('Lights');
  const tall = async () => (await setup.ladder.boundingBox())?.height ?? 0;
  const before = await tall();
  await lights.getByRole('button', { name: /^Add a fill/ }).click();
  await expect(lights.getByRole('group', { name: 'Fill B', exact: true })).toBeVisible();
  const place = () =>
    lights.evaluate(
      (panel) => panel.scrollTop + (panel.querySelector('[aria-label^="Add a rim"]')?.getBoundingClientRect().top ?? 0),
    );
  await expect.poll(tall).toBeLessThan(before);
  const scrolled = await place();
  await lights.hover();
  await setup.page.mouse.wheel(0, -5000);
  await expect.poll(tall).toBeGreaterThan(before);
  expect(await place()).toBe(scrolled);
});

test('times in the log are those of the place', async ({ stack, setup }) => {
  await setup.open(stack, HALL);
  await expect(await setup.part('Log')).toContainText('27 Feb, 14:12:20');
});
