import {
  ev100,
  failure,
  type NoFlashMeasured,
  type Outcome,
  separateFlashAv,
  shareFromFlashMinusAmbient,
  success,
} from '../photometry';
import type { FiredLight, MeteringPoint, Reading, ReadingMethod, Setup } from '../setup';

/** A flash-only level at a point, out of a reading. */
export interface FlashMeasurement {
  reading: Reading;
  fired: FiredLight;
  /** aperture value of the flash alone at ISO 100 */
  flashAvAtBase: number;
  /** one standard deviation, stops */
  uncertaintyStops: number;
}

/** Why a flash reading says nothing about its light. */
export type FlashFault = NoFlashMeasured | { kind: 'no-flash-fired' | 'several-fired' | 'ambient-missing' };

/** How far a hand meter's reading may be off, in stops (one standard deviation). */
export const READING_NOISE_STOPS = 0.1;

/** How far a reading of each kind may be off, in stops (one standard deviation): the doubt in the tone or in the eye is the larger part. */
const METHOD_NOISE_STOPS: Record<ReadingMethod['kind'], number> = {
  incident: READING_NOISE_STOPS,
  disc: READING_NOISE_STOPS,
  spot: 0.25,
  frame: 0.25,
  eye: 1 / 3,
  reflected: 0.7,
};
export const readingNoiseStops = ({ method }: Reading): number => METHOD_NOISE_STOPS[method.kind];

/**
 * The light that a reading says falls there, as EV100 of the incident reading that would be right.
 * A spot reading and a place in a frame are of a tone: what the tone lies over mid grey is taken off, and a frame's
 * place adds how far it landed from mid grey at the frame's settings.
 */
export function lightEv100(reading: Reading): number {
  const { method } = reading;
  if (method.kind === 'spot') return ev100(reading) - method.toneStops;
  return method.kind === 'frame' ? ev100(reading) + method.placementStops - method.toneStops : ev100(reading);
}

const byTime = (a: Reading, b: Reading): number => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1);

/** The readings that hold, oldest first: struck-out ones stay in the log and count for nothing. */
export const standingReadings = (readings: readonly Reading[]): Reading[] =>
  readings.filter((reading) => reading.struckAt === null).sort(byTime);

/** All standing ambient readings of a point, oldest first. */
export const ambientReadings = (standing: readonly Reading[], pointId: string): Reading[] =>
  standing.filter((reading) => reading.light === 'ambient' && reading.pointId === pointId);

/**
 * The ambient reading in force at a point: the newest that measures its whole light. A disc to one source does not;
 * a camera's whole-frame meter gives way to anything taken at the point itself; where the dome was turned both ways,
 * the setup says which one the face is set by. Wants `standingReadings`.
 */
export function ambientReading(
  standing: readonly Reading[],
  point: MeteringPoint,
  faceBy: Setup['look']['faceBy'],
): Reading | undefined {
  const readings = ambientReadings(standing, point.id);
  const whole = readings.filter(({ method }) => method.kind !== 'disc');
  const atThePoint = whole.filter(({ method }) => method.kind !== 'reflected');
  const list = atThePoint.length > 0 ? atThePoint : whole.length > 0 ? whole : readings;
  const aimed = (aim: Setup['look']['faceBy']) =>
    list.some(({ method }) => method.kind === 'incident' && method.aim === aim);
  const chosen =
    point.role === 'face' && aimed('camera') && aimed('light')
      ? list.filter(({ method }) => method.kind !== 'incident' || method.aim === faceBy)
      : list;
  return chosen.at(-1);
}

/** The flash readings at a point, oldest first. Wants `standingReadings`. */
export const flashReadingsOf = (standing: readonly Reading[], pointId: string): Reading[] =>
  standing.filter((reading) => reading.light !== 'ambient' && reading.pointId === pointId);

/** An ambient reading taken this soon after a flash reading tells the ambient of that moment better than an older one. */
const SOON_AFTER_MS = 180_000;

/** The ambient that held when a flash reading was taken: the one before it, or one taken right after it that is nearer in time. */
function ambientAround(standing: readonly Reading[], reading: Reading): Reading | undefined {
  const ambients = ambientReadings(standing, reading.pointId).filter(({ method }) => method.kind !== 'disc');
  const before = ambients.findLast((other) => byTime(other, reading) <= 0);
  const after = ambients.find((other) => byTime(other, reading) > 0);
  if (before === undefined || after === undefined) return before ?? after;
  const gap = (other: Reading) => Math.abs(Date.parse(other.at) - Date.parse(reading.at));
  return gap(after) <= SOON_AFTER_MS && gap(after) < gap(before) ? after : before;
}

/**
 * The flash alone in one flash reading, at ISO 100. A total is separated from the ambient that held when it was taken;
 * the smaller the flash's share of it, the less certain the result (a reading's noise divided by the share).
 */
export function measureFlash(standing: readonly Reading[], reading: Reading): Outcome<FlashMeasurement, FlashFault> {
  const [fired, ...others] = reading.fired;
  if (fired === undefined) return failure({ kind: 'no-flash-fired' });
  if (others.length > 0) return failure({ kind: 'several-fired' });
  if (reading.light === 'flash')
    return success({ reading, fired, flashAvAtBase: reading.av - reading.sv, uncertaintyStops: READING_NOISE_STOPS });
  const ambient = ambientAround(standing, reading);
  if (ambient === undefined) return failure({ kind: 'ambient-missing' });
  const ambientAv = lightEv100(ambient) - reading.tv + reading.sv;
  const flash = separateFlashAv(ambientAv, reading.av);
  if (!flash.ok) return flash;
  const share = shareFromFlashMinusAmbient(flash.value - ambientAv);
  return success({
    reading,
    fired,
    flashAvAtBase: flash.value - reading.sv,
    uncertaintyStops: Math.min(1.5, READING_NOISE_STOPS / share),
  });
}
