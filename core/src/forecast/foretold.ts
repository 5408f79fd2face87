import { balance } from '../balance';
import { type Spot, type SpotLight, weatherAt } from '../documents';
import { daylightEv100 } from '../gain';
import type { Kit } from '../gear';
import { FORETOLD_DOWN_TO_DEG, lightEv100, type MeteredScene, meterScene, withAssumed } from '../metering';
import { addLight, remainingLight } from '../photometry';
import type { MeteringPoint, Setup } from '../setup';
import { cloudSdStops, sunPosition } from '../sky';
import { isDusk } from './duskLamps';
import { newestVisit, type Visit } from './scout';
import { cloudLossAt } from './weatherAhead';

/** A setup that nobody has metered yet, on the light that is foretold for it: all of it is assumed. */
export interface ForetoldSetup {
  faceEv100: number;
  /** one standard deviation, stops */
  sdStops: number;
  /** an earlier visit moved it by so much; null: none tells anything */
  visit: { at: string; movedStops: number } | null;
  /** the cover of the sky that it reckons with, 0 to 1; null: nobody asked about the weather */
  cloud: number | null;
  settings: { shutter: string; aperture: string; iso: string } | null;
  /** by how much the camera's room is missed, stops; 0: it is not */
  cameraMissingStops: number;
  lights: {
    lightId: string;
    powerText: string | null;
    /** stops below full; null: none was found */
    powerStops: number | null;
    recycleS: number | null;
    outOfRange: { direction: 'too-weak' | 'too-strong'; byStops: number } | null;
  }[];
}

type ForetoldSpot = Pick<Spot, 'place' | 'looksDeg' | 'light' | 'weather'>;

const STANDS_IN: Record<SpotLight, NonNullable<MeteringPoint['standsIn']>> = {
  open: 'sun',
  shade: 'shade',
  indoors: 'indoors',
};
/** Through the blue hour a clear sky is known so well, stops. */
const DUSK_SD_STOPS = 1;
/** From here up what a point stands in says its level; lower the sky does. */
const DAY_FROM_DEG = -2;

/** So much of what the belief is unsure of lies in the place and comes again; the rest is that day's. */
const PLACE_SHARE = 0.6;
/** With the weather foretold, so much of the doubt about a level is left beside that about the cloud. */
const DOUBT_UNDER_KNOWN_SKY = 0.7;

interface Level {
  stops: number;
  sdStops: number;
}

/** What is believed of the light at a spot. */
interface Believed {
  there: Setup;
  scene: MeteredScene;
  levels: Map<string, Level>;
}

/**
 * What is believed at each point of a setup at a spot and a moment.
 * @returns null where it is darker than dusk outdoors
 */
function believedAt(
  setup: Setup,
  kit: Kit,
  { place, looksDeg, light, weather }: ForetoldSpot,
  at: Date,
): Believed | null {
  const standsIn = light === null ? null : STANDS_IN[light];
  const placed: Setup = {
    ...setup,
    points: setup.points.map((point) => ({ ...point, standsIn: point.standsIn ?? standsIn })),
    stage: place === null ? setup.stage : { ...setup.stage, sun: sunThere(place, looksDeg ?? 0, at) },
  };
  const burning = isDusk(placed, at.getTime());
  const there: Setup = {
    ...placed,
    lamps: placed.lamps.map((one) => ({ ...one, on: one.on || (one.fromDusk && burning) })),
  };
  const scene = meterScene(there, kit, [], at);
  const sunDeg = place === null ? null : sunPosition(place.latitudeDeg, place.longitudeDeg, at).altitudeDeg;
  const isAfterDay = sunDeg !== null && sunDeg < DAY_FROM_DEG && light !== 'indoors';
  const dusk = isAfterDay ? daylightEv100(there, null, FORETOLD_DOWN_TO_DEG) : null;
  if (isAfterDay && dusk === null) return null;
  const cloud = weatherAt(weather, at.getTime())?.cloud ?? null;
  const lamps = there.lamps.filter(({ on }) => on);
  const levels = there.points.map((point): [string, Level] => {
    const lit = lamps.flatMap((lamp) => scene.light.statedLampAt(lamp, point) ?? []);
    const lampEv100 = lit.length === 0 ? -Infinity : addLight(...lit);
    const believed =
      dusk === null ? scene.light.believedAt(point) : { stops: addLight(dusk, lampEv100), sdStops: DUSK_SD_STOPS };
    return [point.id, cloud === null ? believed : underCloud(believed, lampEv100, cloud, point.standsIn)];
  });
  return { there, scene, levels: new Map(levels) };
}

/** A level under a cover of cloud that is foretold. */
function underCloud(
  { stops, sdStops }: Level,
  lampEv100: number,
  cloud: number,
  standsIn: MeteringPoint['standsIn'],
): Level {
  const daylight = Number.isFinite(lampEv100) ? (remainingLight(stops, lampEv100) ?? -Infinity) : stops;
  return {
    stops: addLight(daylight - cloudLossAt(cloud, standsIn), lampEv100),
    sdStops: Math.hypot(sdStops * DOUBT_UNDER_KNOWN_SKY, cloudSdStops(cloud)),
  };
}

/**
 * By how much the newest earlier visit to the spot moves what is believed of it: what it read over what was believed then, as
 * far as that lies in the place. null where nobody read the face's ambient there before.
 */
function movedByVisit(kit: Kit, spot: ForetoldSpot, at: Date, visits: readonly Visit[]): ForetoldSetup['visit'] {
  const found = newestVisit(visits, at);
  if (found === null) return null;
  const { visit, reading } = found;
  // what the weather was then nobody knows any more
  const then = believedAt(visit.setup, kit, { ...spot, weather: null }, new Date(reading.at));
  const level = then?.levels.get(reading.pointId);
  return level === undefined ? null : { at: reading.at, movedStops: PLACE_SHARE * (lightEv100(reading) - level.stops) };
}

/**
 * A setup at a spot and a moment, solved on what is believed of the light there.
 * @param visits earlier setups at the spot with their readings
 * @returns null where it has no face to light, or it is darker than dusk outdoors
 */
export function foretoldSetup(
  setup: Setup,
  kit: Kit,
  spot: ForetoldSpot,
  at: Date,
  visits: readonly Visit[] = [],
): ForetoldSetup | null {
  const face = setup.points.find(({ role }) => role === 'face');
  const believed = face === undefined ? null : believedAt(setup, kit, spot, at);
  if (face === undefined || believed === null) return null;
  const { there, scene, levels } = believed;
  const visit = movedByVisit(kit, spot, at, visits);
  const known = visit === null ? 1 : Math.sqrt(1 - PLACE_SHARE ** 2);
  const assumed = [...levels].reduce(
    (so, [pointId, { stops, sdStops }]) =>
      withAssumed(so, pointId, { ambientEv100: stops + (visit?.movedStops ?? 0), sdStops: sdStops * known }),
    scene,
  );
  const now = balance(there, kit, assumed);
  const { ambientEv100, sdStops } = assumed.ambientAt(face);
  const { camera } = now;
  return {
    faceEv100: ambientEv100 ?? 0,
    sdStops: sdStops ?? 0,
    visit,
    cloud: weatherAt(spot.weather, at.getTime())?.cloud ?? null,
    settings:
      camera === null ? null : { shutter: camera.text.shutter, aperture: camera.text.aperture, iso: camera.text.iso },
    cameraMissingStops: camera?.missingStops ?? 0,
    lights: now.lights.map(({ lightId, powerText, powerStops, recycleS, outOfRange }) => ({
      lightId,
      powerText,
      powerStops,
      recycleS,
      outOfRange: outOfRange === null ? null : { direction: outOfRange.direction, byStops: outOfRange.byStops },
    })),
  };
}

const sunThere = (place: NonNullable<Spot['place']>, looksDeg: number, at: Date): Setup['stage']['sun'] => ({
  by: 'time',
  ...place,
  at: at.toISOString(),
  cameraLooksDeg: looksDeg,
});
