import { type Increment, addLight, formatAperture, formatShutter, formatStops } from '../photometry';
import type { Camera } from './camera';
import type { CameraSolution } from './cameraSettings';
import { flashReading, measureFlash, readingNoiseStops } from './levels';
import type { LightSolution } from './lightPower';
import type { Reading } from './reading';
import type { Light, MeteringPoint } from './setup';
import type { PointSolution } from './solution';
import type { Staleness } from './stale';

interface PointContext {
  standing: readonly Reading[];
  clock: Date;
  camera: { settings: CameraSolution; body: Camera } | null;
  /** the light and its solution, when there is one */
  key: { light: Light; solution: LightSolution } | null;
  meterIncrement: Increment;
}

const MINUTE_MS = 60_000;
/** What carrying a reading over adds to its doubt, stops. */
const CARRIED_DOUBT_STOPS = 0.1;

/**
 * Flash at a point other than the face: only what was measured there with this light as it now stands,
 * carried to the power now given. Geometry away from the face is not guessed.
 */
function flashAwayFromFace(point: MeteringPoint, { standing, camera, key }: PointContext): number | null {
  const reading = flashReading(standing, point.id);
  if (reading === undefined || camera === null || key?.solution.powerStops == null) return null;
  const measured = measureFlash(standing, reading);
  if (!measured.ok) return null;
  const { fired, flashAvAtBase } = measured.value;
  if (fired.unitId !== key.light.unitId || fired.modifierId !== key.light.modifierId || fired.distanceM !== key.light.distanceM) return null;
  const finalAvAtBase = camera.settings.av + camera.settings.ndStops - camera.settings.sv;
  return flashAvAtBase + key.solution.powerStops - fired.powerStops - finalAvAtBase;
}

const say = (point: MeteringPoint, { placedStops, placedAmbientStops, flashStops, zone, stale, basis }: Pick<PointSolution, 'placedStops' | 'placedAmbientStops' | 'flashStops' | 'zone' | 'stale' | 'basis'>): string => {
  if (placedStops === null || placedAmbientStops === null) return `${point.name}: not metered yet.`;
  const parts = [`ambient ${formatStops(placedAmbientStops)}`, flashStops === null ? 'no flash known' : `flash ${formatStops(flashStops + point.toneStops)}`];
  const place = zone === 'clipped' ? ', clipped' : zone === 'lost' ? ', lost in noise' : '';
  const doubt = basis === 'carried' ? ', carried over' : stale === null ? '' : ', old reading';
  return `${point.name}: ${formatStops(placedStops)} stops from mid grey${place}${doubt} (${parts.join(', ')}).`;
};

/** A point's ambient as it is taken for the solution. */
export interface PointAmbient {
  reading: Reading | undefined;
  ambientEv100: number | null;
  basis: PointSolution['basis'];
  stale: Staleness | null;
}

/** Where each metered point lands. */
export function solvePoint(point: MeteringPoint, { reading, ambientEv100, basis, stale }: PointAmbient, faceEv100: number | null, context: PointContext): PointSolution {
  const { clock, camera, key, meterIncrement } = context;
  const settings = camera?.settings ?? null;
  const ambientStops = ambientEv100 === null || settings === null ? null : ambientEv100 - settings.ev100;
  const flashStops = point.role === 'face' ? (key?.solution.flashStops ?? null) : flashAwayFromFace(point, context);
  const totalStops = ambientStops === null ? null : flashStops === null ? ambientStops : addLight(ambientStops, flashStops);
  const placedStops = totalStops === null ? null : totalStops + point.toneStops;
  const placedAmbientStops = ambientStops === null ? null : ambientStops + point.toneStops;
  const zone = placedStops === null || camera === null ? null
    : placedStops > camera.body.clipsAboveStops ? 'clipped' : placedStops < camera.body.noiseBelowStops ? 'lost' : 'in range';
  return {
    pointId: point.id,
    role: point.role,
    name: point.name,
    ambientEv100, ambientStops, flashStops, totalStops, placedStops,
    totalEv100: totalStops === null || settings === null ? ambientEv100 : totalStops + settings.ev100,
    placedAmbientStops, basis, stale, zone,
    overFaceStops: ambientEv100 === null || faceEv100 === null ? null : ambientEv100 - faceEv100,
    uncertaintyStops: reading === undefined ? null : readingNoiseStops(reading) + (basis === 'carried' ? CARRIED_DOUBT_STOPS : 0),
    readingId: reading?.id ?? null,
    ambientAgeMinutes: reading === undefined ? null : Math.max(0, Math.floor((clock.getTime() - Date.parse(reading.at)) / MINUTE_MS)),
    atCameraText: ambientEv100 === null || settings === null ? null
      : `${formatAperture(ambientEv100 - settings.tv + settings.sv, meterIncrement)} at ${settings.text.shutter}, ${settings.text.iso}`,
    ifRightText: ambientEv100 === null || camera === null || settings === null ? null
      : `${formatShutter(ambientEv100 - settings.ndStops - settings.av + settings.sv, camera.body.increment)}, ${settings.text.aperture}, ${settings.text.iso}`,
    text: say(point, { placedStops, placedAmbientStops, flashStops, zone, stale, basis }),
  };
}
