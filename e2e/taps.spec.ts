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

const WHOLE = ['1', '1.4', '2', '2.8', '4', '5.6', '8', '11', '16', '22'];
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹';
/** The reading that the bar foretells: `f/5.6¹`. */
function figureIn(text: string): { whole: string; tenths: number } {
  const [, whole = '', tenth = ''] = /should read f\/(\d+(?:\.\d)?)([⁰¹²³⁴⁵⁶⁷⁸⁹]?)/.exec(text) ?? [];
  return { whole, tenths: tenth === '' ? 0 : RAISED.indexOf(tenth) };
}
const tenthsKey = (tenths: number): string => (tenths === 1 ? 'and 1 tenth' : `and ${tenths} tenths`);

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
    await setup.openFresh(stack, 'Correction');
    await setup.tapReading('Ambient', ['f 2'], 'Save for face');
    await setup.tapReading('Ambient', ['f 1.4'], 'Save for background');
    await (await setup.part('Lights')).getByRole('button', { name: /^Add a key/ }).click();
    for (
      let step = 0;
      step < 4 && !/dome at the face|Dome at the face/.test((await setup.next.textContent()) ?? '');
      step += 1
    )
      await setup.doNext();
    const read = figureIn((await setup.next.textContent()) ?? '');
    const check = await setup.part('Check');
    const power = async () => (await page.getByRole('group', { name: 'To be dialled' }).innerText()).split('A ').at(-1);
    const before = await power();
    const taps = new Taps();
    // a stop over what was foretold
    await taps.on(check.getByRole('button', { name: `f ${WHOLE[WHOLE.indexOf(read.whole) + 1]}`, exact: true }));
    if (read.tenths > 0) await taps.on(check.getByRole('button', { name: tenthsKey(read.tenths), exact: true }));
    await taps.on(setup.save('Save the test'));
    await expect.poll(power).not.toBe(before);
    expect(taps.count).toBeLessThanOrEqual(3);
  });

  test('three lights are set and checked in thirty', async ({ page, stack, setup }) => {
    await setup.openFresh(stack, 'Three lights');
    const taps = new Taps();
    const to = (part: string) => taps.on(page.getByRole('tab', { name: part }));
    const lights = page.getByRole('tabpanel', { name: 'Lights' });
    await to('Lights');
    for (const role of ['key', 'fill', 'rim'])
      await taps.on(lights.getByRole('button', { name: new RegExp(`^Add a ${role}`) }));
    await expect(lights.getByRole('group', { name: 'Rim C', exact: true })).toBeVisible();
    await to('Ambient');
    const ambient = page.getByRole('tabpanel', { name: 'Ambient' });
    // each point comes by itself once the one before it is kept
    for (const [key, point] of [
      ['f 4', 'face'],
      ['f 2.8', 'background'],
      ['f 2.8', 'shadow side'],
      ['f 4', 'hair light'],
    ] as const) {
      await taps.on(ambient.getByRole('button', { name: key, exact: true }));
      await taps.on(setup.save(`Save for ${point}`));
    }
    // the bar leads through the rest; what the meter shows is what was foretold
    for (let step = 0; step < 24; step += 1) {
      const text = (await setup.next.textContent()) ?? '';
      if (/^Shoot/.test(text)) break;
      if (/^Fire all/.test(text)) {
        const check = await setup.part('Check');
        const { whole, tenths } = figureIn(text);
        await taps.on(check.getByRole('button', { name: `f ${whole}`, exact: true }));
        if (tenths > 0) await taps.on(check.getByRole('button', { name: tenthsKey(tenths), exact: true }));
        await taps.on(setup.save('Save the test'));
      } else await taps.on(setup.next.getByRole('button').first());
      await expect(setup.next).not.toHaveText(text);
    }
    await expect(setup.next).toContainText(/^Shoot/);
    expect(taps.count).toBeLessThanOrEqual(30);
  });
});
