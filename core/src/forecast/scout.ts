import { lightEv100 } from '../metering';
import { sunStand } from '../gain';
import { wrapDeg } from '../scene';
import type { Reading, Setup } from '../setup';

/** A visit to a spot, as far as the light that was there goes. */
export interface Visit {
  setup: Setup;
  readings: readonly Reading[];
}

/** What an earlier visit found at the face, against now. */
export interface Scouted {
  /** when it was read */
  at: string;
  thenEv100: number;
  /** now over then, stops */
  changeStops: number;
  /** how much cooler the light on the face is now, mired; null: not said at both */
  coolerMired: number | null;
  /** how much further to the right of the camera the sun stands now, degrees; null: not known at both */
  sunAsideDeg: number | null;
}

/** Nearer in time it is the same visit. */
const ANOTHER_VISIT_MS = 4 * 3_600_000;

/** The newest reading of the face's ambient that stands. */
function faceReading({ setup, readings }: Visit): Reading | undefined {
  const face = setup.points.find(({ role }) => role === 'face');
  return readings
    .filter(({ light, struckAt, pointId, method }) => {
      const tells = method.kind !== 'disc' && method.kind !== 'eye';
      return light === 'ambient' && struckAt === null && pointId === face?.id && tells;
    })
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))[0];
}

/** The newest visit that read the face's ambient on another occasion before a moment; null: none did. */
export function newestVisit(visits: readonly Visit[], before: Date): { visit: Visit; reading: Reading } | null {
  const read = visits.flatMap((visit) => {
    const reading = faceReading(visit);
    if (reading === undefined || before.getTime() - Date.parse(reading.at) < ANOTHER_VISIT_MS) return [];
    return [{ visit, reading }];
  });
  return read.sort((a, b) => Date.parse(b.reading.at) - Date.parse(a.reading.at))[0] ?? null;
}

const faceKelvin = ({ setup }: Visit): number | null => {
  const face = setup.points.find(({ role }) => role === 'face');
  return setup.colour.ambient.find(({ pointId }) => pointId === face?.id)?.kelvin ?? null;
};

/** Where the sun stood when something was read; null where the stage does not know it by place and time. */
function sunSideAt({ stage: { sun } }: Setup, at: string): number | null {
  return sun?.by === 'time' ? (sunStand({ sun: { ...sun, at } })?.sideDeg ?? null) : null;
}

/**
 * The newest of other visits to the same spot against this one.
 * @param others setups at the spot with their readings  @returns null where the face was not read at both
 */
export function scouted(now: Visit, others: readonly Visit[]): Scouted | null {
  const reading = faceReading(now);
  if (reading === undefined) return null;
  const earlier = newestVisit(others, new Date(reading.at));
  if (earlier === null) return null;
  const { visit, reading: read } = earlier;
  const [kelvinNow, kelvinThen] = [faceKelvin(now), faceKelvin(visit)];
  const [sideNow, sideThen] = [sunSideAt(now.setup, reading.at), sunSideAt(visit.setup, read.at)];
  return {
    at: read.at,
    thenEv100: lightEv100(read),
    changeStops: lightEv100(reading) - lightEv100(read),
    coolerMired: kelvinNow === null || kelvinThen === null ? null : 1e6 / kelvinThen - 1e6 / kelvinNow,
    sunAsideDeg: sideNow === null || sideThen === null ? null : wrapDeg(sideNow - sideThen),
  };
}
