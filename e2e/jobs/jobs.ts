import { expect } from '../stack';
import { evOf, type Job, stopsOfAperture, stopsOfPower } from './job';

/** A whole job from an empty shoot, with its figures worked out here by hand. */
export interface WholeJob {
  name: string;
  /** walked in every run; the others by `npm run jobs` */
  always?: true;
  run: (job: Job) => Promise<void>;
}

/** A third of a stop is a dial's step: settings lie within half of it of what is wanted, and a rounding of the print. */
const DIAL = 0.25;

/** EV at ISO 100 of a reading. */
const ev = (aperture: number, denominator: number, iso: number) => evOf({ aperture, seconds: 1 / denominator, iso });

/** The settings hold the ambient of the face so far under where a meter has it. */
async function holdsBack(job: Job, faceEv: number, stops: number): Promise<void> {
  await expect.poll(async () => Math.abs(evOf(await job.dialled()) - faceEv - stops)).toBeLessThan(DIAL);
}

/** What the meter should read where the bar sends it, in stops of aperture; null where it sends it nowhere. */
async function toldReading(job: Job): Promise<number | null> {
  const text = (await job.next.textContent()) ?? '';
  const figure = /(?:should read|reads?) (f\/\d+(?:\.\d)?[⁰¹²³⁴⁵⁶⁷⁸⁹]?)/.exec(text)?.[1];
  return figure === undefined ? null : stopsOfAperture(figure);
}

/** Fires and reads as the bar asks until there is nothing left but the frame; the first reading is off by so much. */
async function testedUntilShoot(job: Job, firstOffStops = 0): Promise<void> {
  let off = firstOffStops;
  for (let turn = 0; turn < 24; turn += 1) {
    const text = (await job.next.textContent()) ?? '';
    if (text.startsWith('Shoot')) return;
    const reads = /^Fire/.test(text) ? await toldReading(job) : null;
    if (reads === null) await job.doNext();
    else {
      await job.readTest(reads + off);
      off = 0;
    }
    await expect(job.next).not.toHaveText(text);
  }
  await expect(job.next).toContainText(/^Shoot/);
}

/**
 * One light is tested half a stop over the total: the ambient is no brighter, so all of it was the flash, and that much comes
 * off its power: log2((2^½ − 2^−h) / (1 − 2^−h)) with the ambient held back by h.
 */
async function testedHalfOver(job: Job, holdBackStops: number): Promise<void> {
  const ambient = 2 ** -holdBackStops;
  const less = Math.log2((Math.SQRT2 - ambient) / (1 - ambient));
  await job.until(/^Flash to/);
  const [before = ''] = (await job.dialled()).powers;
  await job.readTest((await job.shouldRead()) + 0.5);
  const offBy = async () => stopsOfPower(before) - stopsOfPower((await job.dialled()).powers[0] ?? '') - less;
  // a third of a stop for the dial, and what the estimate leaves to the reading's own doubt
  await expect.poll(async () => Math.abs(await offBy())).toBeLessThan(0.45);
  await testedUntilShoot(job);
}

/** The ladder's figure for a point, stops from mid grey. */
async function placed(job: Job, point: string): Promise<number> {
  const said = (await job.ladder.getAttribute('aria-label')) ?? '';
  const figure = new RegExp(`${point}: ([+−]?\\d+\\.\\d) stops`).exec(said)?.[1] ?? 'NaN';
  return Number(figure.replace('−', '-'));
}

export const JOBS: readonly WholeJob[] = [
  {
    name: 'an LED interview: a lamp is the key, set by its dimmer, read and corrected, then filmed',
    async run(job) {
      await job.meter('Face', 'f1 1/50 ISO 400');
      await job.meter('Background', 'f1 1/50 ISO 400');
      const camera = job.region('Camera');
      await job.unfold(camera, 'Video');
      await job.choose(camera, /^Video/);
      await job.setCamera();
      await expect(job.next).toContainText('Film');
      const lights = job.region('Lights');
      await lights.getByRole('button', { name: 'Add Two-colour LED panel' }).click();
      const lamp = lights.getByRole('group', { name: 'Two-colour LED panel', exact: true });
      await job.choose(lamp, 'Key');
      await job.until(/^(Meter the face again|Film)/);
      // half a stop more than was foretold comes off the dimmer again: 10^(0.5 log 2) is a factor of 1.4
      const set = Number(/Set as it should be, (\d+(?:\.\d)?) %/.exec((await lamp.textContent()) ?? '')?.[1]);
      const face = await placed(job, 'Face');
      expect(Math.abs(face)).toBeLessThan(DIAL);
      const { aperture, seconds, iso } = await job.dialled();
      await job.meter('Face', `f${(aperture * 2 ** 0.25).toFixed(2)} 1/${Math.round(1 / seconds)} ISO ${iso}`);
      await job.until(/^(Set the camera|Film)/);
      const now = Number(/Set as it should be, (\d+(?:\.\d)?) %/.exec((await lamp.textContent()) ?? '')?.[1]);
      expect(now).toBeLessThan(set);
      await job.until(/^Film/);
    },
  },
  {
    name: 'a bride in white at a wall: the dress stays under clipping, and one test corrects the power',
    always: true,
    async run(job) {
      await job.meter('Face', 'f4 1/125 ISO 100');
      await job.meter('White cloth', 'f4 1/125 ISO 100');
      await job.meter('Background', 'f2.8 1/125 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '1.8' });
      await job.aperture('f/5.6');
      await job.look('Lift');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(4, 125, 100), 2 / 3);
      await job.setCamera();
      // the spot on it says where it lies by itself: over the face, under clipping at +3.0
      const cloth = await placed(job, 'White cloth');
      expect(cloth - (await placed(job, 'Face'))).toBeGreaterThan(0.5);
      expect(cloth).toBeLessThan(3);
      await testedHalfOver(job, 2 / 3);
    },
  },
  {
    name: 'a door with a backdrop: a step back is metered again, and the camera opens by what was lost',
    async run(job) {
      await job.meter('Face', 'f5.6 1/125 ISO 200');
      await job.meter('Background', 'f4 1/125 ISO 200');
      const stage = job.region('Stage');
      await job.unfold(stage, 'Add to the stage');
      await stage.getByRole('button', { name: 'Add a door' }).click();
      await job.until(/^Set the camera/);
      const before = evOf(await job.dialled());
      await job.setCamera();
      await job.type(stage, 'Subject to the door', '4.5');
      await job.until(/^Meter the face again/);
      await job.meter('Face', 'f2.8 1/125 ISO 200');
      await job.meter('Background', 'f2.8 1/125 ISO 200');
      await job.setCamera();
      // two stops less light on the face are two stops less on the dials
      expect(Math.abs(before - evOf(await job.dialled()) - 2)).toBeLessThan(DIAL);
    },
  },
  {
    name: 'hard light with a grid, a rim and a low fill: all on, the least known first, until it is to be shot',
    async run(job) {
      await job.meter('Face', 'f2.8 1/125 ISO 100');
      await job.meter('Background', 'f2.8 1/125 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Dish 55 cm', grid: 'Grid 20', distanceM: '2' });
      await job.light('fill', 'B', { unit: 'Tern 400 B', modifier: 'Octagon 90 cm', distanceM: '2.5' });
      await job.light('rim', 'C', { unit: 'Wren 60 A', distanceM: '2.5' });
      await job.aperture('f/5.6');
      await job.look('Carry');
      await job.meter('Shadow side', 'f2.8 1/125 ISO 100');
      await job.meter('Hair light', 'f2.8 1/125 ISO 100');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(2.8, 125, 100), 2);
      await job.setCamera();
      expect((await job.dialled()).powers).toHaveLength(3);
      await testedUntilShoot(job, 0.3);
      // the fill opens the shadow side and leaves it under the face
      const open = (await placed(job, 'Face')) - (await placed(job, 'Shadow side'));
      expect(open).toBeGreaterThan(0.3);
      expect(open).toBeLessThan(2.5);
    },
  },
  {
    name: 'available light at a window with a reflector: no flash is spoken of',
    async run(job) {
      await job.meter('Face', 'f4 1/125 ISO 400');
      await job.meter('Shadow side', 'f1.4 1/125 ISO 400');
      await job.next.getByRole('button', { name: /^Leave out/ }).click();
      await job.until(/^Set the camera/);
      // nothing is held back: the settings are the meter's
      await holdsBack(job, ev(4, 125, 400), 0);
      await job.setCamera();
      const look = job.region('Look');
      await expect(look.getByRole('status').first()).toContainText('3.0 under the lit side, 1.0 more than wished');
      await job.unfold(look, 'Ways to the contrast wished');
      const ways = look.getByRole('list', { name: 'Ways to the contrast wished' });
      await ways.getByRole('listitem').filter({ hasText: 'Reflector disc' }).getByRole('button').click();
      await job.until(/^Meter the (face|shadow side) again/);
      await job.meter('Face', 'f4 1/125 ISO 400');
      await job.meter('Shadow side', 'f2 1/125 ISO 400');
      await job.until(/^Shoot/);
    },
  },
  {
    name: 'a practical gelled at dusk: warm beside the blue, and the white balance is the face’s',
    async run(job) {
      await job.meter('Face', 'f2 1/60 ISO 800');
      await job.meter('Background', 'f2.8 1/60 ISO 800');
      await job.light('key', 'A', { unit: 'Wren 60 A', modifier: 'Square box 60 cm', distanceM: '3.5' });
      const lights = job.region('Lights');
      await job.unfold(lights, 'Colour and gels');
      for (const point of ['face', 'background']) {
        await job.unfold(lights, `Ambient on the ${point}`);
        await job.choose(lights.getByRole('radiogroup', { name: `Light on the ${point}` }), /^Blue dusk/);
      }
      await job.choose(lights, 'Warmer');
      await lights
        .getByRole('button', { name: /^Put on: .* on Key A/ })
        .first()
        .click();
      const sources = lights.getByRole('list', { name: 'What every source looks like' });
      await expect(sources.getByRole('listitem').filter({ hasText: 'Key A' })).toContainText('warm');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(2, 60, 800), 1);
    },
  },
  {
    name: 'ambient shut out with three lights: what is seen is flash alone',
    async run(job) {
      await job.meter('Face', 'f1 1/60 ISO 100');
      await job.meter('Background', 'f1 1/60 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Square box 60 cm', distanceM: '1.8' });
      await job.light('background', 'B', { unit: 'Tern 400 B', distanceM: '2' });
      await job.light('rim', 'C', { unit: 'Wren 60 A', distanceM: '2.2' });
      await job.aperture('f/5.6');
      await job.look('Shut');
      await job.meter('Hair light', 'f1 1/60 ISO 100');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(1, 60, 100), 5);
      await job.setCamera();
      await testedUntilShoot(job);
    },
  },
  {
    name: 'near-axis flash in a city at night: a touch on the face, the lights of the street stay',
    async run(job) {
      await job.meter('Face', 'f5.6 1/60 ISO 1600');
      await job.meter('Background', 'f8 1/60 ISO 1600');
      await job.light('key', 'A', { unit: 'Wren 60 A', modifier: 'Dome', distanceM: '3.5', sideDeg: '8' });
      await job.look('Touch');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(5.6, 60, 1600), 1 / 3);
      // flash is the smaller part: 1 − 2^−⅓ is 21 %
      await expect(job.region('Look')).toContainText('21 % of the light is flash');
    },
  },
  {
    name: 'share with an axis fill: half of the light on the face is flash',
    always: true,
    async run(job) {
      await job.meter('Face', 'f2.8 1/125 ISO 400');
      await job.meter('Background', 'f2 1/125 ISO 400');
      await job.light('key', 'A', {
        unit: 'Wren 60 A',
        modifier: 'Shoot-through umbrella 105 cm',
        distanceM: '2',
        sideDeg: '5',
      });
      await job.look('Even');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(2.8, 125, 400), 1);
      await job.setCamera();
      await expect(job.region('Look')).toContainText('50 % of the light is flash');
      // the background lies a stop under the face's reading, and is held back by a stop: −2
      expect(Math.abs((await placed(job, 'Background')) + 2)).toBeLessThan(DIAL);
      await testedHalfOver(job, 1);
    },
  },
  {
    name: 'a shared pack in a bar: two heads on one pack, each with its part',
    async run(job) {
      await job.meter('Face', 'f5.6 1/125 ISO 100');
      await job.meter('Background', 'f5.6 1/125 ISO 100');
      const key = await job.light('key', 'A', { unit: 'Gannet 1000', modifier: 'Square box 60 cm', distanceM: '2.5' });
      await job.choose(key, /^Outlet 1/);
      const rim = await job.light('rim', 'B', { unit: 'Gannet 1000', distanceM: '3' });
      await job.choose(rim, /^Outlet 2/);
      await job.aperture('f/11');
      await job.look('Carry');
      await job.meter('Hair light', 'f5.6 1/125 ISO 100');
      await job.until(/^Set the camera/);
      const { powers } = await job.dialled();
      expect(powers).toHaveLength(2);
      // what both take is no more than the pack has
      const taken = powers.map((power) => Number.parseFloat(power)).reduce((sum, ws) => sum + ws, 0);
      expect(taken).toBeGreaterThan(50);
      expect(taken).toBeLessThanOrEqual(1000);
      await job.setCamera();
      await testedUntilShoot(job);
    },
  },
  {
    name: 'by eye, then made exact: settings that look right lead on, a reading of the face sharpens them',
    async run(job) {
      const ambient = job.region('Ambient');
      await job.unfold(ambient, 'These settings look right');
      await ambient.getByLabel('Or in one line').fill('f four at one twenty fifth, ISO four hundred');
      await ambient.getByLabel('Or in one line').press('Enter');
      await ambient.getByRole('button', { name: 'Take these settings' }).click();
      await expect(job.next).toContainText('Shoot: 1/125, f/4, ISO 400');
      await job.light('key', 'A', { unit: 'Wren 60 A', modifier: 'Shoot-through umbrella 105 cm', distanceM: '1.8' });
      await job.until(/^Flash to/);
      await job.meter('Face', 'f2.8 1/125 ISO 400');
      // the camera stays as it stands; the face lies a stop under it: half of its light is the flash
      await job.until(/^Flash to/);
      expect(await job.dialled()).toMatchObject({ aperture: 4, iso: 400 });
      await testedHalfOver(job, 1);
    },
  },
  {
    name: 'overhead bare against a box: two variants that differ in one thing, and cost what the box takes',
    async run(job) {
      await job.meter('Face', 'f2.8 1/125 ISO 200');
      await job.meter('Background', 'f2 1/125 ISO 200');
      const key = await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Square box 60 cm', distanceM: '1.5' });
      await job.aperture('f/5.6');
      await job.look('Carry');
      await job.until(/^Set the camera/);
      await job.setCamera();
      const boxed = stopsOfPower((await job.dialled()).powers[0] ?? '');
      const look = job.region('Look');
      await job.unfold(look, 'Variants');
      await look.getByRole('button', { name: 'Set this one aside', exact: true }).click();
      await job.choose(key, 'Bare head');
      await expect(look.getByRole('article', { name: 'Variant A', exact: true })).toContainText('One thing differs');
      const bare = stopsOfPower((await job.dialled()).powers[0] ?? '');
      // a bare head gives more than one behind cloth, by less than two stops
      expect(boxed - bare).toBeGreaterThan(0.3);
      expect(boxed - bare).toBeLessThan(3);
    },
  },
  {
    name: 'one light alone with two bodies: the same picture on a camera that counts otherwise',
    async run(job) {
      await job.meter('Face', 'f4 1/125 ISO 100');
      await job.meter('Background', 'f4 1/125 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '1.6' });
      await job.aperture('f/5.6');
      await job.until(/^Set the camera/);
      const first = await job.dialled();
      const camera = job.region('Camera');
      await job.unfold(camera, 'Second camera');
      await job.choose(camera.getByRole('group', { name: 'Second camera' }), /^Dunlin/);
      const said = (await camera.getByRole('group', { name: 'Second camera' }).textContent()) ?? '';
      const [, denominator = '', aperture = '', iso = ''] = /1\/(\d+), f\/(\d+(?:\.\d)?), ISO (\d+)/.exec(said) ?? [];
      const second = { seconds: 1 / Number(denominator), aperture: Number(aperture), iso: Number(iso) };
      expect(Math.abs(evOf(second) - evOf(first))).toBeLessThan(0.35);
    },
  },
  {
    name: 'a dim room with lamps: what is asked of them is what they are set to',
    async run(job) {
      await job.meter('Face', 'f1.4 1/60 ISO 1600');
      await job.meter('Background', 'f1.4 1/60 ISO 1600');
      const lights = job.region('Lights');
      await job.unfold(lights, 'Continuous lamps');
      await lights.getByRole('button', { name: 'Add Two-colour LED panel' }).click();
      const lamp = lights.getByRole('group', { name: 'Two-colour LED panel', exact: true });
      await job.choose(lamp, 'Key');
      await job.until(/^(Meter the face again|Set the camera|Shoot)/);
      await expect(lamp).toContainText(/Set as it should be/);
      expect(Math.abs(await placed(job, 'Face'))).toBeLessThan(DIAL);
    },
  },
  {
    name: 'back light as a sun, soft front, high-speed sync: past sync, at its price',
    async run(job) {
      await job.meter('Face', 'f8 1/250 ISO 100');
      await job.meter('Background', 'f11 1/250 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '1' });
      await job.look('Lift');
      await job.choose(job.region('Camera'), 'High-speed sync');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(8, 250, 100), 2 / 3);
      const { seconds, aperture } = await job.dialled();
      expect(seconds).toBeLessThan(1 / 250);
      expect(aperture).toBe(2.8);
    },
  },
  {
    name: 'highlights first, and three places for one light: each a variant, in the best order',
    async run(job) {
      await job.meter('Face', 'f4 1/125 ISO 100');
      await job.meter('White cloth', 'f5.6 1/125 ISO 100');
      await job.meter('Background', 'f4 1/125 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '1.6' });
      await job.aperture('f/5.6');
      await job.choose(job.region('Look').getByRole('radiogroup', { name: 'Exposed for' }), 'Highlight');
      await job.until(/^Set the camera/);
      await job.setCamera();
      // the cloth keeps its headroom under clipping at +3.0
      expect(await placed(job, 'White cloth')).toBeLessThan(3);
      const another = job.page.getByRole('button', { name: 'Try another place for Key A' });
      await another.click();
      const look = job.region('Look');
      await job.unfold(look, 'Variants');
      await expect(look.getByRole('article', { name: 'Variant A', exact: true })).toBeVisible();
      await another.click();
      await expect(look.getByRole('article', { name: 'Variant B', exact: true })).toBeVisible();
      const order = look.getByRole('list', { name: 'In which order' });
      await expect(order.getByRole('listitem')).toHaveCount(2);
      await expect(order).not.toContainText('Also:');
    },
  },
  {
    name: 'ambient two under a measured key: said as two under the total',
    async run(job) {
      await job.meter('Face', 'f4 1/125 ISO 100');
      await job.meter('Background', 'f4 1/125 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '1.6' });
      await job.aperture('f/8');
      await job.type(job.region('Look'), 'Ambient under the total', '2');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(4, 125, 100), 2);
      // two under the total is log2(2² − 1) = 1.6 under the key alone
      await expect(job.region('Look')).toContainText('1.6 stops under the key alone');
      await job.setCamera();
      await testedHalfOver(job, 2);
    },
  },
  {
    name: 'a group of eleven: all of them sharp, and within half a stop of each other',
    async run(job) {
      await job.meter('Face', 'f5.6 1/125 ISO 200');
      await job.meter('Background', 'f5.6 1/125 ISO 200');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '2' });
      const lights = job.region('Lights');
      await job.unfold(lights, 'Group');
      await job.choose(lights, 'A group');
      await expect(lights.getByText(/stops? between brightest and darkest; over the 0\.5 wanted/)).toBeVisible();
      await lights.getByRole('button', { name: /^Apply: Move the key back to/ }).click();
      await expect(lights.getByText(/stops? between brightest and darkest; within the 0\.5 wanted/)).toBeVisible();
      const camera = job.region('Camera');
      await job.choose(camera, '24 to 70 mm f/2.8');
      await job.choose(camera, /^By the people/);
      await expect(camera).toContainText(/f\/\d.* holds them sharp|holds them all/);
    },
  },
  {
    name: 'shade before a bright background and a seated sitter: the background lands where its reading says',
    async run(job) {
      await job.meter('Face', 'f4 1/200 ISO 100');
      await job.meter('Background', 'f8 1/200 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '1.5' });
      await job.aperture('f/8');
      await job.look('Carry');
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(4, 200, 100), 2);
      // two over the face's ambient, which is two under: on mid grey
      expect(Math.abs(await placed(job, 'Background'))).toBeLessThan(DIAL);
      await job.setCamera();
      await testedHalfOver(job, 2);
    },
  },
  {
    name: 'darkness by aperture with a dial: one stop closed is one stop off ambient and flash alike',
    async run(job) {
      await job.meter('Face', 'f4 1/125 ISO 100');
      await job.meter('Background', 'f4 1/125 ISO 100');
      await job.light('key', 'A', { unit: 'Tern 400 A', modifier: 'Octagon 90 cm', distanceM: '1.6' });
      await job.aperture('f/5.6');
      await job.until(/^Set the camera/);
      await job.setCamera();
      const before = await placed(job, 'Background');
      const { aperture } = await job.dialled();
      const camera = job.region('Camera');
      await job.unfold(camera, 'The camera as it stands');
      await job.type(camera, 'Aperture, as dialled', `f/${(aperture * Math.SQRT2).toFixed(1)}`);
      await expect.poll(() => placed(job, 'Background')).toBeLessThan(before);
      expect(Math.abs(before - (await placed(job, 'Background')) - 1)).toBeLessThan(0.15);
      // the power that held the face before is a stop short: it goes up
      await expect(job.next).toContainText(/Flash to|Set the camera/);
    },
  },
  {
    name: 'warm key and a far kicker at blue hour: three colours, each told',
    async run(job) {
      await job.meter('Face', 'f4 1/60 ISO 800');
      await job.meter('Background', 'f4 1/60 ISO 800');
      await job.light('key', 'A', { unit: 'Wren 60 A', modifier: 'Octagon 90 cm', distanceM: '1.5' });
      await job.light('rim', 'B', { unit: 'Tern 400 A', distanceM: '5' });
      await job.look('Lead');
      await job.meter('Hair light', 'f4 1/60 ISO 800');
      const lights = job.region('Lights');
      await job.unfold(lights, 'Colour and gels');
      await job.unfold(lights, 'Ambient on the background');
      await job.choose(lights.getByRole('radiogroup', { name: 'Light on the background' }), /^Blue dusk/);
      await job.until(/^Set the camera/);
      await holdsBack(job, ev(4, 60, 800), 1.6);
      const sources = lights.getByRole('list', { name: 'What every source looks like' });
      await expect(sources.getByRole('listitem').filter({ hasText: 'Ambient, background' })).toContainText('cool');
    },
  },
];
