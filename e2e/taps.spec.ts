import type { Locator } from '@playwright/test';

import { expect, HALL, PHONE, test } from './stack';

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
});
