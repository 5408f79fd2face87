import { HALL, SetupPage, expect, test } from './stack';

test('with the server gone the work goes on, and the changes arrive when it is back', async ({
  page,
  stack,
  setup,
  browser,
}) => {
  await setup.open(stack, HALL);
  await stack.kill();
  await setup.tapReading('Ambient', ['f 4', 'and 2 tenths'], 'Save for face');
  await (await setup.part('Look')).getByRole('button', { name: /^Lead/ }).click();
  const camera = await setup.part('Camera');
  await camera.getByRole('button', { name: 'Wanted aperture: smaller' }).click();
  await setup.tapReading('Check', ['f 4'], 'Save the test');
  await setup.setCamera();
  await expect(setup.next).toContainText('Flash');
  await expect(
    page.getByRole('status', { name: /changes wait on this device/ }).filter({ visible: true }),
  ).toBeVisible();
  const told = await setup.next.textContent();
  await stack.up();
  await expect(setup.saved).toBeVisible();
  const context = await browser.newContext();
  const second = new SetupPage(await context.newPage());
  await second.open(stack, HALL);
  await expect(second.next).toHaveText(told ?? '');
  await context.close();
});

test('a server killed between a change and its sync loses nothing, even if the page goes too', async ({
  page,
  stack,
  setup,
  browser,
}) => {
  await setup.open(stack, HALL);
  // the change reaches the server's door and no further
  await page.route('**/api/sync', async (route) => {
    await stack.kill();
    await route.abort();
  });
  await setup.typeReading('Ambient', 'Face, ambient', '5.6 7');
  await expect(
    page.getByRole('status', { name: /changes wait on this device/ }).filter({ visible: true }),
  ).toBeVisible();
  await page.unroute('**/api/sync');
  await page.close();
  await stack.up();
  const again = new SetupPage(await page.context().newPage());
  await again.open(stack, HALL);
  await expect(await again.part('Log')).toContainText('Face, ambient: f/5.6⁷ at 1/60, ISO 400');
  const context = await browser.newContext();
  const second = new SetupPage(await context.newPage());
  await second.open(stack, HALL);
  await expect(await second.part('Log')).toContainText('Face, ambient: f/5.6⁷ at 1/60, ISO 400');
  await context.close();
});

test('two browsers that change different things at once both keep theirs', async ({ stack, setup, browser, page }) => {
  await setup.open(stack, HALL);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const second = new SetupPage(await context.newPage());
  await second.open(stack, HALL);
  await page.context().setOffline(true);
  await (await setup.part('Look')).getByRole('button', { name: /^Carry/ }).click();
  await (await second.part('Camera')).getByRole('button', { name: 'Wanted aperture: smaller' }).click();
  await expect(second.saved).toBeVisible();
  await page.context().setOffline(false);
  for (const one of [setup, second]) {
    await expect((await one.part('Look')).getByRole('button', { name: /^Carry/ })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await expect((await one.part('Camera')).getByRole('button', { name: /^Wanted aperture f\/3\.2/ })).toBeVisible();
  }
  await context.close();
});

test('a second tab of the same browser follows at once', async ({ stack, setup, page }) => {
  await setup.open(stack, HALL);
  const second = new SetupPage(await page.context().newPage());
  await second.open(stack, HALL);
  await stack.kill();
  await (await second.part('Look')).getByRole('button', { name: /^Shut/ }).click();
  await expect((await setup.part('Look')).getByRole('button', { name: /^Shut/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('undo takes the last thing back; a reading struck out stays in the log and can be restored', async ({
  stack,
  setup,
  page,
}) => {
  await setup.open(stack, HALL);
  const before = await setup.next.textContent();
  await (await setup.part('Look')).getByRole('button', { name: /^Dusk/ }).click();
  await setup.tapReading('Ambient', ['f 8'], 'Save for face');
  const undo = page.getByRole('button', { name: 'Take the last thing back' });
  await undo.click();
  await undo.click();
  await expect(setup.next).toHaveText(before ?? '');
  const log = await setup.part('Log');
  await expect(log).toContainText('struck out');
  await log.getByRole('button', { name: /^Restore Face, ambient: f\/8/ }).click();
  await expect(setup.next).not.toHaveText(before ?? '');
});

test('a deleted shoot can be brought back', async ({ stack, page }) => {
  await page.goto(stack.url);
  await page.getByRole('button', { name: 'Open Wedding at the old funicular' }).click();
  await page.getByRole('button', { name: 'Delete Wedding at the old funicular' }).click();
  const shoot = page.getByRole('article', { name: 'Wedding at the old funicular' });
  await expect(shoot).toHaveCount(0);
  await page.getByRole('button', { name: 'Bring back' }).filter({ visible: true }).click();
  await expect(shoot.getByRole('link')).toHaveCount(4);
});

test('the hold-back is dragged with a thumb, live, and logged once', async ({ stack, setup, page }) => {
  await setup.open(stack, HALL);
  const look = await setup.part('Look');
  const slider = look.getByRole('slider', { name: 'Ambient held back on the face' });
  const box = await slider.boundingBox();
  if (box === null) throw new Error('the slider is not on screen');
  await page.mouse.move(box.x + 24, box.y + 24);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + 24, { steps: 4 });
  await expect(slider).not.toHaveAttribute('aria-valuenow', '1');
  await page.mouse.up();
  await expect(await setup.part('Log')).toContainText(/Hold-back: [12]\.\d stops?/);
  await expect((await setup.part('Log')).getByRole('listitem')).toHaveCount(3);
});

test('keys lead through the work on a wide screen', async ({ stack, setup, page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await setup.open(stack, HALL);
  await expect(setup.next).toContainText('Set the camera');
  await page.keyboard.press('Alt+KeyN');
  await expect(setup.next).toContainText('Flash to');
  await page.keyboard.press('Alt+KeyN');
  await expect(setup.next).toContainText('Fire a test');
  await page.keyboard.press('Control+KeyZ');
  await expect(setup.next).toContainText('Flash to');
});
