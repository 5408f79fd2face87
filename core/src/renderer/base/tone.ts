/** Mid grey, linear: what a correctly exposed grey card comes to. */
export const MID_GREY = 0.18;
/** Entries of a tone table: linear values from 0 to `TONE_MOST`. */
export const TONE_STEPS = 16_384;
export const TONE_MOST = 4;

/** A filmic curve. Source: Hable 2010. */
const filmic = (x: number): number => (x * (0.22 * x + 0.03) + 0.002) / (x * (0.22 * x + 0.3) + 0.06) - 1 / 30;

const encoded = (linear: number): number =>
  linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;

/** Under this the shoulder has no room between mid grey and white: a plain power takes its place. */
const LEAST_FILMIC_WHITE = 1.12;

/** The curve that keeps mid grey and brings `white` to 1. */
function curveTo(white: number): (x: number) => number {
  if (white < LEAST_FILMIC_WHITE) {
    const gamma = Math.log(MID_GREY) / Math.log(MID_GREY / white);
    return (x) => (x / white) ** gamma;
  }
  // the exposure inside the curve that keeps mid grey
  let inside = 1.5;
  for (let i = 0; i < 60; i += 1) inside *= (MID_GREY / (filmic(MID_GREY * inside) / filmic(white * inside))) ** 0.8;
  return (x) => filmic(x * inside) / filmic(white * inside);
}

/**
 * The camera's tone curve as a table from linear light to 8 bits (sRGB, IEC 61966-2-1): mid grey stays mid grey, and what
 * clips is white.
 * @param clipsAboveStops where the camera clips over mid grey
 */
export function toneTable(clipsAboveStops: number): Uint8Array {
  const curve = curveTo(MID_GREY * 2 ** clipsAboveStops);
  return Uint8Array.from({ length: TONE_STEPS + 1 }, (_, i) =>
    Math.round(255 * encoded(Math.min(1, Math.max(0, curve((i / TONE_STEPS) * TONE_MOST))))),
  );
}
