import { avFromN, nFromAv } from './exposure';
import { failure, type Outcome, success } from './outcome';
import { addLight, remainingLight, stopsToRatio } from './stops';

/**
 * Ambient and flash at one point, read as apertures at the same shutter and ISO.
 * Light adds linearly: `N_total² = N_A² + N_F²`, so in aperture values it adds as stops do.
 */

/** The aperture value a meter reads for ambient and flash together. */
export const totalAv = (ambientAv: number, flashAv: number): number => addLight(ambientAv, flashAv);

/** A total that is not above the ambient; a meter's tenth is the least that counts as flash. */
export interface NoFlashMeasured {
  kind: 'no-flash-measured';
}

/**
 * Flash alone out of a total reading: `N_F² = N_total² − N_A²`.
 * @returns the flash-only aperture value, or a failure when the total is not above the ambient
 */
export function separateFlashAv(ambientAv: number, total: number): Outcome<number, NoFlashMeasured> {
  const flash = remainingLight(total, ambientAv);
  return flash === undefined ? failure({ kind: 'no-flash-measured' }) : success(flash);
}

/** The same with f-numbers, for people's figures. */
export function separateFlashN(ambientN: number, totalN: number): Outcome<number, NoFlashMeasured> {
  const flash = separateFlashAv(avFromN(ambientN), avFromN(totalN));
  return flash.ok ? success(nFromAv(flash.value)) : flash;
}

/** Flash share of the whole (0 to 1) from flash over ambient in stops. */
export const shareFromFlashMinusAmbient = (flashMinusAmbientStops: number): number =>
  1 / (1 + stopsToRatio(-flashMinusAmbientStops));
