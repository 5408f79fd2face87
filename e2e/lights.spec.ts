import type { Locator } from '@playwright/test';

import { HALL, type SetupPage, TERRACE, expect, test, WALKED_SIZES } from './stack';

/** Types a reading of the light that is on, for a point, in the Check part. */
async function readLight(
  setup: SetupPage,
  light: RegExp,
  mode: 'Total' | 'Flash only',
  text: string,
): Promise<Locator> {
  const check = await setup.part('Check');
  const which = check.getByRole('radiogroup', { name: 'What fires' });
  await which.getByRole('radio', { name: light }).click();
  if (await check.getByRole('radiogroup', { name: 'The meter reads' }).count())
    await check.getByRole('radio', { name: new RegExp(`^${mode}`) }).click();
  const field = check.getByRole('textbox', { name: /total$|flash only$|all together$/ });
  await field.fill(text);
  await field.press('Enter');
  return check;
}

/** The figure that the meter should read for the light named by the next bar, flash only. */
const foretold = (text: string | null): string =>
  /Meter should read f\/([\d.]*\d)([⁰¹²³⁴⁵⁶⁷⁸⁹]?) flash only/
    .exec(text ?? '')
    ?.slice(1)
    .join('') ?? '';

for (const [size, viewport] of WALKED_SIZES) {
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('three lights are added by role, metered alone in their order, and fired together', async ({
      setup,
      stack,
    }) => {
      await setup.open(stack, TERRACE);
      // the sample's readings are of another day
      await setup.typeReading('Ambient', 'Face, ambient', '7.1');
      await (await setup.part('Ambient')).getByRole('radio', { name: /^Background/ }).click();
      await setup.typeReading('Ambient', 'Background, ambient', '16');
      await (await setup.part('Look')).getByRole('button', { name: /^Carry/ }).click();
      await (await setup.part('Camera')).getByRole('button', { name: /^Apply: Stop down/ }).click();
      const lights = await setup.part('Lights');
      await lights.getByRole('button', { name: /^Add a fill/ }).click();
      await expect(lights.getByRole('group', { name: 'Fill B', exact: true })).toBeVisible();
      await lights.getByRole('button', { name: /^Add a rim/ }).click();
      await expect(lights.getByRole('group', { name: 'Rim C', exact: true })).toBeVisible();
      await expect(setup.next).toContainText(/Meter the (shadow side|hair light)/);
      for (const [point, text] of [
        ['Shadow side', '2.8'],
        ['Hair light', '5.6'],
      ] as const) {
        const ambient = await setup.part('Ambient');
        await ambient.getByRole('radio', { name: new RegExp(`^${point}`) }).click();
        await setup.typeReading('Ambient', `${point}, ambient`, text);
      }
      await (await setup.part('Check')).getByRole('radio', { name: /^Each alone/ }).click();
      await setup.setCamera();
      for (const name of ['Fill B', 'Rim C', 'Key A']) {
        // where a new light stands is asked once
        if (name !== 'Key A') {
          await expect(setup.next).toContainText(`Is ${name.toLowerCase().slice(0, -1)}${name.slice(-1)} `);
          await setup.doNext();
        }
        await expect(setup.next).toContainText(`${name} to `);
        await expect(setup.next).toContainText('Turn off');
        await setup.doNext();
        await expect(setup.next).toContainText(`Fire ${name} alone`);
        await readLight(setup, new RegExp(`^${name}`), 'Flash only', foretold(await setup.next.textContent()));
      }
      await expect(setup.next).toContainText('Fire all 3 together');
      const should =
        /the meter should read f\/([\d.]*\d)([⁰¹²³⁴⁵⁶⁷⁸⁹]?)/
          .exec((await setup.next.textContent()) ?? '')
          ?.slice(1)
          .join('') ?? '';
      const check = await readLight(setup, /^All/, 'Total', should);
      await expect(check.getByText(/Face, all together: read f\/.*, foretold f\//)).toBeVisible();
      await expect(setup.next).toContainText('Shoot: 1/200');
      await expect(setup.next).toContainText(/A 1\/.*B .*C /);
      const targets = await setup.part('Lights');
      await targets.getByRole('button', { name: /^Targets\./ }).click();
      await expect(targets).toContainText(/Face, lit side to dark side: [\d.]+:1/);
      await expect(targets).toContainText('These powers are the best of all combinations.');
    });
  });
}

test('flash is gelled to a tungsten room, and the blue window stays blue', async ({ setup, stack }) => {
  await setup.open(stack, HALL);
  const lights = await setup.part('Lights');
  await lights.getByRole('button', { name: /^Colour and gels/ }).click();
  await lights.getByRole('button', { name: /^Ambient on the face/ }).click();
  await lights
    .getByRole('radiogroup', { name: 'Light on the face' })
    .getByRole('radio', { name: /^Tungsten/ })
    .click();
  await lights.getByRole('button', { name: /^Ambient on the background/ }).click();
  await lights
    .getByRole('radiogroup', { name: 'Light on the background' })
    .getByRole('radio', { name: /^Blue dusk/ })
    .click();
  await lights.getByRole('radio', { name: 'Match the room' }).click();
  const sources = lights.getByRole('list', { name: 'What every source looks like' });
  await expect(sources.getByRole('listitem').filter({ hasText: 'Key A' })).toContainText('plainly cool');
  await expect(lights).toContainText(/Mixed colour on the face/);
  await setup.setCamera();
  const power = await setup.next.textContent();
  await lights.getByRole('button', { name: 'Put on: Full warm on Key A' }).click();
  await expect(sources.getByRole('listitem').filter({ hasText: 'Key A' })).toContainText('neutral');
  await expect(sources.getByRole('listitem').filter({ hasText: 'Ambient, background' })).toContainText('plainly cool');
  await expect(lights).not.toContainText(/Mixed colour on the face/);
  await expect(lights).toContainText('2900 K');
  await expect(setup.next).not.toHaveText(power ?? '');
});

test('a light that is out of reach is brought in by one of the ways that are offered', async ({ setup, stack }) => {
  await setup.open(stack, HALL);
  const lights = await setup.part('Lights');
  await lights.getByRole('radio', { name: 'Gannet 1000' }).click();
  await expect(setup.next).toContainText('too strong');
  await lights
    .getByRole('button', { name: /^Apply: Change to Wren 60/ })
    .first()
    .click();
  await setup.setCamera();
  await expect(setup.next).toContainText('Flash to 1/64');
});

test('a group of eleven is brought under half a stop', async ({ setup, stack }) => {
  await setup.open(stack, TERRACE);
  await (await setup.part('Camera')).getByRole('button', { name: /^Apply: Stop down/ }).click();
  const lights = await setup.part('Lights');
  await lights.getByRole('button', { name: /^Group\./ }).click();
  await lights.getByRole('radio', { name: 'A group' }).click();
  await expect(lights.getByText(/stops? between brightest and darkest; over the 0\.5 wanted/)).toBeVisible();
  await lights.getByRole('button', { name: /^Apply: Move the key back to/ }).click();
  await expect(lights.getByText(/stops? between brightest and darkest; within the 0\.5 wanted/)).toBeVisible();
});

test('a pop on the wrong channel is questioned, and what was learned stands in the kit', async ({
  page,
  setup,
  stack,
}) => {
  await setup.open(stack, HALL);
  await setup.setCamera();
  await setup.typeReading('Check', 'Face, total', '2.8');
  await setup.typeReading('Check', 'Face, total', '2.8 1');
  await expect(setup.next).not.toContainText('right?');
  await (await setup.part('Check')).getByRole('radio', { name: /^Flash only/ }).click();
  await setup.typeReading('Check', 'Face, flash only', '1');
  await expect(setup.next).toContainText('Is that flash reading right?');
  const check = await setup.part('Check');
  await expect(check.getByRole('alert')).toContainText(
    /under what was foretold .*Key A gave|under what was foretold .*Its tenths/,
  );
  await check.getByRole('button', { name: 'Strike it out' }).click();
  await expect(setup.next).not.toContainText('right?');
  await expect(setup.saved).toBeVisible();
  await page.goto(`${stack.url}/kit`);
  await page.getByRole('button', { name: 'Edit Wren 60 A' }).click();
  await expect(
    page.getByText(/^Its light: learned from 2 readings: [+−]?\d\.\d stops? against what is stated, ± 0\.\d/),
  ).toBeVisible();
  await expect(page.getByText(/^Its dial, a stop from 1\/16: learned from 2 readings/)).toBeVisible();
  await page.getByRole('button', { name: 'Forget what was learned about Wren 60 A, its light' }).click();
  await expect(page.getByText(/^Its light: nothing learned yet.*Earlier readings are forgotten/)).toBeVisible();
  await page.getByRole('button', { name: /^Learn about Wren 60 A, its light/ }).click();
  await expect(page.getByText(/^Its light: learned from 2 readings/)).toBeVisible();
});

test('own gear is made, put right, duplicated, retired and found; an IES file becomes a beam, a damaged one is refused', async ({
  page,
  setup,
  stack,
}) => {
  await page.goto(`${stack.url}/kit`);
  await page.getByRole('button', { name: 'New flash' }).click();
  await page.getByLabel('Energy at full power').fill('lots');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert').first()).toContainText('Give it a name');
  await expect(page.getByText('“lots” is no energy at full power. Write it as 400.')).toBeVisible();
  await expect(page.getByLabel('Energy at full power')).toHaveValue('lots');
  await page.getByLabel('Name', { exact: true }).fill('Sanderling 200');
  await page.getByLabel('Energy at full power').fill('200');
  await page.getByRole('button', { name: 'Save' }).click();
  const mine = page.getByRole('article', { name: 'Sanderling 200', exact: true });
  await expect(mine).toContainText('energy at full power 200');
  await mine.getByRole('button', { name: 'Duplicate Sanderling 200' }).click();
  await page
    .getByRole('article', { name: 'Sanderling 200 copy' })
    .getByRole('button', { name: /^Retire/ })
    .click();
  await expect(page.getByText('Sanderling 200 copy, retired')).toBeVisible();
  await page.getByLabel('Search the kit').fill('octa');
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.getByLabel('Search the kit').fill('');

  await page.getByRole('radio', { name: /^Modifiers/ }).click();
  const lines = [
    'IESNA:LM-63-2002',
    '[LUMINAIRE] Strip box',
    'TILT=NONE',
    '1 2000 1 4 1 1 2 0.6 0.6 0',
    '1 1 100',
    '0 30 60 90',
    '0',
    '1000 700 300 0',
  ];
  const choose = async (text: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'From an IES file' }).click(),
    ]);
    await chooser.setFiles({ name: 'strip.ies', mimeType: 'text/plain', buffer: Buffer.from(text) });
  };
  await choose(lines.join('\n').replace('700', '7OO'));
  await expect(page.getByRole('alert')).toContainText('Line 8: “7OO” is not a number.');
  await choose(lines.join('\n'));
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Strip box');
  await expect(page.getByRole('radio', { name: 'From a file' })).toBeChecked();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('article', { name: 'Strip box' })).toBeVisible();

  await setup.open(stack, HALL);
  const lights = await setup.part('Lights');
  await expect(lights.getByRole('radio', { name: 'Sanderling 200', exact: true })).toBeVisible();
  await expect(lights.getByRole('radio', { name: 'Sanderling 200 copy' })).toHaveCount(0);
  await lights.getByRole('radio', { name: 'Strip box' }).click();
  await expect(lights).toContainText('Wren 60 A, Strip box');
});

test('a lamp counts as ambient with a dial', async ({ setup, stack }) => {
  await setup.open(stack, HALL);
  const lights = await setup.part('Lights');
  await lights.getByRole('button', { name: /^Continuous lamps/ }).click();
  await lights.getByRole('button', { name: 'Add Two-colour LED panel' }).click();
  const lamp = lights.getByRole('group', { name: 'Two-colour LED panel', exact: true });
  await expect(lamp).toContainText(
    /EV \d\.\d ± \d\.\d on the face, \d\.\d stops? over the rest there: it adds \+\d\.\d/,
  );
  // how strong it really is nobody has read
  await expect(setup.next).toContainText(/Meter the face again.*lamp/);
  await lamp.getByRole('button', { name: 'Switch off: Two-colour LED panel' }).click();
  await expect(lamp).toContainText(/^.*Off\. .*switched on it adds \+\d\.\d/);
  await expect(setup.next).not.toContainText(/Meter the face again/);
  await lamp.getByRole('button', { name: 'Switch on: Two-colour LED panel' }).click();
  await setup.typeReading('Ambient', 'Face, ambient', '5.6');
  await expect(setup.next).not.toContainText(/Meter the face again/);
});

test('automatic first: what it fired becomes the start by hand', async ({ setup, stack }) => {
  await setup.open(stack, HALL);
  const check = await setup.part('Check');
  await check.getByRole('button', { name: /^Automatic flash first/ }).click();
  await check.getByRole('button', { name: /^It reported .*Type a value/ }).click();
  await check.getByRole('textbox', { name: 'It reported, typed' }).fill('1/32');
  await check.getByRole('textbox', { name: 'It reported, typed' }).press('Enter');
  await check.getByRole('button', { name: 'Compensation on it: darker' }).click();
  await expect(check).toContainText('without it automatic would have fired 1/32 +0.3');
  await check.getByRole('button', { name: 'Start Key A by hand at 1/32' }).click();
  await expect(check.getByRole('button', { name: /^Fired at 1\/32/ })).toBeVisible();
});

test('what the dial does is said before it is tapped, and a light can be held', async ({ setup, stack }) => {
  await setup.open(stack, HALL);
  const lights = await setup.part('Lights');
  await lights.getByRole('button', { name: 'A step up: hold Key A at 1/64' }).click();
  await expect(lights).toContainText('Held at this power by you.');
  await expect(lights).toContainText(/Total on the face\s*\+0\.[123]/);
  await lights.getByRole('button', { name: 'Let it follow' }).click();
  await expect(lights).not.toContainText('Held at this power by you.');
});
