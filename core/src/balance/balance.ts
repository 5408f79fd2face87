import {
  type CameraGear,
  type CameraSolution,
  clipsAboveAt,
  type Depth,
  depthWanted,
  type ExposureTarget,
  type Intent,
  limitsInForce,
  MOTION_LIMITS,
  type ToSet,
} from '../exposure';
import type { Camera, Kit } from '../gear';
import type { LightConfig } from '../gain';
import { type LightSolution, type LightsSolution, solveLights, type UsableLight, usableLights } from '../lights';
import { type DomeChoice, type MeterAgain, type MeteredScene, type ReadingQuestion } from '../metering';
import { distanceForChange } from '../modifiers';
import { formatShutter } from '../notation';
import { addLight, type LookFigures, lookFigures } from '../photometry';
import type { Setup } from '../setup';
import { isLitByLamp } from './askedLamps';
import { solvePoint } from './balancePoints';
import { type Contrast, contrastOf, contrastWarnings, faceContrast, type ShadowLift, shadowLift } from './contrast';
import { exposed, fires, isAlone } from './exposed';
import type { PointSolution } from './point';
import { type BurningLamp, lightRatios, type LightRatios } from './ratios';
import {
  type LeastKnown,
  leastKnownTotal,
  type Together,
  togetherReading,
  type Untold,
  untoldLights,
} from './together';
import type { Warning } from './warning';

/** The numbers of a setup, before anything is said about what to do next. */
export interface Balance {
  /** the wish turned into levels; `wanted` and `actual` are null when the ambient leaves no room for flash */
  look: Intent & { wanted: LookFigures | null; actual: LookFigures | null };
  /** the people's depth, when lens and distances are known */
  depth: Depth | null;
  /** what all figures are for: the camera as it stands, or as it is suggested */
  camera: CameraSolution | null;
  /** what is suggested beside a camera that stands otherwise */
  suggested: CameraSolution | null;
  /** what is to be set on the camera; null: it stands as it should */
  toSet: ToSet | null;
  lights: LightSolution[];
  /** false when there were too many lights to try every combination of powers */
  powersExact: boolean;
  ratios: LightRatios;
  /** the newest reading with all lights on, against what was foretold */
  together: Together | null;
  /** where all lights together are known least: what is read next with all of them on */
  leastKnown: LeastKnown | null;
  /** lights that readings with others on have not told from these */
  untold: Untold[];
  points: PointSolution[];
  contrast: Contrast;
  /** what the dark side of the face asks for; null before both sides are metered alike */
  lift: ShadowLift | null;
  dome: DomeChoice | null;
  questions: ReadingQuestion[];
  /** the fewest readings that settle what no longer holds */
  meterAgain: MeterAgain[];
  cameraBody: Camera | null;
  gear: CameraGear | null;
  target: ExposureTarget | null;
  /** the key, or the first light where there is none, with its place in the list */
  light: (UsableLight & { unit: LightConfig['unit']; solution: LightSolution | null }) | null;
  /** all lights whose gear is there */
  usable: UsableLight[];
  meterOrder: Setup['meterOrder'];
  tests: Setup['tests'];
  face: PointSolution | null;
  /** filming: no flash fires */
  video: boolean;
  /** the light that is there, alone: no flash and no lamp is set against it */
  alone: boolean;
  missingFromKit: MissingThing[];
  warnings: Warning[];
}

type MissingThing = Extract<Warning, { kind: 'not-in-kit' }>['what'];

const NO_LIGHTS: LightsSolution = { lights: [], at: new Map(), targets: new Map(), exact: true };

/**
 * Camera settings, powers and placements for a setup as it stands.
 * Without an ambient reading of the face nothing can be balanced and the camera is null.
 * @param metered what was metered in this setup (`meterScene`); the same one serves any other look, camera and light at these points
 */
// eslint-disable-next-line complexity, max-lines-per-function -- the order of the whole calculation, told once
export function balance(setup: Setup, kit: Kit, metered: MeteredScene): Balance {
  const { clock, again, dome, questions, warnings } = metered;
  const missingFromKit: MissingThing[] = [];
  const find = <T extends { id: string }>(things: readonly T[], id: string | null, what: MissingThing): T | null => {
    const found = things.find((thing) => thing.id === id) ?? null;
    if (found === null && id !== null) missingFromKit.push(what);
    return found;
  };

  const cameraBody = find(kit.cameras, setup.camera.cameraId, 'camera');
  const lens = find(kit.lenses, setup.camera.lensId, 'lens');
  const filters = setup.camera.filterIds.flatMap((id) => find(kit.filters, id, 'filter') ?? []);
  const gear = cameraBody === null ? null : { body: cameraBody, lens, filters };
  const { scene, intent, target, camera, suggested, toSet, facePlace, faceEv100, restEv100 } = exposed(
    setup,
    gear,
    metered,
  );
  const { ambientAt } = scene;
  const stills = setup.camera.video === null;
  const byLamp = isLitByLamp(setup);

  const usable = stills ? usableLights(setup, kit, (what) => missingFromKit.push(what)) : [];
  const solved =
    camera === null || faceEv100 === null
      ? NO_LIGHTS
      : solveLights(setup, kit, scene, camera, intent.finalStops, usable);
  const main = usable.find(({ light }) => light.role === 'key') ?? usable[0];
  const solution = solved.lights.find(({ lightId }) => lightId === main?.light.id) ?? null;
  const light = main === undefined ? null : { ...main, unit: main.config.unit, solution };

  const flashOnFace = solved.at.get(facePlace?.id ?? '') ?? [];
  const onFace =
    main === undefined || flashOnFace.length === 0
      ? null
      : {
          flashStops: addLight(...flashOnFace.map(({ stops }) => stops)),
          keyAt: (moreStops: number) =>
            distanceForChange(main.config.modifier.shape, main.light.distanceM, moreStops) ?? null,
        };

  const points = setup.points.map((point) =>
    solvePoint(point, ambientAt(point), faceEv100, {
      clock,
      meterIncrement: kit.preferences.meterIncrement,
      camera: camera === null || cameraBody === null ? null : { settings: camera, body: cameraBody },
      flash: solved.at.get(point.id) ?? [],
      onFace,
      target: solved.targets.get(point.id) ?? null,
    }),
  );
  const face = points.find((point) => point.role === 'face') ?? null;
  const heldStops = byLamp && restEv100 !== null && camera !== null ? restEv100 - camera.ev100 : face?.ambientStops;
  const actualHoldBack =
    heldStops == null || face?.totalStops == null || (face.flashStops === null && !byLamp)
      ? null
      : face.totalStops - heldStops;

  return {
    look: {
      ...intent,
      wanted: above0(intent.holdBackStops ?? setup.look.holdBackStops),
      actual: above0(actualHoldBack),
    },
    depth: gear === null ? null : depthWanted(gear.body, gear.lens, setup.camera),
    camera,
    suggested,
    toSet,
    cameraBody,
    gear,
    target,
    light,
    usable,
    points,
    meterOrder: setup.meterOrder,
    tests: setup.tests,
    face,
    missingFromKit,
    video: !stills,
    alone: isAlone(setup),
    lights: solved.lights,
    powersExact: solved.exact,
    ratios: lightRatios(solved, camera === null ? [] : burningLamps(setup, scene, camera.ev100), points),
    together: togetherReading(setup, kit, scene, solved.lights),
    leastKnown: camera === null ? null : leastKnownTotal(setup, camera.tv, scene, solved),
    untold: untoldLights(scene, solved.lights),
    contrast: contrastOf(points),
    lift: shadowLift(
      faceContrast(points, setup.look),
      camera === null || cameraBody === null
        ? null
        : { noiseBelowStops: cameraBody.noiseBelowStops, overBaseStops: camera.sv - cameraBody.baseSv },
    ),
    dome,
    questions,
    // what was reported is always asked for; age where what rests on it is not known well enough
    meterAgain: again.filter(
      ({ pointId, because }) =>
        because.kind === 'scene' || points.find((one) => one.pointId === pointId)?.stale?.asked === true,
    ),
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

/** Every lamp that burns with a role. @param greyEv100 what lands at mid grey */
const burningLamps = (setup: Setup, { light }: MeteredScene, greyEv100: number): BurningLamp[] =>
  setup.lamps
    .filter(({ on, role }) => on && role !== null)
    .map((lamp) => ({
      role: lamp.role,
      aimPointId: lamp.pointId,
      at: new Map(
        setup.points.flatMap((point): [string, number][] => {
          const there = light.lampAt(lamp, point);
          return there === null ? [] : [[point.id, there.alone.stops - greyEv100]];
        }),
      ),
    }));

const above0 = (holdBackStops: number | null) =>
  holdBackStops === null || holdBackStops <= 1e-6 ? null : lookFigures(holdBackStops);

interface WarningFacts {
  setup: Setup;
  gear: CameraGear | null;
  face: PointSolution | null;
  camera: CameraSolution | null;
  usable: readonly UsableLight[];
  solution: LightSolution | null;
  lights: readonly LightSolution[];
  points: readonly PointSolution[];
  missingFromKit: readonly MissingThing[];
}

/** What is wrong, in the order in which it is told: kit, points, flash, camera, then light by light. */
const warningsFor = (facts: WarningFacts): Warning[] => [
  ...facts.missingFromKit.map((what): Warning => ({ kind: 'not-in-kit', what })),
  ...pointWarnings(facts),
  ...cameraWarnings(facts),
  ...smearWarnings(facts),
  ...flashWarnings(facts),
  ...radioWarnings(facts),
];

/** Points that the picture does not hold, and a face that leaves no room for flash. */
function pointWarnings({ setup: { look }, points, solution, face }: WarningFacts): Warning[] {
  const warnings: Warning[] = points.flatMap(({ pointId, zone, role }): Warning[] =>
    role !== 'face' && (zone === 'clipped' || zone === 'lost') ? [{ kind: zone, pointId }] : [],
  );
  if (solution !== null && solution.flashStops === null && face?.ambientStops != null)
    warnings.push({ kind: 'no-flash-can-help', overStops: face.ambientStops - look.faceStops - look.feelStops });
  return warnings;
}

/** A depth that the lens does not reach, and a sharp shutter beyond sync. */
function cameraWarnings({ setup, gear }: WarningFacts): Warning[] {
  if (gear === null) return [];
  const warnings: Warning[] = [];
  const limits = limitsInForce(gear.body, gear.lens, setup.camera);
  const depth = depthWanted(gear.body, gear.lens, setup.camera);
  const smallestAv = gear.lens?.smallestAv ?? gear.body.smallestAv;
  if (depth !== null && depth.neededAv > smallestAv + 1e-6)
    warnings.push({ kind: 'depth-missing', neededAv: depth.neededAv, smallestAv });
  if (fires(setup) && limits.slowestTv > limits.syncTv + 1e-9) warnings.push({ kind: 'slowest-over-sync' });
  return warnings;
}

/** People who move while the shutter is open longer than that is sharp: the steady light of them smears, flash does not. */
function smearWarnings({ setup, gear, camera, face }: WarningFacts): Warning[] {
  if (gear === null || camera === null || setup.camera.video !== null) return [];
  const limitTv = MOTION_LIMITS[setup.camera.motion];
  if (camera.tv > limitTv - SMEARS_STOPS || face?.ambientStops == null || face.totalStops === null) return [];
  return [
    {
      kind: 'smear',
      shutterText: camera.text.shutter,
      limitText: formatShutter(limitTv, gear.body.increment),
      motion: setup.camera.motion,
      share: 2 ** (face.ambientStops - face.totalStops),
    },
  ];
}
/** A dial's own step over what is sharp is not seen. */
const SMEARS_STOPS = 0.2;

/** Lights that cannot be told apart by radio, and bodies that share a trigger. */
function radioWarnings({ setup, usable }: WarningFacts): Warning[] {
  const same = usable.flatMap(({ light }, index) =>
    usable
      .slice(index + 1)
      .filter(({ light: other }) => other.group === light.group && other.channel === light.channel)
      .map(({ light: other }): Warning => ({
        kind: 'same-radio',
        lightId: light.id,
        otherId: other.id,
        channel: light.channel,
      })),
  );
  const shared = setup.camera.secondCameraId !== null && usable.length > 0;
  return [...same, ...(shared ? [{ kind: 'one-trigger' } as const] : [])];
}

/** What the shutter does to the flash: a dark band, a tail that is cut off, units without high-speed sync. */
function flashWarnings({ setup, camera, usable, solution, lights }: WarningFacts): Warning[] {
  const warnings: Warning[] = [];
  if (camera !== null && camera.darkBandShare > 0.005 && solution !== null)
    warnings.push({
      kind: 'dark-band',
      share: camera.darkBandShare,
      shutterText: camera.text.shutter,
      lateRadio: setup.camera.syncDelayMs > 0,
    });
  const shutterText = camera?.text.shutter ?? null;
  for (const { tailLossStops, unitName, powerText } of lights)
    if (tailLossStops > 0.05)
      warnings.push({ kind: 'tail-cut', unitName, powerText, shutterText, lossStops: tailLossStops });
  if (camera?.highSpeedSync === true)
    for (const { config } of usable)
      if (config.unit.highSpeedSyncLossStops === null)
        warnings.push({ kind: 'high-speed-sync-missing', unitName: config.unit.name });
  return warnings;
}
