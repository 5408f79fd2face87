import { type Balance, balance } from '../balance';
import { type Weather, weatherAt } from '../documents';
import { isIndoors, sunStand } from '../gain';
import type { Kit } from '../gear';
import {
  ASKED_SD_STOPS,
  BREAK_MINUTES,
  type Fact,
  FORETOLD_DOWN_TO_DEG,
  type LevelAhead,
  type MeteredScene,
  meterScene,
} from '../metering';
import { addLight, remainingLight } from '../photometry';
import { type MeteringPoint, type PointRole, type Setup } from '../setup';
import { colourAhead, type ColourStep } from './colourAhead';
import { type Drift, driftOf } from './drift';
import { isDusk, waitingLamps, withDuskLamps } from './duskLamps';
import { type FadingPlace, shareAt } from './fadingPlace';
import { type Following, followingOf, problemOf } from './following';
import { bandsOf, type ForecastRecord, forecastRecord, NO_RECORD } from './record';
import { underWeather } from './weatherAhead';

/** So far the light is foretold, minutes. */
const FORETOLD_MINUTES = 60;
const MINUTE_MS = 60_000;
/** Light is worked out this often. */
const KNOT_MINUTES = 5;
const NOWHERE: LevelAhead = { ev100: -Infinity, sdStops: Infinity };
/** What the picture is balanced between. */
const HELD_ROLES: readonly PointRole[] = ['face', 'background'];

/** A level at a minute to come, with the bands that it lies in twice in three and nineteen times in twenty. */
export interface ForecastLevel extends LevelAhead {
  /** half of the wide band, stops; `sdStops` is half of the narrow one */
  wideStops: number;
}

/** The light at one minute to come. */
export interface ForecastMinute {
  minute: number;
  atMs: number;
  /** metered points, in their order */
  levels: (ForecastLevel & { pointId: string })[];
  /** the share of flash at the face with everything as it is set now, 0 to 1; null: no flash is set */
  flashShare: number | null;
}

/** The next hour of a setup. */
export interface Forecast {
  /** the moment that it counts from */
  fromMs: number;
  /** that moment is now; else it is the last one that anything was read at */
  live: boolean;
  /** how the change is known: from place and time, or from how readings have changed alone */
  by: 'sun' | 'readings';
  minutes: ForecastMinute[];
  /** the sun is too low from here on: whatever lamps stand about are more; null: not in this hour */
  darkAtMinute: number | null;
  /** when a reading is due, and of what: its ± passes a third; null: not in this hour */
  meterAgain: { minute: number; pointId: string } | null;
  /**
   * What holds the picture; worked out when it is asked for. null before there are camera settings and a metered face or
   * background.
   */
  follow: () => Following | null;
  drift: Drift | null;
  /** from when the colour of the light asks for another white balance or other gels; empty: it does not */
  colours: ColourStep[];
  /** when lamps come on that are dark yet, minutes; null: none do in this hour */
  lampsAtMinute: number | null;
  /** the weather that it reckons with is foretold for this hour */
  byWeather: boolean;
}

interface Ahead {
  point: MeteringPoint;
  at: (minutes: number) => LevelAhead;
}

/**
 * The light of the next hour from everything that was read, and what holds the picture while it changes.
 * The model gives the change, readings the level, and the ± is the estimate's.
 * @param weather as it is foretold for the spot; null: nobody asked
 * @returns null where nothing was metered
 */
export function foresee(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  weather: Weather | null = null,
): Forecast | null {
  const own = facts.filter(({ setupId, struckAt }) => setupId === setup.id && struckAt === null);
  const lastMs = own.reduce((most, { at }) => Math.max(most, Date.parse(at)), -Infinity);
  const live = clock.getTime() - lastMs <= BREAK_MINUTES * MINUTE_MS;
  const from = live ? clock : new Date(lastMs);
  if (!Number.isFinite(from.getTime())) return null;
  const scene = meterScene(setup, kit, facts, from);
  const now = balance(setup, kit, scene);
  const ahead = aheadOf(setup, scene, from.getTime(), weather);
  if (ahead.length === 0) return null;
  const darkAtMinute = darkFrom(setup, from, scene);
  const last = darkAtMinute ?? FORETOLD_MINUTES;
  const record = forecastRecord(scene);
  const levels = levelsOf(ahead, last, record);
  const places = placesOf(setup, kit, scene, now, ahead, levels);
  const face = places.get('face');
  const problem = problemOf(setup, kit, now, [...places.values()]);
  return {
    fromMs: from.getTime(),
    live,
    by: scene.light.evidence.evening.forecast === null ? 'readings' : 'sun',
    minutes: levels.map((row, minute) => ({
      minute,
      atMs: from.getTime() + minute * MINUTE_MS,
      levels: row.map((level, index) => ({ ...level, pointId: ahead[index]?.point.id ?? '' })),
      flashShare: face === undefined ? null : shareAt(face, minute),
    })),
    darkAtMinute,
    meterAgain: dueAt(ahead, levels),
    follow: () => (problem === null ? null : followingOf(problem, now, from)),
    drift: driftOf(places, kit.preferences.bounds.share, problem?.dials.shutter ?? [0]),
    colours: colourAhead(setup, kit, scene, now, { ms: from.getTime(), minutes: last }),
    lampsAtMinute: lampsFrom(setup, from.getTime(), last),
    byWeather: weatherAt(weather, from.getTime()) !== null,
  };
}

/** Each metered point with how its level goes on: the sky, the weather, and lamps that come on. */
function aheadOf(setup: Setup, scene: MeteredScene, fromMs: number, weather: Weather | null): Ahead[] {
  const { light } = scene;
  const burning = setup.lamps.filter(({ on }) => on);
  const isMoving = light.evidence.evening.sky === 'moving';
  return setup.points.flatMap((point): Ahead[] => {
    const clear = light.ahead(point);
    if (clear === null) return [];
    const lamps = burning.flatMap((lamp) => light.lampAt(lamp, point)?.alone.stops ?? []);
    const lampEv100 = lamps.length === 0 ? null : addLight(...lamps);
    const standsIn = isIndoors(setup) ? 'indoors' : point.standsIn;
    const covered = underWeather(clear, weather, { fromMs, standsIn, lampEv100, isMoving });
    return [{ point, at: withDuskLamps(covered, setup, scene, point, fromMs) }];
  });
}

/** The first minute at which lamps that are dark yet burn. */
function lampsFrom(setup: Setup, fromMs: number, lastMinute: number): number | null {
  if (waitingLamps(setup).length === 0) return null;
  for (let minute = 0; minute <= lastMinute; minute += 1) if (isDusk(setup, fromMs + minute * MINUTE_MS)) return minute;
  return null;
}

/** Every minute of every point; worked out every few minutes, and evenly between: light has no corners. */
function levelsOf(ahead: readonly Ahead[], lastMinute: number, record: ForecastRecord): ForecastLevel[][] {
  const knots = Array.from({ length: Math.ceil(lastMinute / KNOT_MINUTES) + 1 }, (_, index) =>
    Math.min(lastMinute, index * KNOT_MINUTES),
  );
  const worked = knots.map((minute) => ahead.map(({ at }) => at(minute)));
  return Array.from({ length: lastMinute + 1 }, (_, minute) => {
    const index = Math.min(knots.length - 1, Math.floor(minute / KNOT_MINUTES));
    const [from = 0, to = from] = knots.slice(index, index + 2);
    const part = to === from ? 0 : (minute - from) / (to - from);
    return ahead.map((_one, point): ForecastLevel => {
      const start = worked[index]?.[point] ?? NOWHERE;
      const end = worked[index + 1]?.[point] ?? start;
      const sdStops = start.sdStops + (end.sdStops - start.sdStops) * part;
      return {
        ev100: start.ev100 + (end.ev100 - start.ev100) * part,
        ...bandsOf(sdStops, minute === 0 ? NO_RECORD : record),
      };
    });
  });
}

/** The minute from which the sun stands too low to foretell anything; null: not within the hour, or nothing is known of it. */
function darkFrom(setup: Setup, from: Date, { light }: MeteredScene): number | null {
  const { sun } = setup.stage;
  if (sun?.by !== 'time' || light.evidence.evening.forecast === null) return null;
  const isDark = (minute: number): boolean => {
    const at = new Date(from.getTime() + minute * MINUTE_MS).toISOString();
    const stands = sunStand({ sun: { ...sun, at } });
    return stands !== null && stands.altitudeDeg < FORETOLD_DOWN_TO_DEG;
  };
  // within an hour that ends light it does not go under and come up again
  if (!isDark(FORETOLD_MINUTES)) return null;
  let [lit, dark] = [0, FORETOLD_MINUTES];
  while (dark - lit > 1) {
    const middle = Math.floor((lit + dark) / 2);
    if (isDark(middle)) dark = middle;
    else lit = middle;
  }
  return dark;
}

/** The first minute at which what the picture rests on is known less well than a third. */
function dueAt(ahead: readonly Ahead[], levels: readonly (readonly ForecastLevel[])[]): Forecast['meterAgain'] {
  const matters = ahead.some(({ point }) => HELD_ROLES.includes(point.role));
  for (const [minute, row] of levels.entries())
    for (const [index, { sdStops }] of row.entries()) {
      const point = ahead[index]?.point;
      if (point === undefined || (matters && !HELD_ROLES.includes(point.role))) continue;
      if (sdStops > ASKED_SD_STOPS) return { minute, pointId: point.id };
    }
  return null;
}

/** Face and background as the camera shows them with everything as it is set, minute by minute. */
function placesOf(
  setup: Setup,
  { preferences: { bounds } }: Kit,
  scene: MeteredScene,
  now: Balance,
  ahead: readonly Ahead[],
  levels: readonly (readonly ForecastLevel[])[],
): Map<PointRole, FadingPlace> {
  const { camera } = now;
  const places = new Map<PointRole, FadingPlace>();
  if (camera === null) return places;
  const trimmed = setup.lamps.filter(({ role, on }) => role !== null && on);
  for (const [index, { point }] of ahead.entries()) {
    if (!HELD_ROLES.includes(point.role)) continue;
    const solved = now.points.find(({ pointId }) => pointId === point.id);
    const lamps = trimmed.flatMap((lamp) => scene.light.lampAt(lamp, point)?.alone.stops ?? []);
    const lampEv100 = lamps.length === 0 ? null : addLight(...lamps);
    places.set(point.role, {
      daylightStops: levels.map((row) => {
        const all = row[index]?.ev100 ?? -Infinity;
        const rest = lampEv100 === null ? all : (remainingLight(all, lampEv100) ?? -Infinity);
        return rest - camera.ev100;
      }),
      flashStops: solved?.flashStops ?? null,
      lampStops: lampEv100 === null ? null : lampEv100 - camera.ev100,
      withinStops: point.role === 'face' ? bounds.faceStops : bounds.backgroundStops,
    });
  }
  return places;
}
