import { estimate } from '../estimate';
import type { MeteredScene } from '../metering';

/** How readings of this setup have come out against what was foretold of them. */
export interface ForecastRecord {
  /** what the ± of a forecast is to be taken times, at most 1: the light is calmer than it might be */
  calm: number;
  /** what comes on top of it, stops: the light jumps more than is told of it */
  jumpsStops: number;
}

/** The newest readings only: the light was another before. */
const MOST_READINGS = 8;
/** The belief that the ± is right weighs as much as so many readings. */
const PRIOR_READINGS = 3;
const LEAST_CALM = 0.5;
/** Errors have thicker tails than a normal's: as many of them lie within a little less. */
const MIDDLE = 0.96;
/** A reading further off than this says that something else was wrong, standard deviations. */
const MOST_DEVIATIONS = 8;

/** A reading as it was foretold from those before it. */
export interface ReadForetold {
  readingId: string;
  /** read over foretold, stops */
  overStops: number;
  /** of the forecast, one standard deviation */
  sdStops: number;
  /** of the reading */
  readSdStops: number;
}

/**
 * The newest readings of the ambient, each as it was foretold from all before it. Readings before which somebody changed
 * something are left out: nobody foretold that.
 */
export function readForetold({ light: { evidence } }: MeteredScene, most = MOST_READINGS): ReadForetold[] {
  const { evening } = evidence;
  const ambient = evening.taken.filter(({ light }) => light === 'ambient').slice(-most);
  // clouds are what a forecast does not know; whatever else changed was done by somebody
  const arranged = evening.events.filter(({ what }) => what !== 'cloud');
  return ambient.flatMap((one): ReadForetold[] => {
    const before = evening.taken.filter(({ minute }) => minute < one.minute);
    const last = before.findLast(({ point, light }) => point === one.point && light === 'ambient');
    if (last === undefined) return [];
    if (arranged.some(({ minute }) => minute > last.minute && minute <= one.minute)) return [];
    const events = evening.events.filter(({ minute }) => minute <= last.minute);
    const { stops, sdStops } = estimate({ ...evening, events, taken: before, now: one.minute }).expect(one);
    return [{ readingId: one.id, overStops: one.stops - stops, sdStops, readSdStops: one.sdStops }];
  });
}

/**
 * Every reading of the ambient is foretold from those before it, and what it differs by is set against the ±. Readings
 * before which somebody changed something say nothing; a cloud says how far the light may jump.
 */
export function forecastRecord(scene: MeteredScene): ForecastRecord {
  const foretold = readForetold(scene);
  const readings = foretold.length;
  let [squares, excess] = [0, 0];
  for (const { overStops, sdStops, readSdStops } of foretold) {
    const variance = sdStops ** 2 + readSdStops ** 2;
    const square = Math.min(overStops ** 2, variance * MOST_DEVIATIONS ** 2);
    squares += square / variance;
    excess += square - variance;
  }
  const mean = (PRIOR_READINGS + squares) / (PRIOR_READINGS + readings);
  return {
    calm: MIDDLE * Math.max(LEAST_CALM, Math.min(1, Math.sqrt(mean))),
    jumpsStops: Math.sqrt(Math.max(0, excess / (1 + readings))),
  };
}

/** Nothing is known of how forecasts have come out. */
export const NO_RECORD: ForecastRecord = { calm: 1, jumpsStops: 0 };
/** Of a normal error nineteen in twenty lie within so many standard deviations; where light jumps, within so many more. */
const WIDE = { calm: 2.07, jumps: 3 };
/** A few readings have hardly seen the largest of what may come. */
const UNSEEN = 1.42;

/** The narrow and the wide band round a foretold level, half of each, by what has come of earlier ones. */
export function bandsOf(sdStops: number, { calm, jumpsStops }: ForecastRecord) {
  const narrow = Math.hypot(sdStops * calm, jumpsStops * UNSEEN);
  const jumping = narrow === 0 ? 0 : ((jumpsStops * UNSEEN) / narrow) ** 2;
  return { sdStops: narrow, wideStops: narrow * (WIDE.calm + WIDE.jumps * jumping) };
}
