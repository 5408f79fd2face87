import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import golden from '../../test/golden/ballast.json';
import { type Beam, beamLossStops, beamSchema, beamShare, griddedBeam } from '../modifiers';
import { ballastKg } from './ballast';
import { angleDeg, direction, lengthM, lightPlace } from './position';

const ORIGIN = { x: 0, y: 0, z: 0 };
const stand = fc.record({
  distanceM: fc.double({ min: 0.4, max: 8, noNaN: true }),
  sideDeg: fc.double({ min: -180, max: 180, noNaN: true }),
  heightM: fc.double({ min: -1, max: 3, noNaN: true }),
});
const DIFFUSE: Beam = { kind: 'diffuse' };

describe('places', () => {
  it('a light stands as far away as it is said to, on the side and at the height that are said', () => {
    fc.assert(
      fc.property(stand, (one) => {
        const place = lightPlace(ORIGIN, one);
        expect(lengthM(place)).toBeCloseTo(one.distanceM, 9);
        if (Math.abs(one.heightM) < one.distanceM * 0.9) expect(place.y).toBeCloseTo(one.heightM, 9);
        if (one.sideDeg > 1 && one.sideDeg < 179) expect(place.x).toBeGreaterThan(0);
      }),
    );
    expect(angleDeg(direction(40), direction(-50))).toBeCloseTo(90, 9);
  });
});

describe('beams', () => {
  it('give half at half of their angle, and a table is read between its rows', () => {
    expect(beamShare({ kind: 'cone', fullDeg: 20 }, 10)).toBeCloseTo(0.5, 9);
    expect(beamShare(DIFFUSE, 60)).toBeCloseTo(0.5, 9);
    const table: Beam = { kind: 'table', anglesDeg: [0, 10, 30], relative: [200, 100, 0].map((v) => v / 100) };
    expect([0, 5, 10, 20, 31].map((angle) => beamShare(table, angle))).toEqual([1, 0.75, 0.5, 0.25, 0]);
    expect(griddedBeam(DIFFUSE, { name: 'g', angleDeg: 30, lossStops: 1 })).toEqual({ kind: 'cone', fullDeg: 30 });
    expect(beamLossStops(table, 90)).toBe(10);
  });
  it('a table that does not make sense is refused with what is wrong', () => {
    expect(beamSchema.safeParse({ kind: 'table', anglesDeg: [0, 5, 4], relative: [1, 1, 1] }).success).toBe(false);
    expect(beamSchema.safeParse({ kind: 'table', anglesDeg: [0, 5], relative: [0, 1] }).success).toBe(false);
  });
});

describe('wind', () => {
  it.each(golden.cases)('$areaM2 m² at $heightM m in $gustMps m/s', (c) => {
    expect(ballastKg(c.areaM2, c.heightM, c.gustMps, c.footRadiusM)).toBeCloseTo(c.ballastKg, 4);
  });
});
