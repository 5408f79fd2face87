import type { Locator } from '@playwright/test';

import { expect, HALL, PHONE, TERRACE, test } from './stack';

/** Counts what a finger does. */
class Taps {
  count = 0;
  async on(target: Locator): Promise<void> {
    await target.click();
    this.count += 1;
  }
}

test.describe('taps on a phone', () => {
  test.use({ viewport: PHONE });

  test('a point is metered again in three, the next setup has its power in six', async ({ page, stack, setup }) => {
    await setup.openFresh(stack, 'Taps');
    await setup.tapReading('Ambient', ['f 2'], 'Save for face');
    await setup.tapReading('Ambient', ['f 1.4'], 'Save for background');
    await (await setup.part('Lights')).getByRole('button', { name: /^Add a key/ }).click();
    await setup.setCamera();
    const again = new Taps();
    const ambient = await setup.part('Ambient');
    await again.on(ambient.getByRole('radio', { name: /^Background/ }));
    await again.on(ambient.getByRole('button', { name: 'f 2', exact: true }));
    await again.on(setup.save('Save for background'));
    await expect(ambient.getByRole('radio', { name: /^Background, f\/2,/ })).toBeVisible();
    expect(again.count).toBeLessThanOrEqual(3);

    const next = new Taps();
    await next.on(page.getByRole('tab', { name: 'Log' }));
    await next.on(page.getByRole('button', { name: /^Next setup from Setup 1/ }));
    await expect(page.getByRole('heading', { name: 'Setup 2' }).filter({ visible: true })).toBeVisible();
    const fresh = page.getByRole('tabpanel', { name: 'Ambient' }).filter({ visible: true });
    for (const [key, point] of [
      ['f 2', 'face'],
      ['f 1.4', 'background'],
    ] as const) {
      await next.on(fresh.getByRole('button', { name: key, exact: true }));
      await next.on(setup.save(`Save for ${point}`));
    }
    // the camera stands as it stood: only what moves is named, and the power is there
    const bar = page.getByRole('region', { name: 'Next', exact: true }).filter({ visible: true });
    await expect(bar).toContainText(/Set the camera|Flash (to|up|down)|it wants/);
    expect(next.count).toBeLessThanOrEqual(6);
    await page.getByRole('tab', { name: 'Lights' }).filter({ visible: true }).click();
    await expect(page.getByRole('button', { name: /in every scale$/ }).filter({ visible: true })).toHaveText(/1\/\d+/);
  });

  test('a test is corrected in three', async ({ page, stack, setup }) => {
    await setup.open(stack, HALL);
    await setup.setCamera();
    await setup.doNext();
    const check = await setup.part('Check');
    const power = async () => (await page.getByRole('group', { name: 'To be dialled' }).innerText()).split('A ').at(-1);
    const before = await power();
    const taps = new Taps();
    await taps.on(check.getByRole('button', { name: 'f 2.8', exact: true }));
    await taps.on(check.getByRole('button', { name: 'and 4 tenths', exact: true }));
    await taps.on(setup.save('Save the test'));
    await expect.poll(power).not.toBe(before);
    expect(taps.count).toBe(3);
  });

  test('three lights are set, and each of their points is checked, in thirty', async ({ page, stack, setup }) => {
    await setup.open(stack, TERRACE);
    await setup.typeReading('Ambient', 'Face, ambient', '7.1');
    await (await setup.part('Ambient')).getByRole('radio', { name: /^Background/ }).click();
    await setup.typeReading('Ambient', 'Background, ambient', '16');
    await (await setup.part('Look')).getByRole('button', { name: /^Carry/ }).click();
    await (await setup.part('Camera')).getByRole('button', { name: /^Apply: Stop down/ }).click();
    const taps = new Taps();
    await taps.on(page.getByRole('tab', { name: 'Lights' }));
    const lights = page.getByRole('tabpanel', { name: 'Lights' });
    await taps.on(lights.getByRole('button', { name: /^Add a fill/ }));
    await expect(lights.getByRole('group', { name: 'Fill B', exact: true })).toBeVisible();
    await taps.on(lights.getByRole('button', { name: /^Add a rim/ }));
    await expect(lights.getByRole('group', { name: 'Rim C', exact: true })).toBeVisible();
    const keysOf = (text: string): string[] => {
      const [, aperture = '', tenth = ''] = /f\/([\d.]*\d)([¹²³⁴⁵⁶⁷⁸⁹]?)/.exec(text) ?? [];
      const tenths = '⁰¹²³⁴⁵⁶⁷⁸⁹'.indexOf(tenth);
      return [`f ${aperture}`, ...(tenth === '' ? [] : [`and ${tenths} ${tenths === 1 ? 'tenth' : 'tenths'}`])];
    };
    const bar = setup.next.getByRole('button').first();
    const said = async () => (await setup.next.textContent()) ?? '';
    const checked = new Set<string>();
    for (let text = await said(); checked.size < 3; text = await said()) {
      await taps.on(bar);
      const meters = /^Meter the (shadow side|hair light)/.exec(text)?.[1];
      if (meters !== undefined) {
        const ambient = page.getByRole('tabpanel', { name: 'Ambient' });
        const key = meters === 'hair light' ? 'f 11' : 'f 2.8';
        await taps.on(ambient.getByRole('button', { name: key, exact: true }));
        await taps.on(setup.save(`Save for ${meters}`));
      } else if (text.includes('First way out')) {
        await taps.on(
          page
            .getByRole('button', { name: /^Apply: / })
            .filter({ visible: true })
            .first(),
        );
      } else if (text.includes('Fire all')) {
        const check = page.getByRole('tabpanel', { name: 'Check' });
        checked.add(/Dome at the ([a-z ]+):/.exec(text)?.[1] ?? '');
        for (const key of keysOf(text.slice(text.indexOf('should read'))))
          await taps.on(check.getByRole('button', { name: key, exact: true }));
        await taps.on(setup.save('Save the test'));
      }
      await expect(setup.next).not.toHaveText(text);
    }
    await expect(page.getByText(/all together: read f\/.*, foretold f\//).first()).toBeVisible();
    expect(checked).toEqual(new Set(['shadow side', 'face', 'hair light']));
    expect(taps.count).toBeLessThanOrEqual(30);
  });
});
