import type { SunStand } from '../ambient';
import type { Balance } from '../balance';
import { type Kit, offered } from '../gear';
import type { GroupLight, UsableLight } from '../lights';
import { beamLossStops, beamShare, type Modifier } from '../modifiers';
import { formatDistance, formatShare, formatStopCount } from '../notation';
import { angleDeg, flatInFrame, type FrameView, minus, poleInFrame, spectaclesShow, wrapDeg } from '../scene';
import { type Light, LIGHT_ROLE_FACTS, lightPath, type Setting, type Setup } from '../setup';
import { firstClear, moved, raised, range } from './moves';
import { cameraAt, EYES, lightFlat, placed, RADIANS, type StageLight } from './stageLights';

export type StageCautionKind =
  | 'beam-misses'
  | 'in-frame'
  | 'stand-in-frame'
  | 'into-lens'
  | 'spill'
  | 'rim-on-face'
  | 'spectacles'
  | 'second-shadow'
  | 'eye-sockets'
  | 'depth-light'
  | 'sun-into-lens'
  | 'sun-in-eyes';

/** Something to watch on the stage, with the moves that cure it, the smallest first. */
export interface StageCaution {
  kind: StageCautionKind;
  lightId: string | null;
  text: string;
  cures: { title: string; settings: Setting[] }[];
}
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

function beamMisses(
  one: UsableLight,
  { name, lightId, beamM, at }: StageLight,
  { setup, kit }: Context,
): StageCaution[] {
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
        text: `${name}'s beam misses the face: ${formatStopCount(lost)} stops are lost beside its axis.`,
        cures: back === null ? [] : [{ title: `Turn it back by ${back.step}°`, settings: back.made.settings }],
      },
    ];
  }
  const { people } = setup;
  const widthM = people === null ? 0 : people.leftM + people.rightM;
  if (light.role !== 'key' || widthM <= beamM) return [];
  return [
    {
      kind: 'beam-misses',
      lightId,
      text: `${name}'s beam is ${formatDistance(beamM, kit.preferences.distanceUnit)} wide at the group, which is ${formatDistance(widthM, kit.preferences.distanceUnit)}: its ends go dark. ${at.z > 0 ? 'Farther back, or a wider modifier.' : 'A wider modifier.'}`,
      cures: [],
    },
  ];
}

function showsInFrame(
  one: UsableLight,
  { name, lightId, flat, at }: StageLight,
  { setup, kit, view }: Context,
): StageCaution[] {
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
  const sideCure =
    aside === null ? [] : [{ title: `${aside.step}° further to the side`, settings: aside.made.settings }];
  if (flatInFrame(view, flat, depthM)) {
    const higher = firstClear(
      range(0.1, 2.5, 0.1),
      (step) => raised(one, step),
      ({ light }) => !shows(light),
    );
    cautions.push({
      kind: 'in-frame',
      lightId,
      text: `${name} shows in the frame.`,
      cures: [
        ...sideCure,
        ...(higher === null
          ? []
          : [
              {
                title: `Raise it by ${formatDistance(higher.step, kit.preferences.distanceUnit)}`,
                settings: higher.made.settings,
              },
            ]),
      ],
    });
  } else if (poleInFrame(view, at, groundY, depthM))
    cautions.push({
      kind: 'stand-in-frame',
      lightId,
      text: `The stand of ${name} shows in the frame. Hang it from a boom, or hide it behind the subject.`,
      cures: sideCure,
    });
  return cautions;
}

function intoLens(one: UsableLight, { name, lightId, at, axis }: StageLight, { setup }: Context): StageCaution[] {
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
      text: `${name} points at the lens: it flares. A flag or a grid on the camera's side keeps it off.`,
      cures: away === null ? [] : [{ title: `Turn it ${away.step}° from the camera`, settings: away.made.settings }],
    },
  ];
}

function spill({ light }: UsableLight, { name, lightId }: StageLight, { now }: Context): StageCaution[] {
  const background = now.points.find(({ role }) => role === 'background');
  const source = background?.sources.find((one) => one.lightId === light.id);
  if (light.role === 'background' || source === undefined || source.share < SPILL_SHARE) return [];
  return [
    {
      kind: 'spill',
      lightId,
      text: `${name} gives ${formatShare(source.share)} of the light on the background. Move the subject forward, turn the light, or put a grid on it.`,
      cures: [],
    },
  ];
}

function rimOnFace(one: UsableLight, { name, lightId, noseDeg }: StageLight, { setup }: Context): StageCaution[] {
  const aside = Math.abs(noseDeg);
  if (one.light.role !== 'rim' || aside >= RIM_FROM_DEG) return [];
  const sideDeg = wrapDeg(setup.stage.subject.turnDeg + (noseDeg < 0 ? -1 : 1) * RIM_FROM_DEG);
  return [
    {
      kind: 'rim-on-face',
      lightId,
      text: `${name} stands ${aside.toFixed(0)}° from the nose line: it touches cheek and nose. From ${RIM_FROM_DEG}° on it stays on hair and shoulder.`,
      cures: [{ title: `To ${RIM_FROM_DEG}°`, settings: moved(one, { sideDeg: Math.round(sideDeg) }).settings }],
    },
  ];
}

function inSpectacles(one: UsableLight, { name, lightId, flat }: StageLight, { setup, kit }: Context): StageCaution[] {
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
      title: `Tip the frames down by ${tilt.step}°`,
      settings: [{ path: 'stage.subject.spectaclesTiltDeg', value: tilt.made }],
    });
  const higher = firstClear(
    range(0.05, 1.5, 0.05),
    (step) => raised(one, step),
    ({ light }) => !shows(light, subject.spectaclesTiltDeg),
  );
  if (higher !== null)
    cures.push({
      title: `Raise it by ${formatDistance(higher.step, kit.preferences.distanceUnit)}`,
      settings: higher.made.settings,
    });
  const aside = firstClear(
    range(5, 90, 5),
    (step) => moved(one, { sideDeg: wrapDeg(one.light.sideDeg + (one.light.sideDeg < 0 ? -step : step)) }),
    ({ light }) => !shows(light, subject.spectaclesTiltDeg),
  );
  if (aside !== null) cures.push({ title: `${aside.step}° further to the side`, settings: aside.made.settings });
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
      title: `Use ${smaller.name}`,
      settings: [{ path: lightPath(one.index, 'modifierId'), value: smaller.id }],
    });
  return [{ kind: 'spectacles', lightId, text: `${name} shows in the spectacles.`, cures }];
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

function eyeSockets(one: UsableLight, its: StageLight, { setup, kit, lights }: Context): StageCaution[] {
  const { hat, deepSet } = setup.stage.subject;
  const limitDeg = hat ? SOCKETS_DEG.hat : deepSet ? SOCKETS_DEG.deepSet : SOCKETS_DEG.usual;
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
      text: `${its.name} stands ${its.riseDeg.toFixed(0)}° over the eyes: ${hat ? 'the brim puts them in shade' : deepSet ? 'deep-set eyes go dark' : 'eye sockets go dark'}. Lower it, or fill from below or the front.`,
      cures:
        lower === null
          ? []
          : [
              {
                title: `Lower it by ${formatDistance(lower.step, kit.preferences.distanceUnit)}`,
                settings: lower.made.settings,
              },
            ],
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
          text: `${a.name} and ${b.name} light the face from both sides: two nose shadows. Bring the weaker to the camera axis.`,
          cures: [
            {
              title: `${weaker.name} to the camera axis`,
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
  const most = (name: string) =>
    Math.max(...group.people.filter((person) => person.name.startsWith(name)).map(({ stops }) => stops));
  const over =
    most('front') - Math.min(...group.people.filter(({ name }) => name.startsWith('back')).map(({ stops }) => stops));
  return over < 1
    ? []
    : [
        {
          kind: 'depth-light',
          lightId: null,
          text: `The nearest person gets ${formatStopCount(over)} stops more than the farthest.`,
          cures: group.cures.map(({ title, settings }) => ({ title, settings })),
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
      text: "The sun stands in the subject's eyes: squinting. Turn them, or ask for closed eyes until the frame.",
      cures: [],
    });
  if (Math.abs(sun.sideDeg) > 150 && sun.altitudeDeg < 35)
    cautions.push({
      kind: 'sun-into-lens',
      lightId: null,
      text: 'The sun stands near the frame: it flares. Never look at it through an optical finder.',
      cures: [],
    });
  return cautions;
}
