import { describe, expect, it } from '@jest/globals';

import type { Weather } from '../documents';
import { POWER_NOT_SAID } from '../gear';
import { SAMPLE_BLUE_HOUR, SAMPLE_GROUP, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../sample';
import type { PlacedLamp, Setup } from '../setup';
import { cloudLossStops } from '../sky';
import { foresee } from './forecast';
import { foretoldSetup } from './foretold';

const PLACE = { latitudeDeg: 46.93, longitudeDeg: 10.21 };
const at = (clock: string) => new Date(`2026-02-27T${clock}:00+01:00`);
const atPlace = (setup: Setup, moment: Date): Setup => ({
  ...setup,
  stage: { ...setup.stage, sun: { by: 'time', ...PLACE, at: moment.toISOString(), cameraLooksDeg: 200 } },
});

/** Weather whose cover goes from one share to another from 15:00 to 19:00. */
const covering = (from: number, to: number): Weather => ({
  source: 'Test',
  simulated: true,
  askedAt: at('12:00').toISOString(),
  hours: [15, 16, 17, 18, 19].map((hour, index) => ({
    at: at(`${hour}:00`).toISOString(),
    cloud: from + ((to - from) * index) / 4,
    windMps: 3,
    gustMps: 7,
    rainMmH: 0,
    temperatureC: 2,
  })),
});

describe('a forecast under the weather that is foretold', () => {
  const moment = at('15:50');
  const setup = atPlace(SAMPLE_TERRACE.setup, moment);
  const faceIn = (weather: Weather | null, minute: number, over: Partial<Setup> = {}) => {
    const { minutes, byWeather } = foresee(
      { ...setup, ...over },
      SAMPLE_KIT,
      SAMPLE_TERRACE.readings,
      moment,
      weather,
    )!;
    const level = minutes[minute]!.levels.find(({ pointId }) => pointId === 'face')!;
    return { ...level, byWeather };
  };

  it('falls by what the growing cover takes, and is less sure of it', () => {
    const clear = faceIn(null, 60);
    const covered = faceIn(covering(0.2, 1), 60);
    const before = 0.2 + (0.8 * (50 / 60)) / 4;
    const after = 0.2 + (0.8 * (110 / 60)) / 4;
    expect(covered.ev100).toBeCloseTo(clear.ev100 - (cloudLossStops(after) - cloudLossStops(before)), 6);
    expect(covered.sdStops).toBeGreaterThan(clear.sdStops);
    expect([clear.byWeather, covered.byWeather]).toEqual([false, true]);
  });

  it('stays as it was read now, whatever is foretold, and in the shade cloud takes nothing', () => {
    expect(faceIn(covering(0.9, 1), 0).ev100).toBeCloseTo(faceIn(null, 0).ev100, 9);
    const shade = { points: setup.points.map((point) => ({ ...point, standsIn: 'shade' as const })) };
    expect(faceIn(covering(0, 1), 60, shade).ev100).toBeCloseTo(faceIn(null, 60, shade).ev100, 6);
  });

  it('has nothing to say of hours that were not asked for', () => {
    const old = { ...covering(0, 1), hours: covering(0, 1).hours.slice(0, 1) };
    const later = foresee(setup, SAMPLE_KIT, SAMPLE_TERRACE.readings, moment, {
      ...old,
      hours: old.hours.map((hour) => ({ ...hour, at: at('10:00').toISOString() })),
    })!;
    expect(later.byWeather).toBe(false);
  });
});

describe('an unmetered setup under the weather and after a visit', () => {
  const spot = { place: PLACE, looksDeg: 60, light: 'open' as const };
  const told = (weather: Weather | null, visits: Parameters<typeof foretoldSetup>[4] = []) =>
    foretoldSetup(SAMPLE_GROUP.setup, SAMPLE_KIT, { ...spot, weather }, at('16:00'), visits)!;

  it('is darker under a covered sky and surer under a clear one', () => {
    const [unknown, clear, covered] = [told(null), told(covering(0, 0)), told(covering(1, 1))];
    expect(clear.faceEv100).toBeCloseTo(unknown.faceEv100, 6);
    expect(clear.sdStops).toBeLessThan(unknown.sdStops);
    expect(covered.faceEv100).toBeCloseTo(clear.faceEv100 - 2, 1);
    expect(covered.sdStops).toBeGreaterThan(clear.sdStops);
    expect([unknown.cloud, covered.cloud]).toEqual([null, 1]);
  });

  it('moves towards what an earlier visit found, part of the way, and is surer', () => {
    const [reading] = SAMPLE_GROUP.readings.filter(({ pointId, light }) => pointId === 'face' && light === 'ambient');
    const dayBefore = { ...reading!, at: '2026-02-20T15:00:00.000Z', av: reading!.av + 2 };
    const before = told(null);
    const after = told(null, [{ setup: SAMPLE_GROUP.setup, readings: [dayBefore] }]);
    expect(after.visit).not.toBeNull();
    expect(after.faceEv100).toBeCloseTo(before.faceEv100 + after.visit!.movedStops, 6);
    expect(after.sdStops).toBeLessThan(before.sdStops);
    // two stops more read are as much more of the way
    const { visit } = told(null, [{ setup: SAMPLE_GROUP.setup, readings: [{ ...dayBefore, av: reading!.av }] }]);
    expect(after.visit!.movedStops - visit!.movedStops).toBeCloseTo(1.2, 6);
  });
});

describe('dusk', () => {
  const moment = new Date('2026-02-27T16:56:00Z');
  // read twenty minutes sooner than the sample was, while it is still light
  const readings = SAMPLE_BLUE_HOUR.readings.map((reading) => ({
    ...reading,
    at: new Date(Date.parse(reading.at) - 20 * 60_000).toISOString(),
  }));
  const LAMP_ID = sampleId(977);
  const kit = {
    ...SAMPLE_KIT,
    lamps: [
      {
        ...SAMPLE_KIT.lamps[0]!,
        ...POWER_NOT_SAID,
        id: LAMP_ID,
        output: { by: 'lux' as const, luxAt1M: 400 },
      },
    ],
  };
  const street: PlacedLamp = {
    id: sampleId(978),
    lampId: LAMP_ID,
    pointId: 'face',
    distanceM: 3,
    sideDeg: 30,
    heightM: 2,
    offAxisDeg: 0,
    on: false,
    dimStops: 0,
    kelvin: 2800,
    role: null,
    standsFor: null,
    fromDusk: true,
  };
  const evening = (lamps: PlacedLamp[]) =>
    foresee(atPlace({ ...SAMPLE_BLUE_HOUR.setup, lamps }, moment), kit, readings, moment)!;

  it('lights the lamps that come on by themselves, and no others', () => {
    const [without, waiting] = [evening([]), evening([street])];
    const lit = waiting.lampsAtMinute!;
    expect(lit).toBeGreaterThan(0);
    const faceAt = ({ minutes }: typeof without, minute: number) =>
      minutes[minute]!.levels.find(({ pointId }) => pointId === 'face')!.ev100;
    expect(faceAt(waiting, 0)).toBeCloseTo(faceAt(without, 0), 9);
    const last = Math.min(waiting.minutes.length, without.minutes.length) - 1;
    expect(last).toBeGreaterThan(lit);
    expect(faceAt(waiting, last)).toBeGreaterThan(faceAt(without, last) + 0.3);
    expect(evening([{ ...street, fromDusk: false }]).lampsAtMinute).toBeNull();
  });

  it('names another white balance and other gels as the sky turns blue', () => {
    const colour: Setup['colour'] = { ...SAMPLE_BLUE_HOUR.setup.colour, relation: 'match', whiteBalance: null };
    const { colours } = foresee(atPlace({ ...SAMPLE_BLUE_HOUR.setup, colour }, moment), SAMPLE_KIT, readings, moment)!;
    expect(colours.length).toBeGreaterThan(1);
    const [first, next] = colours;
    expect(next!.whiteBalanceK).toBeGreaterThan(first!.whiteBalanceK);
    expect(next!.sdMired).toBeGreaterThan(0);
  });
});

describe("bounds of one's own", () => {
  it('are left later when they are wider, and hold longer', () => {
    const moment = new Date('2026-02-27T17:16:00Z');
    const setup = atPlace(SAMPLE_BLUE_HOUR.setup, moment);
    const leftAt = (backgroundStops: number) => {
      const bounds = { faceStops: 1, backgroundStops, share: 0.5 };
      const kit = { ...SAMPLE_KIT, preferences: { ...SAMPLE_KIT.preferences, bounds } };
      return foresee(setup, kit, SAMPLE_BLUE_HOUR.readings, moment)!.drift!;
    };
    const [narrow, wide] = [leftAt(0.2), leftAt(0.6)];
    expect(narrow.first).toBe('background');
    expect(narrow.minute).toBeLessThan(wide.minute);
    expect(Math.abs(narrow.by)).toBeGreaterThan(0.2);
    expect(Math.abs(wide.by)).toBeGreaterThan(0.6);
  });
});
