/** Mid grey, linear: what a correctly exposed grey card comes to. */
export const MID_GREY = 0.18;
/** Entries of a tone table: linear values from 0 to `TONE_MOST`. */
export const TONE_STEPS = 65_535;
export const TONE_MOST = 16;

/** How a picture is developed: as a camera does it, or with the contrast of the scene. */
export type Development = 'camera' | 'flat';
const CONTRAST: Record<Development, number> = { camera: 1.38, flat: 1 };
/** Over mid grey it stays straight for so many stops, then bends to white. */
const STRAIGHT_STOPS = 1;
/** Below mid grey the contrast dies away to that of the scene: it has fallen to a third of its surplus here, stops. */
const TOE_STOPS = 3;
/** White over mid grey, stops. */
const WHITE_STOPS = Math.log2(1 / MID_GREY);

/**
 * Where a tone is shown, stops against mid grey. Mid grey stays; `contrast` through it; a toe that is the same for every
 * camera; a shoulder that reaches white, ever flatter, where the camera clips.
 */
function shownStops(stops: number, contrast: number, clipsAboveStops: number): number {
  if (stops <= 0) return stops - (contrast - 1) * TOE_STOPS * (1 - Math.exp(stops / TOE_STOPS));
  if (stops >= clipsAboveStops) return WHITE_STOPS;
  // a camera that clips early has no room to bend
  if (contrast * clipsAboveStops <= WHITE_STOPS) return (stops / clipsAboveStops) * WHITE_STOPS;
  const straight = Math.min(STRAIGHT_STOPS, clipsAboveStops / 2);
  if (stops <= straight) return contrast * stops;
  const [wide, high] = [clipsAboveStops - straight, WHITE_STOPS - contrast * straight];
  return contrast * straight + high * (1 - (1 - (stops - straight) / wide) ** ((contrast * wide) / high));
}

const encoded = (linear: number): number =>
  linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;

/**
 * A tone curve as a table from linear light to 8 bits (sRGB, IEC 61966-2-1).
 * @param clipsAboveStops where the camera clips over mid grey
 */
export function toneTable(clipsAboveStops: number, development: Development = 'camera'): Uint8Array {
  const contrast = CONTRAST[development];
  return Uint8Array.from({ length: TONE_STEPS + 1 }, (_, i) => {
    const linear = (i / TONE_STEPS) * TONE_MOST;
    if (linear === 0) return 0;
    const shown = MID_GREY * 2 ** shownStops(Math.log2(linear / MID_GREY), contrast, clipsAboveStops);
    return Math.round(255 * encoded(Math.min(1, shown)));
  });
}
