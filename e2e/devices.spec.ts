import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { Page } from '@playwright/test';

import { startOwnStandIns } from '../scripts/standIns.mjs';
import { SetupPage, Stack, TERRACE, expect, test as base, WALKED_SIZES } from './stack';

type StandIns = Awaited<ReturnType<typeof startOwnStandIns>>;
const endOf = async (device: ChildProcess) => {
  if (device.exitCode !== null || device.signalCode !== null) return;
  const gone = once(device, 'exit');
  device.kill('SIGKILL');
  await gone;
};

/** The real server with the real stand-ins in its reach. */
const test = base.extend<{ standIns: StandIns; reach: Stack }>({
  standIns: async ({}, provide) => {
    const standIns = await startOwnStandIns({ SEED: '7' });
    await provide(standIns);
    for (const { process: device } of standIns) await endOf(device);
  },
  reach: async ({ standIns }, provide) => {
    const stack = await Stack.start({ devices: standIns.map(({ address }) => address) });
    await provide(stack);
    await stack.kill();
  },
});

/** Connects a device, and waits until it is: its card grows then and moves the ones below from under the pointer. */
async function connect(page: Page, name: string): Promise<void> {
  const card = page.getByRole('article', { name });
  await card.getByRole('button', { name: `Connect ${name}`, exact: true }).click();
  await expect(card.getByRole('button', { name: `Disconnect ${name}`, exact: true })).toBeVisible();
}

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('five points by the simulated meter without typing, and a frame from the simulated camera', async ({
      page,
      reach,
    }) => {
      const setup = new SetupPage(page);
      await setup.open(reach, TERRACE);
      let ambient = await setup.part('Ambient');
      await ambient.getByRole('button', { name: 'Devices' }).click();
      const meter = page.getByRole('article', { name: 'Simulated meter' });
      await expect(meter).toContainText('Simulated: it stands in an invented scene');
      await expect(page.getByRole('article', { name: 'Simulated camera' })).toBeVisible();
      await connect(page, 'Simulated meter');
      await expect(meter.getByRole('button', { name: 'Press for face' })).toBeVisible();
      await connect(page, 'Simulated camera');
      await expect(page.getByRole('button', { name: "Release at the setup's settings" })).toBeVisible();
      // pressed from the sheet: the reading goes to the face
      await meter.getByRole('button', { name: 'Press for face' }).click();
      await expect(page.getByText(/^Face: f\/.* from simulated meter\.$/).filter({ visible: true })).toBeVisible();

      await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
      ambient = await setup.part('Ambient');
      const chip = (name: string) =>
        ambient.getByRole('radiogroup', { name: 'Point' }).getByRole('radio', { name: new RegExp(`^${name}`) });
      await chip('Background').click();
      await ambient.getByRole('button', { name: 'Press simulated meter for background' }).click();
      await expect(chip('Background')).toHaveAccessibleName(/^Background, f\/.*just now/);
      for (const name of ['shadow side', 'sky', 'hair light']) {
        await ambient.getByRole('button', { name: `Add ${name}` }).click();
        await ambient.getByRole('button', { name: `Press simulated meter for ${name}` }).click();
        await expect(chip(name.replace(/^./, (first) => first.toUpperCase()))).toHaveAccessibleName(/, f\//);
      }
      await expect(setup.ladder).toHaveAttribute('aria-label', /Sky: \+?[\d.]+ stops/);
      // the true scene: the sky far over the face, the shadow side under it
      await expect(chip('Sky')).toHaveAccessibleName(/\+[23]\.\d$/);
      await expect(chip('Shadow side')).toHaveAccessibleName(/−[01]\.\d$/);

      await ambient.getByRole('button', { name: 'Release simulated camera' }).click();
      const frame = ambient.getByRole('group', { name: /^Frame Simulated camera/ });
      await expect(frame).toContainText('simulated camera');
      await expect(frame).toContainText(/1\/200, f\/2\.8, ISO 100/);
      const log = await setup.part('Log');
      await expect(log).toContainText('simulated meter');
    });
  });

test(
  'an ambient reading taken in flash mode is questioned; a meter that vanishes is survived with a ' +
    'message, and what it sent is kept',
  async ({ page, reach, standIns }) => {
    const setup = new SetupPage(page);
    await setup.open(reach, TERRACE);
    const ambient = await setup.part('Ambient');
    await ambient.getByRole('button', { name: 'Devices' }).click();
    const meter = page.getByRole('article', { name: 'Simulated meter' });
    await meter.getByRole('button', { name: 'Connect Simulated meter' }).click();
    await meter.getByRole('radio', { name: 'Flash' }).click();
    await meter.getByRole('button', { name: 'Press for face' }).click();
    await expect(page.getByText(/^Face: f\//).filter({ visible: true })).toBeVisible();
    await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
    await setup.part('Ambient');
    await expect(ambient.getByRole('alert')).toContainText('Face was metered as ambient with the meter in flash mode.');

    const device = standIns.find(({ name }) => name === 'meter');
    if (device === undefined) throw new Error('no meter');
    await endOf(device.process);
    await expect(ambient.getByRole('alert').filter({ hasText: 'Simulated meter: It went away.' })).toBeVisible();
    await expect(ambient.getByRole('button', { name: /^Press simulated meter/ })).toHaveCount(0);
    await expect(ambient.getByRole('radio', { name: /^Face, f\/.*just now/ })).toBeVisible();
    await ambient.getByRole('button', { name: 'Devices' }).click();
    await page.getByRole('button', { name: 'Look again' }).click();
    await expect(meter).toHaveCount(0);
    await expect(page.getByRole('article', { name: 'Simulated camera' })).toBeVisible();
  },
);

test('the meter is pressed on its own page too', async ({ page, context, reach, standIns }) => {
  const setup = new SetupPage(page);
  await setup.open(reach, TERRACE);
  const ambient = await setup.part('Ambient');
  await ambient.getByRole('button', { name: 'Devices' }).click();
  await page.getByRole('button', { name: 'Connect Simulated meter' }).click();
  await expect(page.getByRole('button', { name: 'Press for face' })).toBeVisible();
  const own = await context.newPage();
  await own.goto(standIns.find(({ name }) => name === 'meter')?.address ?? '');
  await own.getByRole('button', { name: 'Press', exact: true }).click();
  await expect(own.locator('output')).toContainText('f/');
  await expect(page.getByText(/^Face: f\/.* from simulated meter\.$/).filter({ visible: true })).toBeVisible();
});

test('three lights led through by the simulated devices, from nothing to balanced', async ({ page, reach }) => {
  const setup = new SetupPage(page);
  await setup.open(reach, TERRACE);
  let ambient = await setup.part('Ambient');
  await ambient.getByRole('button', { name: 'Devices' }).click();
  for (const name of ['Simulated meter', 'Simulated camera', 'Simulated radio']) await connect(page, name);
  await expect(page.getByText('No heads arranged yet')).toBeVisible();
  await page.getByRole('button', { name: 'Press for face' }).click();
  await expect(page.getByText(/^Face: f\/.* from simulated meter/).filter({ visible: true })).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
  await (await setup.part('Look')).getByRole('button', { name: /^Carry/ }).click();
  const camera = await setup.part('Camera');
  await camera.getByRole('button', { name: /^Apply: Stop down/ }).click();
  const lights = await setup.part('Lights');
  await lights.getByRole('button', { name: /^Add a fill/ }).click();
  await lights.getByRole('button', { name: /^Add a rim/ }).click();
  ambient = await setup.part('Ambient');
  for (const name of ['Background', 'Shadow side', 'Hair light']) {
    await ambient.getByRole('radio', { name: new RegExp(`^${name}`) }).click();
    await ambient.getByRole('button', { name: `Press simulated meter for ${name.toLowerCase()}` }).click();
    await expect(ambient.getByRole('radio', { name: new RegExp(`^${name}`) })).toHaveAccessibleName(/, f\/(?!11³)/);
  }
  const check = await setup.part('Check');
  await setup.setCamera();
  const told = await setup.next.textContent();
  // nobody has said where the new lights stand
  expect(told).toMatch(/Is (fill B|rim C) \d(\.\d)? m from the/);
  // all on, where it is known least, then the corrections, until all of it is known
  for (let turn = 0; turn < 18; turn += 1) {
    const text = (await setup.next.textContent()) ?? '';
    if (text.includes('Shoot:')) break;
    if (!text.includes('Fire all 3 together')) {
      await setup.doNext();
      await expect(setup.next).not.toHaveText(text);
      continue;
    }
    await check.getByRole('button', { name: /^Fire all lights by simulated radio/ }).click();
    await expect(setup.next).not.toHaveText(text);
    await expect(check.getByText(/, all together: read f\/.*, foretold f\//)).toBeVisible();
  }
  await expect(setup.next).toContainText('Shoot:');
  await expect(await setup.part('Log')).toContainText('simulated meter');
});

test('a radio without contact, a head not recycled and a wrong channel show as what they are', async ({
  page,
  reach,
}) => {
  const setup = new SetupPage(page);
  await setup.open(reach, TERRACE);
  await (await setup.part('Camera')).getByRole('button', { name: /^Apply: Stop down/ }).click();
  await (await setup.part('Ambient')).getByRole('button', { name: 'Devices' }).click();
  for (const name of ['Simulated meter', 'Simulated radio']) await connect(page, name);
  await expect(page.getByText('No heads arranged yet')).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
  const check = await setup.part('Check');
  const goWrong = async (fault: string) => {
    await (await setup.part('Ambient')).getByRole('button', { name: 'Devices' }).click();
    await page.getByRole('radio', { name: fault }).click();
    await expect(page.getByRole('radio', { name: fault })).toBeChecked();
    await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
    await setup.part('Check');
    await check.getByRole('button', { name: 'Fire Key A by simulated radio' }).click();
  };
  await goWrong('Lost contact');
  await expect(check.getByRole('alert')).toContainText('No contact with A');
  await goWrong('Not recycled');
  await expect(check.getByRole('alert')).toContainText('A is not recycled yet');
  await goWrong('Wrong channel');
  await expect(check.getByRole('alert')).toContainText('No flash was measured');
});
