/**
 * What the tones of a picture say. Pixels are 8-bit sRGB with four bytes each (red, green, blue, alpha), row by row,
 * as canvases give them.
 */
export interface Pixels {
  data: Uint8ClampedArray | Uint8Array;
  width: number;
  height: number;
}

/** A frame's small copy may take this many letters as a data address; the original stays on the device that took it. */
export const MAX_FRAME_IMAGE_LETTERS = 400_000;

/** Bins of a histogram: four of the 256 levels share one. */
export const HISTOGRAM_BINS = 64;
/** At and beyond these 8-bit levels a channel has no detail left. */
const HIGHLIGHT_LEVEL = 254;
const SHADOW_LEVEL = 1;
/** Mid grey of a correctly exposed 18 % card in sRGB, linear. */
const MID_GREY = 0.18;
/** A place is the mean of a patch this share of the picture's longer side wide. */
const PATCH_SHARE = 0.02;
/** The darkest tone that an 8-bit picture still tells, stops from mid grey. */
const FLOOR_STOPS = -9;

/** Linear light of an 8-bit sRGB level, 0 to 1. Source: IEC 61966-2-1. */
export function linearFromSrgb(level: number): number {
  const share = level / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}
const LINEAR = Float64Array.from({ length: 256 }, (_, level) => linearFromSrgb(level));

export interface PictureTones {
  histogram: { red: number[]; green: number[]; blue: number[] };
  /** share of all pixels, for red, green and blue */
  clipped: { highlights: [number, number, number]; shadows: [number, number, number] };
}

/** Histogram and clipped shares of each channel. Wants at least one pixel. */
export function pictureTones({ data, width, height }: Pixels): PictureTones {
  const counts = [0, 1, 2].map(() => new Array<number>(HISTOGRAM_BINS).fill(0)) as [number[], number[], number[]];
  const highlights: [number, number, number] = [0, 0, 0];
  const shadows: [number, number, number] = [0, 0, 0];
  const pixels = width * height;
  const perBin = 256 / HISTOGRAM_BINS;
  for (let at = 0; at < pixels * 4; at += 4)
    for (const channel of [0, 1, 2] as const) {
      const level = data[at + channel] ?? 0;
      const bin = Math.floor(level / perBin);
      counts[channel][bin] = (counts[channel][bin] ?? 0) + 1;
      if (level >= HIGHLIGHT_LEVEL) highlights[channel] += 1;
      if (level <= SHADOW_LEVEL) shadows[channel] += 1;
    }
  const share = (sums: [number, number, number]): [number, number, number] => [
    sums[0] / pixels,
    sums[1] / pixels,
    sums[2] / pixels,
  ];
  return {
    histogram: { red: counts[0], green: counts[1], blue: counts[2] },
    clipped: { highlights: share(highlights), shadows: share(shadows) },
  };
}

export interface Place {
  /** stops from mid grey; at the floor or the ceiling it is only a bound */
  placementStops: number;
  /** true where the patch has clipped: it is at least as light as said */
  clipped: boolean;
  /** mean 8-bit level of the patch, red, green, blue */
  level: [number, number, number];
}

/**
 * Where a place in the picture lies against mid grey: the mean linear luminance (Rec. 709) of a patch round it.
 * @param x share of the width, 0 to 1
 * @param y share of the height, 0 to 1
 */
export function placeInPicture({ data, width, height }: Pixels, x: number, y: number): Place {
  const half = Math.max(1, Math.round((PATCH_SHARE * Math.max(width, height)) / 2));
  const centreX = Math.min(width - 1, Math.max(0, Math.round(x * (width - 1))));
  const centreY = Math.min(height - 1, Math.max(0, Math.round(y * (height - 1))));
  const sums: [number, number, number] = [0, 0, 0];
  let luminance = 0;
  let clippedPixels = 0;
  let count = 0;
  for (let row = Math.max(0, centreY - half); row <= Math.min(height - 1, centreY + half); row += 1)
    for (let column = Math.max(0, centreX - half); column <= Math.min(width - 1, centreX + half); column += 1) {
      const at = (row * width + column) * 4;
      const [red, green, blue] = [data[at] ?? 0, data[at + 1] ?? 0, data[at + 2] ?? 0];
      luminance += 0.2126 * (LINEAR[red] ?? 0) + 0.7152 * (LINEAR[green] ?? 0) + 0.0722 * (LINEAR[blue] ?? 0);
      sums[0] += red;
      sums[1] += green;
      sums[2] += blue;
      if (Math.max(red, green, blue) >= HIGHLIGHT_LEVEL) clippedPixels += 1;
      count += 1;
    }
  const mean = luminance / count;
  return {
    placementStops: mean <= 0 ? FLOOR_STOPS : Math.max(FLOOR_STOPS, Math.log2(mean / MID_GREY)),
    clipped: clippedPixels > count / 2,
    level: [Math.round(sums[0] / count), Math.round(sums[1] / count), Math.round(sums[2] / count)],
  };
}
