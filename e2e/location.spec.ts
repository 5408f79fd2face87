import { expect, HALL, WALKED_SIZES, TERRACE, test } from './stack';

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('available light at a window: no share, the contrast is the target, a reflector is the cure, and it ends at the frame', async ({
      stack,
      setup,
    }) => {
      await setup.openFresh(stack, 'Window');
      const ambient = await setup.part('Ambient');
      await setup.tapReading('Ambient', ['f 4'], 'Save for face');
      await ambient.getByRole('button', { name: 'Add shadow side' }).click();
      await setup.tapReading('Ambient', ['f 1.4'], 'Save for shadow side');
      // the background is of no account here
      await expect(setup.next).toContainText('Meter the background');
      await setup.next.getByRole('button', { name: /^Leave out/ }).click();
      await setup.setCamera();
      const look = await setup.part('Look');
      await expect(look).toContainText('The light that is there, alone.');
      await expect(look.getByRole('slider', { name: 'Ambient held back on the face' })).toHaveCount(0);
      // 3.0 apart, 2.0 wished: one stop more than that, and the picture may lift so much
      await expect(look.getByRole('status')).toContainText('3.0 under the lit side, 1.0 more than wished');
      await look.getByRole('button', { name: /^Ways to the contrast wished/ }).click();
      const ways = look.getByRole('list', { name: 'Ways to the contrast wished' });
      const reflector = ways.getByRole('listitem').filter({ hasText: 'Reflector disc 110 cm' });
      await expect(reflector).toContainText(/Then \d\.\d stops? between the sides of the face/);
      await reflector.getByRole('button').click();
      await expect(setup.next).toContainText(/Meter the (face|shadow side) again/);
      await expect(await setup.part('Look')).toContainText('The light that is there, alone.');
    });

    test('by eye, then made exact: three dials lead on to a power, and the face only sharpens it', async ({
      stack,
      setup,
    }) => {
      await setup.openFresh(stack, 'By eye');
      const ambient = await setup.part('Ambient');
      await ambient.getByRole('button', { name: /^These settings look right/ }).click();
      await ambient.getByLabel('Or in one line').fill('f four at one twenty fifth, ISO two hundred');
      await ambient.getByLabel('Or in one line').press('Enter');
      await expect(ambient.getByRole('button', { name: /^Aperture that looks right f\/4/ })).toBeVisible();
      await ambient.getByRole('button', { name: 'Take these settings' }).click();
      // nothing is asked of the face: the camera stands so, and light alone is all there is
      await expect(setup.next).toContainText('Shoot: 1/125, f/4, ISO 200');
      await (await setup.part('Lights')).getByRole('button', { name: /^Add a key/ }).click();
      await expect(setup.next).toContainText(/As assumed it wants 1\/\d+/);
      await setup.doNext();
      await expect(setup.next).toContainText(/Flash to 1\/\d+/);
      await setup.part('Ambient');
      await (await setup.part('Ambient')).getByRole('radio', { name: /^Face/ }).click();
      await setup.typeReading('Ambient', 'Face, ambient', 'f2 1/125');
      await expect(setup.next).not.toContainText('Meter the background');
      await expect(setup.next).toContainText(/Flash|Set the camera/);
    });

    test('the camera as it stands: typed as it is, figures are for it, and the suggestion stands beside it', async ({
      stack,
      setup,
    }) => {
      await setup.open(stack, HALL);
      await setup.setCamera();
      const camera = await setup.part('Camera');
      const figures = camera.getByRole('group', { name: /^Camera settings/ });
      await expect(figures).toHaveAccessibleName('Camera settings 1/125, f/2.8, ISO 400');
      await camera.getByRole('button', { name: /^The camera as it stands/ }).click();
      await camera.getByRole('button', { name: 'Shutter, as dialled: faster' }).click();
      await camera.getByRole('button', { name: /^Shutter, as dialled 1\/160/ }).waitFor();
      await camera.getByRole('button', { name: 'Shutter, as dialled: faster' }).click();
      await expect(figures).toHaveAccessibleName('Camera settings 1/200, f/2.8, ISO 400');
      await expect(setup.next).toContainText('Set the camera: 1/125');
      const beside = camera.getByRole('group', { name: 'Suggested for the camera' });
      await expect(beside).toContainText('Suggested: 1/125, f/2.8, ISO 400.');
      // left for later, then set after all
      await setup.next.getByRole('button', { name: /^Later/ }).click();
      await expect(setup.next).toContainText('Flash to');
      await beside.getByRole('button', { name: 'It is set so' }).click();
      await expect(figures).toHaveAccessibleName('Camera settings 1/125, f/2.8, ISO 400');
      // other settings for the same light, one tap each
      await camera.getByRole('button', { name: /^Same ambient/ }).click();
      const others = camera.getByRole('list', { name: 'Same ambient' });
      await others.getByRole('button', { name: 'Set the camera to 1/125, f/4, ISO 800' }).click();
      await expect(figures).toHaveAccessibleName('Camera settings 1/125, f/4, ISO 800');
      await expect(setup.next).toContainText('Flash to');
    });

    test('a setup is carried on: the next one, a copy, its name, notes and frames, and away with undo', async ({
      page,
      stack,
      setup,
    }) => {
      await setup.open(stack, TERRACE);
      const log = await setup.part('Log');
      await log.getByLabel('Setup name').fill('Against the sun');
      await log.getByLabel('Notes').fill('Veil to the left');
      await log.getByLabel('First frame number').fill('4312');
      await log.getByLabel('Last frame number').fill('4360');
      await log.getByLabel('Last frame number').blur();
      await expect(log).toContainText('Frames: 4312 to 4360');
      await log.getByRole('button', { name: 'Duplicate' }).click();
      const copy = page.getByRole('heading', { name: 'Against the sun, copy' }).filter({ visible: true });
      await expect(copy).toBeVisible();
      await setup.part('Log');
      await page.getByRole('button', { name: 'Delete Against the sun, copy' }).filter({ visible: true }).click();
      await expect(page.getByRole('link', { name: /Against the sun, copy/ }).filter({ visible: true })).toHaveCount(0);
      await page.getByRole('button', { name: /Bring/ }).filter({ visible: true }).first().click();
      const links = page.getByRole('link', { name: /Against the sun/ }).filter({ visible: true });
      await expect(links).toHaveCount(2);
      await page.getByRole('button', { name: 'Move Against the sun, copy up' }).filter({ visible: true }).click();
      await expect(links.first()).toHaveAccessibleName(/Against the sun, copy/);
    });
  });
