import { seeded } from '../../src/devices';
import type { Surroundings } from '../../src/documents';
import { type Kit, LOOK_WAY_IDS, SURFACES } from '../../src/gear';
import { firedAs } from '../../src/gain';
import { teach } from '../../src/lights';
import type { Fact } from '../../src/metering';
import { SAMPLE_HALL, SAMPLE_KIT, SAMPLE_TERRACE, sampleId } from '../../src/sample';
import {
  type Motive,
  type FiredLight,
  type Light,
  LIGHT_ROLES,
  MOTIONS,
  newLight,
  type Panel,
  PANEL_FACTS,
  PANEL_KINDS,
  PLAIN_CHANGE,
  PLAIN_READING,
  PLAIN_STAGE,
  POINT_ROLES,
  type PointRole,
  type Reading,
  REPORTED_CHANGES,
  type SceneChange,
  type Setup,
  setupSchema,
  withSettings,
  USUAL_METHOD,
} from '../../src/setup';
import { solve } from '../../src/solution';
import { PICTURE_SCENES } from '../pictureScenes';
import { usualLamp, usualPanel } from '../panels';
import { usualPoint } from '../points';
import { SCENES_FROM_TESTS } from './fromTests';

/** Everything that `solve` takes, under a name. */
export interface SolutionCase {
  name: string;
  setup: Setup;
  kit: Kit;
  facts: Fact[];
  clock: Date;
  /** the spot and its weather; none: nothing is known of them */
  around?: Surroundings;
}

const CLOCK = new Date('2026-02-27T16:00:00Z');
const SEEDED_CASES = 520;
const SEVERAL_CASES = 60;
const UNITS = [111, 112, 113, 114, 115];
const MODIFIERS = [121, 122, 123, 124, 125, 129];

/** Draws for one case; everything follows from the seed. */
function drawsOf(seed: number) {
  const random = seeded(seed * 7919 + 17);
  const chance = (share: number): boolean => random() < share;
  const between = (low: number, high: number, places = 2): number =>
    Number((low + (high - low) * random()).toFixed(places)) + 0;
  const whole = (low: number, high: number): number => Math.floor(low + (high + 1 - low) * random());
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const some = <T>(list: readonly T[], share: number): T[] => list.filter(() => chance(share));
  const third = (low: number, high: number): number => whole(low * 3, high * 3) / 3 + 0;
  return { chance, between, whole, pick, some, third };
}
type Draws = ReturnType<typeof drawsOf>;

function kitOf({ chance, pick, some, between }: Draws): Kit {
  const [first, second, third] = pick([
    ['aperture', 'iso', 'shutter'],
    ['shutter', 'aperture', 'iso'],
    ['iso', 'shutter', 'aperture'],
    ['aperture', 'shutter', 'iso'],
  ] as const);
  const retiring = chance(0.2);
  const aged = <T extends { retired: boolean }>(list: readonly T[]): T[] =>
    list.map((thing) => ({ ...thing, retired: retiring && chance(0.3) }));
  const calibrated = chance(0.2)
    ? {
        ids: [`unit:${sampleId(111)}`, `modifier:${sampleId(121)}`],
        meanStops: [between(-0.4, 0.4), between(-0.4, 0.4)],
        covariance: [
          [0.04, -0.01],
          [-0.01, 0.05],
        ],
        readings: [3, 2],
      }
    : SAMPLE_KIT.calibration;
  return {
    ...SAMPLE_KIT,
    flashUnits: aged(SAMPLE_KIT.flashUnits),
    modifiers: aged(SAMPLE_KIT.modifiers),
    filters: chance(0.15) ? [] : aged(SAMPLE_KIT.filters),
    cameras: chance(0.03) ? [] : SAMPLE_KIT.cameras,
    grids: chance(0.05) ? [] : SAMPLE_KIT.grids,
    lamps: some(SAMPLE_KIT.lamps, 0.95),
    calibration: calibrated,
    preferences: {
      ...SAMPLE_KIT.preferences,
      meterIncrement: pick(['tenth', 'third', 'half']),
      distanceUnit: pick(['m', 'ft']),
      lookWay: pick(LOOK_WAY_IDS),
      keepOrder: [first, second, third],
      mainsHz: pick([50, 60]),
      paces: chance(0.3),
    },
  };
}

function lightsOf(
  { chance, between, whole, pick, some, third }: Draws,
  points: readonly { id: string; role: PointRole }[],
): Light[] {
  const count = pick([0, 1, 1, 1, 2, 2, 3, 4]);
  const units = [...UNITS].sort(() => (chance(0.5) ? 1 : -1));
  return Array.from({ length: count }, (_, index): Light => {
    const role = index === 0 && chance(0.8) ? 'key' : pick(LIGHT_ROLES);
    const aim = chance(0.75)
      ? points.find(
          (point) =>
            point.role ===
            ({ key: 'face', fill: 'shadow', rim: 'highlight', background: 'background', motivated: 'face' } as const)[
              role
            ],
        )
      : pick(points);
    const unit = chance(0.96) ? (units[index] ?? 111) : 199;
    const usual = { ...newLight(sampleId(21 + index), role, sampleId(unit), aim?.id ?? 'face', []), placeSaid: true };
    return {
      ...usual,
      group: (['A', 'B', 'C', 'D'] as const)[index] ?? 'A',
      outlet: unit === 113 && chance(0.5) ? whole(0, 1) : null,
      zoomMm: unit >= 114 && chance(0.4) ? pick([24, 50, 105]) : null,
      modifierId: chance(0.7) ? sampleId(pick(MODIFIERS)) : null,
      gridId: chance(0.2) ? sampleId(pick([126, 127, 128])) : null,
      gelIds: chance(0.2) ? [sampleId(pick([141, 142, 143]))] : [],
      standId: chance(0.4) ? sampleId(pick([161, 162])) : null,
      ...(chance(0.5) ? { distanceM: chance(0.12) ? pick([0.4, 8, 14]) : between(0.5, 4) } : {}),
      ...(chance(0.5) ? { sideDeg: whole(-180, 180) } : {}),
      ...(chance(0.4) ? { heightM: between(-0.9, 2.4) } : {}),
      featherDeg: chance(0.25) ? whole(-70, 70) : 0,
      locked: chance(0.15),
      dialledStops: chance(0.4) ? third(-7, 0) : null,
      channel: whole(1, 4),
      ...(some([0], 0.5).length > 0 ? {} : { distanceM: Math.max(0.3, usual.distanceM) }),
    };
  });
}

function panelsOf({ chance, between, whole, pick }: Draws): Panel[] {
  return Array.from({ length: pick([0, 0, 1, 1, 2, 3]) }, (_, index): Panel => {
    const kind = pick(PANEL_KINDS);
    const { stand, widthM, tallM } = PANEL_FACTS[kind];
    const at = chance(0.5) ? stand : { distanceM: between(0.5, 4), sideDeg: whole(-180, 180), heightM: between(-1, 2) };
    const moved = chance(0.4);
    return {
      id: sampleId(401 + index),
      kind,
      ...at,
      turnedDeg: chance(0.2) ? whole(-40, 40) : 0,
      reflectorId: kind === 'reflector' && chance(0.5) ? sampleId(166) : null,
      standId: null,
      surface: pick(SURFACES),
      widthM,
      tallM,
      takesStops: pick([1, 1.5, 2]),
      movedAt: moved ? '2026-02-27T15:52:00Z' : null,
      before: moved && chance(0.6) ? { ...stand, turnedDeg: 0 } : null,
    };
  });
}

function stageOf({ chance, between, whole, pick }: Draws): Setup['stage'] {
  const sun = chance(0.4)
    ? null
    : chance(0.6)
      ? { by: 'hand' as const, sideDeg: whole(-180, 180), altitudeDeg: whole(-8, 70) }
      : {
          by: 'time' as const,
          latitudeDeg: 46.93,
          longitudeDeg: 10.21,
          at: '2026-02-27T13:40:00Z',
          cameraLooksDeg: whole(0, 359),
        };
  return {
    ...PLAIN_STAGE,
    cameraM: between(1.5, 6),
    cameraUpM: chance(0.3) ? between(-0.5, 0.8) : 0,
    upright: chance(0.7),
    background: pick(['wall', 'trees', 'water', 'sky']),
    ground: pick(['snow', 'grass', 'stone', 'wood']),
    sun,
    subject: {
      ...PLAIN_STAGE.subject,
      turnDeg: chance(0.4) ? whole(-60, 60) : 0,
      company: pick(['alone', 'two']),
      hat: chance(0.2),
      spectacles: chance(0.35),
      spectaclesTiltDeg: chance(0.3) ? 8 : 0,
      deepSet: chance(0.2),
      hair: pick(['dark', 'light']),
      skin: pick(['light', 'medium', 'deep']),
    },
  };
}

function setupOf(draws: Draws, keepOrder: Setup['camera']['keepOrder']): Setup {
  const { chance, between, whole, pick, some, third } = draws;
  const like = SAMPLE_TERRACE.setup;
  const roles: PointRole[] = ['face', ...some(POINT_ROLES.slice(1), 0.45)];
  const points = roles.map((role) => ({
    ...usualPoint(role, role),
    standsIn: pick([null, null, 'sun', 'shade', 'indoors'] as const),
  }));
  const video = chance(0.1)
    ? { framesPerSecond: pick([24, 25, 50, 60, 120]), angleDeg: pick([90, 172.8, 180, 360]) }
    : null;
  const highlight = points.find(({ role }) => role === 'sky' || role === 'white');
  return setupSchema.parse({
    ...like,
    points,
    look: {
      ...like.look,
      faceBy: pick(['camera', 'light']),
      exposeBy: pick(['face', 'face', 'background', 'highlight']),
      holdBackStops: between(0.1, 4, 1),
      backgroundStops: between(-3, 2, 1),
      headroomStops: between(0, 2, 1),
      faceContrastStops: pick([1, 2, 3]),
      highlightPointId: highlight !== undefined && chance(0.4) ? highlight.id : null,
      faceStops: chance(0.3) ? between(-1, 1, 1) : 0,
      feelStops: chance(0.2) ? between(-0.7, 0.7, 1) : 0,
      targets: points.slice(1).flatMap(({ id }) =>
        chance(0.25)
          ? [
              {
                pointId: id,
                kind: pick(['value', 'least', 'most'] as const),
                stops: between(-3, 2, 1),
                weight: pick([0.5, 1, 2, 4] as const),
              },
            ]
          : [],
      ),
    },
    camera: {
      ...like.camera,
      cameraId: chance(0.95) ? sampleId(pick([101, 102])) : null,
      lensId: chance(0.6) ? sampleId(pick([105, 106])) : null,
      support: pick(['hand', 'hand', 'tripod']),
      motion: pick(MOTIONS),
      wantedAv: third(1, 7),
      keepOrder,
      depth: chance(0.15) ? { nearestM: between(1, 2), farthestM: between(2.1, 5) } : null,
      wantedTv: chance(0.2) ? third(5, 9) : null,
      pins: {
        av: chance(0.1) ? third(2, 7) : null,
        tv: chance(0.1) ? third(5, 8) : null,
        sv: chance(0.1) ? whole(0, 4) : null,
      },
      limits: {
        syncTv: chance(0.1) ? 7 : null,
        slowestTv: chance(0.15) ? third(3, 10) : null,
        baseSv: chance(0.1) ? 1 : null,
        highestSv: chance(0.2) ? whole(2, 5) : null,
      },
      filterIds: chance(0.15) ? [sampleId(pick([131, 132, 133]))] : [],
      highSpeedSync: chance(0.2),
      syncDelayMs: chance(0.15) ? pick([0.5, 1.5, 3]) : 0,
      secondCameraId: chance(0.25) ? sampleId(pick([101, 102])) : null,
      video,
    },
    lights: lightsOf(draws, points),
    lamps: chance(0.2)
      ? [
          {
            id: sampleId(31),
            lampId: sampleId(165),
            pointId: pick(points).id,
            distanceM: between(0.5, 4),
            sideDeg: whole(-120, 120),
            heightM: between(-0.5, 1.5),
            offAxisDeg: pick([0, 0, 20]),
            on: true,
            dimStops: pick([0, -1, -2.5]),
            kelvin: pick([3200, 5000]),
            role: null,
            standsFor: null,
            fromDusk: false,
          },
        ]
      : [],
    panels: panelsOf(draws),
    stage: stageOf(draws),
    meterOrder: pick(['role', 'listed']),
    reserveStops: pick([0, 2 / 3, 1.5]),
    backgroundM: chance(0.7) ? between(1, 12) : null,
    people: chance(0.2)
      ? {
          nearerM: pick([0, 0.5]),
          fartherM: pick([0, 0.8, 1.6]),
          leftM: between(0.3, 2),
          rightM: between(0.3, 2),
          withinStops: pick([0.3, 0.5, 1]),
        }
      : null,
    pace: chance(0.3) ? { framesPerMinute: pick([4, 20, 60, 200]), frames: pick([40, 300, 900]) } : null,
    gustMps: chance(0.3) ? pick([0, 4, 9, 16]) : null,
    colour: {
      ambient: points.flatMap(({ id }) =>
        chance(0.3)
          ? [{ pointId: id, kelvin: whole(2800, 9000), greenCc: chance(0.2) ? 8 : 0, from: 'typed' as const }]
          : [],
      ),
      relation: pick(['asIs', 'match', 'warmer', 'coolSky']),
      warmerMired: 30,
      whiteBalance: chance(0.2) ? { kelvin: 4300, greenCc: 0 } : null,
    },
    confirmed: [],
    variants: [],
    variantOf: null,
  });
}

/** Ambient readings of most points, by every method, some long ago, some doubtful. */
function ambientOf({ chance, between, pick }: Draws, { id: setupId, points, stage }: Setup): Reading[] {
  const level = pick([5, 7, 9, 11, 12.5, 14]) + between(-0.8, 0.8, 1);
  const old = pick([2, 2, 5, 5, 18, 30, 50, 300]);
  let number = 500;
  const one = (pointId: string, ev: number, minutesAgo: number, over: Partial<Reading> = {}): Reading => {
    number += 1;
    const tv = pick([6, 7, 23 / 3]);
    return {
      ...PLAIN_READING,
      id: sampleId(number),
      setupId,
      pointId,
      at: new Date(CLOCK.getTime() - minutesAgo * 60_000 + number * 20).toISOString(),
      text: 'x',
      av: Number((ev - tv).toFixed(1)) + 0,
      tv,
      sv: 0,
      ...over,
    };
  };
  return points.flatMap(({ id, role, standsIn }): Reading[] => {
    if (chance(role === 'face' ? 0.04 : 0.15)) return [];
    const offset =
      {
        face: 0,
        shadow: between(-3, 0.4, 1),
        background: between(-3, 4, 1),
        sky: between(0, 4, 1),
        highlight: between(-0.5, 2.5, 1),
        white: between(-0.5, 1, 1),
        dark: 0,
        grey: 0,
        own: between(-2, 2, 1),
      }[role] +
      (standsIn === 'sun' && stage.sun !== null ? 1 : 0) +
      (chance(0.02) ? 10 : 0);
    const ev = level + offset;
    const tone = { tone: 'pale-skin' as const, toneStops: 1 };
    const method = chance(0.6)
      ? PLAIN_READING.method
      : pick([
          { kind: 'incident', aim: 'light' },
          { kind: 'disc' },
          { kind: 'spot', ...tone },
          { kind: 'reflected', compensationStops: 0 },
          { kind: 'eye', of: 'place' },
          { kind: 'frame', frameId: sampleId(700), x: 0.4, y: 0.3, placementStops: 0.5, ...tone },
        ] as const);
    const readings = [one(id, ev, old, { method, meterMode: chance(0.05) ? 'flash' : null })];
    if (role === 'face' && chance(0.3))
      readings.push(one(id, ev + between(0.2, 1.2, 1), old - 0.1, { method: { kind: 'incident', aim: 'light' } }));
    if (chance(0.12))
      readings.push(one(id, ev + between(-2.2, 2.2, 1), Math.max(0, old - pick([0.4, 6, 12])), { method }));
    if (chance(0.05)) readings.push(one(id, ev + 3, 1, { struckAt: CLOCK.toISOString() }));
    return readings;
  });
}

function sceneChangesOf({ chance, pick, between }: Draws, setupId: string): SceneChange[] {
  return chance(0.15)
    ? [
        {
          ...PLAIN_CHANGE,
          id: sampleId(601),
          setupId,
          at: new Date(CLOCK.getTime() - between(0.5, 40) * 60_000).toISOString(),
          what: pick(REPORTED_CHANGES),
          struckAt: chance(0.15) ? CLOCK.toISOString() : null,
        },
      ]
    : [];
}

/**
 * Goes some steps on in the work as a photographer would: dials what is asked for, fires and reads what is foretold with
 * an error of hands, and sometimes something that cannot be right.
 */
function workedOn(start: SolutionCase, { chance, between }: Draws, steps: number): SolutionCase {
  let now = start;
  for (let step = 0; step < steps; step += 1) {
    const solution = solve(now.setup, now.kit, now.facts, now.clock);
    const { kind, settings } = solution.nextAction;
    const changed = settings.length > 0 ? withSettings(now.setup, settings) : null;
    if (changed?.ok === true) now = { ...now, setup: changed.value };
    else if (kind === 'fire-test' || kind === 'fire-all' || kind === 'no-flash-measured' || kind === 'answer') {
      const reading = firedReading(
        now,
        step,
        kind === 'fire-all',
        between(-0.7, 0.7, 1) + (chance(0.07) ? 3 : 0),
        chance(0.3) && kind !== 'fire-all',
      );
      if (reading === null) break;
      const facts = [...now.facts, reading];
      now = {
        ...now,
        facts,
        kit: {
          ...now.kit,
          calibration: chance(0.5) ? teach(now.kit, [{ setup: now.setup, facts }]) : now.kit.calibration,
        },
      };
    } else break;
  }
  return now;
}

function firedReading(
  { setup, kit, facts, clock }: SolutionCase,
  step: number,
  all: boolean,
  offStops: number,
  flashOnly: boolean,
): Reading | null {
  const solution = solve(setup, kit, facts, clock);
  const firing = solution.lights.filter(({ powerStops }) => powerStops !== null);
  const one =
    solution.meteringOrder
      .map((id) => firing.find(({ lightId }) => lightId === id))
      .find((light) => light !== undefined && light.basis !== 'reading') ?? firing[0];
  const pointId = all ? solution.points.find(({ role }) => role === 'face')?.pointId : one?.aimPointId;
  const point = solution.points.find((candidate) => candidate.pointId === pointId);
  const { camera } = solution;
  if (camera === null || one === undefined || pointId === undefined) return null;
  const fired = (all ? firing : [one]).flatMap(({ lightId, powerStops, syncLossStops }): FiredLight[] => {
    const light = setup.lights.find(({ id }) => id === lightId);
    return light === undefined
      ? []
      : [firedAs(setup, light, light.dialledStops ?? powerStops ?? 0, pointId, syncLossStops, USUAL_METHOD)];
  });
  const foretold = all
    ? (point?.totalEv100 ?? 8) - camera.tv + camera.sv
    : ((flashOnly ? one.meter?.flashAv : one.meter?.totalAv) ?? 4);
  return {
    ...PLAIN_READING,
    id: sampleId(800 + step),
    setupId: setup.id,
    pointId,
    at: new Date(clock.getTime() - (60 - step) * 1000).toISOString(),
    light: flashOnly ? 'flash' : 'total',
    text: 'x',
    av: Number(Math.min(12, Math.max(-1, foretold + offStops)).toFixed(1)) + 0,
    tv: camera.tv,
    sv: camera.sv,
    fired,
  };
}

function seededCase(seed: number): SolutionCase {
  const draws = drawsOf(seed);
  const kit = kitOf(draws);
  const setup = setupOf(draws, kit.preferences.keepOrder);
  const facts: Fact[] = [...ambientOf(draws, setup), ...sceneChangesOf(draws, setup.id)];
  return workedOn(
    { name: `seed ${seed}`, setup, kit, facts, clock: CLOCK },
    draws,
    draws.chance(0.45) ? draws.whole(1, 14) : 0,
  );
}

/** Two or three lights on a metered scene, taken through the test of each alone and of all together. */
function severalLights(seed: number): SolutionCase {
  const draws = drawsOf(5000 + seed);
  const { between, pick, whole, chance } = draws;
  const setupId = SAMPLE_HALL.setup.id;
  const points = [usualPoint('face', 'face'), usualPoint('shadow', 'shadow'), usualPoint('hair', 'highlight')];
  const roles = [
    ['key', 'face', 111, 121],
    ['fill', 'shadow', 112, 122],
    ['rim', 'hair', 114, null],
  ] as const;
  const lights = roles.slice(0, whole(2, 3)).map(([role, aim, unit, modifier], index): Light => ({
    ...newLight(sampleId(21 + index), role, sampleId(unit), aim, []),
    placeSaid: true,
    modifierId: modifier === null ? null : sampleId(modifier),
    group: (['A', 'B', 'C'] as const)[index] ?? 'A',
    distanceM: between(1, 3),
  }));
  const setup: Setup = {
    ...SAMPLE_HALL.setup,
    points,
    lights,
    panels: [],
    camera: { ...SAMPLE_HALL.setup.camera, wantedAv: pick([4, 5, 6]) },
    look: { ...SAMPLE_HALL.setup.look, holdBackStops: between(1, 2.5, 1) },
    meterOrder: pick(['role', 'listed']),
  };
  const at = (pointId: string, number: number, ev: number): Reading => ({
    ...PLAIN_READING,
    id: sampleId(number),
    setupId,
    pointId,
    at: '2026-02-27T15:55:00Z',
    text: 'x',
    av: Number((ev - 4).toFixed(1)) + 0,
    tv: 6,
    sv: 2,
  });
  const level = between(10, 12.5, 1);
  const facts = [
    at('face', 501, level),
    at('shadow', 502, level - between(0.5, 2, 1)),
    at('hair', 503, level - between(-0.5, 1, 1)),
  ];
  const kit: Kit = { ...SAMPLE_KIT, preferences: { ...SAMPLE_KIT.preferences, distanceUnit: pick(['m', 'ft']) } };
  return workedOn(
    { name: `several ${seed}`, setup, kit, facts, clock: CLOCK },
    draws,
    chance(0.7) ? whole(8, 30) : whole(1, 8),
  );
}

let made: SolutionCase[] | null = null;

/** The sample's setups, the renderer's scenes, what the tests of the core solve, and seeded ones over the ranges of the schemas. */
export function solutionCorpus(): SolutionCase[] {
  made ??= [
    ...[SAMPLE_HALL, SAMPLE_TERRACE].map(({ setup, readings }): SolutionCase => ({
      name: `sample: ${setup.title}`,
      setup,
      kit: SAMPLE_KIT,
      facts: readings,
      clock: CLOCK,
    })),
    ...PICTURE_SCENES.map(({ name, setup, facts }): SolutionCase => ({
      name: `picture: ${name}`,
      setup,
      kit: SAMPLE_KIT,
      facts,
      clock: CLOCK,
    })),
    ...SCENES_FROM_TESTS,
    ...Array.from({ length: SEEDED_CASES }, (_, index) => seededCase(index)),
    ...Array.from({ length: SEVERAL_CASES }, (_, index) => severalLights(index)),
  ];
  return made;
}

/** Cases that came after the baseline was written, each for a kind that no other case reaches. */
export function casesAfterBaseline(): SolutionCase[] {
  const leavesHighSpeedSync = withSettings(SAMPLE_TERRACE.setup, [
    { path: 'camera.highSpeedSync', value: true },
    { path: 'camera.wantedAv', value: 2 },
    { path: 'camera.wantedTv', value: 9 },
    { path: 'camera.keepOrder', value: ['iso', 'shutter', 'aperture'] },
    { path: 'lights.0.distanceM', value: 3 },
    { path: 'look.holdBackStops', value: 2 },
  ]);
  if (!leavesHighSpeedSync.ok) throw new Error(JSON.stringify(leavesHighSpeedSync.reason));
  const facts = SAMPLE_TERRACE.readings;
  const fromTheFuture = SAMPLE_HALL.readings.map((reading) => ({
    ...reading,
    at: new Date(CLOCK.getTime() + 24 * 3600_000).toISOString(),
  }));
  const assumed = withSettings(SAMPLE_TERRACE.setup, [{ path: 'lights.0.placeSaid', value: false }]);
  if (!assumed.ok) throw new Error(JSON.stringify(assumed.reason));
  const hall = SAMPLE_HALL.setup;
  /** a lamp that is the key of a filmed interview, so far away */
  const filmedFrom = (distanceM: number): Setup => ({
    ...hall,
    camera: { ...hall.camera, video: { framesPerSecond: 25, angleDeg: 180 } },
    lamps: [usualLamp({ distanceM, sideDeg: 40, heightM: 0.3, role: 'key' })],
  });
  const crossed: Setup = {
    ...hall,
    stage: { ...hall.stage, openSide: (hall.lights[0]?.sideDeg ?? 40) < 0 ? 'right' : 'left' },
  };
  /** the first light stands for something in a picture with a sun */
  const standing = (standsFor: Motive, over: Partial<Light>, altitudeDeg = 8): Setup => ({
    ...hall,
    panels: [],
    points: hall.points.map((point, place) => ({ ...point, standsIn: place === 1 ? 'sun' : null })),
    stage: { ...hall.stage, sun: { by: 'hand', sideDeg: 60, altitudeDeg } },
    lights: hall.lights.map((light, place) =>
      place === 0 ? { ...light, role: 'motivated', standsFor, ...over } : light,
    ),
  });
  const inShade: Setup = {
    ...standing('lowSun', { sideDeg: -70 }),
    points: hall.points.map((point) => ({ ...point, standsIn: 'shade' })),
  };
  const foil: Setup = {
    ...standing('lamp', {}, 35),
    panels: [usualPanel('reflector', { surface: 'silver', sideDeg: 60, heightM: -0.4 })],
  };
  const motives: [string, Setup][] = [
    ['a sun in shade', inShade],
    ['two suns', standing('lowSun', { sideDeg: -70 })],
    ['a high sun', standing('lowSun', { distanceM: 2, heightM: 1.6 })],
    ['a high headlight', standing('headlight', { heightM: 0.6 })],
    ['a weak sun', standing('lowSun', { locked: true, dialledStops: -9 })],
    ['foil in the sun', foil],
  ];
  const shadow = usualPoint('shadow', 'shadow');
  const ofShadow = (stops: number): Reading[] => [
    ...SAMPLE_HALL.readings,
    ...SAMPLE_HALL.readings
      .slice(0, 1)
      .map((reading) => ({ ...reading, id: sampleId(971), pointId: 'shadow', av: reading.av - stops })),
  ];
  const bothSides: Setup = { ...hall, lights: [], points: [...hall.points, shadow] };
  const stands = (setup: Setup, over: object): Setup => ({
    ...setup,
    camera: { ...setup.camera, stands: { av: 3, tv: 7, sv: 2, inForce: true, ...over } },
  });
  const [light] = hall.lights;
  const oneCall: Setup = {
    ...hall,
    lights: light === undefined ? [] : [light, { ...light, id: sampleId(972), role: 'fill' }],
    camera: { ...hall.camera, secondCameraId: sampleId(102) },
  };
  const onTripod: Setup = {
    ...SAMPLE_TERRACE.setup,
    camera: { ...SAMPLE_TERRACE.setup.camera, support: 'tripod' },
    lights: SAMPLE_TERRACE.setup.lights.map((one) => ({ ...one, distanceM: 0.4 })),
  };
  const byThemselves: [string, Setup, Fact[]][] = [
    ['available light', stands(bothSides, {}), ofShadow(2.5)],
    ['fill needed', stands(bothSides, {}), ofShadow(6)],
    ['a slow shutter', stands(hall, { tv: 3, sv: -2 }), SAMPLE_HALL.readings],
    ['one radio call', oneCall, SAMPLE_HALL.readings],
    ['a strong flash at dusk', onTripod, SAMPLE_TERRACE.readings.map((one) => ({ ...one, av: one.av - 3 }))],
  ];
  const inAStorm: SolutionCase = {
    name: 'a storm on a slope',
    setup: {
      ...SAMPLE_TERRACE.setup,
      lights: SAMPLE_TERRACE.setup.lights.map((one) => ({ ...one, standId: sampleId(163) })),
    },
    kit: SAMPLE_KIT,
    facts,
    clock: CLOCK,
    around: {
      facts: ['slope'],
      weather: { cloud: 1, windMps: 6, gustMps: 9, rainMmH: 2, temperatureC: -8 },
    },
  };
  const panelInWind = (gustMps: number): SolutionCase => ({
    name: `a panel in gusts of ${gustMps} m/s`,
    setup: {
      ...SAMPLE_TERRACE.setup,
      gustMps,
      panels: [{ ...usualPanel('diffuser', {}), standId: sampleId(162) }],
    },
    kit: SAMPLE_KIT,
    facts,
    clock: CLOCK,
  });
  return [
    inAStorm,
    panelInWind(6),
    panelInWind(20),
    ...byThemselves.map(([name, setup, its]) => ({ name, setup, kit: SAMPLE_KIT, facts: its, clock: CLOCK })),
    ...motives.map(([name, setup]) => ({ name, setup, kit: SAMPLE_KIT, facts: SAMPLE_HALL.readings, clock: CLOCK })),
    { name: 'a lamp to set', setup: filmedFrom(0.8), kit: SAMPLE_KIT, facts: SAMPLE_HALL.readings, clock: CLOCK },
    { name: 'a lamp too far', setup: filmedFrom(9), kit: SAMPLE_KIT, facts: SAMPLE_HALL.readings, clock: CLOCK },
    { name: 'crossed shadows', setup: crossed, kit: SAMPLE_KIT, facts: SAMPLE_HALL.readings, clock: CLOCK },
    { name: 'an assumed place', setup: assumed.value, kit: SAMPLE_KIT, facts, clock: CLOCK },
    { name: 'leaves sync', setup: leavesHighSpeedSync.value, kit: SAMPLE_KIT, facts, clock: CLOCK },
    { name: 'a clock a day ahead', setup: SAMPLE_HALL.setup, kit: SAMPLE_KIT, facts: fromTheFuture, clock: CLOCK },
  ];
}
