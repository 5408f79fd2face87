import { type Kit, offered } from '../gear';
import type { GroupCure, SolvedGroupCure, UsableLight } from '../lights';
import { beamLossStops, beamShare, type Modifier } from '../modifiers';
import {
  angleDeg,
  type Flat,
  flatInFrame,
  type FrameView,
  minus,
  poleInFrame,
  spectaclesShow,
  wrapDeg,
} from '../scene';
import { type Light, lightPath, type Setting, type Setup } from '../setup';
import { isMotiveWatch } from './motives';
import { firstClear, moved, raised, range } from './moves';
import type { StageSolution } from './solveStage';
import { EYES } from '../gain';
import { cameraAt, lightFlat, placed, RADIANS } from './stageLights';
import { frameDepthM, LENS_SHARE, MISSES_STOPS, RIM_FROM_DEG, SOCKETS_DEG, type StageWatch } from './watches';

/** A move that cures what is to be watched. */
export type StageMove =
  | { kind: 'turn-back' | 'aside' | 'turn-from-camera' | 'tip-frames'; byDeg: number }
  | { kind: 'raise' | 'lower'; byM: number }
  | { kind: 'to-angle' | 'to-side'; deg: number }
  | { kind: 'use-modifier'; name: string }
  | { kind: 'to-axis' | 'to-other-side'; lightId: string }
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
  'to-side',
  'use-modifier',
  'to-axis',
  'to-other-side',
  'group',
] as const satisfies readonly StageMove['kind'][];

/** A move with the settings that make it. */
export type StageCure = StageMove & { settings: Setting[] };

/** The moves that cure one thing to watch, the smallest first. */
export interface StageCures {
  watch: StageWatch['kind'];
  lightId: string | null;
  moves: StageCure[];
}

interface CureContext {
  setup: Setup;
  kit: Kit;
  view: FrameView;
  usable: readonly UsableLight[];
  lights: StageSolution['lights'];
  groupCures: readonly SolvedGroupCure[];
}

/** The moves for everything that is to be watched on the stage; what no move cures is left out. */
export function stageCures(
  setup: Setup,
  kit: Kit,
  usable: readonly UsableLight[],
  { watches, lights, camera: { view } }: StageSolution,
  groupCures: readonly SolvedGroupCure[],
): StageCures[] {
  const context: CureContext = { setup, kit, view, usable, lights, groupCures };
  return watches.flatMap((watch): StageCures[] => {
    const moves = movesFor(watch, context);
    return moves.length === 0 ? [] : [{ watch: watch.kind, lightId: watch.lightId, moves }];
  });
}

function movesFor(watch: StageWatch, context: CureContext): StageCure[] {
  const { setup, usable, lights, groupCures } = context;
  if (watch.kind === 'depth-light')
    return groupCures.map(({ spreadStops: _spread, settings, ...cure }) => ({ kind: 'group', cure, settings }));
  // only where it comes from is a matter of its stand alone
  if (isMotiveWatch(watch)) return 'sideDeg' in watch ? [toSide(watch, context)] : [];
  const one = usable.find(({ light }) => light.id === watch.lightId);
  if (one === undefined) return [];
  switch (watch.kind) {
    case 'beam-misses':
      return turnBack(one);
    case 'in-frame':
      return outOfFrame(one, context);
    case 'stand-in-frame':
      return asideFromFrame(one, context);
    case 'into-lens':
      return turnFromCamera(one, setup);
    case 'rim-on-face': {
      const nose = lights.find(({ lightId }) => lightId === watch.lightId)?.noseDeg ?? 0;
      return [behindTheCheek(one, setup, nose)];
    }
    case 'second-shadow':
      return [
        { kind: 'to-axis', lightId: watch.lightId, settings: [{ path: lightPath(one.index, 'sideDeg'), value: 0 }] },
      ];
    case 'crossed-shadows': {
      const sideDeg = Math.round(wrapDeg(2 * setup.stage.subject.turnDeg - one.light.sideDeg));
      return [
        {
          kind: 'to-other-side',
          lightId: watch.lightId,
          settings: [{ path: lightPath(one.index, 'sideDeg'), value: sideDeg }],
        },
      ];
    }
    case 'spectacles':
      return outOfSpectacles(one, context);
    case 'eye-sockets':
      return lowerToEyes(one, setup, SOCKETS_DEG[watch.because]);
    case 'beam-narrow':
    case 'spill':
    case 'sun-in-eyes':
    case 'sun-into-lens':
      return [];
  }
}

/** A motivated light or lamp to the side that what it stands for comes from. */
function toSide(
  { lightId, sideDeg }: { lightId: string; sideDeg: number },
  { setup: { lamps }, usable }: CureContext,
): StageCure {
  const light = usable.find((one) => one.light.id === lightId);
  const settings: Setting[] =
    light === undefined
      ? [{ path: 'lamps', value: lamps.map((lamp) => (lamp.id === lightId ? { ...lamp, sideDeg } : lamp)) }]
      : [{ path: lightPath(light.index, 'sideDeg'), value: sideDeg }];
  return { kind: 'to-side', deg: sideDeg, settings };
}

/** Degrees to turn by, where a turn was found. */
const byDeg = <K extends 'turn-back' | 'aside' | 'turn-from-camera'>(
  kind: K,
  found: { step: number; made: { settings: Setting[] } } | null,
): StageCure[] => (found === null ? [] : [{ kind, byDeg: found.step, settings: found.made.settings }]);

/** Metres to move by, where a move was found. */
const byM = <K extends 'raise' | 'lower'>(
  kind: K,
  found: { step: number; made: { settings: Setting[] } } | null,
): StageCure[] => (found === null ? [] : [{ kind, byM: found.step, settings: found.made.settings }]);

function turnBack(one: UsableLight): StageCure[] {
  const { featherDeg } = one.light;
  const turned = (step: number) => Math.sign(featherDeg) * Math.max(0, Math.abs(featherDeg) - step);
  const back = firstClear(
    range(0, 80, 5),
    (step) => moved(one, { featherDeg: turned(step) }),
    ({ light }) => beamLossStops(one.config.beam, light.featherDeg) <= MISSES_STOPS,
  );
  return byDeg('turn-back', back);
}

/** Whether a light shows in the frame, and whether its stand does. */
function frameOf({ config }: UsableLight, { setup, view }: CureContext) {
  const depthM = frameDepthM(setup);
  return {
    shows: (light: Light) => flatInFrame(view, placed(setup, light, config).flat, depthM),
    standShows: (light: Light) =>
      poleInFrame(view, placed(setup, light, config).at, -setup.stage.subject.eyesM, depthM),
  };
}

function asideFromFrame(one: UsableLight, context: CureContext): StageCure[] {
  const { shows, standShows } = frameOf(one, context);
  const { sideDeg } = one.light;
  // in front a light goes farther from the axis, behind the subject back towards its side
  const outward = (Math.abs(sideDeg) > 90 ? -1 : 1) * (sideDeg < 0 ? -1 : 1);
  const aside = firstClear(
    range(5, 90, 5),
    (step) => moved(one, { sideDeg: wrapDeg(sideDeg + outward * step) }),
    ({ light }) => !shows(light) && !standShows(light),
  );
  return byDeg('aside', aside);
}

function outOfFrame(one: UsableLight, context: CureContext): StageCure[] {
  const { shows } = frameOf(one, context);
  const higher = firstClear(
    range(0.1, 2.5, 0.1),
    (step) => raised(one, step),
    ({ light }) => !shows(light),
  );
  return [...asideFromFrame(one, context), ...byM('raise', higher)];
}

function turnFromCamera(one: UsableLight, setup: Setup): StageCure[] {
  const { light: stands, config } = one;
  const { at } = placed(setup, stands, config);
  const toCamera = minus(cameraAt(setup), at);
  const side = at.x < 0 ? 1 : -1;
  const lensShare = (light: Light) => beamShare(config.beam, angleDeg(placed(setup, light, config).axis, toCamera));
  const away = firstClear(
    range(5, 80, 5),
    (step) => moved(one, { featherDeg: Math.max(-80, Math.min(80, stands.featherDeg + side * step)) }),
    ({ light }) => lensShare(light) < LENS_SHARE && beamLossStops(config.beam, light.featherDeg) < MISSES_STOPS,
  );
  return byDeg('turn-from-camera', away);
}

function behindTheCheek(one: UsableLight, { stage }: Setup, noseDeg: number): StageCure {
  const sideDeg = wrapDeg(stage.subject.turnDeg + (noseDeg < 0 ? -1 : 1) * RIM_FROM_DEG);
  return { kind: 'to-angle', deg: RIM_FROM_DEG, settings: moved(one, { sideDeg: Math.round(sideDeg) }).settings };
}

function outOfSpectacles(one: UsableLight, { setup, kit }: CureContext): StageCure[] {
  const { subject } = setup.stage;
  const camera = cameraAt(setup);
  const reflects = (source: Flat, tiltDeg = subject.spectaclesTiltDeg) =>
    spectaclesShow(source, camera, EYES, subject.turnDeg, tiltDeg);
  const shows = (light: Light) => reflects(placed(setup, light, one.config).flat);
  const { at, axis, flat } = placed(setup, one.light, one.config);
  const tilt = firstClear(
    range(1, 15, 1),
    (step) => Math.min(25, subject.spectaclesTiltDeg + step),
    (tiltDeg) => !reflects(flat, tiltDeg),
  );
  const higher = firstClear(
    range(0.05, 1.5, 0.05),
    (step) => raised(one, step),
    ({ light }) => !shows(light),
  );
  const { sideDeg } = one.light;
  const aside = firstClear(
    range(5, 90, 5),
    (step) => moved(one, { sideDeg: wrapDeg(sideDeg + (sideDeg < 0 ? -step : step)) }),
    ({ light }) => !shows(light),
  );
  const size = (modifier: Pick<Modifier, 'shape'>) => {
    const { widthM, tallM } = lightFlat(modifier, at, axis);
    return widthM * tallM;
  };
  const smaller = offered(kit.modifiers)
    .filter((modifier) => size(modifier) < size(one.config.modifier))
    .sort((a, b) => size(b) - size(a))
    .find((modifier) => !reflects(lightFlat(modifier, at, axis)));
  const cures: StageCure[] = [];
  if (tilt !== null)
    cures.push({
      kind: 'tip-frames',
      byDeg: tilt.step,
      settings: [{ path: 'stage.subject.spectaclesTiltDeg', value: tilt.made }],
    });
  cures.push(...byM('raise', higher), ...byDeg('aside', aside));
  if (smaller !== undefined)
    cures.push({
      kind: 'use-modifier',
      name: smaller.name,
      settings: [{ path: lightPath(one.index, 'modifierId'), value: smaller.id }],
    });
  return cures;
}

function lowerToEyes(one: UsableLight, setup: Setup, limitDeg: number): StageCure[] {
  const lower = firstClear(
    range(0.05, 3, 0.05),
    (step) => raised(one, -step),
    ({ light }) => {
      const { at } = placed(setup, light, one.config);
      return Math.atan2(at.y, Math.hypot(at.x, at.z)) / RADIANS <= limitDeg;
    },
  );
  return byM('lower', lower);
}
