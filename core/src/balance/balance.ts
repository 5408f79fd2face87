import {
  type CameraGear,
  type CameraSolution,
  chooseCameraSettings,
  clipsAboveAt,
  depthWanted,
  exposureIntent,
  type ExposureTarget,
  limitsInForce,
  type LitPoint,
} from '../exposure';
import type { Camera, Kit } from '../gear';
import {
  type LightConfig,
  type LightSolution,
  type LightsSolution,
  solveLights,
  type UsableLight,
  usableLights,
} from '../lights';
import { type MeteredScene, questionFlashes, type Warning } from '../metering';
import { formatAperture, formatShare, formatStopCount } from '../notation';
import type { Setup } from '../setup';
import type { Solution } from '../solution';
import { sayLook } from '../words';
import { solvePoint } from './balancePoints';
import { contrastOf, contrastWarnings } from './contrast';
import type { PointSolution } from './point';
import { lightRatios } from './ratios';
import { togetherReading } from './together';

/** The numbers of a setup, before anything is said about what to do next. */
export interface Balance extends Pick<
  Solution,
  | 'look'
  | 'depth'
  | 'camera'
  | 'lights'
  | 'powersExact'
  | 'ratios'
  | 'together'
  | 'points'
  | 'contrast'
  | 'dome'
  | 'questions'
  | 'meterAgain'
> {
  camera: CameraSolution | null;
  cameraBody: Camera | null;
  gear: CameraGear | null;
  target: ExposureTarget | null;
  /** the key, or the first light where there is none, with its place in the list */
  light: (UsableLight & { unit: LightConfig['unit']; solution: LightSolution | null }) | null;
  /** all lights whose gear is there */
  usable: UsableLight[];
  meterOrder: Setup['meterOrder'];
  face: PointSolution | null;
  /** filming: no flash fires */
  video: boolean;
  missingFromKit: string[];
  warnings: Warning[];
}

const NO_LIGHTS: LightsSolution = { lights: [], at: new Map(), targets: new Map(), exact: true };

/**
 * Camera settings, powers and placements for a setup as it stands.
 * Without an ambient reading of the face nothing can be balanced and the camera is null.
 * @param scene what was metered in this setup (`meterScene`); the same one serves any other look, camera and light at these points
 */
export function balance(setup: Setup, kit: Kit, scene: MeteredScene): Balance {
  const { clock, ambientAt, again, dome, questions, warnings } = scene;
  const missingFromKit: string[] = [];
  const find = <T extends { id: string }>(things: readonly T[], id: string | null, what: string): T | null => {
    const found = things.find((thing) => thing.id === id) ?? null;
    if (found === null && id !== null) missingFromKit.push(what);
    return found;
  };

  const cameraBody = find(kit.cameras, setup.camera.cameraId, 'camera');
  const lens = find(kit.lenses, setup.camera.lensId, 'lens');
  const filters = setup.camera.filterIds.flatMap((id) => find(kit.filters, id, 'filter') ?? []);
  const facePlace = setup.points.find((point) => point.role === 'face');
  const faceEv100 = facePlace === undefined ? null : ambientAt(facePlace).ambientEv100;
  const stills = setup.camera.video === null;
  const lit = setup.points.flatMap((point): LitPoint[] => {
    const { ambientEv100 } = ambientAt(point);
    return ambientEv100 === null ? [] : [{ point, ambientEv100 }];
  });
  const intent = exposureIntent(setup, cameraBody, lit, stills);
  const gear = cameraBody === null ? null : { body: cameraBody, lens, filters };
  const target: ExposureTarget | null =
    faceEv100 === null || intent.targetEv100 === null
      ? null
      : {
          ev100: intent.targetEv100,
          faceEv100: stills && intent.by === 'face' ? faceEv100 : null,
          finalStops: intent.finalStops,
        };
  const camera = gear === null || target === null ? null : chooseCameraSettings(target, gear, setup.camera);

  const usable = stills ? usableLights(setup, kit, (what) => missingFromKit.push(what)) : [];
  const solved =
    camera === null || faceEv100 === null
      ? NO_LIGHTS
      : solveLights(setup, kit, scene, camera, intent.finalStops, usable);
  const main = usable.find(({ light }) => light.role === 'key') ?? usable[0];
  const solution = solved.lights.find(({ lightId }) => lightId === main?.light.id) ?? null;
  const light = main === undefined ? null : { ...main, unit: main.config.unit, solution };

  const points = setup.points.map((point) =>
    solvePoint(point, ambientAt(point), faceEv100, {
      clock,
      meterIncrement: kit.preferences.meterIncrement,
      camera: camera === null || cameraBody === null ? null : { settings: camera, body: cameraBody },
      flash: solved.at.get(point.id) ?? [],
      lights: solved.lights,
      target: solved.targets.get(point.id) ?? null,
    }),
  );
  const face = points.find((point) => point.role === 'face') ?? null;
  const actualHoldBack =
    face?.ambientStops == null || face.flashStops === null || face.totalStops === null
      ? null
      : face.totalStops - face.ambientStops;

  return {
    look: {
      ...intent,
      wanted: sayAbove0(intent.holdBackStops ?? setup.look.holdBackStops),
      actual: sayAbove0(actualHoldBack),
    },
    depth: gear === null ? null : depthWanted(gear.body, gear.lens, setup.camera),
    camera,
    cameraBody,
    gear,
    target,
    light,
    usable,
    points,
    meterOrder: setup.meterOrder,
    face,
    missingFromKit,
    video: !stills,
    lights: solved.lights,
    powersExact: solved.exact,
    ratios: lightRatios(solved, points),
    together: togetherReading(setup, kit, scene.standing, points, solved.lights),
    contrast: contrastOf(points),
    dome,
    questions: [...questions, ...questionFlashes(kit, setup.points, scene.standing, setup.confirmed)],
    meterAgain: again,
    warnings: [
      ...warningsFor({ setup, gear, camera, usable, face, solution, lights: solved.lights, points, missingFromKit }),
      ...contrastWarnings(
        points,
        cameraBody === null
          ? null
          : {
              noiseBelowStops: cameraBody.noiseBelowStops,
              clipsAboveStops: clipsAboveAt(cameraBody, camera?.sv ?? cameraBody.baseSv),
            },
        setup.look,
      ),
      ...warnings,
    ],
  };
}

const sayAbove0 = (holdBackStops: number | null) =>
  holdBackStops === null || holdBackStops <= 1e-6 ? null : sayLook(holdBackStops);

interface WarningFacts {
  setup: Setup;
  gear: CameraGear | null;
  face: PointSolution | null;
  camera: CameraSolution | null;
  usable: readonly UsableLight[];
  solution: LightSolution | null;
  lights: readonly LightSolution[];
  points: readonly PointSolution[];
  missingFromKit: readonly string[];
}

function warningsFor({
  setup,
  gear,
  camera,
  usable,
  face,
  solution,
  lights,
  points,
  missingFromKit,
}: WarningFacts): Warning[] {
  const warnings: Warning[] = missingFromKit.map((what) => ({
    kind: 'not-in-kit',
    text: `The ${what} of this setup is not in the kit any more. Choose another.`,
  }));
  for (const point of points.filter(({ role }) => role !== 'face')) {
    if (point.zone === 'clipped')
      warnings.push({ kind: 'clipped', text: `${point.name} clips: it lands above what this camera holds.` });
    if (point.zone === 'lost')
      warnings.push({ kind: 'lost', text: `${point.name} is lost in noise: it lands below what this camera holds.` });
  }
  if (solution !== null && solution.flashStops === null && face?.ambientStops != null)
    warnings.push({
      kind: 'no-flash-can-help',
      text: sayNoFlash(face.ambientStops - setup.look.faceStops - setup.look.feelStops),
    });
  if (gear !== null) {
    const limits = limitsInForce(gear.body, gear.lens, setup.camera);
    const depth = depthWanted(gear.body, gear.lens, setup.camera);
    const smallestAv = gear.lens?.smallestAv ?? gear.body.smallestAv;
    if (depth !== null && depth.neededAv > smallestAv + 1e-6)
      warnings.push({
        kind: 'depth-missing',
        text: `The people stand too far apart in depth: ${formatAperture(depth.neededAv, gear.body.increment)} would hold them sharp, the lens ends at ${formatAperture(smallestAv, gear.body.increment)}. Step back, or bring them closer together.`,
      });
    if (limits.slowestTv > limits.syncTv + 1e-9)
      warnings.push({
        kind: 'slowest-over-sync',
        text: 'The slowest sharp shutter is faster than sync: sync was used. Expect some blur, or let less ambient in.',
      });
  }
  if (camera !== null && camera.darkBandShare > 0.005 && solution !== null)
    warnings.push({
      kind: 'dark-band',
      text: `At ${camera.text.shutter} the curtain keeps ${formatShare(camera.darkBandShare)} of the frame from the flash: a dark band. Stay at sync${setup.camera.syncDelayMs > 0 ? ', which the late radio slows' : ''}, or use high-speed sync.`,
    });
  for (const { tailLossStops, unitName, powerText } of lights)
    if (tailLossStops > 0.05)
      warnings.push({
        kind: 'tail-cut',
        text: `${camera?.text.shutter ?? 'The shutter'} cuts the end of ${unitName}'s flash off: ${formatStopCount(tailLossStops)} stops are lost at ${powerText ?? 'this power'}. A slower shutter, or a unit that burns faster, keeps them.`,
      });
  if (camera?.highSpeedSync)
    for (const {
      config: { unit },
    } of usable)
      if (unit.highSpeedSyncLossStops === null)
        warnings.push({
          kind: 'high-speed-sync-missing',
          text: `${unit.name} has no high-speed sync: past sync part of the frame stays dark. Choose another flash or stay at sync.`,
        });
  return warnings;
}

/** The ambient on the face stands at or over its wanted place: said first, with what can be done. */
const sayNoFlash = (overStops: number): string =>
  `No flash can help here: the ambient on the face ${overStops < 0.05 ? 'already reaches its wanted place' : `lies ${formatStopCount(overStops)} stops over its wanted place`}. Close the camera down, or take light off the face: shade, a turned head, a diffuser.`;
