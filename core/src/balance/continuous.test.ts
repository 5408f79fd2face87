import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { type Kit, type Lamp, type Setup, type Surface, lampLuxAt1M, lampSchema, solve, withSettings } from '.';
import { ambientPair } from '../../test/ambientPair';
import { ev100FromLux } from '../photometry';
import { SAMPLE_HALL, SAMPLE_KIT, sampleId } from '../sample';

const CLOCK = new Date('2026-02-27T15:40:00Z');
const { setup, facts } = ambientPair(SAMPLE_HALL.setup);
const panel = { id: sampleId(201), lampId: sampleId(165), pointId: 'face', distanceM: 2, offAxisDeg: 0, dimStops: 0, kelvin: 3200 };
const withLamp = (over: Partial<typeof panel> = {}): Setup => ({ ...setup, lamps: [{ ...panel, ...over }] });
const solved = (one: Setup, kit: Kit = SAMPLE_KIT) => solve(one, kit, facts, CLOCK);

describe('a continuous lamp', () => {
  it('gives what its lux at a metre give at the distance, and adds that to the ambient', () => {
    const [lamp] = solved(withLamp()).lamps;
    expect(lamp?.ev100).toBeCloseTo(ev100FromLux(400), 9);
    expect(lamp?.addsStops).toBeCloseTo(Math.log2(2 ** 8 + 2 ** (lamp?.ev100 ?? 0)) - 8, 6);
    expect(lamp?.text).toMatch(/^EV 6\.9 on the face, 1\.1 stops under the ambient there: switched on it adds \+0\.6\.$/);
  });

  it('a dimmer takes stops, twice the distance two, and neither ever adds', () => {
    fc.assert(fc.property(fc.double({ min: -8, max: 0, noNaN: true }), fc.double({ min: 0.3, max: 14, noNaN: true }), (dimStops, distanceM) => {
      const ev = (over: Partial<typeof panel>) => solved(withLamp(over)).lamps[0]?.ev100 ?? NaN;
      expect(ev({ dimStops }) - ev({})).toBeCloseTo(dimStops, 6);
      expect(ev({ distanceM: 2 * distanceM }) - ev({ distanceM })).toBeCloseTo(-2, 6);
    }), { numRuns: 25 });
  });

  it('lumens over a cone come to lux: a full half sphere takes 2π', () => {
    const lamp = (beamDeg: number): Lamp => ({ name: 'x', output: { by: 'lumens', lumens: 1000, beamDeg }, kelvinLow: 3000, kelvinHigh: 3000, beam: { kind: 'diffuse' } });
    expect(lampLuxAt1M(lamp(180))).toBeCloseTo(1000 / (2 * Math.PI), 6);
    expect(lampLuxAt1M(lamp(60))).toBeGreaterThan(lampLuxAt1M(lamp(120)));
    expect(lampSchema.safeParse({ ...lamp(60), kelvinHigh: 2000 }).success).toBe(false);
  });

  it('shows in its colour, has a dimmer of its own among the dials, and is passed over when it has left the kit', () => {
    const { colour, dials } = solved(withLamp());
    expect(colour.sources.find(({ name }) => name === 'Two-colour LED panel')).toMatchObject({ words: 'plainly warm', kelvin: 3200 });
    const dimmer = dials?.columns.find(({ dial }) => dial === 'dimmer');
    expect([dimmer?.stops['lamps'], dimmer?.stops['ambient']]).toEqual([expect.closeTo(-1 / 3, 9), 0]);
    const changed = withSettings(withLamp(), dimmer?.settings ?? []);
    expect(changed.ok && changed.value.lamps[0]?.dimStops).toBeCloseTo(-1 / 3, 9);
    expect(solved(withLamp(), { ...SAMPLE_KIT, lamps: [] }).lamps).toEqual([]);
  });
});

describe('a reflector', () => {
  const held = (surface: Surface, distanceM = 0.8): Setup => ({ ...setup, reflector: { reflectorId: sampleId(166), surface, distanceM, turnedDeg: 30 } });
  it('opens the shadow side: silver more than striped, striped more than white, and black closes it', () => {
    const lift = (surface: Surface, distanceM?: number) => solved(held(surface, distanceM)).reflector?.liftStops ?? NaN;
    expect(lift('silver')).toBeGreaterThan(lift('striped'));
    expect(lift('striped')).toBeGreaterThan(lift('white'));
    expect(lift('white')).toBeGreaterThan(0);
    expect(lift('black')).toBeLessThan(0);
    expect(lift('white', 1.6)).toBeLessThan(lift('white', 0.8));
  });

  it('says the contrast before and after, and nothing before both sides are metered', () => {
    const { reflector } = solved(held('white'));
    expect(reflector?.contrastBeforeStops).toBeCloseTo(2, 6);
    expect((reflector?.contrastBeforeStops ?? 0) - (reflector?.contrastAfterStops ?? 0)).toBeCloseTo(reflector?.liftStops ?? 9, 9);
    expect(reflector?.text).toMatch(/^Reflector disc 110 cm, white: the shadow side \d\.\d stops brighter, contrast from 2\.0 to \d\.\d stops\.$/);
    expect(solve(held('white'), SAMPLE_KIT, facts.slice(0, 1), CLOCK).reflector).toBeNull();
  });
});
