import { EYES, type SunStand } from '../gain';
import type { Balance } from '../balance';
import type { GroupLight, UsableLight } from '../lights';
import { beamLossStops, beamShare } from '../modifiers';
import { angleDeg, flatInFrame, type FrameView, minus, poleInFrame, spectaclesShow, wrapDeg } from '../scene';
import { LIGHT_ROLE_FACTS, type OpenSide, type Setup } from '../setup';
import { MOTIVE_WATCH_KINDS, type MotiveWatch } from './motives';
import { cameraAt, type StageLight } from './stageLights';

/** Something to watch on the stage, with its figures. */
export type StageWatch =
  | { kind: 'beam-misses'; lightId: string; lostStops: number }
  /** narrower than the group that it should cover */
  | { kind: 'beam-narrow'; lightId: string; beamM: number; groupM: number; inFront: boolean }
  | { kind: 'in-frame' | 'stand-in-frame' | 'into-lens' | 'spectacles'; lightId: string }
  | { kind: 'spill'; lightId: string; share: number }
  | { kind: 'rim-on-face'; lightId: string; asideDeg: number; fromDeg: number }
  | { kind: 'second-shadow'; lightId: string; bothIds: [string, string] }
  /** the ambient comes from the other side, and is strong enough to draw a shadow of its own */
  | { kind: 'crossed-shadows'; lightId: string; underStops: number }
  | { kind: 'eye-sockets'; lightId: string; riseDeg: number; because: keyof typeof SOCKETS_DEG }
  | { kind: 'depth-light'; lightId: null; overStops: number }
  | { kind: 'sun-into-lens' | 'sun-in-eyes'; lightId: null }
  | MotiveWatch;

/** Every kind of thing to watch on the stage. */
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
  'crossed-shadows',
  'eye-sockets',
  'depth-light',
  'sun-into-lens',
  'sun-in-eyes',
  ...MOTIVE_WATCH_KINDS,
] as const satisfies readonly StageWatch['kind'][];

/** The name under which a watch is answered with *meant so*, for this setup. */
export const meantSo = ({ kind, lightId }: Pick<StageWatch, 'kind' | 'lightId'>): string =>
  `meant:${kind}:${lightId ?? 'all'}`;

/** Farther than anything that could hide a stand. */
const OPEN_M = 100;
/** Nobody sees less than this much of a beam as lost. */
export const MISSES_STOPS = 1.5;
const SPILL_SHARE = 0.25;
/** From this share of its beam on, a lens is lit enough to flare. */
export const LENS_SHARE = 0.3;
/** A rim nearer to the nose than this lights the cheek. */
export const RIM_FROM_DEG = 110;
/** Key higher than this over the eyes: sockets go dark; sooner for deep-set eyes, soonest under a brim. */
export const SOCKETS_DEG = { usual: 50, deepSet: 38, hat: 30 } as const;

/** What a watch over the lights needs beside the light itself. */
export interface WatchContext {
  setup: Setup;
  now: Balance;
  view: FrameView;
  /** where the ambient comes from; null: nothing tells */
  openSide: OpenSide | null;
  lights: readonly StageLight[];
}

/** How far behind the camera's plane of focus things still stand in the frame. */
export const frameDepthM = ({ stage, backgroundM }: Setup): number => stage.cameraM + (backgroundM ?? OPEN_M);

/** What is to be watched on one light. */
export function watchLight(one: UsableLight, context: WatchContext): StageWatch[] {
  const its = context.lights.find(({ lightId }) => lightId === one.light.id);
  if (its === undefined) return [];
  return [
    ...beamMisses(one, its, context),
    ...showsInFrame(its, context),
    ...intoLens(one, its, context),
    ...spill(one, its, context),
    ...rimOnFace(one, its),
    ...inSpectacles(its, context),
    ...crossedShadows(one, its, context),
    ...eyeSockets(one, its, context),
  ];
}

function beamMisses(
  { light, config }: UsableLight,
  its: StageLight,
  { setup: { people } }: WatchContext,
): StageWatch[] {
  if (!LIGHT_ROLE_FACTS[light.role].onPeople) return [];
  const { lightId, beamM, at } = its;
  const lostStops = beamLossStops(config.beam, light.featherDeg);
  if (lostStops > MISSES_STOPS) return [{ kind: 'beam-misses', lightId, lostStops }];
  const groupM = people === null ? 0 : people.leftM + people.rightM;
  if (light.role !== 'key' || groupM <= beamM) return [];
  return [{ kind: 'beam-narrow', lightId, beamM, groupM, inFront: at.z > 0 }];
}

function showsInFrame({ lightId, flat, at }: StageLight, { setup, view }: WatchContext): StageWatch[] {
  const depthM = frameDepthM(setup);
  if (flatInFrame(view, flat, depthM)) return [{ kind: 'in-frame', lightId }];
  if (poleInFrame(view, at, -setup.stage.subject.eyesM, depthM)) return [{ kind: 'stand-in-frame', lightId }];
  return [];
}

function intoLens({ light, config }: UsableLight, its: StageLight, { setup }: WatchContext): StageWatch[] {
  const { lightId, at, axis } = its;
  if (at.z >= 0 || light.role === 'background') return [];
  const off = angleDeg(axis, minus(cameraAt(setup), at));
  return beamShare(config.beam, off) < LENS_SHARE ? [] : [{ kind: 'into-lens', lightId }];
}

function spill({ light }: UsableLight, { lightId }: StageLight, { now }: WatchContext): StageWatch[] {
  const background = now.points.find(({ role }) => role === 'background');
  const source = background?.sources.find((one) => one.lightId === light.id);
  if (light.role === 'background' || source === undefined || source.share < SPILL_SHARE) return [];
  return [{ kind: 'spill', lightId, share: source.share }];
}

function rimOnFace({ light }: UsableLight, { lightId, noseDeg }: StageLight): StageWatch[] {
  const asideDeg = Math.abs(noseDeg);
  if (light.role !== 'rim' || asideDeg >= RIM_FROM_DEG) return [];
  return [{ kind: 'rim-on-face', lightId, asideDeg, fromDeg: RIM_FROM_DEG }];
}

function inSpectacles({ lightId, flat }: StageLight, { setup }: WatchContext): StageWatch[] {
  const { spectacles, turnDeg, spectaclesTiltDeg } = setup.stage.subject;
  const shows = spectacles && spectaclesShow(flat, cameraAt(setup), EYES, turnDeg, spectaclesTiltDeg);
  return shows ? [{ kind: 'spectacles', lightId }] : [];
}

/** The ambient draws a shadow of its own beside a key that is no more than this over it, stops. */
const CROSSES_WITHIN_STOPS = 2;
/** A key nearer to the nose line than this draws its shadow down, not to a side. */
const TO_A_SIDE_DEG = 15;

function crossedShadows({ light }: UsableLight, its: StageLight, { now, openSide }: WatchContext): StageWatch[] {
  const { lightId, noseDeg, faceStops } = its;
  const openDeg = openSide === 'left' ? -1 : openSide === 'right' ? 1 : 0;
  if (light.role !== 'key' || openDeg === 0 || Math.abs(noseDeg) < TO_A_SIDE_DEG) return [];
  const ambientStops = now.face?.ambientStops ?? null;
  if (Math.sign(light.sideDeg) === openDeg || faceStops === null || ambientStops === null) return [];
  const underStops = faceStops - ambientStops;
  return underStops > CROSSES_WITHIN_STOPS ? [] : [{ kind: 'crossed-shadows', lightId, underStops }];
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

function eyeSockets({ light }: UsableLight, its: StageLight, { setup, lights }: WatchContext): StageWatch[] {
  const { hat, deepSet } = setup.stage.subject;
  const because = hat ? 'hat' : deepSet ? 'deepSet' : 'usual';
  const { lightId, riseDeg } = its;
  if (light.role !== 'key' || riseDeg <= SOCKETS_DEG[because] || opensSockets(setup, lights, its)) return [];
  return [{ kind: 'eye-sockets', lightId, riseDeg, because }];
}

/** Two lights that draw a shadow of the nose each, on either side. */
export function secondShadow({ lights, now }: WatchContext): StageWatch[] {
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
      return [{ kind: 'second-shadow', lightId: weaker.lightId, bothIds: [a.lightId, b.lightId] }];
    }
  return [];
}

/** The front row of a group a stop and more over the back row. */
export function depthOfLight(group: GroupLight | null): StageWatch[] {
  if (group === null) return [];
  const row = (name: string) => group.people.filter(({ id }) => id.startsWith(name)).map(({ stops }) => stops);
  const overStops = Math.max(...row('front')) - Math.min(...row('back'));
  return overStops < 1 ? [] : [{ kind: 'depth-light', lightId: null, overStops }];
}

/** The sun in someone's eyes, or in the lens. */
export function watchSun(setup: Setup, sun: SunStand | null): StageWatch[] {
  if (sun === null || sun.altitudeDeg <= 0) return [];
  const noseDeg = Math.abs(wrapDeg(sun.sideDeg - setup.stage.subject.turnDeg));
  const watches: StageWatch[] = [];
  if (noseDeg < 45 && sun.altitudeDeg < 60) watches.push({ kind: 'sun-in-eyes', lightId: null });
  if (Math.abs(sun.sideDeg) > 150 && sun.altitudeDeg < 35) watches.push({ kind: 'sun-into-lens', lightId: null });
  return watches;
}
