import { readFileSync } from 'node:fs';
import type { Download, Locator, Page } from '@playwright/test';

import { expect, HALL, SIZES, TERRACE_SPOT, test } from './stack';

const SHOOT = '019c9c00-0000-7000-8000-000000000001';

async function give(page: Page, button: Locator, name: string, text: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await button.click();
  await (await chooser).setFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(text) });
}

async function textOf(page: Page, button: Locator): Promise<string> {
  const coming: Promise<Download> = page.waitForEvent('download');
  await button.click();
  return readFileSync(await (await coming).path(), 'utf8');
}

/** A dial that is typed into. */
async function type(within: Locator | Page, label: string, text: string): Promise<void> {
  await within.getByRole('button', { name: new RegExp(`^${label} .*Type a value`) }).click();
  await within.getByLabel(`${label}, typed`).fill(text);
  await within.getByLabel(`${label}, typed`).press('Enter');
  await expect(within.getByLabel(`${label}, typed`)).toHaveCount(0);
}

/** Minutes of the day at which a line of the light card says that something happens. */
async function minuteOf(card: Locator, what: RegExp): Promise<number> {
  const text = await card.getByText(what).first().textContent();
  const [, hour, minute] = /^(\d\d):(\d\d)/.exec(text ?? '') ?? [];
  return Number(hour) * 60 + Number(minute);
}

for (const [size, viewport] of SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('a spot: pasted, from a file, taught by what stands round it; the sun leaves when the outline says', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, TERRACE_SPOT);
      const card = page.getByRole('list', { name: 'Light card' });
      await expect(page.getByRole('group', { name: 'The day', exact: true })).toContainText('Sun up 07:02, down 18:01');
      // the ridge is drawn 8° high: the sun passes that height at 17:07
      await expect(card).toContainText('17:07 The sun leaves people, safe until 17:06.');
      await page.getByRole('button', { name: /^What stands round it/ }).click();
      await type(page.getByRole('group', { name: 'Ridge 1' }), 'As high as', '12');
      await expect(card).not.toContainText('17:07');
      expect(await minuteOf(card, /The sun leaves people/)).toBeLessThan(16 * 60 + 45);
      await page.getByRole('button', { name: 'Take the last thing back' }).click();
      await expect(card).toContainText('17:07 The sun leaves people');

      const field = page.getByLabel('Coordinates');
      await field.fill('Orlabach');
      await field.press('Enter');
      await expect(page.getByRole('alert')).toContainText('latitude first');
      await expect(field).toHaveValue('Orlabach');
      await field.fill('33° 55\' 0" S, 18° 25\' 0" E');
      await field.press('Enter');
      await expect(field).toHaveValue('-33.91667, 18.41667');
      await expect(page.getByText('Time there: Africa/Johannesburg')).toBeVisible();

      const file = page.getByRole('button', { name: 'From a file' });
      await give(page, file, 'cut.gpx', '<?xml version="1.0"?><gpx><wpt lat="1"');
      await expect(page.getByRole('alert')).toContainText('This GPX file is damaged');
      await expect(field).toHaveValue('-33.91667, 18.41667');
      const gpx =
        '<gpx version="1.1"><wpt lat="46.93" lon="10.21"><name>Station</name></wpt>' +
        '<wpt lat="89" lon="10"><name>Far north</name></wpt></gpx>';
      await give(page, file, 'places.gpx', gpx);
      await page.getByRole('button', { name: 'Far north' }).click();
      await expect(page.getByText('The sun does not rise that day')).toBeVisible();
      await expect(page.getByText('The sun does not come and go here that day.')).toBeVisible();
      await page.getByRole('button', { name: 'As at Winch hall' }).click();
      await expect(card).toContainText('17:07 The sun leaves people');
      // what it is like raises its caution with the lights of every setup there
      await page.getByRole('checkbox', { name: /^Water edge/ }).click();
      await expect(page.getByRole('list', { name: 'Cautions' })).toContainText('Nobody steps back to the edge');
      await expect(setup.saved).toBeVisible();
      await page.reload();
      await expect(page.getByRole('checkbox', { name: /^Water edge/ })).toBeChecked();
    });

    test('the sample day is planned: in order, in windows; late; a calendar and places out and in again', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, `/shoot/${SHOOT}`);
      await page.getByRole('button', { name: 'Plan of the day' }).click();
      const cards = page.getByRole('article').filter({ visible: true });
      const card = (name: string) => page.getByRole('article', { name, exact: true });
      await expect(cards).toHaveCount(4);
      await expect(cards.nth(3)).toHaveAccessibleName('Blue hour by the cabin');
      await expect(card('Blue hour by the cabin')).toContainText(/18:2[01] to 18:3[56]/);
      await expect(card('Blue hour by the cabin')).toContainText('in its window');
      await expect(card('Couple against the low sun')).toContainText('begin by 16:47');

      // the couple later than the sun lasts: said, and taken back
      const couple = card('Couple against the low sun');
      await couple.getByRole('button', { name: /^Times and window/ }).click();
      await type(couple, 'First frame', '17:00');
      await expect(couple).toContainText('12 min outside of its window');
      await page.getByRole('button', { name: 'Take the last thing back' }).click();
      await expect(couple).toContainText('16:30 to 16:50');

      await page.getByRole('button', { name: /^Running late/ }).click();
      const late = page.getByRole('group', { name: 'Running late' });
      await type(late, 'Late by', '20');
      await expect(late.getByRole('status')).toContainText(/Everything still comes in time|Leave out/);
      await type(late, 'Late by', '150');
      await expect(late.getByRole('status')).toContainText('Leave out: Couple against the low sun');

      await page.getByRole('button', { name: /^Run sheet and files/ }).click();
      const calendar = await textOf(page, page.getByRole('button', { name: 'Calendar out', exact: true }));
      expect(calendar).toContain('SUMMARY:Family of eleven');
      expect(calendar).toContain('DTSTART:20260227T144000Z');
      const calendarIn = page.getByRole('button', { name: 'Calendar in', exact: true });
      await give(page, calendarIn, 'half.ics', calendar.slice(0, 200));
      await expect(page.getByRole('alert')).toContainText('no whole iCalendar file');
      await give(page, calendarIn, 'later.ics', calendar.replace('20260227T144000Z', '20260227T145500Z'));
      await expect(page.getByRole('status').getByText('4 setups have new times.')).toBeVisible();
      await expect(card('Family of eleven')).toContainText('15:55 to');
      const geoJson = await textOf(page, page.getByRole('button', { name: 'Places as GeoJSON', exact: true }));
      expect(JSON.parse(geoJson)).toMatchObject({
        features: [{ geometry: { coordinates: [10.21, 46.93] } }, {}, {}, {}],
      });
      expect(await textOf(page, page.getByRole('button', { name: 'Places as GPX', exact: true }))).toContain(
        '<name>Upper terrace</name>',
      );
    });

    test('the next hour from readings: bands, what holds the picture, a sun that goes in and comes out', async ({
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      const ambient = await setup.part('Ambient');
      const hour = ambient.getByRole('group', { name: 'The next hour', exact: true });
      await hour.getByRole('button', { name: /^The next hour/ }).click();
      // months ago: it is counted from the last reading
      await expect(hour).toContainText('From the last reading, 27 Feb, 14:12');
      await expect(hour).toContainText('known from the readings alone');
      await hour.getByRole('button', { name: 'Take the sun of this spot' }).click();
      await expect(hour).toContainText('change from the sun at this place');
      await expect(hour.getByRole('img', { name: /^Ambient of the next hour\. Face from EV 7\.0 to/ })).toBeVisible();
      await expect(hour.getByRole('table')).toContainText('14:27');
      await expect(hour.getByRole('group', { name: 'What holds the picture' })).toBeVisible();
      await expect(hour.getByRole('group', { name: 'If nothing is touched' })).toBeVisible();

      // metered now it is the hour that comes
      await setup.typeReading('Ambient', 'Face, ambient', '4');
      await expect(hour).toContainText('Meter the background again now');

      const pair = ambient.getByRole('group', { name: 'Sun and cloud', exact: true });
      await pair.getByRole('button', { name: /^Sun and cloud/ }).click();
      await pair.getByRole('button', { name: 'The sun went in' }).click();
      await expect(pair.getByRole('radio', { name: 'Sun in' })).toBeChecked();
      await setup.typeReading('Ambient', 'Face, ambient', '2.8');
      await pair.getByRole('radio', { name: 'Sun out' }).click();
      const face = ambient.getByRole('radiogroup', { name: 'Point' }).getByRole('radio', { name: /^Face/ });
      // as it was read before the cloud, within a tenth of what has gone since
      await expect(face).toHaveAccessibleName(/f\/4/);
      await pair.getByRole('radio', { name: 'Sun in' }).click();
      await expect(face).toHaveAccessibleName(/f\/2\.8/);
    });
  });

test('on the day: what is on, how long still, what to set, what is next and must not be missed', async ({
  page,
  setup,
  stack,
}) => {
  // the sample's day is today: its plan begins five minutes from now
  const now = new Date();
  const date = now.toISOString().slice(0, 10);
  const at = (minutes: number) => new Date(now.getTime() + minutes * 60_000).toISOString();
  await stack.query("update documents set body = body || $1::jsonb where body ->> 'type' = 'shoot'", [
    JSON.stringify({ date, timeZone: 'UTC' }),
  ]);
  for (const [id, minutes] of [
    ['11', -5],
    ['13', 60],
  ] as const)
    await stack.query("update documents set body = jsonb_set(body, '{plan,startsAt}', $2::jsonb) where id = $1", [
      `019c9c00-0000-7000-8000-0000000000${id}`,
      JSON.stringify(at(minutes)),
    ]);
  await setup.open(stack, `/now/${SHOOT}`);
  const on = page.getByRole('group', { name: 'On now' });
  await expect(on).toContainText('Ceremony by the windows');
  await expect(on.getByRole('status')).toHaveText(/^(29|30) min left$/);
  await expect(on).toContainText('1/125 f/2.8 400');
  await expect(page.getByRole('group', { name: 'Next', exact: true })).toContainText('Family of eleven');
  await expect(page.getByRole('group', { name: 'Must not be missed' })).toContainText('Family of eleven');
  await page.getByRole('checkbox', { name: /^Stays on/ }).click();
  await expect(page.getByRole('checkbox', { name: /^Stays on/ })).not.toBeChecked();
  await setup.next.getByRole('button', { name: /Open/ }).click();
  await expect(page.getByRole('heading', { name: 'Ceremony by the windows' }).filter({ visible: true })).toBeVisible();
});
