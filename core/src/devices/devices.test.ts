import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { addLight, ev100 } from '../photometry';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE } from '../sample';
import { POINT_ROLES } from '../setup';
import { solve } from '../solution';
import { deviceCommandSchema, deviceEventSchema, deviceHelloSchema, deviceMessageSchemas } from './protocol';
import { seeded } from './seeded';
import { type MeterHead, TERRACE_LIGHT, trueEv100, truePlacementStops, trueSolution } from './trueScene';

const HEADS: MeterHead[] = ['camera', 'light', 'disc'];
const CLOCK = new Date('2026-02-27T16:00:00Z');

describe('the true scene', () => {
  it('more light never reads less, however the head is held', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...POINT_ROLES),
        fc.constantFrom(...HEADS),
        fc.double({ min: 1, max: 16, noNaN: true }),
        (role, head, times) => {
          const light = TERRACE_LIGHT[role];
          const more = {
            sources: light.sources.map((source) => ({ ...source, lux: source.lux * times })),
            fillLux: light.fillLux * times,
          };
          expect(trueEv100(more, head) - trueEv100(light, head)).toBeCloseTo(Math.log2(times), 9);
        },
      ),
    );
  });

  it('a longer exposure places every tone higher, by as much', () => {
    for (const role of POINT_ROLES)
      expect(truePlacementStops(role, 12) - truePlacementStops(role, 13)).toBeCloseTo(1, 9);
    // snow and sky lie over the face, and a dark suit under it
    expect(truePlacementStops('sky', 12)).toBeGreaterThan(truePlacementStops('face', 12));
    expect(truePlacementStops('white', 12)).toBeGreaterThan(truePlacementStops('dark', 12));
  });
});

describe("the solution in the scene's own light", () => {
  const { setup, readings } = SAMPLE_TERRACE;
  const solution = solve(setup, SAMPLE_KIT, readings, CLOCK);
  const settings = { av: 5, tv: 7, sv: 0 };

  it('has the ambient that is there, not the one that was metered, at the settings of the camera', () => {
    const real = trueSolution(solution, settings, {});
    expect(real?.camera).toMatchObject({ ...settings, ev100: ev100(settings) });
    for (const point of real?.points ?? []) {
      expect(point.placedAmbientStops).toBeCloseTo(truePlacementStops(point.role, ev100(settings)), 9);
      expect(point.sources).toEqual([]);
    }
  });

  it('the flash at a point comes to what was measured there, each light with the part that was foretold', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 8, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (flashAv, sv) => {
          const face = trueSolution(solution, { ...settings, sv }, { face: flashAv })?.points.find(
            ({ role }) => role === 'face',
          );
          const stops = face?.sources.map((source) => source.stops) ?? [];
          expect(stops.length).toBeGreaterThan(0);
          expect(addLight(...stops)).toBeCloseTo(flashAv + sv - settings.av, 6);
        },
      ),
      { numRuns: 50 },
    );
  });

  it('there is none before there are camera settings', () => {
    expect(trueSolution({ ...solution, camera: null }, settings, { face: 4 })).toBeNull();
  });
});

describe('the words between gateway and device', () => {
  const hello = { protocol: 1, id: 'meter-1', kind: 'meter', name: 'Meter', simulated: true };
  const reading = { type: 'reading', mode: 'flash', read: 'aperture', av: 5, tv: 7, sv: 0, head: 'camera' };

  it('take what a device says, and nothing beside it', () => {
    expect(deviceHelloSchema.safeParse(hello).success).toBe(true);
    expect(deviceMessageSchemas.meter.safeParse(reading).success).toBe(true);
    for (const wrong of [
      { ...hello, protocol: 2 },
      { ...hello, id: '../etc' },
      { ...hello, name: ' ' },
      { ...hello, kind: 'toaster' },
      { ...hello, secret: 1 },
    ])
      expect(deviceHelloSchema.safeParse(wrong).success).toBe(false);
    for (const wrong of [
      { ...reading, av: NaN },
      { ...reading, av: 1e9 },
      { ...reading, head: 'up' },
      { ...reading, extra: 1 },
      { type: 'picture', av: 5, tv: 7, sv: 0, bytes: 0 },
    ])
      expect(deviceMessageSchemas.meter.safeParse(wrong).success).toBe(false);
  });

  it('a camera may only announce a picture of a size that can be', () => {
    const picture = { type: 'picture', av: 5, tv: 7, sv: 0, bytes: 4000 };
    expect(deviceMessageSchemas.camera.safeParse(picture).success).toBe(true);
    for (const bytes of [-1, 0, 0.5, 40_000_001, Infinity])
      expect(deviceMessageSchemas.camera.safeParse({ ...picture, bytes }).success).toBe(false);
  });

  it('a command carries a whole stage, and one that is not whole is refused', () => {
    const { setup, readings } = SAMPLE_HALL;
    const stage = { type: 'stage', setup, kit: SAMPLE_KIT, readings };
    expect(deviceCommandSchema.safeParse(JSON.parse(JSON.stringify(stage))).success).toBe(true);
    expect(deviceCommandSchema.safeParse({ ...stage, setup: { ...setup, lights: 'none' } }).success).toBe(false);
    expect(deviceCommandSchema.safeParse({ type: 'fire', groups: [] }).success).toBe(false);
    expect(deviceCommandSchema.safeParse({ type: 'pop', flashAv: { face: 4, nowhere: 3 } }).success).toBe(false);
  });

  it('no words at all make a schema throw', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.anything(),
          fc.record({
            type: fc.constantFrom('reading', 'stage', 'fire', 'devices', 'picture'),
            av: fc.anything(),
            groups: fc.anything(),
          }),
        ),
        (words) => {
          for (const schema of [
            deviceHelloSchema,
            deviceCommandSchema,
            deviceEventSchema,
            ...Object.values(deviceMessageSchemas),
          ])
            expect(typeof schema.safeParse(words).success).toBe('boolean');
        },
      ),
    );
  });
});

describe('seeded chance', () => {
  it('is the same for a seed, lies in its range and spreads over it', () => {
    const draw = (seed: number) => {
      const next = seeded(seed);
      return Array.from({ length: 1000 }, () => next());
    };
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
    const tenths = new Set(draw(7).map((value) => Math.floor(value * 10)));
    expect([...tenths].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
  });
});
