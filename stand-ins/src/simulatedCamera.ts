import { encode } from 'jpeg-js';
import piexif from 'piexifjs';

import { truePlacementStops } from '@sphene/core/devices';
import { apertureNumber, formatShutter, isoNumber } from '@sphene/core/notation';
import { addLight, ev100, type ExposureSettings } from '@sphene/core/photometry';
import { type PointRole, ROLE_FACTS } from '@sphene/core/setup';
import type { Photograph } from './photograph';
import type { Pop } from './simulatedRadio';

export const PICTURE = { width: 900, height: 600 } as const;
const MID_GREY = 0.18;

/** What stands at a place of the picture, 0 to 1 across and down: a couple before a slope, a card in the corner. */
export function roleAt(x: number, y: number): PointRole {
  const inside = (centreX: number, centreY: number, radiusX: number, radiusY: number) =>
    ((x - centreX) / radiusX) ** 2 + ((y - centreY) / radiusY) ** 2 < 1;
  if (x > 0.04 && x < 0.16 && y > 0.76 && y < 0.94) return 'grey';
  if (inside(0.5, 0.36, 0.085, 0.17)) return x < 0.53 ? 'face' : 'shadow';
  if (inside(0.5, 0.34, 0.11, 0.21) && y < 0.42) return 'highlight';
  if (y > 0.52 && Math.abs(x - 0.42) < 0.05 + (y - 0.52) * 0.3 && x < 0.52) return 'white';
  if (y > 0.52 && x >= 0.5 && x < 0.56 + (y - 0.52) * 0.28) return 'dark';
  return y < 0.3 ? 'sky' : 'background';
}

const srgb = (linear: number): number =>
  255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055);

/** The picture as the camera would record it: each place at its true placement, clipped where the light is too much. */
export function renderPixels(settings: ExposureSettings, flashAv: Pop = {}): Uint8Array {
  const { width, height } = PICTURE;
  const levels = new Map<PointRole, number>();
  const levelOf = (role: PointRole): number => {
    const known = levels.get(role);
    if (known !== undefined) return known;
    const ambient = truePlacementStops(role, ev100(settings));
    const flash = flashAv[role];
    const placed =
      flash === undefined ? ambient : addLight(ambient, flash + settings.sv - settings.av + ROLE_FACTS[role].toneStops);
    const level = Math.round(srgb(Math.min(1, MID_GREY * 2 ** placed)));
    levels.set(role, level);
    return level;
  };
  const data = new Uint8Array(width * height * 4);
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const at = (row * width + column) * 4;
      data.fill(levelOf(roleAt((column + 0.5) / width, (row + 0.5) / height)), at, at + 3);
      data[at + 3] = 255;
    }
  return data;
}

/** A fraction as EXIF keeps it. */
const rational = (printed: string): [number, number] => {
  const fraction = /^1\/(.+)$/.exec(printed)?.[1];
  return fraction === undefined
    ? [Math.round(Number.parseFloat(printed) * 10), 10]
    : [10, Math.round(Number(fraction) * 10)];
};

/**
 * A JPEG with honest EXIF: what the dials print, and the camera's clock.
 * @param takenAt as the camera's clock shows it, `2026:02:27 16:40:00`
 * @param flashAv the light of the flash that fires with it, by kind of point
 * @param photograph what stands before the camera; null: the couple on the terrace, each tone as an even patch
 */
export function takePicture(
  settings: ExposureSettings,
  takenAt: string,
  flashAv: Pop = {},
  photograph: Photograph | null = null,
): Buffer {
  const jpeg = encode(
    photograph ?? { data: renderPixels(settings, flashAv), width: PICTURE.width, height: PICTURE.height },
    92,
  ).data;
  const exif = piexif.dump({
    Exif: {
      [piexif.ExifIFD.ExposureTime]: rational(formatShutter(settings.tv, 'third')),
      [piexif.ExifIFD.FNumber]: rational(apertureNumber(settings.av, 'third')),
      [piexif.ExifIFD.ISOSpeedRatings]: Number(isoNumber(settings.sv)),
      [piexif.ExifIFD.DateTimeOriginal]: takenAt,
    },
  });
  return Buffer.from(piexif.insert(exif, jpeg.toString('latin1')), 'latin1');
}
