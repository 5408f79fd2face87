import { DEFAULT_PREFERENCES } from '../gear';
import { type Light, LIGHT_ROLE_FACTS, type LightRole, RADIO_GROUPS } from './light';
import { type MeteringPoint, type PointRole, ROLE_FACTS } from './point';
import { type Setup, SETUP_VERSION, type SetupPlan } from './setup';
import { PLAIN_STAGE } from './stage';

/** A point of a kind with its usual tone. @param name what it is called: the language is the caller's */
export const newPoint = (id: string, role: PointRole, name: string): MeteringPoint => ({
  id,
  role,
  name,
  toneStops: ROLE_FACTS[role].toneStops,
  standsIn: null,
  method: null,
  patchy: false,
  leftOut: false,
});

/** The look of a fresh setup: exposed for the face, flash and ambient even, no offsets. */
export const PLAIN_LOOK: Setup['look'] = {
  faceBy: 'camera',
  faceContrastStops: 2,
  exposeBy: 'face',
  holdBackStops: 1,
  backgroundStops: 0,
  headroomStops: 0.3,
  highlightPointId: null,
  faceStops: 0,
  feelStops: 0,
  targets: [],
};

/** What a fresh setup says of its lights' work: metered background first, ⅔ stop kept free, colours as they are. */
export const PLAIN_LIGHTING: Pick<
  Setup,
  | 'lights'
  | 'lamps'
  | 'panels'
  | 'stage'
  | 'meterOrder'
  | 'tests'
  | 'reserveStops'
  | 'backgroundM'
  | 'backdrop'
  | 'people'
  | 'pace'
  | 'gustMps'
  | 'colour'
> = {
  lights: [],
  lamps: [],
  panels: [],
  stage: PLAIN_STAGE,
  meterOrder: 'role',
  tests: 'together',
  reserveStops: 2 / 3,
  backgroundM: null,
  backdrop: null,
  people: null,
  pace: null,
  gustMps: null,
  colour: { ambient: [], relation: 'asIs', warmerMired: 30, whiteBalance: null },
};

/** What a setup takes when it comes into the plan. */
export const PLAIN_PLAN: SetupPlan = {
  startsAt: null,
  setUpMin: 10,
  shootMin: 15,
  packMin: 5,
  moveMin: 5,
  value: 3,
  must: false,
  window: null,
};

/** The camera of a fresh setup: in the hand, people posing, everything free. */
export const PLAIN_CAMERA: Setup['camera'] = {
  cameraId: null,
  lensId: null,
  focalMm: null,
  support: 'hand',
  motion: 'posing',
  wantedAv: 3,
  depth: null,
  keepOrder: DEFAULT_PREFERENCES.keepOrder,
  wantedTv: null,
  pins: { av: null, tv: null, sv: null },
  limits: { syncTv: null, slowestTv: null, baseSv: null, highestSv: null },
  stands: null,
  filterIds: [],
  highSpeedSync: false,
  syncDelayMs: 0,
  secondCameraId: null,
  video: null,
};

/**
 * A fresh setup under names of the caller's language: face and background to meter, flash and ambient even,
 * nothing chosen yet but the first camera of the kit.
 */
export function newSetup(
  ids: { id: string; shootId: string; spotId: string },
  { title, face, background }: { title: string; face: string; background: string },
  cameraId: string | null,
  keepOrder: Setup['camera']['keepOrder'] = DEFAULT_PREFERENCES.keepOrder,
): Setup {
  return {
    type: 'setup',
    version: SETUP_VERSION,
    ...ids,
    title,
    points: [newPoint('face', 'face', face), newPoint('background', 'background', background)],
    meter: { meterId: null, av: 5, tv: 7, sv: 0, read: 'aperture' },
    look: { ...PLAIN_LOOK },
    camera: { ...PLAIN_CAMERA, cameraId, keepOrder },
    ...PLAIN_LIGHTING,
    takenOver: [],
    note: '',
    frames: { from: '', to: '' },
    plan: null,
    listed: 0,
    confirmed: [],
    variants: [],
    variantOf: null,
  };
}

/**
 * A light of a role where such a light usually stands, aimed at a point of its kind; the next free radio group
 * is its letter.
 */
export function newLight(
  id: string,
  role: LightRole,
  unitId: string,
  aimPointId: string,
  others: readonly Pick<Light, 'group' | 'channel'>[],
): Light {
  return {
    id,
    role,
    standsFor: null,
    unitId,
    outlet: null,
    zoomMm: null,
    modifierId: null,
    gridId: null,
    gelIds: [],
    standId: null,
    aimPointId,
    ...LIGHT_ROLE_FACTS[role].stand,
    placeSaid: false,
    featherDeg: 0,
    group: RADIO_GROUPS.find((letter) => others.every(({ group }) => group !== letter)) ?? 'A',
    channel: others[0]?.channel ?? 1,
    dialledStops: null,
    locked: false,
  };
}

/**
 * A fresh setup as this person's last one began: its meter, camera and lens, and its lights, or none. Where lights stand and
 * what is dialled on them is not taken over: nobody has said so here.
 */
export function asLastTime(fresh: Setup, last: Setup): Setup {
  const roleOf = (pointId: string) => last.points.find(({ id }) => id === pointId)?.role;
  const aimedAt = last.points.filter(
    ({ id, role }) =>
      !fresh.points.some((point) => point.role === role) && last.lights.some(({ aimPointId }) => aimPointId === id),
  );
  const points = [
    ...fresh.points,
    ...aimedAt.map((point): MeteringPoint => ({
      ...point,
      standsIn: null,
      method: null,
      patchy: false,
      leftOut: false,
    })),
  ];
  const pointFor = (pointId: string) => points.find(({ role }) => role === roleOf(pointId))?.id ?? pointId;
  const { cameraId, lensId, focalMm, wantedAv, keepOrder, secondCameraId, syncDelayMs } = last.camera;
  const camera =
    cameraId === null
      ? fresh.camera
      : { ...fresh.camera, cameraId, lensId, focalMm, wantedAv, keepOrder, secondCameraId, syncDelayMs };
  return {
    ...fresh,
    points,
    meter: last.meter,
    camera,
    lights: last.lights.map((light) => ({
      ...light,
      aimPointId: pointFor(light.aimPointId),
      standsFor: null,
      placeSaid: false,
      dialledStops: null,
      locked: false,
    })),
    look: {
      ...fresh.look,
      targets: last.look.targets.filter(({ pointId }) => aimedAt.some(({ id }) => id === pointId)),
    },
    tests: last.tests,
    takenOver: [
      ...(cameraId === null ? [] : ['camera' as const]),
      ...(last.lights.length === 0 ? [] : ['lights' as const]),
    ],
  };
}

/**
 * The next setup after one: its look, camera, lights with stands, groups and gels, stage and panels. What is there to be metered is
 * the ambient alone.
 */
export function nextSetup(from: Setup, ids: Pick<Setup, 'id' | 'title'>): Setup {
  const { stands } = from.camera;
  return {
    ...from,
    ...ids,
    camera: { ...from.camera, stands: stands === null ? null : { ...stands, inForce: false } },
    points: from.points.map((point) => ({ ...point, patchy: false })),
    // no reading here has seen them otherwise
    panels: from.panels.map((panel) => ({ ...panel, movedAt: null, before: null })),
    takenOver: ['camera', ...(from.lights.length === 0 ? [] : ['lights' as const])],
    note: '',
    plan: null,
    frames: { from: '', to: '' },
    confirmed: [],
    variants: [],
    variantOf: null,
  };
}
