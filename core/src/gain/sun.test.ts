import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { seenSun, sunStand } from './sun';

describe('the sun that is seen', () => {
  it('tells which way the camera looks: by place and time it then stands where it was seen, to half a degree', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -65, max: 65, noNaN: true }),
        fc.double({ min: -179, max: 179, noNaN: true }),
        fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2027, 0, 1) }),
        fc.integer({ min: -179, max: 180 }),
        (latitudeDeg, longitudeDeg, atMs, sideDeg) => {
          const sun = seenSun({ latitudeDeg, longitudeDeg }, new Date(atMs), sideDeg);
          if (sun === null) return;
          const stands = sunStand({ sun });
          if (stands === null) throw new Error('it stands somewhere');
          expect(stands.altitudeDeg).toBeGreaterThan(-0.9);
          const apart = ((stands.sideDeg - sideDeg + 540) % 360) - 180;
          expect(Math.abs(apart)).toBeLessThanOrEqual(0.51);
          expect(sun.cameraLooksDeg).toBeGreaterThanOrEqual(0);
          expect(sun.cameraLooksDeg).toBeLessThanOrEqual(360);
        },
      ),
    );
  });

  it('is not seen at night', () => {
    expect(seenSun({ latitudeDeg: 46.93, longitudeDeg: 10.21 }, new Date('2026-02-27T22:00:00Z'), 0)).toBeNull();
  });
});
