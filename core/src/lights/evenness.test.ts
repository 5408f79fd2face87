import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { type LightConfig, lightConfig } from '../gain';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';
import { type Light, newLight, type Setup } from '../setup';
import { evenness, evennessCures } from './evenness';

const hall: Setup = { ...SAMPLE_HALL.setup, panels: [] };
const lightOf = (over: Partial<Light>): Light => ({
  ...newLight(sampleId(21), 'key', sampleId(111), 'face', []),
  modifierId: sampleId(121),
  ...over,
});
const configOf = (light: Light): LightConfig => {
  const config = lightConfig(SAMPLE_KIT, light);
  if (config === null) throw new Error('no gear');
  return config;
};
const shining = (over: Partial<Light>) => {
  const light = lightOf(over);
  return { light, config: configOf(light) };
};
const eleven = { nearerM: 0.3, fartherM: 0.7, leftM: 1.2, rightM: 1.2 };
const near = { distanceM: 2.5, sideDeg: 35, heightM: 0.5 };
const spread = (people: typeof eleven, ...stands: Partial<Light>[]) =>
  evenness(hall, SAMPLE_KIT, stands.map(shining), people);

describe('light across a group', () => {
  it('is uneven from near, and each way out really brings it under the bound', () => {
    expect(spread(eleven, near).spreadStops).toBeGreaterThan(1);
    const cures = evennessCures(hall, SAMPLE_KIT, shining(near), eleven, 0.7);
    const distanceM = cures.distanceM ?? 0;
    expect(distanceM).toBeGreaterThan(2.5);
    expect(spread(eleven, { ...near, distanceM, heightM: (distanceM * 0.5) / 2.5 }).spreadStops).toBeLessThanOrEqual(
      0.7,
    );
    expect(cures.second?.spreadStops).toBeLessThanOrEqual(0.7);
    expect(cures.second?.distanceM).toBeLessThan(distanceM);
  });

  it('of one person is even, and the one aimed at has no difference', () => {
    const alone = { nearerM: 0, fartherM: 0, leftM: 0, rightM: 0 };
    fc.assert(
      fc.property(
        fc.record({
          distanceM: fc.double({ min: 0.5, max: 12, noNaN: true }),
          sideDeg: fc.double({ min: -120, max: 120, noNaN: true }),
          heightM: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        }),
        (stand) => {
          expect(spread(alone, stand).spreadStops).toBeCloseTo(0, 9);
          expect(spread(eleven, stand).people.find(({ id }) => id === 'middle')?.stops).toBeCloseTo(0, 9);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('says where height alone does it', () => {
    const narrow = { ...eleven, leftM: 0.4, rightM: 0.4 };
    const { height } = evennessCures(hall, SAMPLE_KIT, shining(near), narrow, 0.6);
    expect(height).not.toBeNull();
    expect(spread(narrow, { ...near, ...height }).spreadStops).toBeLessThanOrEqual(0.61);
  });

  it('a narrow beam leaves those at the sides darker than a wide one does', () => {
    const grid = { ...near, gridId: sampleId(126) };
    expect(spread(eleven, grid).spreadStops).toBeGreaterThan(
      spread(eleven, { ...near, distanceM: 4 }).spreadStops + 0.5,
    );
  });
});
