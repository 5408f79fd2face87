import { describe, expect, it } from '@jest/globals';

import { SAMPLE_BLUE_HOUR, SAMPLE_GROUP, SAMPLE_KIT } from '../sample';
import type { Setup } from '../setup';
import { foresee } from './forecast';
import { foretoldSetup } from './foretold';
import { waitUntil } from './waitUntil';

const HOUR_LATER = new Date('2026-02-27T15:00:00Z');
const atOrlabach = (setup: Setup, at: string): Setup => ({
  ...setup,
  stage: {
    ...setup.stage,
    sun: { by: 'time', latitudeDeg: 46.93, longitudeDeg: 10.21, at, cameraLooksDeg: 60 },
  },
});

describe('the next hour', () => {
  const group = atOrlabach(SAMPLE_GROUP.setup, '2026-02-27T14:41:00Z');
  const forecast = foresee(group, SAMPLE_KIT, SAMPLE_GROUP.readings, HOUR_LATER)!;

  it('begins with what is known now and goes on with what the sun takes', () => {
    expect(forecast.live).toBe(true);
    expect(forecast.by).toBe('sun');
    const [first, last] = [forecast.minutes[0]!, forecast.minutes.at(-1)!];
    expect(last.minute).toBe(60);
    for (const [index, level] of last.levels.entries()) {
      const fell = first.levels[index]!.ev100 - level.ev100;
      expect(fell).toBeGreaterThan(0.3);
      expect(fell).toBeLessThan(1);
    }
    // flash is more of the picture as the light goes
    expect(last.flashShare!).toBeGreaterThan(first.flashShare!);
  });

  it('knows less with every minute, and asks for a reading once that is over a third', () => {
    // from the first minute to come on: now is as the estimate has it
    forecast.minutes.slice(2).forEach(({ levels }, index) =>
      levels.forEach(({ sdStops, wideStops }, point) => {
        expect(sdStops).toBeGreaterThanOrEqual(forecast.minutes[index + 1]!.levels[point]!.sdStops - 1e-9);
        expect(wideStops).toBeGreaterThan(sdStops);
      }),
    );
    // twenty minutes after the last reading it is due at once; just after it in a while
    expect(forecast.meterAgain?.minute).toBe(0);
    const { meterAgain, minutes } = foresee(
      group,
      SAMPLE_KIT,
      SAMPLE_GROUP.readings,
      new Date('2026-02-27T14:41:00Z'),
    )!;
    const known = (minute: number) => Math.max(...minutes[minute]!.levels.map(({ sdStops }) => sdStops));
    expect(known(meterAgain!.minute)).toBeGreaterThan(1 / 3);
    expect(known(meterAgain!.minute - 1)).toBeLessThanOrEqual(1 / 3);
  });

  it('without a place says what readings alone tell, and is less sure', () => {
    const unplaced = foresee(SAMPLE_GROUP.setup, SAMPLE_KIT, SAMPLE_GROUP.readings, HOUR_LATER)!;
    expect(unplaced.by).toBe('readings');
    expect(unplaced.minutes[30]!.levels[0]!.sdStops).toBeGreaterThan(forecast.minutes[30]!.levels[0]!.sdStops);
  });

  it('counts from the last reading where nobody has metered since', () => {
    const later = foresee(group, SAMPLE_KIT, SAMPLE_GROUP.readings, new Date('2026-03-05T10:00:00Z'))!;
    expect(later.live).toBe(false);
    expect(new Date(later.fromMs).toISOString()).toBe('2026-02-27T14:41:00.000Z');
    expect(foresee(group, SAMPLE_KIT, [], HOUR_LATER)).toBeNull();
  });

  it('waits until the light has fallen so far, with the minutes that the ± leaves', () => {
    const found = waitUntil(forecast, 'face', -0.3)!;
    const fell = (minute: number) => forecast.minutes[minute]!.levels[0]!.ev100 - forecast.minutes[0]!.levels[0]!.ev100;
    expect(fell(found.minute)).toBeLessThanOrEqual(-0.3);
    expect(fell(found.minute - 1)).toBeGreaterThan(-0.3);
    expect(found.soonestMinute).toBeLessThan(found.minute);
    expect(waitUntil(forecast, 'face', -3)).toBeNull();
    expect(waitUntil(forecast, 'face', 0.5)).toBeNull();
  });

  it('ends when the sun is too low to say anything, and holds the sky until the dials end', () => {
    const blue = atOrlabach(SAMPLE_BLUE_HOUR.setup, '2026-02-27T17:20:00Z');
    const dusk = foresee(blue, SAMPLE_KIT, SAMPLE_BLUE_HOUR.readings, new Date('2026-02-27T17:16:00Z'))!;
    expect(dusk.darkAtMinute).toBe(dusk.minutes.at(-1)!.minute);
    expect(dusk.darkAtMinute).toBeGreaterThan(20);
    const following = dusk.follow()!;
    expect(following.endsAtMinute).not.toBeNull();
    expect(following.endedBy).toContain('power');
    // what leaves its bounds untouched does so no later than the first move
    expect(dusk.drift!.minute).toBeLessThanOrEqual(following.steps[0]!.minute);
  });
});

describe('a setup that nobody has metered yet', () => {
  const place = { latitudeDeg: 46.93, longitudeDeg: 10.21 };
  const at = (clock: string) => new Date(`2026-02-27T${clock}:00+01:00`);
  const told = (setup: Setup, light: 'open' | 'shade' | 'indoors', clock: string) =>
    foretoldSetup(setup, SAMPLE_KIT, { place, looksDeg: 60, light, weather: null }, at(clock));

  it('is solved on the light of its spot and hour, and says how little is known of that', () => {
    const shade = told(SAMPLE_GROUP.setup, 'shade', '15:40')!;
    const open = told(SAMPLE_GROUP.setup, 'open', '13:00')!;
    const room = told(SAMPLE_GROUP.setup, 'indoors', '14:30')!;
    expect(open.faceEv100).toBeGreaterThan(shade.faceEv100);
    expect(room.faceEv100).toBeCloseTo(7, 0);
    expect(shade.sdStops).toBeGreaterThan(0.6);
    expect(shade.settings).not.toBeNull();
    expect(shade.lights).toHaveLength(1);
  });

  it('lies within what was then read there', () => {
    const read = 12.67;
    const { faceEv100, sdStops } = told(SAMPLE_GROUP.setup, 'shade', '15:40')!;
    expect(Math.abs(faceEv100 - read)).toBeLessThan(2 * sdStops);
  });

  it('at dusk goes by the sky, and after it says nothing', () => {
    const early = told(SAMPLE_BLUE_HOUR.setup, 'open', '18:18')!;
    const late = told(SAMPLE_BLUE_HOUR.setup, 'open', '18:34')!;
    expect(early.faceEv100 - late.faceEv100).toBeGreaterThan(2);
    expect(told(SAMPLE_BLUE_HOUR.setup, 'open', '20:30')).toBeNull();
  });
});
