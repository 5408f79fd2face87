import { BELIEFS } from '../estimate';
import { ev100, type Increment, type NoFlashMeasured, separateFlashAv } from '../photometry';
import type { MeteringPoint, Reading, ReadingMethod, SceneChange, SceneChangeKind, Setup } from '../setup';

/** Why a flash reading says nothing about its light. */
export type FlashFault = NoFlashMeasured | { kind: 'no-flash-fired' | 'ambient-missing' };

/**
 * How far a reading of each kind may be off, in stops (one standard deviation): of a meter its 0.1, its tenths and the
 * dial's own unevenness; else the doubt in the tone, in the background or in the eye is the larger part.
 */
const METHOD_NOISE_STOPS: Record<ReadingMethod['kind'], number> = {
  incident: BELIEFS.noise,
  disc: BELIEFS.noise,
  spot: 0.2,
  frame: 0.25,
  eye: 1 / 3,
  reflected: 0.5,
};
/** Figures that come in tenths are as fine as the meter itself. */
const COARSE_STEPS: Record<Increment, number> = { tenth: 0, third: 1 / 3, half: 1 / 2 };

/** What looked right for a whole frame may be off by so much at one place of it, stops. */
const WHOLE_FRAME_NOISE_STOPS = 0.7;
/** What patchy light adds: the meter's dome stands in another patch than the face. */
const PATCHY_STOPS = 0.5;

/** How far a reading may be off, stops; a coarse scale adds what is lost between its steps, `step/√12`. */
export function readingNoiseStops({ method, patchy }: Reading, increment: Increment): number {
  const whole = method.kind === 'eye' && method.of === 'frame';
  const own = whole ? WHOLE_FRAME_NOISE_STOPS : METHOD_NOISE_STOPS[method.kind];
  return Math.hypot(own, COARSE_STEPS[increment] / Math.sqrt(12), patchy ? PATCHY_STOPS : 0);
}

/**
 * The light that a reading says falls there, as EV100 of the incident reading that would be right.
 * A spot reading and a place in a frame are of a tone: what the tone lies over mid grey is taken off, and a frame's
 * place adds how far it landed from mid grey at the frame's settings. A camera's compensation darkens or brightens the frame
 * against its meter, so that is taken back.
 */
export function lightEv100(reading: Reading): number {
  const { method } = reading;
  if (method.kind === 'spot') return ev100(reading) - method.toneStops;
  if (method.kind === 'reflected') return ev100(reading) + method.compensationStops;
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
 * Why a flash reading says nothing of flash: nothing fired, no ambient was metered there at all, or the total is not above
 * the ambient that held. A change of the scene between the two may have darkened it: then it is left to the estimate.
 */
export function flashFault(
  standing: readonly Reading[],
  changes: readonly SceneChange[],
  reading: Reading,
): FlashFault | null {
  if (reading.fired.length === 0) return { kind: 'no-flash-fired' };
  if (reading.light === 'flash') return null;
  const ambient = ambientAround(standing, reading);
  if (ambient === undefined) {
    // what was set by eye goes on without a reading here: the estimate tells flash and ambient apart as well as it can
    return standing.some(({ method }) => method.kind === 'eye') ? null : { kind: 'ambient-missing' };
  }
  const [from, to] = [ambient.at, reading.at].map((at) => Date.parse(at)).sort((a, b) => a - b);
  const changed = changes.some(({ at, struckAt }) => {
    const when = Date.parse(at);
    return struckAt === null && when > (from ?? 0) && when < (to ?? 0);
  });
  if (changed) return null;
  const flash = separateFlashAv(lightEv100(ambient) - reading.tv + reading.sv, reading.av);
  return flash.ok ? null : flash.reason;
}

/** How a reading differs from the one before it at its point, and what was changed between them. */
export interface ReadingStep {
  /** brighter, or darker, stops */
  stops: number;
  /** what happened in the scene between both, the newest first */
  since: SceneChangeKind[];
}

/**
 * Each standing ambient reading of a point against the one before it that was taken in the same way, by its id; the first has no
 * step.
 */
export function readingSteps(
  readings: readonly Reading[],
  changes: readonly SceneChange[],
  pointId: string,
): Map<string, ReadingStep> {
  const own = standingReadings(readings).filter((one) => one.light === 'ambient' && one.pointId === pointId);
  const wayOf = ({ method }: Reading) => (method.kind === 'incident' ? method.aim : method.kind);
  return new Map(
    own.flatMap((reading, index): [string, ReadingStep][] => {
      const before = own.slice(0, index).findLast((one) => wayOf(one) === wayOf(reading));
      if (before === undefined) return [];
      const [from, to] = [Date.parse(before.at), Date.parse(reading.at)];
      const between = changes.filter(({ at, struckAt }) => {
        const when = Date.parse(at);
        return struckAt === null && when >= from && when <= to;
      });
      const since = [...new Set(between.map(({ what }) => what).reverse())];
      return [[reading.id, { stops: lightEv100(reading) - lightEv100(before), since }]];
    }),
  );
}
