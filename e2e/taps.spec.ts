import type { Locator } from '@playwright/test';

import { expect, PHONE, test } from './stack';

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

  test('a test is corrected in three, a point is metered again in three, the next setup has its power in six', async ({
    page,
    stack,
    setup,
  }) => {
    await setup.openFresh(stack, 'Taps');
    await setup.tapReading('Ambient', ['f 2.8'], 'Save for face');
    await setup.tapReading('Ambient', ['f 2.8'], 'Save for background');
    await (await setup.part('Lights')).getByRole('button', { name: /^Add a key/ }).click();
    await setup.setCamera();
    for (const said of [/Is the flash/, /Flash to/]) {
      await expect(setup.next).toContainText(said);
      await setup.doNext();
    }
    await expect(setup.next).toContainText('Fire a test');

    // from the test's reading to the corrected power, dialled
    const correct = new Taps();
    const check = page.getByRole('tabpanel', { name: 'Check' });
    await correct.on(check.getByRole('button', { name: 'f 4', exact: true }));
    await correct.on(check.getByRole('button', { name: 'Save the test' }));
    await expect(setup.next).toContainText(/Flash down \d/);
    await correct.on(setup.next.getByRole('button').first());
    await expect(setup.next).toContainText('Shoot:');
    expect(correct.count).toBeLessThanOrEqual(3);

    const again = new Taps();
    const ambient = await setup.part('Ambient');
    await again.on(ambient.getByRole('radio', { name: /^Background/ }));
    await again.on(ambient.getByRole('button', { name: 'f 2', exact: true }));
    await again.on(ambient.getByRole('button', { name: 'Save for background' }));
    await expect(ambient.getByRole('radio', { name: /^Background, f\/2,/ })).toBeVisible();
    expect(again.count).toBeLessThanOrEqual(3);

    // what comes after the frame stands behind the bar
    await expect(setup.next).toContainText('Shoot:');
    const next = new Taps();
    await next.on(setup.next.getByRole('button', { name: /^After it/ }));
    await next.on(page.getByRole('button', { name: /^Next setup from Setup 1/ }));
    await expect(page.getByRole('heading', { name: 'Setup 2' }).filter({ visible: true })).toBeVisible();
    const fresh = page.getByRole('tabpanel', { name: 'Ambient' }).filter({ visible: true });
    for (const point of ['face', 'background']) {
      await next.on(fresh.getByRole('button', { name: 'f 1.4', exact: true }));
      await next.on(fresh.getByRole('button', { name: `Save for ${point}` }));
    }
    // the camera stands as it stood: only what moves is named, and the power is there
    const bar = page.getByRole('region', { name: 'Next', exact: true }).filter({ visible: true });
    await expect(bar).toContainText(/Set the camera|Flash (to|up|down)/);
    expect(next.count).toBeLessThanOrEqual(6);
    await page.getByRole('tab', { name: 'Lights' }).filter({ visible: true }).click();
    await expect(page.getByRole('button', { name: /in every scale$/ }).filter({ visible: true })).toHaveText(/1\/\d+/);
  });

  test('three lights are set and checked in thirty', async ({ page, stack, setup }) => {
    await setup.openFresh(stack, 'Three');
    const taps = new Taps();
    const ambient = page.getByRole('tabpanel', { name: 'Ambient' });
    const read = async (key: string, point: string) => {
      await taps.on(ambient.getByRole('button', { name: `f ${key}`, exact: true }));
      await taps.on(ambient.getByRole('button', { name: `Save for ${point}` }));
    };
    await read('2.8', 'face');
    await read('2.8', 'background');
    await taps.on(page.getByRole('tab', { name: 'Lights' }));
    for (const role of ['key', 'fill', 'rim'])
      await taps.on(page.getByRole('button', { name: new RegExp(`^Add a ${role}`) }));
    await taps.on(page.getByRole('tab', { name: 'Ambient' }));
    await read('1.4', 'shadow side');
    await read('2', 'hair light');
    // all that is left is what the bar says, and what the meter then shows
    const check = page.getByRole('tabpanel', { name: 'Check' });
    for (let step = 0; step < 20; step += 1) {
      const text = (await setup.next.textContent()) ?? '';
      if (text.includes('Shoot:')) break;
      const should = /the meter should read f\/([\d.]+)/.exec(text)?.[1];
      if (should === undefined) await taps.on(setup.next.getByRole('button').first());
      else {
        if (!(await check.isVisible())) await taps.on(setup.next.getByRole('button').first());
        await taps.on(check.getByRole('button', { name: `f ${should}`, exact: true }));
        await taps.on(check.getByRole('button', { name: 'Save the test' }));
      }
      await expect(setup.next).not.toHaveText(text);
    }
    await expect(setup.next).toContainText('Shoot:');
    expect(taps.count).toBeLessThanOrEqual(30);
  });
});
