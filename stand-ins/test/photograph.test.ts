import { describe, expect, it } from '@jest/globals';
import { decode } from 'jpeg-js';

import { TERRACE_LIGHT, trueEv100, truePlacementStops, trueSolution } from '@sphene/core/devices';
import { ev100 } from '@sphene/core/photometry';
import { SAMPLE_KIT, SAMPLE_TERRACE } from '@sphene/core/sample';
import type { Reading } from '@sphene/core/setup';
import { solve } from '@sphene/core/solution';
import { type Photograph, Photographer } from '../src/photograph';
import { takePicture } from '../src/simulatedCamera';

const { setup, readings } = SAMPLE_TERRACE;
/** The sample's readings, put right to what is truly there, or off by so many stops. */
const readAs = (offStops: number): Reading[] =>
  readings.map((reading) => ({
    ...reading,
    av:
      trueEv100(TERRACE_LIGHT[reading.pointId === 'face' ? 'face' : 'background'], 'camera') -
      reading.tv +
      reading.sv +
      offStops,
  }));
const settings = { av: 6, tv: 23 / 3, sv: 0 };
const mean = ({ data, width }: Photograph, [x0, y0, x1, y1]: readonly [number, number, number, number]): number => {
  let [sum, count] = [0, 0];
  for (let y = y0; y < y1; y += 1)
    for (let x = x0; x < x1; x += 1) {
      sum += data[(y * width + x) * 4 + 1] ?? 0;
      count += 1;
    }
  return sum / count;
};
const ALL = [10, 10, 230, 170] as const;
/** the face and chest of the person in focus */
const SUBJECT = [50, 40, 100, 150] as const;

describe('a photograph of the stage', () => {
  const photographer = new Photographer();
  const take = async (over: Partial<typeof settings> = {}, offStops = 0, flashAv = {}) => {
    const photo = await photographer.photograph(
      { setup, kit: SAMPLE_KIT, readings: readAs(offStops) },
      { ...settings, ...over },
      flashAv,
    );
    if (photo === null) throw new Error('no photograph');
    return photo;
  };

  it('records the true light, whatever the application has metered: the same at readings that are a stop off', async () => {
    expect(Math.abs(mean(await take(), ALL) - mean(await take({}, 1), ALL))).toBeLessThan(3);
    expect(mean(await take({ av: 7 }), ALL)).toBeLessThan(mean(await take(), ALL) - 10);
  });

  it('takes a flash into the picture as it truly fired, and none where none did', async () => {
    const dark = { av: 9 };
    expect(mean(await take(dark, 0, { face: 10, background: 0 }), SUBJECT)).toBeGreaterThan(
      mean(await take(dark), SUBJECT) + 10,
    );
  });

  it('lands every tone where the scene says', () => {
    const solution = trueSolution(
      solve(setup, SAMPLE_KIT, readAs(0.7), new Date('2026-02-27T16:00:00Z')),
      settings,
      {},
    );
    for (const { role, placedAmbientStops, sources } of solution?.points ?? []) {
      expect(placedAmbientStops).toBe(truePlacementStops(role, ev100(settings)));
      expect(sources).toEqual([]);
    }
  });

  it('becomes a JPEG of its own size; without readings there is nothing to light it by', async () => {
    const { width, height } = decode(takePicture(settings, '2026:02:27 16:40:00', {}, await take()));
    // a couple lies across
    expect([width, height]).toEqual([240, 180]);
    expect(await photographer.photograph({ setup, kit: SAMPLE_KIT, readings: [] }, settings, {})).toBeNull();
  });
});
