import { balance } from '../balance';
import type { Spot, SpotLight } from '../documents';
import { daylightEv100 } from '../gain';
import type { Kit } from '../gear';
import { FORETOLD_DOWN_TO_DEG, meterScene, withAssumed } from '../metering';
import type { MeteringPoint, Setup } from '../setup';
import { sunPosition } from '../sky';

/** A setup that nobody has metered yet, on the light that is foretold for it: all of it is assumed. */
export interface ForetoldSetup {
  faceEv100: number;
  /** one standard deviation, stops */
  sdStops: number;
  settings: { shutter: string; aperture: string; iso: string } | null;
  /** by how much the camera's room is missed, stops; 0: it is not */
  cameraMissingStops: number;
  lights: {
    lightId: string;
    powerText: string | null;
    outOfRange: { direction: 'too-weak' | 'too-strong'; byStops: number } | null;
  }[];
}

const STANDS_IN: Record<SpotLight, NonNullable<MeteringPoint['standsIn']>> = {
  open: 'sun',
  shade: 'shade',
  indoors: 'indoors',
};
/** Through the blue hour a clear sky is known so well, stops. */
const DUSK_SD_STOPS = 1;
/** From here up what a point stands in says its level; lower the sky does. */
const DAY_FROM_DEG = -2;

/**
 * A setup at a spot and a moment, solved on what is believed of the light there.
 * @returns null where it has no face to light, or it is darker than dusk outdoors
 */
export function foretoldSetup(
  setup: Setup,
  kit: Kit,
  { place, looksDeg, light }: Pick<Spot, 'place' | 'looksDeg' | 'light'>,
  at: Date,
): ForetoldSetup | null {
  const face = setup.points.find(({ role }) => role === 'face');
  if (face === undefined) return null;
  const standsIn = light === null ? null : STANDS_IN[light];
  const there: Setup = {
    ...setup,
    points: setup.points.map((point) => ({ ...point, standsIn: point.standsIn ?? standsIn })),
    stage: place === null ? setup.stage : { ...setup.stage, sun: sunThere(place, looksDeg ?? 0, at) },
  };
  const scene = meterScene(there, kit, [], at);
  const sunDeg = place === null ? null : sunPosition(place.latitudeDeg, place.longitudeDeg, at).altitudeDeg;
  const isDusk = sunDeg !== null && sunDeg < DAY_FROM_DEG && light !== 'indoors';
  const dusk = isDusk ? daylightEv100(there, null, FORETOLD_DOWN_TO_DEG) : null;
  if (isDusk && dusk === null) return null;
  const assumed = there.points.reduce((known, point) => {
    const { stops, sdStops } = dusk === null ? scene.light.believedAt(point) : { stops: dusk, sdStops: DUSK_SD_STOPS };
    return withAssumed(known, point.id, { ambientEv100: stops, sdStops });
  }, scene);
  const now = balance(there, kit, assumed);
  const { ambientEv100, sdStops } = assumed.ambientAt(face);
  return {
    faceEv100: ambientEv100 ?? 0,
    sdStops: sdStops ?? 0,
    settings:
      now.camera === null
        ? null
        : { shutter: now.camera.text.shutter, aperture: now.camera.text.aperture, iso: now.camera.text.iso },
    cameraMissingStops: now.camera?.missingStops ?? 0,
    lights: now.lights.map(({ lightId, powerText, outOfRange }) => ({
      lightId,
      powerText,
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
