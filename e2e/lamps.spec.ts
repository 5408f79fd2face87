import type { Locator } from '@playwright/test';

import { expect, test, WALKED_SIZES } from './stack';

const PANEL = 'Two-colour LED panel';

const figure = async (line: Locator, pattern: RegExp): Promise<number> => {
  const said = (await line.textContent()) ?? '';
  return Number(pattern.exec(said)?.[1] ?? NaN);
};

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('an interview is lit by a lamp: set by its dimmer or its distance, then read and corrected', async ({
      stack,
      setup,
    }) => {
      await setup.openFresh(stack, 'Interview');
      await setup.typeReading('Ambient', 'Face, ambient', '1');
      await setup.typeReading('Ambient', 'Background, ambient', '0.9');
      const camera = await setup.part('Camera');
      await camera.getByRole('button', { name: /^Video/ }).click();
      await camera.getByRole('radio', { name: /^Video/ }).click();
      await setup.setCamera();
      await expect(setup.next).toContainText('Film');

      const lights = await setup.part('Lights');
      await lights.getByRole('button', { name: `Add ${PANEL}` }).click();
      const lamp = lights.getByRole('group', { name: PANEL, exact: true });
      await lamp.getByRole('radio', { name: 'Key', exact: true }).click();
      // it is set before it is metered: to so much, or from so far
      await expect(lamp).toContainText(/Set it to \d+(\.\d)? % .*or as it is from \d\.\d+ m\./);
      await expect(setup.next).toContainText(/^Key lamp \d+ %/);
      const percent = await figure(lamp, /Set it to (\d+(?:\.\d)?) %/);
      await setup.next.getByRole('button', { name: 'They are set' }).click();
      await expect(lamp).toContainText(/Set as it should be/);
      await expect(lamp.getByRole('button', { name: new RegExp(`^Dimmed to ${Math.round(percent)}`) })).toBeVisible();

      // what it really gives is read, and corrects it
      await expect(setup.next).toContainText(/Meter the face again/);
      await setup.tapReading('Ambient', ['f 1.4', 'and 8 tenths'], 'Save for face');
      await setup.part('Lights');
      await expect(setup.next).toContainText(/^Key lamp \d+ %/);
      await setup.next.getByRole('button', { name: 'They are set' }).click();
      await setup.part('Lights');
      await expect(lamp).toContainText(/Set as it should be/);
      expect(await figure(lamp, /Set as it should be, (\d+(?:\.\d)?) %/)).not.toBe(percent);
      // read once at its point it is known: what is left is the camera, and filming
      await setup.setCamera();
      await expect(setup.next).toContainText(/^Film: .*Key lamp \d+ %/);
    });
  });
