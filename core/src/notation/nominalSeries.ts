import { stepsToStops } from '../photometry';

/**
 * The numbers that cameras and meters print. A printed number stands for an exact stop:
 * f/5.6 is 4·√2, 1/125 is 1/128, ISO 640 is 100·2^(8/3). Source: the preferred-number series
 * engraved on lenses and dials since the ISO 2720/2721 standards; thirds and halves are customary.
 */
export interface NominalStep {
  /** exact position in stops */
  stops: number;
  /** the printed number */
  nominal: number;
}

const series = (first: number, perStop: 2 | 3, nominals: number[]): NominalStep[] =>
  nominals.map((nominal, index) => ({ stops: stepsToStops(first + index, 1 / perStop), nominal }));

/** f-numbers in thirds, from f/0.7 (Av −1) to f/90 (Av 13). */
export const APERTURE_THIRDS = series(
  -3,
  3,
  [
    0.7, 0.8, 0.9, 1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11, 13,
    14, 16, 18, 20, 22, 25, 29, 32, 36, 40, 45, 51, 57, 64, 72, 81, 90,
  ],
);

/** f-numbers in halves, from f/0.7 (Av −1) to f/90 (Av 13). */
export const APERTURE_HALVES = series(
  -2,
  2,
  [
    0.7, 0.8, 1, 1.2, 1.4, 1.7, 2, 2.4, 2.8, 3.3, 4, 4.8, 5.6, 6.7, 8, 9.5, 11, 13, 16, 19, 22, 27, 32, 38, 45, 54, 64,
    76, 90,
  ],
);

/** Shutter in thirds. Seconds from 60 s (Tv −6) to 1/8000 (Tv 13), kept as seconds or as 1/x. */
export const SHUTTER_SECONDS_THIRDS = series(
  -18,
  3,
  [60, 50, 40, 30, 25, 20, 15, 13, 10, 8, 6, 5, 4, 3.2, 2.5, 2, 1.6, 1.3, 1, 0.8, 0.6, 0.5, 0.4, 0.3],
);
/** The denominators x of 1/x in thirds, from 1/4 (Tv 2) to 1/16000 (Tv 14). */
export const SHUTTER_FRACTION_THIRDS = series(
  6,
  3,
  [
    4, 5, 6, 8, 10, 13, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250,
    1600, 2000, 2500, 3200, 4000, 5000, 6400, 8000, 10000, 12800, 16000,
  ],
);

/** Shutter in halves: seconds. */
export const SHUTTER_SECONDS_HALVES = series(-12, 2, [60, 45, 30, 20, 15, 10, 8, 6, 4, 3, 2, 1.5, 1, 0.7, 0.5, 0.3]);
/** Shutter in halves: denominators. */
export const SHUTTER_FRACTION_HALVES = series(
  4,
  2,
  [
    4, 6, 8, 10, 15, 20, 30, 45, 60, 90, 125, 180, 250, 350, 500, 750, 1000, 1500, 2000, 3000, 4000, 6000, 8000, 12000,
    16000,
  ],
);

/** ISO in thirds, from 25 (Sv −2) to 409600 (Sv 12). */
export const ISO_THIRDS = series(
  -6,
  3,
  [
    25, 32, 40, 50, 64, 80, 100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000,
    5000, 6400, 8000, 10000, 12800, 16000, 20000, 25600, 32000, 40000, 51200, 64000, 80000, 102400, 128000, 160000,
    204800, 256000, 320000, 409600,
  ],
);

/** ISO in halves, from 25 (Sv −2) to 51200 (Sv 9). */
export const ISO_HALVES = series(
  -4,
  2,
  [
    25, 35, 50, 70, 100, 140, 200, 280, 400, 560, 800, 1100, 1600, 2200, 3200, 4500, 6400, 9000, 12800, 18000, 25600,
    36000, 51200,
  ],
);

/** Looks a printed number up; `undefined` when the series does not print it. */
export const findNominal = (steps: readonly NominalStep[], nominal: number): NominalStep | undefined =>
  steps.find((step) => Math.abs(step.nominal - nominal) <= 1e-6 * Math.abs(step.nominal));

/** The printed number nearest to a position in stops. */
export function nearestNominal(steps: readonly NominalStep[], stops: number): NominalStep {
  return steps.reduce((best, step) =>
    Math.abs(step.stops - stops) < Math.abs(best.stops - stops) - 1e-9 ? step : best,
  );
}
