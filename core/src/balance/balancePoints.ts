import { addLight, ev100, formatStops } from '../photometry';
import type { Camera } from './camera';
import type { CameraSolution } from './cameraSettings';
import { ambientReading, flashReading, measureFlash } from './levels';
import type { LightSolution } from './lightPower';
import type { Reading } from './reading';
import type { Light, MeteringPoint } from './setup';
import type { PointSolution } from './solution';

interface PointContext {
  standing: readonly Reading[];
  clock: Date;
  camera: { settings: CameraSolution; body: Camera } | null;
  /** the light and its solution, when there is one */
  key: { light: Light; solution: LightSolution } | null;
}

const MINUTE_MS = 60_000;

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

const say = (point: MeteringPoint, { ambientStops, flashStops, totalStops, zone }: Pick<PointSolution, 'ambientStops' | 'flashStops' | 'totalStops' | 'zone'>): string => {
  if (ambientStops === null || totalStops === null) return `${point.name}: not metered yet.`;
  const parts = [`ambient ${formatStops(ambientStops)}`, flashStops === null ? 'no flash known' : `flash ${formatStops(flashStops)}`];
  const place = zone === 'clipped' ? ', clipped' : zone === 'lost' ? ', lost in noise' : '';
  return `${point.name}: ${formatStops(totalStops)} stops from mid grey${place} (${parts.join(', ')}).`;
};

/** Where each metered point lands. */
export function solvePoint(point: MeteringPoint, context: PointContext): PointSolution {
  const { standing, clock, camera, key } = context;
  const reading = ambientReading(standing, point.id);
  const ambientEv100 = reading === undefined ? null : ev100(reading);
  const ambientStops = ambientEv100 === null || camera === null ? null : ambientEv100 - camera.settings.ev100;
  const flashStops = point.role === 'face' ? (key?.solution.flashStops ?? null) : flashAwayFromFace(point, context);
  const totalStops = ambientStops === null ? null : flashStops === null ? ambientStops : addLight(ambientStops, flashStops);
  const zone = totalStops === null || camera === null ? null
    : totalStops > camera.body.clipsAboveStops ? 'clipped' : totalStops < camera.body.noiseBelowStops ? 'lost' : 'in range';
  return {
    pointId: point.id,
    role: point.role,
    name: point.name,
    ambientEv100,
    ambientStops,
    flashStops,
    totalStops,
    zone,
    ambientAgeMinutes: reading === undefined ? null : Math.max(0, Math.floor((clock.getTime() - Date.parse(reading.at)) / MINUTE_MS)),
    text: say(point, { ambientStops, flashStops, totalStops, zone }),
  };
}
