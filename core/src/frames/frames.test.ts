import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { exposureFromExif, hasSettings } from './exposureFromExif';
import { HISTOGRAM_BINS, linearFromSrgb, pictureTones, type Pixels, placeInPicture } from './tones';

const flat = (level: number, width = 40, height = 30): Pixels => ({
  data: new Uint8ClampedArray(width * height * 4).fill(level),
  width,
  height,
});
/** The 8-bit level of a tone this many stops from mid grey. */
const levelOf = (stops: number): number => {
  const linear = 0.18 * 2 ** stops;
  return Math.round(255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055));
};

describe('tones of a picture', () => {
  it.each([-4, -2, -1, 0, 1, 2])('a flat tone %d stops from mid grey is placed there', (stops) => {
    const place = placeInPicture(flat(levelOf(stops)), 0.5, 0.5);
    expect(place.placementStops).toBeCloseTo(stops, stops < -3 ? 0 : 1);
    expect(place.clipped).toBe(false);
  });

  it('a lighter patch never lands lower, anywhere in the picture', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 254 }), share, share, (level, x, y) => {
        expect(placeInPicture(flat(level + 1), x, y).placementStops).toBeGreaterThanOrEqual(
          placeInPicture(flat(level), x, y).placementStops,
        );
      }),
    );
    expect(placeInPicture(flat(0), 0, 1).placementStops).toBe(-9);
    expect(placeInPicture(flat(255), 1, 0)).toMatchObject({ clipped: true, level: [255, 255, 255] });
    expect(linearFromSrgb(255)).toBeCloseTo(1, 12);
  });

  it('takes the patch under the finger, not the picture', () => {
    const half = flat(levelOf(-2), 400, 20);
    half.data.fill(levelOf(1), 0, 0);
    for (let row = 0; row < 20; row += 1) half.data.fill(levelOf(1), row * 1600 + 800, (row + 1) * 1600);
    expect(placeInPicture(half, 0.2, 0.5).placementStops).toBeCloseTo(-2, 1);
    expect(placeInPicture(half, 0.8, 0.5).placementStops).toBeCloseTo(1, 1);
  });

  it('counts every pixel once in each channel, and the clipped ones apart', () => {
    const picture: Pixels = {
      data: Uint8ClampedArray.from([255, 0, 128, 255, 10, 0, 128, 255, 254, 1, 128, 255, 100, 90, 128, 255]),
      width: 2,
      height: 2,
    };
    const { histogram, clipped } = pictureTones(picture);
    for (const channel of Object.values(histogram)) {
      expect(channel).toHaveLength(HISTOGRAM_BINS);
      expect(channel.reduce((sum, count) => sum + count, 0)).toBe(4);
    }
    expect(clipped).toEqual({ highlights: [0.5, 0, 0], shadows: [0, 0.75, 0] });
  });
});

describe('exposure from EXIF', () => {
  it('takes what the camera prints as its exact stop', () => {
    const exif = exposureFromExif({
      FNumber: 5.6,
      ExposureTime: 1 / 200,
      ISO: 640,
      DateTimeOriginal: '2026:02:27 15:42:10',
    });
    expect(exif).toMatchObject({ av: 5, tv: 23 / 3, sv: 8 / 3, takenAt: '2026-02-27T15:42:10' });
    expect(hasSettings(exif)).toBe(true);
    expect(exposureFromExif({ FNumber: 2.8, ExposureTime: 2, ISO: 100 })).toMatchObject({ av: 3, tv: -1, sv: 0 });
  });

  it('says what the camera did by itself, as the standard has it', () => {
    const by = (fields: object) => exposureFromExif(fields).byItself;
    expect(by({ ExposureProgram: 1, WhiteBalance: 1, Flash: 16, ExposureCompensation: 0 })).toEqual({
      exposure: 'manual',
      compensationStops: 0,
      whiteBalance: 'manual',
      flashFired: false,
    });
    expect(
      by({ ExposureProgram: 3, ExposureMode: 1, WhiteBalance: 0, Flash: 25, ExposureCompensation: -2 / 3 }),
    ).toEqual({
      exposure: 'automatic',
      compensationStops: -2 / 3,
      whiteBalance: 'automatic',
      flashFired: true,
    });
    // a programme that is not defined leaves it to the mode
    expect(by({ ExposureProgram: 0, ExposureMode: 1 }).exposure).toBe('manual');
  });

  it('says null for what is missing or nonsense, and never throws', () => {
    const none = {
      av: null,
      tv: null,
      sv: null,
      takenAt: null,
      byItself: { exposure: null, compensationStops: null, whiteBalance: null, flashFired: null },
    };
    for (const nothing of [
      null,
      undefined,
      3,
      'x',
      [],
      {},
      { FNumber: 'wide', ExposureTime: -1, ISO: Infinity, DateTimeOriginal: 7 },
      { FNumber: 0, ISO: Number.NaN },
    ])
      expect(exposureFromExif(nothing)).toEqual(none);
    fc.assert(
      fc.property(
        fc.record({
          FNumber: fc.anything(),
          ExposureTime: fc.double(),
          ISO: fc.oneof(fc.integer(), fc.array(fc.integer())),
          DateTimeOriginal: fc.anything(),
        }),
        (found) => {
          const { av, tv, sv } = exposureFromExif(found);
          for (const value of [av, tv, sv]) expect(value === null || Number.isFinite(value)).toBe(true);
        },
      ),
    );
  });
});
