/** A head that got hot cools down within a quarter of an hour or so; a usual value. */
const COOLS_MINUTES = 15;

/**
 * The heat that frames leave in a head, in full-power flashes that were fired all at once: each brings its energy, and it cools
 * meanwhile, `E·rτ·(1 − e^(−n/rτ))`.
 * @param energy of a flash, 1 at full power  @param framesPerMinute null: one right after the other
 */
export function heatOf(frames: number, energy: number, framesPerMinute: number | null): number {
  if (framesPerMinute === null) return frames * energy;
  const together = framesPerMinute * COOLS_MINUTES;
  return energy * together * -Math.expm1(-frames / together);
}

/** Frames after which a head must cool; null: at this pace it never must. The inverse of `heatOf`. */
export function framesUntilHot(hotAfterPops: number, energy: number, framesPerMinute: number | null): number | null {
  if (framesPerMinute === null) return Math.floor(hotAfterPops / energy + 1e-6);
  const together = framesPerMinute * COOLS_MINUTES;
  const share = hotAfterPops / (energy * together);
  return share >= 1 ? null : Math.floor(-together * Math.log1p(-share) + 1e-6);
}
