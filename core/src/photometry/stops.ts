/**
 * A stop is a factor of two in light. Levels are kept in stops (log2) throughout the core;
 * minus infinity stands for no light at all and is the only infinity these functions take or give.
 */
export const NO_LIGHT = -Infinity;

/** Stops for a linear ratio of light. `ratioToStops(2) === 1`. Source: definition of the stop, log2. */
export const ratioToStops = (ratio: number): number => Math.log2(ratio);

/** Linear ratio for a number of stops. `stopsToRatio(1) === 2`. */
export const stopsToRatio = (stops: number): number => 2 ** stops;

/**
 * Adds light levels given in stops. Two equal levels add up to one stop more.
 * Written around the largest level so that it neither overflows nor loses small parts.
 * @returns the sum in stops; `NO_LIGHT` when nothing is added
 */
export function addLight(...levelsStops: number[]): number {
  const top = Math.max(NO_LIGHT, ...levelsStops);
  if (top === NO_LIGHT) return NO_LIGHT;
  return top + Math.log2(levelsStops.reduce((sum, level) => sum + 2 ** (level - top), 0));
}

/**
 * What must be added to `partStops` to give `totalStops`: `log2(2^total − 2^part)`.
 * @returns the level in stops, or `undefined` when the part already reaches the total
 */
export function remainingLight(totalStops: number, partStops: number): number | undefined {
  if (partStops === NO_LIGHT) return totalStops;
  const differenceStops = totalStops - partStops;
  if (!(differenceStops > 0)) return undefined;
  // log2(1 − 2^−x) by expm1, which keeps its digits when x is tiny
  const rest = totalStops + Math.log2(-Math.expm1(-differenceStops * Math.LN2));
  return Number.isFinite(rest) ? rest : undefined;
}

/** Rounds to the nearest multiple of a step, ties away from zero, free of the binary dust of 1/3 and 1/10. */
export function roundToStep(valueStops: number, stepStops: number): number {
  return stepsToStops(Math.sign(valueStops) * Math.round(Math.abs(valueStops) / stepStops + 1e-9), stepStops);
}

/** The largest multiple of a step not above the value (dust of 10⁻⁹ forgiven). */
export const floorToStep = (valueStops: number, stepStops: number): number =>
  stepsToStops(Math.floor(valueStops / stepStops + 1e-9), stepStops);

/** The smallest multiple of a step not below the value (dust of 10⁻⁹ forgiven). */
export const ceilToStep = (valueStops: number, stepStops: number): number =>
  stepsToStops(Math.ceil(valueStops / stepStops - 1e-9), stepStops);

/** `count` steps in stops, computed by division so that three thirds are exactly one. Never −0. */
export function stepsToStops(count: number, stepStops: number): number {
  return count / Math.round(1 / stepStops) + 0;
}
