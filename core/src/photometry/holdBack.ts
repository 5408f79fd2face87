import { ratioToStops, stopsToRatio } from './stops';

/**
 * Hold-back: how many stops the ambient on the subject sits below the final exposure.
 * One number that joins the ways photographers say the same wish.
 * Source: ambient and flash add linearly, so `share = 1 − 2^−h`.
 */

/** Flash share of the final exposure (0 to 1) for a hold-back in stops (0 or more). */
export const shareFromHoldBack = (holdBackStops: number): number => -Math.expm1(-holdBackStops * Math.LN2);

/** Hold-back in stops for a flash share of 0 up to, not including, 1. */
export const holdBackFromShare = (share: number): number => -Math.log1p(-share) / Math.LN2;

/** Flash over ambient in stops: `log2(p/(1−p)) = log2(2^h − 1)`. Wants a hold-back above 0. */
export const flashMinusAmbient = (holdBackStops: number): number => Math.log2(Math.expm1(holdBackStops * Math.LN2));

/** Hold-back for flash over ambient in stops; the inverse of `flashMinusAmbient`. */
export const holdBackFromFlashMinusAmbient = (differenceStops: number): number =>
  ratioToStops(1 + stopsToRatio(differenceStops));

/** One wish, every way to count it. */
export interface LookFigures {
  holdBackStops: number;
  /** 0 to 1 */
  flashShare: number;
  flashMinusAmbientStops: number;
}

/** A hold-back above 0 as stops, share and flash against ambient. */
export const lookFigures = (holdBackStops: number): LookFigures => ({
  holdBackStops,
  flashShare: shareFromHoldBack(holdBackStops),
  flashMinusAmbientStops: flashMinusAmbient(holdBackStops),
});
