import { beginIn, faultsInAllThemes, THEMES } from './axe';
import { haveConflict, haveDeleted } from './elsewhere';
import { SCREENS } from './screens';
import { HALL, WIDE, expect, test, SIZES } from './stack';

/** Parts whose folded parts are opened first. */
const FOLDED = ['Look', 'Camera', 'Lights', 'Stage'];

for (const [size, viewport] of SIZES)
  test(`axe finds nothing in any screen and theme: ${size}`, async ({ page, stack }) => {
    await page.setViewportSize(viewport);
    await beginIn(page, THEMES[0]);
    const found: string[] = [];
    for (const { name, at, tabs = [] } of SCREENS) {
      await page.goto(stack.url + at);
      await expect(page.getByRole('status', { name: 'Everything is saved' }).filter({ visible: true })).toBeVisible();
      for (const tab of size === 'phone' && tabs.length > 0 ? tabs : ['']) {
        if (tab !== '') await page.getByRole('tab', { name: tab }).click();
        // what is folded away is looked at too
        if (FOLDED.includes(tab))
          for (
            const folded = page
              .getByRole('tabpanel')
              .getByRole('button', { expanded: false })
              .and(page.locator(':not([aria-label^="Why"])'));
            (await folded.count()) > 0;
          )
            await folded.first().click();
        found.push(...(await faultsInAllThemes(page)).map((fault) => `${name} ${tab}, ${fault}`));
      }
    }
    expect(found).toEqual([]);
  });

test('axe finds nothing in what is to be settled and what was deleted, in any theme', async ({ page, stack }) => {
  await haveConflict(stack);
  await beginIn(page, THEMES[0]);
  const found: string[] = [];
  for (const viewport of [{ width: 390, height: 844 }, WIDE]) {
    await page.setViewportSize(viewport);
    await page.goto(stack.url + HALL);
    // a press that begins on the placeholder of a screen ends nowhere
    await expect(page.getByRole('heading', { name: 'Ceremony by the windows' }).first()).toBeVisible();
    await page.getByRole('button', { name: '1 thing to settle' }).filter({ visible: true }).click();
    await expect(page.getByRole('dialog', { name: 'To settle' })).toContainText('Hold-back');
    found.push(...(await faultsInAllThemes(page)));
  }
  await haveDeleted(stack);
  await page.goto(stack.url);
  await page.getByRole('button', { name: /^Deleted/ }).click();
  await expect(page.getByRole('button', { name: /^Bring .* back$/ })).toBeVisible();
  found.push(...(await faultsInAllThemes(page)));
  expect(found).toEqual([]);
});

test('axe finds nothing in lamps, motives, panels and backdrops, in any theme', async ({ page, stack, setup }) => {
  await beginIn(page, THEMES[0]);
  await setup.open(stack, HALL);
  const ambient = await setup.part('Ambient');
  await ambient.getByRole('button', { name: 'Add shadow side' }).click();
  await setup.typeReading('Ambient', 'Shadow side, ambient', '1.4');
  const found: string[] = [];
  const lights = await setup.part('Lights');
  await lights.getByRole('button', { name: /^Continuous lamps\. / }).click();
  await lights.getByRole('button', { name: /^Add Two-colour LED panel/ }).click();
  const lamp = lights.getByRole('group', { name: 'Two-colour LED panel', exact: true });
  await lamp.getByRole('radio', { name: 'Motivated' }).click();
  await lamp.getByRole('radio', { name: 'a fire' }).click();
  found.push(...(await faultsInAllThemes(page)));
  const stage = await setup.part('Stage');
  await expect(stage.getByText(/stands for a fire/).first()).toBeVisible();
  await stage.getByRole('button', { name: /^Add to the stage\. / }).click();
  await stage.getByRole('button', { name: 'Add a reflector' }).click();
  const card = stage.getByRole('group', { name: 'Reflector', exact: true });
  await card.getByRole('radio', { name: 'Gold', exact: true }).click();
  await expect(card).toContainText('mired warmer');
  await card.getByRole('button', { name: /^Starting places\. / }).click();
  await card.getByRole('button', { name: /^From how far\. / }).click();
  await expect(card.getByRole('article').first()).toBeVisible();
  await stage.getByRole('button', { name: /^Camera and background\. / }).click();
  await stage.getByRole('button', { name: /^Size of the backdrop\. / }).click();
  await stage.getByRole('button', { name: 'Say its size' }).click();
  found.push(...(await faultsInAllThemes(page)));
  expect(found).toEqual([]);
});
