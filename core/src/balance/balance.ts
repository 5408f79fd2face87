import { ev100 } from '../photometry';
import { solvePoint } from './balancePoints';
import type { Camera } from './camera';
import { type CameraSolution, chooseCameraSettings, limitsInForce } from './cameraSettings';
import type { Kit } from './kit';
import { ambientReading, flashReading, measureFlash, standingReadings } from './levels';
import { type LightSolution, type LightTest, solveLight } from './lightPower';
import { sayLook } from './look';
import type { Reading } from './reading';
import type { Light, Setup } from './setup';
import type { PointSolution, Solution, Warning } from './solution';

/** The numbers of a setup, before anything is said about what to do next. */
export interface Balance extends Pick<Solution, 'look' | 'camera' | 'lights' | 'points'> {
  camera: CameraSolution | null;
  cameraBody: Camera | null;
  light: { light: Light; unit: Kit['flashUnits'][number]; modifier: Kit['modifiers'][number] | null; solution: LightSolution | null } | null;
  face: PointSolution | null;
  missingFromKit: string[];
  warnings: Warning[];
}

const facePoint = (setup: Setup) => setup.points.find((point) => point.role === 'face');

/** The newest flash reading of the face, as far as it is a fact about this light as it now stands. */
function lastTest(standing: readonly Reading[], faceId: string, light: Light): LightTest {
  const fits = (reading: Reading) => reading.fired !== null && reading.fired.unitId === light.unitId && reading.fired.modifierId === light.modifierId;
  const flashes = standing.filter((reading) => reading.light !== 'ambient' && reading.pointId === faceId && fits(reading));
  const newest = flashReading(flashes, faceId);
  if (newest === undefined) return { measurement: null, problem: null };
  const measured = measureFlash(standing, newest);
  if (measured.ok) return { measurement: measured.value, problem: null };
  // An unusable reading does not unmake an older one that was good.
  const older = flashes.map((reading) => measureFlash(standing, reading)).findLast((outcome) => outcome.ok);
  return { measurement: older?.ok ? older.value : null, problem: measured.message };
}

/**
 * Camera settings, powers and placements for a setup as it stands.
 * Without an ambient reading of the face nothing can be balanced and the camera is null.
 */
export function balance(setup: Setup, kit: Kit, readings: readonly Reading[], clock: Date): Balance {
  const standing = standingReadings(readings.filter((reading) => reading.setupId === setup.id));
  const missingFromKit: string[] = [];
  const find = <T extends { id: string }>(things: readonly T[], id: string | null, what: string): T | null => {
    const found = things.find((thing) => thing.id === id) ?? null;
    if (found === null && id !== null) missingFromKit.push(what);
    return found;
  };

  const cameraBody = find(kit.cameras, setup.camera.cameraId, 'camera');
  const filters = setup.camera.filterIds.flatMap((id) => find(kit.filters, id, 'filter') ?? []);
  const faceId = facePoint(setup)?.id;
  const faceReading = faceId === undefined ? undefined : ambientReading(standing, faceId);
  const faceEv100 = faceReading === undefined ? null : ev100(faceReading);
  const camera = cameraBody === null || faceEv100 === null ? null
    : chooseCameraSettings(faceEv100 + setup.look.holdBackStops, faceEv100, cameraBody, setup.camera, filters);

  const first = setup.lights[0];
  const unit = first === undefined ? null : find(kit.flashUnits, first.unitId, 'flash');
  const modifier = first === undefined ? null : find(kit.modifiers, first.modifierId, 'modifier');
  const usable = first !== undefined && unit !== null && (modifier !== null || first.modifierId === null);
  const solution = usable && camera !== null && faceEv100 !== null && faceId !== undefined
    ? solveLight(first, unit, modifier, camera, faceEv100 - camera.ev100, lastTest(standing, faceId, first), kit.preferences.meterIncrement)
    : null;
  const light = usable ? { light: first, unit, modifier, solution } : null;

  const points = setup.points.map((point) => solvePoint(point, {
    standing, clock,
    camera: camera === null || cameraBody === null ? null : { settings: camera, body: cameraBody },
    key: first === undefined || solution === null ? null : { light: first, solution },
  }));
  const face = points.find((point) => point.role === 'face') ?? null;
  const actualHoldBack = face?.ambientStops == null || solution === null ? null : solution.totalStops - face.ambientStops;

  return {
    look: { ...sayLook(setup.look.holdBackStops), actual: actualHoldBack === null || actualHoldBack <= 0 ? null : sayLook(actualHoldBack) },
    camera, cameraBody, light, points, face, missingFromKit,
    lights: solution === null ? [] : [solution],
    warnings: warningsFor({ setup, cameraBody, camera, unit, solution, points, missingFromKit }),
  };
}

interface WarningFacts {
  setup: Setup;
  cameraBody: Camera | null;
  camera: CameraSolution | null;
  unit: Kit['flashUnits'][number] | null;
  solution: LightSolution | null;
  points: readonly PointSolution[];
  missingFromKit: readonly string[];
}

function warningsFor({ setup, cameraBody, camera, unit, solution, points, missingFromKit }: WarningFacts): Warning[] {
  const warnings: Warning[] = missingFromKit.map((what) => ({ kind: 'not-in-kit', text: `The ${what} of this setup is not in the kit any more. Choose another.` }));
  for (const point of points.filter(({ role }) => role === 'background')) {
    if (point.zone === 'clipped') warnings.push({ kind: 'background-clipped', text: `${point.name} clips: it lands above what this camera holds.` });
    if (point.zone === 'lost') warnings.push({ kind: 'background-lost', text: `${point.name} is lost in noise: it lands below what this camera holds.` });
  }
  if (solution !== null && solution.flashStops === null)
    warnings.push({ kind: 'no-flash-can-help', text: 'No flash can help here: the ambient on the face already reaches the final exposure. Make the camera darker, or take light off the face.' });
  if (cameraBody !== null) {
    const limits = limitsInForce(cameraBody, setup.camera);
    if (limits.slowestTv > limits.syncTv + 1e-9)
      warnings.push({ kind: 'slowest-over-sync', text: 'The slowest sharp shutter is faster than sync: sync was used. Expect some blur, or let less ambient in.' });
  }
  if (camera?.beyondSync && unit !== null && unit.highSpeedSyncLossStops === null)
    warnings.push({ kind: 'high-speed-sync-missing', text: `${unit.name} has no high-speed sync: past sync part of the frame stays dark. Choose another flash or stay at sync.` });
  return warnings;
}
