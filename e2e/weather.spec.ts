import { readFileSync } from 'node:fs';
import path from 'node:path';

import { startOwnWeather } from '../scripts/standIns.mjs';
import { expect, HALL, SetupPage, WALKED_SIZES, Stack, TERRACE, TERRACE_SPOT, test } from './stack';

const SHOOT = '019c9c00-0000-7000-8000-000000000001';
const PICTURE = readFileSync(path.join(import.meta.dirname, 'fixtures/terrace.jpg'));

/** A cold and windy day at the terrace, foretold by the hour. */
const STORM = {
  source: 'Test',
  simulated: true,
  askedAt: '2026-02-27T06:00:00Z',
  hours: Array.from({ length: 24 }, (_, hour) => ({
    at: new Date(Date.parse('2026-02-27T00:00:00Z') + hour * 3_600_000).toISOString(),
    cloud: 0.9,
    windMps: 7,
    gustMps: 12,
    rainMmH: 0.4,
    temperatureC: -8,
  })),
};

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('the weather is asked for by one tap, and is there without a network', async ({ page }) => {
      const weather = await startOwnWeather();
      const stack = await Stack.start({ weather: weather.address });
      const setup = new SetupPage(page);
      await setup.open(stack, TERRACE_SPOT);
      const part = page.getByRole('group', { name: 'Weather', exact: true });
      await part.getByRole('button', { name: 'Ask for that day' }).click();
      const hours = part.getByRole('list', { name: 'Weather by the hour' }).getByRole('listitem');
      await expect(hours).toHaveCount(8);
      await expect(hours.nth(5)).toContainText(/15:00 ?Cloud \d+ %, gusts \d+ m\/s, −?\d+ °C/);
      await expect(part).toContainText('Simulated weather, asked');
      await expect(setup.saved).toBeVisible();
      await stack.kill();
      await part.getByRole('button', { name: 'Ask again' }).click();
      await expect(part.getByRole('alert')).toContainText('No network');
      await expect(hours).toHaveCount(8);
      await stack.up();
      await page.reload();
      await expect(hours).toHaveCount(8);
      await part.getByRole('button', { name: 'Forget it' }).click();
      await expect(hours).toHaveCount(0);
      await page.getByRole('button', { name: 'Take the last thing back' }).click();
      await expect(hours).toHaveCount(8);
      await stack.kill();
      weather.process.kill();
    });

    test('wind, rain and cold that are foretold raise their cautions and stand in the plan; a battery by one tap', async ({
      page,
      setup,
      stack,
    }) => {
      await stack.query("update documents set body = jsonb_set(body, '{weather}', $2::jsonb) where id = any($1)", [
        [TERRACE_SPOT.replace('/spot/', '')],
        JSON.stringify(STORM),
      ]);
      await stack.query("update documents set body = jsonb_set(body, '{plan,startsAt}', $2::jsonb) where id = $1", [
        TERRACE.replace('/setup/', ''),
        JSON.stringify('2026-02-27T15:30:00Z'),
      ]);
      await stack.query("update documents set body = jsonb_set(body, '{pace}', $2::jsonb) where id = $1", [
        HALL.replace('/setup/', ''),
        JSON.stringify({ framesPerMinute: 20, frames: 300 }),
      ]);
      // the plan's day is over: the weather of now counts, and of now nothing was asked
      await setup.open(stack, TERRACE);
      const lights = await setup.part('Lights');
      await expect(lights.getByText('Keep mains out of the wet')).toBeVisible();
      await expect(lights.getByText(/foretold gusts/)).toHaveCount(0);
      await setup.open(stack, `/plan/${SHOOT}`);
      const card = page.getByRole('article', { name: 'Couple against the low sun', exact: true });
      await expect(card).toContainText('Cloud 90 %, gusts 12 m/s, −8 °C, rain 0.4 mm an hour');
      const ceremony = page.getByRole('article', { name: 'Ceremony by the windows', exact: true });
      await expect(ceremony).toContainText(/Key A: \d+ % left after it \(300 frames planned\)/);
    });

    test('photos of a place: added, named, taken away and brought back', async ({ page, setup, stack }) => {
      await setup.open(stack, TERRACE_SPOT);
      const photos = page.getByRole('group', { name: 'Photos', exact: true });
      const chooser = page.waitForEvent('filechooser');
      await photos.getByRole('button', { name: 'Add a photo' }).click();
      await (await chooser).setFiles({ name: 'ridge.jpg', mimeType: 'image/jpeg', buffer: PICTURE });
      await expect(photos.getByRole('img', { name: 'ridge' })).toBeVisible();
      await photos.getByLabel('What ridge shows').fill('Ridge to the west');
      await photos.getByLabel('What ridge shows').press('Enter');
      await expect(photos.getByRole('img', { name: 'Ridge to the west' })).toBeVisible();
      await expect(setup.saved).toBeVisible();
      await page.reload();
      await expect(photos.getByRole('img', { name: 'Ridge to the west' })).toBeVisible();
      await photos.getByRole('button', { name: 'Remove Ridge to the west' }).click();
      await expect(photos.getByRole('img')).toHaveCount(0);
      await page.getByRole('button', { name: /Bring .*back/ }).click();
      await expect(photos.getByRole('img', { name: 'Ridge to the west' })).toBeVisible();
      const wrong = page.waitForEvent('filechooser');
      await photos.getByRole('button', { name: 'Add a photo' }).click();
      await (await wrong).setFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('notes') });
      await expect(photos.getByRole('alert')).toContainText('no JPEG picture');
    });
  });

test('the wind that is foretold for now asks for ballast, and the cold is told', async ({ setup, stack }) => {
  const now = new Date();
  const hours = STORM.hours.map((hour, index) => ({
    ...hour,
    at: new Date(Math.floor(now.getTime() / 3_600_000 + index - 2) * 3_600_000).toISOString(),
  }));
  await stack.query(
    "update documents set body = jsonb_set(body, '{weather}', $1::jsonb) where body ->> 'type' = 'spot'",
    [JSON.stringify({ ...STORM, hours })],
  );
  await setup.open(stack, TERRACE);
  const lights = await setup.part('Lights');
  await expect(lights.getByText(/foretold gusts of 12 m\/s/).first()).toBeVisible();
  await expect(lights.getByText(/At −8 °C batteries give about 7\d %/)).toBeVisible();
  await expect(lights.getByText(/Rain is foretold/)).toBeVisible();
});

test('a notice comes when a reading is due, on whatever screen the page is', async ({
  page,
  context,
  setup,
  stack,
}) => {
  await context.grantPermissions(['notifications']);
  await page.addInitScript(() => {
    const told: string[] = [];
    Object.assign(window, { told });
    class Told {
      static permission = 'granted';
      static requestPermission = () => Promise.resolve('granted');
      constructor(title: string, { body }: { body: string }) {
        told.push(`${title}: ${body}`);
      }
    }
    Object.assign(window, { Notification: Told });
  });
  await setup.open(stack, HALL);
  const ambient = await setup.part('Ambient');
  for (const field of ['Face, ambient', 'Background, ambient']) {
    await ambient
      .getByRole('radiogroup', { name: 'Point' })
      .getByRole('radio', { name: new RegExp(`^${field.split(',')[0] ?? ''}`) })
      .click();
    await setup.typeReading('Ambient', field, '4');
  }
  const hour = ambient.getByRole('group', { name: 'The next hour', exact: true });
  await hour.getByRole('button', { name: /^The next hour/ }).click();
  await hour.getByRole('checkbox', { name: 'Tell me when it is due' }).click();
  await expect(hour.getByRole('checkbox', { name: 'Tell me when it is due' })).toBeChecked();
  await page.getByRole('button', { name: 'Back', exact: true }).filter({ visible: true }).click();
  await expect(page.getByRole('button', { name: 'Plan of the day' })).toBeVisible();
  expect(await page.evaluate(() => (window as unknown as { told: string[] }).told)).toEqual([]);
  // on another page of the device the sun goes in
  const other = new SetupPage(await context.newPage());
  await other.open(stack, HALL);
  const there = await other.part('Ambient');
  const pair = there.getByRole('group', { name: 'Sun and cloud', exact: true });
  await pair.getByRole('button', { name: /^Sun and cloud/ }).click();
  await pair.getByRole('button', { name: 'The sun went in' }).click();
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { told: string[] }).told))
    .toEqual([expect.stringMatching(/^Ceremony by the windows: Meter the .* again now/)]);
});
