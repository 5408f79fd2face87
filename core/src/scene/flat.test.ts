import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { rectangleConfigurationFactor } from '../modifiers/areaSource';
import { CARD_ANSWER, DOME_ANSWER, type Flat, mirrored, overFlat, passesThrough, shareFromFlat, unitOf } from './flat';
import { flatInFrame, frameSizeM, frameView, inFrame, poleInFrame } from './framing';
import { direction, lightPlace, standOf, turned } from './position';
import { spectaclesShow } from './spectacles';

const EYES = { x: 0, y: 0, z: 0 };
const TO_CAMERA = direction(0);
const facing = (distanceM: number, sizeM: number, round = false): Flat => ({
  at: { x: 0, y: 0, z: distanceM },
  faces: { x: 0, y: 0, z: -1 },
  widthM: sizeM,
  tallM: sizeM,
  round,
});

describe('a flat thing', () => {
  it('gives a card its configuration factor, and a dome as much and more', () => {
    for (const [d, s] of [
      [1, 0.6],
      [0.5, 1.1],
      [3, 2],
    ] as const) {
      expect(
        shareFromFlat(facing(d, s), EYES, TO_CAMERA, CARD_ANSWER) / rectangleConfigurationFactor(s, s, d),
      ).toBeCloseTo(1, 1.7);
      expect(shareFromFlat(facing(d, s), EYES, TO_CAMERA, DOME_ANSWER)).toBeGreaterThanOrEqual(
        shareFromFlat(facing(d, s), EYES, TO_CAMERA, CARD_ANSWER),
      );
    }
    expect(shareFromFlat({ ...facing(1, 1), faces: { x: 0, y: 0, z: 1 } }, EYES, TO_CAMERA, CARD_ANSWER)).toBe(0);
  });

  it('fills more of the view the larger and the nearer it is, from either side', () => {
    const filled = (flat: Flat) => overFlat(flat, EYES, (_, solidAngle) => solidAngle);
    expect(filled(facing(0.5, 1))).toBeGreaterThan(filled(facing(1, 1)));
    expect(filled(facing(1, 2))).toBeGreaterThan(filled(facing(1, 1)));
    expect(filled({ ...facing(1, 1), faces: { x: 0, y: 0, z: 1 } })).toBeCloseTo(filled(facing(1, 1)), 9);
    // a square as wide as it is far on both sides fills a sixth of the sphere
    expect(filled(facing(1, 2)) / ((4 * Math.PI) / 6)).toBeCloseTo(1, 1);
  });

  it('stands in the way of what goes through it, and of nothing else', () => {
    const panel = facing(1, 0.5);
    expect(passesThrough(panel, EYES, { x: 0, y: 0, z: 200 })).toBe(true);
    expect(passesThrough(panel, EYES, { x: 100, y: 0, z: 100 })).toBe(false);
    expect(passesThrough(panel, EYES, { x: 0, y: 0, z: 0.9 })).toBe(false);
    expect(passesThrough(facing(1, 0.5, true), EYES, { x: 0.24, y: 0.24, z: 2 })).toBe(true);
    expect(passesThrough(facing(1, 0.5, true), EYES, { x: 0.48, y: 0.48, z: 2 })).toBe(false);
  });

  it('mirrors as a mirror does: twice is nothing, and the angle is kept', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -170, max: 170, noNaN: true }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        (side, rise) => {
          const [ray, normal] = [direction(side, rise), direction(20, 10)];
          const back = mirrored(mirrored(ray, normal), normal);
          expect([back.x, back.y, back.z]).toEqual([ray.x, ray.y, ray.z].map((value) => expect.closeTo(value, 9)));
        },
      ),
    );
  });
});

describe('places', () => {
  it('a stand and its place say the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.integer({ min: -179, max: 179 }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        (distanceM, sideDeg, heightM) => {
          const back = standOf(lightPlace(EYES, { distanceM, sideDeg, heightM }), EYES);
          expect([back.distanceM, back.sideDeg, back.heightM]).toEqual(
            [distanceM, sideDeg, heightM].map((value) => expect.closeTo(value, 6)),
          );
        },
      ),
    );
  });

  it("turning goes to the camera's right", () => {
    expect(turned(TO_CAMERA, 90)).toEqual({ x: expect.closeTo(1, 9), y: 0, z: expect.closeTo(0, 9) });
    expect(unitOf(EYES)).toEqual({ x: 0, y: 0, z: 1 });
  });
});

describe('the frame', () => {
  const camera = { x: 0, y: 0, z: 3 };
  const view = frameView(camera, EYES, 50, 43.27, true);
  it('is as large as the usual formula says: 36 mm over the focal length', () => {
    const { widthM, heightM } = frameSizeM(view, EYES);
    expect(heightM).toBeCloseTo((36 / 50) * 3, 2);
    expect(widthM).toBeCloseTo((24 / 50) * 3, 2);
    expect(frameSizeM(frameView(camera, EYES, 50, 43.27, false), EYES).widthM).toBeCloseTo(heightM, 9);
  });

  it('shows what is in it: to the right is right, behind the camera is nothing', () => {
    expect(inFrame(view, { x: 0.3, y: 0.2, z: 0 })?.across).toBeGreaterThan(0);
    expect(inFrame(view, { x: 0, y: 0, z: 5 })).toBeNull();
    const box = (x: number, z: number): Flat => ({
      at: { x, y: 0, z },
      faces: { x: 0, y: 0, z: 1 },
      widthM: 0.6,
      tallM: 0.6,
      round: true,
    });
    expect(flatInFrame(view, box(0.9, 0), 100)).toBe(true);
    expect(flatInFrame(view, box(2, 0), 100)).toBe(false);
    expect(flatInFrame(view, box(0, -5), 6)).toBe(false); // behind the background
    expect(poleInFrame(view, { x: 0.4, y: 3, z: 0 }, -1.6, 100)).toBe(true);
    expect(poleInFrame(view, { x: 3, y: 3, z: 0 }, -1.6, 100)).toBe(false);
  });
});

describe('spectacles', () => {
  const camera = { x: 0, y: 0, z: 2.5 };
  const box = (sideDeg: number, heightM: number, sizeM = 0.9): Flat => {
    const at = lightPlace(EYES, { distanceM: 1.4, sideDeg, heightM });
    return { at, faces: unitOf({ x: -at.x, y: -at.y, z: -at.z }), widthM: sizeM, tallM: sizeM, round: true };
  };
  const shows = (source: Flat, turnDeg = 0, tiltDeg = 0) => spectaclesShow(source, camera, EYES, turnDeg, tiltDeg);
  it('show a light near the camera, not one far to the side or high up', () => {
    expect(shows(box(5, 0.1))).toBe(true);
    expect(shows(box(80, 0.1))).toBe(false);
    expect(shows(box(5, 1.2))).toBe(false);
  });

  it('let go of it when they are tipped down, and find it again when the face turns half-way to it', () => {
    expect(shows(box(0, 0.5, 0.4), 0, 12)).toBe(false);
    expect(shows(box(60, 0, 0.4), 0)).toBe(false);
    expect(shows(box(60, 0, 0.4), 30)).toBe(true);
  });

  it('are the same in a mirror', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -90, max: 90 }),
        fc.double({ min: -0.3, max: 1, noNaN: true }),
        fc.integer({ min: -40, max: 40 }),
        fc.integer({ min: 0, max: 15 }),
        (side, height, turn, tilt) => {
          expect(shows(box(-side, height), -turn, tilt)).toBe(shows(box(side, height), turn, tilt));
        },
      ),
    );
  });
});
