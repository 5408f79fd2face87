import { expect, HALL, WALKED_SIZES, TERRACE, TERRACE_SPOT, test } from './stack';

for (const [size, viewport] of WALKED_SIZES)
  test.describe(`at ${size} size`, () => {
    test.use({ viewport });

    test('the day on one line: windows to the minute, a mark or a key goes there, stage and words follow', async ({
      page,
      setup,
      stack,
    }) => {
      await setup.open(stack, HALL);
      const stage = await setup.part('Stage');
      await stage.getByRole('button', { name: /^Sun\. / }).click();
      await stage.getByRole('radio', { name: 'Place and time' }).click();
      const day = stage.getByRole('group', { name: 'The day', exact: true });
      // the place is that of the terrace, the zone that of the shoot: −4° is passed at 18:20
      await expect(day).toContainText(/Golden 0[67]:\d\d to 0[78]:\d\d and 17:\d\d to 18:2[01]/);
      await expect(day).toContainText(/Blue 0[67]:\d\d to 0[67]:\d\d and 18:2[01] to 18:3\d/);
      await expect(day).toContainText(/Sun up 0[67]:\d\d, down 1[78]:\d\d/);
      await day.getByRole('button', { name: /^Blue: to 18:2[01]$/ }).click();
      const time = day.getByRole('slider', { name: 'Time of the day' });
      await expect(time).toHaveAttribute('aria-valuetext', /^18:2[01], blue hour$/);
      await expect(stage.getByText('Sun 4° under the horizon.').first()).toBeVisible();
      await time.press('PageDown');
      await expect(time).toHaveAttribute('aria-valuetext', /^17:[45]\d, golden light$/);
      await expect(stage.getByText(/^Sun .* [12]° high\.$/).first()).toBeVisible();
      await page.getByRole('button', { name: 'Take the last thing back' }).filter({ visible: true }).click();
      await expect(time).toHaveAttribute('aria-valuetext', /^18:2[01], blue hour$/);

      // far north at midsummer
      await stage.getByRole('button', { name: /^Latitude / }).click();
      await stage.getByLabel('Latitude, typed').fill('71');
      await stage.getByLabel('Latitude, typed').press('Enter');
      await stage
        .getByRole('group', { name: 'Day and time there' })
        .getByRole('button')
        .filter({ hasText: /\d{4}-/ })
        .click();
      await stage.getByLabel('Day and time there').last().fill('2026-06-21 12:00');
      await stage.getByLabel('Day and time there').last().press('Enter');
      await expect(day).toContainText('The sun does not set that day');
      await expect(day).toContainText('Blue: none that day');
    });
  });

/** Where it is so many hours of the day by the sun now: on the equator, degrees east. */
function eastWhere(hours: number): number {
  const now = new Date();
  const east = (hours - now.getUTCHours() - now.getUTCMinutes() / 60) * 15;
  return Math.round(((((east + 180) % 360) + 360) % 360) - 180);
}

test('the sun stands there now: one tap tells which way the camera looks, and where it is night it says why not', async ({
  setup,
  stack,
}) => {
  /** The sun's place is that of the spot. */
  const placeTheTerrace = async (longitude: number) => {
    await setup.open(stack, TERRACE_SPOT);
    const field = setup.page.getByLabel('Coordinates');
    await field.fill(`0, ${longitude}`);
    await field.press('Enter');
    await expect(field).toHaveValue(`0.00000, ${longitude.toFixed(5)}`);
    await expect(setup.saved).toBeVisible();
  };
  const openTheSun = async () => {
    await setup.open(stack, TERRACE);
    const stage = await setup.part('Stage');
    await stage.getByRole('button', { name: /^Sun\. / }).click();
    return stage;
  };
  const stage = await openTheSun();
  await stage.getByRole('radio', { name: 'By hand' }).click();
  const said = await stage
    .getByText(/^Sun .* high\.$/)
    .first()
    .textContent();
  const side = /^Sun (.*), \d+° high/.exec(said ?? '')?.[1] ?? '';
  await expect(setup.saved).toBeVisible();
  const seeItFromTheTerrace = async () => {
    await openTheSun();
    await stage.getByRole('button', { name: 'It stands there now' }).click();
  };
  await placeTheTerrace(eastWhere(0));
  await seeItFromTheTerrace();
  await expect(stage.getByRole('alert')).toContainText('the sun is not up now');
  await expect(stage.getByRole('radio', { name: 'By hand' })).toBeChecked();
  await placeTheTerrace(eastWhere(10));
  await seeItFromTheTerrace();
  await expect(stage.getByRole('radio', { name: 'Place and time' })).toBeChecked();
  // it stands where it was seen, as high as it is there now
  await expect(stage.getByText(new RegExp(`^Sun ${side}, [3-9][0-9]° high`)).first()).toBeVisible();
});
