import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { EYES, flashAt, lightConfig } from '../gain';
import { apparentSizeDeg, falloffStops } from '../modifiers';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { lightPlace, minus, unitOf } from '../scene';
import { type Light, newLight, type Setup } from '../setup';
import { asSun, heldBetween, poolOf } from './wishedPlace';

const setup: Setup = { ...SAMPLE_HALL.setup, panels: [] };
const lightOf = (over: Partial<Light>) => {
  const light: Light = {
    ...newLight(sampleId(21), 'key', sampleId(111), 'face', []),
    sideDeg: 0,
    heightM: 0,
    modifierId: null,
    ...over,
  };
  const config = lightConfig(SAMPLE_KIT, light);
  if (config === null) throw new Error('no such light');
  return { index: 0, light, config };
};
/** Light on a dome that is turned to the light, at a place beside what it aims at. */
function lightAt(light: Light, asideM: number): number {
  const { config } = lightOf(light);
  const at = { x: asideM, y: 0, z: 0 };
  const from = lightPlace(EYES, light);
  const stops = flashAt(light, config, 0, { at, faces: unitOf(minus(from, at)), answers: 'dome' }, setup, []);
  return stops ?? NaN;
}

describe('a pool of a wished width', () => {
  it('is as wide as was wished, with the edge that it says, by grid and by zoom', () => {
    for (const over of [
      { gridId: sampleId(126) },
      { unitId: sampleId(114), zoomMm: 105 },
      { unitId: sampleId(114), zoomMm: 35 },
    ] as Partial<Light>[])
      for (const widthM of [0.6, 1.2, 2]) {
        const one = lightOf(over);
        const pool = poolOf(setup, SAMPLE_KIT, one, widthM);
        if (pool === null) continue;
        const there = { ...one.light, distanceM: pool.distanceM };
        expect(lightAt(there, widthM / 2) - lightAt(there, 0)).toBeCloseTo(pool.edgeStops, 1);
        expect(pool.edgeStops).toBeLessThan(-0.9);
        expect(pool.settings).toEqual([{ path: 'lights.0.distanceM', value: pool.distanceM }]);
      }
  });

  it('is drawn from farther by a narrower beam, and from nowhere where it would have to be nearer than a stand goes', () => {
    const from = (zoomMm: number) =>
      poolOf(setup, SAMPLE_KIT, lightOf({ unitId: sampleId(114), zoomMm }), 1.5)?.distanceM ?? 0;
    expect(from(105)).toBeGreaterThan(from(35));
    expect(poolOf(setup, SAMPLE_KIT, lightOf({ unitId: sampleId(114), zoomMm: 24 }), 0.1)).toBeNull();
  });
});

describe('as the sun', () => {
  it('is the nearest place from which the depth holds and the source is small', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        fc.double({ min: 0.2, max: 1.5, noNaN: true }),
        fc.constantFrom(null, sampleId(121), sampleId(124)),
        (depthM, withinStops, modifierId) => {
          const one = lightOf({ modifierId });
          const { shape } = one.config.modifier;
          const does = (distanceM: number) =>
            falloffStops(shape, distanceM, distanceM + depthM) <= withinStops && apparentSizeDeg(shape, distanceM) <= 2;
          const place = asSun(one, depthM, withinStops);
          if (place === null) expect(does(30)).toBe(false);
          else {
            expect(does(place.distanceM)).toBe(true);
            if (place.distanceM > 0.4) expect(does(place.distanceM - 0.05)).toBe(false);
          }
        },
      ),
    );
  });
});

it('a light holds a quarter of a stop between the places that it says', () => {
  for (const distanceM of [0.8, 1.5, 4]) {
    const one = lightOf({ distanceM });
    const { nearM, farM } = heldBetween(one);
    const { shape } = one.config.modifier;
    expect(falloffStops(shape, nearM, distanceM)).toBeCloseTo(0.25, 3);
    expect(falloffStops(shape, distanceM, farM)).toBeCloseTo(0.25, 3);
  }
});
