import { type MeteringPoint, type Reading, type SceneChange, type SceneChangeKind, touchesPoint } from '../setup';
import { ambientReadings, lightEv100 } from './levels';

/** Why a reading may not hold any more. */
export type Staleness =
  | { kind: 'scene'; change: SceneChangeKind }
  | { kind: 'age'; minutes: number }
  | { kind: 'drift'; holdsMinutes: number };

/** A point to be metered again, and which others its reading settles. */
export interface MeterAgain {
  pointId: string;
  settles: string[];
  /** how near each other their light lay, stops */
  withinStops: number;
  because: Staleness;
}

const MINUTE_MS = 60_000;
/** Readings older than this belong to a setup at rest: it is looked at, not worked in, and nobody is asked to meter. */
const AT_REST_MINUTES = 120;
/** How long daylight and lamps usually hold to a third of a stop; measured drift takes their place. */
const HOLDS_MINUTES = { sun: 15, shade: 20, indoors: 45 } as const;
const SHORTEST_MINUTES = 3;
const DRIFT_STOPS = 1 / 3;
/** Points whose readings lay this near each other stand in the same light. */
const SAME_LIGHT_STOPS = 0.2;

const minutesBetween = (from: string, to: number): number => (to - Date.parse(from)) / MINUTE_MS;

/**
 * How long a reading of this point holds, minutes: by the drift of its last two readings where there are two,
 * else by the kind of light.
 */
export function holdsMinutes(point: MeteringPoint, readings: readonly Reading[]): number {
  const usual = HOLDS_MINUTES[point.standsIn ?? 'shade'];
  const [before, last] = readings.slice(-2);
  if (before === undefined || last === undefined) return usual;
  const apart = minutesBetween(before.at, Date.parse(last.at));
  const drift = Math.abs(lightEv100(last) - lightEv100(before));
  if (apart < 2 || apart > 60 || drift < 0.05 || before.method.kind !== last.method.kind) return usual;
  return Math.min(usual, Math.max(SHORTEST_MINUTES, (DRIFT_STOPS / drift) * apart));
}

/** Whether the reading in force at a point still holds; null when it does. */
export function staleness(
  point: MeteringPoint,
  reading: Reading,
  standing: readonly Reading[],
  changes: readonly SceneChange[],
  clock: Date,
): Staleness | null {
  const change = changes.findLast(
    ({ what, at, struckAt }) =>
      struckAt === null && Date.parse(at) > Date.parse(reading.at) && touchesPoint(what, point.role),
  );
  if (change !== undefined) return { kind: 'scene', change: change.what };
  const newest = standing.at(-1);
  const atRest = newest === undefined || minutesBetween(newest.at, clock.getTime()) > AT_REST_MINUTES;
  const age = minutesBetween(reading.at, clock.getTime());
  const holds = holdsMinutes(point, ambientReadings(standing, point.id));
  if (atRest || age <= holds) return null;
  return holds < HOLDS_MINUTES[point.standsIn ?? 'shade']
    ? { kind: 'drift', holdsMinutes: holds }
    : { kind: 'age', minutes: age };
}

/** What is known of a point's reading: its level and whether it holds. */
export interface PointReading {
  point: MeteringPoint;
  reading: Reading;
  stale: Staleness | null;
}

const level = ({ reading }: PointReading): number => lightEv100(reading);

/** A point with a fresh reading that stood in the same light as this stale one when this one was metered. */
export function guideFor(
  stale: PointReading,
  all: readonly PointReading[],
  standing: readonly Reading[],
): { guide: PointReading; changeStops: number } | null {
  for (const guide of all) {
    if (guide === stale || guide.stale !== null || guide.point.standsIn !== stale.point.standsIn) continue;
    const then = ambientReadings(standing, guide.point.id)
      .filter(
        ({ id, at, method }) =>
          id !== guide.reading.id &&
          Date.parse(at) < Date.parse(guide.reading.at) &&
          method.kind === guide.reading.method.kind,
      )
      .findLast((reading) => Math.abs(lightEv100(reading) - level(stale)) <= SAME_LIGHT_STOPS);
    if (then !== undefined) return { guide, changeStops: level(guide) - lightEv100(then) };
  }
  return null;
}

/** The same thing happened to both: the same change of the scene, or time went by. */
const sameReason = (a: Staleness | null, b: Staleness | null): boolean => {
  if (a?.kind === 'scene' && b?.kind === 'scene') return a.change === b.change;
  return a?.kind === b?.kind;
};

/**
 * The fewest points to be metered again: one of each group that stood in the same light, the earliest in the
 * usual order.
 */
export function meterAgain(stale: readonly PointReading[]): MeterAgain[] {
  const groups: PointReading[][] = [];
  for (const one of stale) {
    const group = groups.find(
      ([first]) =>
        first !== undefined &&
        first.point.standsIn === one.point.standsIn &&
        sameReason(first.stale, one.stale) &&
        Math.abs(level(first) - level(one)) <= SAME_LIGHT_STOPS,
    );
    if (group === undefined) groups.push([one]);
    else group.push(one);
  }
  return groups.flatMap(([first, ...rest]) =>
    first?.stale == null
      ? []
      : [
          {
            pointId: first.point.id,
            because: first.stale,
            settles: rest.map(({ point }) => point.id),
            withinStops: SAME_LIGHT_STOPS,
          },
        ],
  );
}
