import { avFromN } from '../photometry';

/** What the light of one flash at one point depends on. Distances are effective ones (see `effectiveDistanceM`). */
export interface FlashGeometry {
  /** metres, ISO 100, full power, with the stated reflector */
  guideNumberM: number;
  effectiveDistanceM: number;
  /** everything that is lost between the bare reflector and the subject, in stops */
  lossStops: number;
}

/**
 * Guide number of a strobe rated in watt-seconds with its standard reflector: `GN ≈ 3.3·√Ws`.
 * A starting estimate, good to about ±⅔ stop.
 */
export const guideNumberFromWs = (ws: number): number => 3.3 * Math.sqrt(ws);

/**
 * The aperture value that the flash alone gives at an ISO.
 * Source: `N = GN · 2^(P/2) · √(ISO/100) / d`, in stops `Av = Av(GN) + P + Sv − 2·log2(d) − losses`.
 */
export const flashAv = (geometry: FlashGeometry, powerStops: number, sv: number): number =>
  avFromN(geometry.guideNumberM) + powerStops + sv - 2 * Math.log2(geometry.effectiveDistanceM) - geometry.lossStops;

/** The power, in stops below full, that gives this aperture value from flash alone. Above 0 is not reachable. */
export const flashPowerStops = (geometry: FlashGeometry, av: number, sv: number): number =>
  av - flashAv(geometry, 0, sv);
