import type { SunStand } from '../ambient';
import type { Balance } from '../balance';
import { type Kit, offered } from '../gear';
import type { GroupCure, GroupLight, UsableLight } from '../lights';
import { beamLossStops, beamShare, type Modifier } from '../modifiers';
import { angleDeg, flatInFrame, type FrameView, minus, poleInFrame, spectaclesShow, wrapDeg } from '../scene';
import { type Light, LIGHT_ROLE_FACTS, lightPath, type Setting, type Setup } from '../setup';
import { firstClear, moved, raised, range } from './moves';
import { cameraAt, EYES, lightFlat, placed, RADIANS, type StageLight } from './stageLights';

/** Something to watch on the stage, with its figures. */
export type StageWatch =
  | { kind: 'beam-misses'; lightId: string; lostStops: number }
  /** narrower than the group that it should cover */
  | { kind: 'beam-narrow'; lightId: string; beamM: number; groupM: number; inFront: boolean }
  | { kind: 'in-frame' | 'stand-in-frame' | 'into-lens' | 'spectacles'; lightId: string }
  | { kind: 'spill'; lightId: string; share: number }
  | { kind: 'rim-on-face'; lightId: string; asideDeg: number; fromDeg: number }
  | { kind: 'second-shadow'; lightId: string; bothIds: [string, string] }
  | { kind: 'eye-sockets'; lightId: string; riseDeg: number; because: keyof typeof SOCKETS_DEG }
  | { kind: 'depth-light'; lightId: null; overStops: number }
  | { kind: 'sun-into-lens' | 'sun-in-eyes'; lightId: null };

/** Every kind of caution of the stage. */
export const STAGE_WATCH_KINDS = [
  'beam-misses',
  'beam-narrow',
  'in-frame',
  'stand-in-frame',
  'into-lens',
  'spectacles',
  'spill',
  'rim-on-face',
  'second-shadow',
  'eye-sockets',
  'depth-light',
  'sun-into-lens',
  'sun-in-eyes',
] as const satisfies readonly StageWatch['kind'][];

/** A move that cures it. */
export type StageMove =
  | { kind: 'turn-back' | 'aside' | 'turn-from-camera' | 'tip-frames'; byDeg: number }
  | { kind: 'raise' | 'lower'; byM: number }
  | { kind: 'to-angle'; deg: number }
  | { kind: 'use-modifier'; name: string }
  | { kind: 'to-axis'; lightId: string }
  | { kind: 'group'; cure: GroupCure };

/** Every kind of move. */
export const STAGE_MOVE_KINDS = [
  'turn-back',
  'aside',
  'turn-from-camera',
  'tip-frames',
  'raise',
  'lower',
  'to-angle',
  'use-modifier',
  'to-axis',
  'group',
] as const satisfies readonly StageMove['kind'][];

/** Something to watch on the stage, with the moves that cure it, the smallest first. */
export type StageCaution = StageWatch & { cures: (StageMove & { settings: Setting[] })[] };

/** Farther than anything that could hide a stand. */
const OPEN_M = 100;
/** Nobody sees less than this much of a beam as lost. */
const MISSES_STOPS = 1.5;
const SPILL_SHARE = 0.25;
const LENS_SHARE = 0.3;
const RIM_FROM_DEG = 110;
/** Key higher than this over the eyes: sockets go dark; sooner for deep-set eyes, soonest under a brim. */
const SOCKETS_DEG = { usual: 50, deepSet: 38, hat: 30 } as const;

export interface Context {
  setup: Setup;
  kit: Kit;
  now: Balance;
  view: FrameView;
  lights: readonly StageLight[];
}

export function lightCautions(one: UsableLight, context: Context): StageCaution[] {
  const its = context.lights.find(({ lightId }) => lightId === one.light.id);
  if (its === undefined) return [];
  return [
    ...beamMisses(one, its, context),
    ...showsInFrame(one, its, context),
    ...intoLens(one, its, context),
    ...spill(one, its, context),
    ...rimOnFace(one, its, context),
    ...inSpectacles(one, its, context),
    ...eyeSockets(one, its, context),
  ];
}

function beamMisses(one: UsableLight, { lightId, beamM, at }: StageLight, { setup }: Context): StageCaution[] {
  const { light, config } = one;
  if (!LIGHT_ROLE_FACTS[light.role].onPeople) return [];
  const lost = beamLossStops(config.beam, light.featherDeg);
  if (lost > MISSES_STOPS) {
    const sign = Math.sign(light.featherDeg);
    const back = firstClear(
      range(0, 80, 5),
      (step) => moved(one, { featherDeg: sign * Math.max(0, Math.abs(light.featherDeg) - step) }),
      ({ light: { featherDeg } }) => beamLossStops(config.beam, featherDeg) <= MISSES_STOPS,
    );
    return [
      {
        kind: 'beam-misses',
        lightId,
        lostStops: lost,
        cures: back === null ? [] : [{ kind: 'turn-back', byDeg: back.step, settings: back.made.settings }],
      },
    ];
  }
  const { people } = setup;
  const widthM = people === null ? 0 : people.leftM + people.rightM;
  if (light.role !== 'key' || widthM <= beamM) return [];
  return [
    {
      kind: 'beam-narrow',
      lightId,
      beamM,
      groupM: widthM,
      inFront: at.z > 0,
      cures: [],
    },
  ];
}

function showsInFrame(one: UsableLight, { lightId, flat, at }: StageLight, { setup, view }: Context): StageCaution[] {
  const depthM = setup.stage.cameraM + (setup.backgroundM ?? OPEN_M);
  const groundY = -setup.stage.subject.eyesM;
  const cautions: StageCaution[] = [];
  const shows = (light: Light) => flatInFrame(view, placed(setup, light, one.config).flat, depthM);
  const standShows = (light: Light) => poleInFrame(view, placed(setup, light, one.config).at, groundY, depthM);
  const aside = firstClear(
    range(5, 90, 5),
    (step) =>
      moved(one, {
        sideDeg: wrapDeg(
          one.light.sideDeg + (Math.abs(one.light.sideDeg) > 90 ? -1 : 1) * (one.light.sideDeg < 0 ? -1 : 1) * step,
        ),
      }),
    ({ light }) => !shows(light) && !standShows(light),
  );
  const sideCure: StageCaution['cures'] =
    aside === null ? [] : [{ kind: 'aside', byDeg: aside.step, settings: aside.made.settings }];
  if (flatInFrame(view, flat, depthM)) {
    const higher = firstClear(
      range(0.1, 2.5, 0.1),
      (step) => raised(one, step),
      ({ light }) => !shows(light),
    );
    cautions.push({
      kind: 'in-frame',
      lightId,
      cures: [
        ...sideCure,
        ...(higher === null ? [] : [{ kind: 'raise' as const, byM: higher.step, settings: higher.made.settings }]),
      ],
    });
  } else if (poleInFrame(view, at, groundY, depthM))
    cautions.push({
      kind: 'stand-in-frame',
      lightId,
      cures: sideCure,
    });
  return cautions;
}

function intoLens(one: UsableLight, { lightId, at, axis }: StageLight, { setup }: Context): StageCaution[] {
  if (at.z >= 0 || one.light.role === 'background') return [];
  const off = angleDeg(axis, minus(cameraAt(setup), at));
  if (beamShare(one.config.beam, off) < LENS_SHARE) return [];
  const away = firstClear(
    range(5, 80, 5),
    (step) =>
      moved(one, { featherDeg: Math.max(-80, Math.min(80, one.light.featherDeg + (at.x < 0 ? 1 : -1) * step)) }),
    ({ light }) =>
      beamShare(one.config.beam, angleDeg(placed(setup, light, one.config).axis, minus(cameraAt(setup), at))) <
        LENS_SHARE && beamLossStops(one.config.beam, light.featherDeg) < MISSES_STOPS,
  );
  return [
    {
      kind: 'into-lens',
      lightId,
      cures: away === null ? [] : [{ kind: 'turn-from-camera', byDeg: away.step, settings: away.made.settings }],
    },
  ];
}

function spill({ light }: UsableLight, { lightId }: StageLight, { now }: Context): StageCaution[] {
  const background = now.points.find(({ role }) => role === 'background');
  const source = background?.sources.find((one) => one.lightId === light.id);
  if (light.role === 'background' || source === undefined || source.share < SPILL_SHARE) return [];
  return [
    {
      kind: 'spill',
      lightId,
      share: source.share,
      cures: [],
    },
  ];
}

function rimOnFace(one: UsableLight, { lightId, noseDeg }: StageLight, { setup }: Context): StageCaution[] {
  const aside = Math.abs(noseDeg);
  if (one.light.role !== 'rim' || aside >= RIM_FROM_DEG) return [];
  const sideDeg = wrapDeg(setup.stage.subject.turnDeg + (noseDeg < 0 ? -1 : 1) * RIM_FROM_DEG);
  return [
    {
      kind: 'rim-on-face',
      lightId,
      asideDeg: aside,
      fromDeg: RIM_FROM_DEG,
      cures: [{ kind: 'to-angle', deg: RIM_FROM_DEG, settings: moved(one, { sideDeg: Math.round(sideDeg) }).settings }],
    },
  ];
}

function inSpectacles(one: UsableLight, { lightId, flat }: StageLight, { setup, kit }: Context): StageCaution[] {
  const { subject } = setup.stage;
  if (!subject.spectacles) return [];
  const camera = cameraAt(setup);
  const shows = (light: Light, tiltDeg: number, source = placed(setup, light, one.config).flat) =>
    spectaclesShow(source, camera, EYES, subject.turnDeg, tiltDeg);
  if (!shows(one.light, subject.spectaclesTiltDeg, flat)) return [];
  const cures: StageCaution['cures'] = [];
  const tilt = firstClear(
    range(1, 15, 1),
    (step) => Math.min(25, subject.spectaclesTiltDeg + step),
    (tiltDeg) => !shows(one.light, tiltDeg),
  );
  if (tilt !== null)
    cures.push({
      kind: 'tip-frames',
      byDeg: tilt.step,
      settings: [{ path: 'stage.subject.spectaclesTiltDeg', value: tilt.made }],
    });
  const higher = firstClear(
    range(0.05, 1.5, 0.05),
    (step) => raised(one, step),
    ({ light }) => !shows(light, subject.spectaclesTiltDeg),
  );
  if (higher !== null) cures.push({ kind: 'raise', byM: higher.step, settings: higher.made.settings });
  const aside = firstClear(
    range(5, 90, 5),
    (step) => moved(one, { sideDeg: wrapDeg(one.light.sideDeg + (one.light.sideDeg < 0 ? -step : step)) }),
    ({ light }) => !shows(light, subject.spectaclesTiltDeg),
  );
  if (aside !== null) cures.push({ kind: 'aside', byDeg: aside.step, settings: aside.made.settings });
  const { at, axis } = placed(setup, one.light, one.config);
  const size = (modifier: Pick<Modifier, 'shape'>) => {
    const { widthM, tallM } = lightFlat(modifier, at, axis);
    return widthM * tallM;
  };
  const smaller = offered(kit.modifiers)
    .filter((modifier) => size(modifier) < size(one.config.modifier))
    .sort((a, b) => size(b) - size(a))
    .find((modifier) => !shows(one.light, subject.spectaclesTiltDeg, lightFlat(modifier, at, axis)));
  if (smaller !== undefined)
    cures.push({
      kind: 'use-modifier',
      name: smaller.name,
      settings: [{ path: lightPath(one.index, 'modifierId'), value: smaller.id }],
    });
  return [{ kind: 'spectacles', lightId, cures }];
}

/** A light from below or the front that opens sockets. */
const opensSockets = ({ panels }: Setup, lights: readonly StageLight[], key: StageLight): boolean =>
  panels.some(
    ({ kind, surface, heightM, sideDeg }) =>
      kind === 'reflector' && surface !== 'black' && heightM < 0 && Math.abs(sideDeg) < 80,
  ) ||
  lights.some(
    (light) =>
      light.lightId !== key.lightId &&
      light.riseDeg < 20 &&
      Math.abs(light.noseDeg) < 40 &&
      light.faceStops !== null &&
      key.faceStops !== null &&
      light.faceStops > key.faceStops - 2.5,
  );

function eyeSockets(one: UsableLight, its: StageLight, { setup, lights }: Context): StageCaution[] {
  const { hat, deepSet } = setup.stage.subject;
  const because = hat ? 'hat' : deepSet ? 'deepSet' : 'usual';
  const limitDeg = SOCKETS_DEG[because];
  if (one.light.role !== 'key' || its.riseDeg <= limitDeg || opensSockets(setup, lights, its)) return [];
  const lower = firstClear(
    range(0.05, 3, 0.05),
    (step) => raised(one, -step),
    ({ light }) => {
      const { at } = placed(setup, light, one.config);
      return Math.atan2(at.y, Math.hypot(at.x, at.z)) / RADIANS <= limitDeg;
    },
  );
  return [
    {
      kind: 'eye-sockets',
      lightId: its.lightId,
      riseDeg: its.riseDeg,
      because,
      cures: lower === null ? [] : [{ kind: 'lower', byM: lower.step, settings: lower.made.settings }],
    },
  ];
}

export function secondShadow({ lights, now }: Context): StageCaution[] {
  const drawing = lights.filter(({ lightId, noseDeg, faceStops }) => {
    const role = now.usable.find(({ light }) => light.id === lightId)?.light.role;
    return (
      faceStops !== null && Math.abs(noseDeg) > 20 && Math.abs(noseDeg) < 100 && role !== 'background' && role !== 'rim'
    );
  });
  for (const a of drawing)
    for (const b of drawing) {
      if (
        a.index >= b.index ||
        Math.sign(a.noseDeg) === Math.sign(b.noseDeg) ||
        Math.abs((a.faceStops ?? 0) - (b.faceStops ?? 0)) > 1.5
      )
        continue;
      const weaker = (a.faceStops ?? 0) < (b.faceStops ?? 0) ? a : b;
      return [
        {
          kind: 'second-shadow',
          lightId: weaker.lightId,
          bothIds: [a.lightId, b.lightId],
          cures: [
            {
              kind: 'to-axis',
              lightId: weaker.lightId,
              settings: [{ path: lightPath(weaker.index, 'sideDeg'), value: 0 }],
            },
          ],
        },
      ];
    }
  return [];
}

export function depthOfLight(group: GroupLight | null): StageCaution[] {
  if (group === null) return [];
  const most = (row: string) =>
    Math.max(...group.people.filter((person) => person.id.startsWith(row)).map(({ stops }) => stops));
  const over =
    most('front') - Math.min(...group.people.filter(({ id }) => id.startsWith('back')).map(({ stops }) => stops));
  return over < 1
    ? []
    : [
        {
          kind: 'depth-light',
          lightId: null,
          overStops: over,
          cures: group.cures.map(({ spreadStops: _spread, settings, ...cure }) => ({ kind: 'group', cure, settings })),
        },
      ];
}

export function sunCautions(setup: Setup, sun: SunStand | null): StageCaution[] {
  if (sun === null || sun.altitudeDeg <= 0) return [];
  const noseDeg = Math.abs(wrapDeg(sun.sideDeg - setup.stage.subject.turnDeg));
  const cautions: StageCaution[] = [];
  if (noseDeg < 45 && sun.altitudeDeg < 60)
    cautions.push({
      kind: 'sun-in-eyes',
      lightId: null,
      cures: [],
    });
  if (Math.abs(sun.sideDeg) > 150 && sun.altitudeDeg < 35)
    cautions.push({
      kind: 'sun-into-lens',
      lightId: null,
      cures: [],
    });
  return cautions;
}
