import type { Page } from '@playwright/test';

import { startOwnStandIns } from '../scripts/standIns.mjs';
import { expect, HALL, SetupPage, Stack, test } from './stack';

const FIVE_MINUTES = 5 * 60_000;

/** The kit's LED panel, held low as a fill. */
const PANEL = {
  id: '019c9c00-0000-7000-8000-000000000971',
  lampId: '019c9c00-0000-7000-8000-000000000165',
  pointId: 'face',
  distanceM: 2,
  sideDeg: -30,
  heightM: 0,
  offAxisDeg: 0,
  on: true,
  dimStops: -3,
  kelvin: 5000,
  role: 'fill',
  standsFor: null,
  fromDusk: false,
};

/** A clock of the test's own, on the page and in what the server says of the time. */
async function ownClock(page: Page) {
  let aheadMs = 0;
  await page.clock.install({ time: new Date() });
  await page.route('**/api/sync', async (route) => {
    const answer = await route.fetch().catch(() => null);
    if (answer === null) return route.abort();
    const told = (await answer.json().catch(() => null)) as { now?: number } | null;
    if (typeof told?.now !== 'number') return route.fulfill({ response: answer });
    await route.fulfill({ response: answer, json: { ...told, now: told.now + aheadMs } });
  });
  return {
    on: async (ms: number) => {
      aheadMs += ms;
      await page.clock.fastForward(ms);
    },
  };
}

test('a blue hour by minutes: the simulated meter reads, and camera and panel follow while the flash stays', async ({
  page,
}) => {
  const standIns = await startOwnStandIns({ SEED: '7', UNDER_STOPS: '3', FALL_STOPS: '0.25' });
  const stack = await Stack.start({ devices: standIns.map(({ address }) => address) });
  await stack.query("update documents set body = jsonb_set(body, '{lamps}', $2::jsonb) where id = $1", [
    HALL.replace('/setup/', ''),
    JSON.stringify([PANEL]),
  ]);
  const clock = await ownClock(page);
  const setup = new SetupPage(page);
  await setup.open(stack, HALL);
  const ambient = await setup.part('Ambient');
  await ambient.getByRole('button', { name: 'Devices' }).click();
  const meter = page.getByRole('article', { name: 'Simulated meter' });
  await meter.getByRole('button', { name: 'Connect Simulated meter', exact: true }).click();
  await expect(meter.getByRole('button', { name: 'Disconnect Simulated meter', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
  const points = (await setup.part('Ambient')).getByRole('radiogroup', { name: 'Point' });
  const press = async (point: 'Face' | 'Background') => {
    await points.getByRole('radio', { name: new RegExp(`^${point}`) }).click();
    const key = page.getByRole('button', { name: new RegExp(`^Press .*${point.toLowerCase()}`, 'i') });
    await key.filter({ visible: true }).click();
    await expect(
      page.getByText(new RegExp(`^${point}: .* from simulated meter`)).filter({ visible: true }),
    ).toBeVisible();
  };
  // the flash is left alone, so the shutter stands at sync and the ISO follows
  let lastIso = 0;
  for (let round = 0; round < 4; round += 1) {
    await press('Face');
    await press('Background');
    await expect(setup.next).toContainText(/Set the camera: .*ISO \d+/);
    if (round > 0) await expect(setup.next).toContainText(/The light is another: .* stop darker/);
    const iso = Number(/ISO (\d+)/.exec(await setup.next.innerText())?.[1]);
    expect(iso).toBeGreaterThan(lastIso);
    lastIso = iso;
    await setup.next.getByRole('button', { name: /^It is set/ }).click();
    await clock.on(FIVE_MINUTES);
  }
  const hour = page.getByRole('group', { name: 'The next hour', exact: true });
  await hour.getByRole('button', { name: /^The next hour/ }).click();
  // and so it goes on: the ISO by minutes, the panel trimmed along with it
  await expect(hour).toContainText(/ISO \d+/);
  await expect(hour).toContainText(/lamps [\d.]+ stops? darker than now/);
  for (const { process: device } of standIns) device.kill();
  await stack.kill();
});
