import { NO_FLASH_MEASURED, type Outcome, ev100, failure, separateFlashAv, shareFromFlashMinusAmbient, success } from '../photometry';
import type { FiredLight, Reading } from './reading';

/** A flash-only level at a point, out of a reading. */
export interface FlashMeasurement {
  reading: Reading;
  fired: FiredLight;
  /** aperture value of the flash alone at ISO 100 */
  flashAvAtBase: number;
  /** one standard deviation, stops */
  uncertaintyStops: number;
}

/** How far a hand meter's reading may be off, in stops (one standard deviation). */
export const READING_NOISE_STOPS = 0.1;

const byTime = (a: Reading, b: Reading): number => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1);

/** The readings that hold, oldest first: struck-out ones stay in the log and count for nothing. */
export const standingReadings = (readings: readonly Reading[]): Reading[] => readings.filter((reading) => reading.struckAt === null).sort(byTime);

/** The ambient reading in force at a point: the newest one. Wants `standingReadings`. */
export const ambientReading = (standing: readonly Reading[], pointId: string): Reading | undefined =>
  standing.findLast((reading) => reading.light === 'ambient' && reading.pointId === pointId);

/** The newest flash reading at a point. Wants `standingReadings`. */
export const flashReading = (standing: readonly Reading[], pointId: string): Reading | undefined =>
  standing.findLast((reading) => reading.light !== 'ambient' && reading.pointId === pointId);

/**
 * The flash alone in one flash reading, at ISO 100. A total is separated from the ambient that held when it was taken;
 * the smaller the flash's share of it, the less certain the result (a reading's noise divided by the share).
 */
export function measureFlash(standing: readonly Reading[], reading: Reading): Outcome<FlashMeasurement> {
  const { fired } = reading;
  if (fired === null) return failure('This reading was taken without flash.');
  if (reading.light === 'flash')
    return success({ reading, fired, flashAvAtBase: reading.av - reading.sv, uncertaintyStops: READING_NOISE_STOPS });
  const ambients = standing.filter((other) => other.light === 'ambient' && other.pointId === reading.pointId);
  const ambient = ambients.findLast((other) => byTime(other, reading) <= 0) ?? ambients[0];
  if (ambient === undefined) return failure('This total cannot be separated yet: meter the ambient at the same point, flash off.');
  const ambientAv = ev100(ambient) - reading.tv + reading.sv;
  const flash = separateFlashAv(ambientAv, reading.av);
  if (!flash.ok) return failure(NO_FLASH_MEASURED);
  const share = shareFromFlashMinusAmbient(flash.value - ambientAv);
  return success({ reading, fired, flashAvAtBase: flash.value - reading.sv, uncertaintyStops: Math.min(1.5, READING_NOISE_STOPS / share) });
}
