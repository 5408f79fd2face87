/** What may still come of a covered sky, stops: one standard deviation. Cloud takes 1 to 4 stops. */
const COVERED_SD_STOPS = 0.8;
/** From this cover on a sky is as uncertain as one that is covered. */
const HALF_COVERED = 0.5;

/**
 * What a cover of cloud takes from sun and sky together, stops.
 * Source: Kasten and Czeplak 1980, global radiation `1 − 0.75·N^3.4` of the clear sky's.
 * @param cloud share of the sky that is covered, 0 to 1
 */
export const cloudLossStops = (cloud: number): number => -Math.log2(1 - 0.75 * cloud ** 3.4);

/** How well that is known, stops: one standard deviation. */
export const cloudSdStops = (cloud: number): number => COVERED_SD_STOPS * Math.min(1, cloud / HALF_COVERED);
