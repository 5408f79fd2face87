import { formatStopCount } from '../photometry';
import { type PointAmbient, solvePoint } from './balancePoints';
import type { Camera } from './camera';
import { type CameraSolution, chooseCameraSettings, limitsInForce } from './cameraSettings';
import { contrastOf, contrastWarnings, domeChoice, fooledStops } from './contrast';
import type { Kit } from './kit';
import { ambientReading, flashReading, lightEv100, measureFlash, standingReadings } from './levels';
import { type LightSolution, type LightTest, solveLight } from './lightPower';
import { sayLook } from './look';
import { questionReadings } from './questions';
import type { Reading } from './reading';
import type { SceneChange } from './sceneChange';
import type { Light, MeteringPoint, Setup } from './setup';
import type { PointSolution, Solution, Warning } from './solution';
import { type PointReading, guideFor, meterAgain, staleness } from './stale';

/** The numbers of a setup, before anything is said about what to do next. */
export interface Balance extends Pick<Solution, 'look' | 'camera' | 'lights' | 'points' | 'contrast' | 'dome' | 'questions' | 'meterAgain'> {
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

/** What is on record about a setup: readings, and what changed in the scene. */
export type Fact = Reading | SceneChange;

/** The ambient at every point: as metered, or carried over from a point in the same light that was metered again. */
function ambientAtPoints(setup: Setup, standing: readonly Reading[], changes: readonly SceneChange[], clock: Date) {
  const metered = setup.points.flatMap((point): PointReading[] => {
    const reading = ambientReading(standing, point, setup.look.faceBy);
    return reading === undefined ? [] : [{ point, reading, stale: staleness(point, reading, standing, changes, clock) }];
  });
  const guides = new Map(metered.filter(({ stale }) => stale !== null).map((one) => [one.point.id, guideFor(one, metered, standing)]));
  const ambientAt = (point: MeteringPoint): PointAmbient => {
    const one = metered.find((other) => other.point.id === point.id);
    if (one === undefined) return { reading: undefined, ambientEv100: null, basis: null, stale: null };
    const guide = guides.get(point.id) ?? null;
    const basis = one.reading.method.kind === 'disc' ? 'one source' : guide === null ? 'measured' : 'carried';
    return { reading: one.reading, ambientEv100: lightEv100(one.reading) + (guide?.changeStops ?? 0), basis, stale: guide === null ? one.stale : null };
  };
  return { metered, ambientAt, again: meterAgain(metered.filter(({ point, stale }) => stale !== null && guides.get(point.id) == null)) };
}

/**
 * Camera settings, powers and placements for a setup as it stands.
 * Without an ambient reading of the face nothing can be balanced and the camera is null.
 */
export function balance(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date): Balance {
  const own = facts.filter((fact) => fact.setupId === setup.id);
  const standing = standingReadings(own.filter((fact) => fact.type === 'reading'));
  const sceneChanges = own.filter((fact) => fact.type === 'sceneChange').sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const { metered, ambientAt, again } = ambientAtPoints(setup, standing, sceneChanges, clock);
  const missingFromKit: string[] = [];
  const find = <T extends { id: string }>(things: readonly T[], id: string | null, what: string): T | null => {
    const found = things.find((thing) => thing.id === id) ?? null;
    if (found === null && id !== null) missingFromKit.push(what);
    return found;
  };

  const cameraBody = find(kit.cameras, setup.camera.cameraId, 'camera');
  const filters = setup.camera.filterIds.flatMap((id) => find(kit.filters, id, 'filter') ?? []);
  const facePlace = facePoint(setup);
  const faceId = facePlace?.id;
  const faceEv100 = facePlace === undefined ? null : ambientAt(facePlace).ambientEv100;
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

  const points = setup.points.map((point) => solvePoint(point, ambientAt(point), faceEv100, {
    standing, clock, meterIncrement: kit.preferences.meterIncrement,
    camera: camera === null || cameraBody === null ? null : { settings: camera, body: cameraBody },
    key: first === undefined || solution === null ? null : { light: first, solution },
  }));
  const face = points.find((point) => point.role === 'face') ?? null;
  const actualHoldBack = face?.ambientStops == null || solution === null ? null : solution.totalStops - face.ambientStops;

  return {
    look: { ...sayLook(setup.look.holdBackStops), actual: actualHoldBack === null || actualHoldBack <= 0 ? null : sayLook(actualHoldBack) },
    camera, cameraBody, light, points, face, missingFromKit,
    lights: solution === null ? [] : [solution],
    contrast: contrastOf(points),
    dome: domeChoice(facePlace, standing, setup.look.faceBy),
    questions: questionReadings(metered, standing, setup.confirmed),
    meterAgain: again,
    warnings: [...warningsFor({ setup, cameraBody, camera, unit, solution, points, missingFromKit }), ...contrastWarnings(points, cameraBody, setup.look), ...meteringWarnings(metered)],
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
  for (const point of points.filter(({ role }) => role !== 'face')) {
    if (point.zone === 'clipped') warnings.push({ kind: 'clipped', text: `${point.name} clips: it lands above what this camera holds.` });
    if (point.zone === 'lost') warnings.push({ kind: 'lost', text: `${point.name} is lost in noise: it lands below what this camera holds.` });
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

/** Readings that say less than they seem to. */
function meteringWarnings(metered: readonly PointReading[]): Warning[] {
  const background = metered.find(({ point }) => point.role === 'background');
  return metered.flatMap(({ point, reading }): Warning[] => {
    if (reading.method.kind === 'disc') return [{ kind: 'one-source', text: `${point.name} was metered with the disc: one source only. Meter it with the dome for all its light.` }];
    if (reading.method.kind !== 'reflected') return [];
    if (background === undefined || background.point.id === point.id) return [{ kind: 'fooled', text: `${point.name} was read by the camera's own meter: a bright or dark background moves it by up to 2 stops. Meter the background too, or take the dome.` }];
    const off = fooledStops(lightEv100(reading), lightEv100(background.reading));
    return off === null ? [] : [{ kind: 'fooled', text: `The background fools the camera's meter: ${point.name.toLowerCase()} lies about ${formatStopCount(off)} stops ${off < 0 ? 'darker' : 'brighter'} than it says. Take the dome or spot the face.` }];
  });
}
