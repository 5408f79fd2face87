import { EYES, type SunStand, sunStand } from '../gain';
import type { Balance } from '../balance';
import type { Kit } from '../gear';
import type { GroupLight } from '../lights';
import type { AmbientShares, MeteredScene, ToldSide } from '../metering';
import { apparentSizeDeg } from '../modifiers';
import { frameSizeM, type FrameView, type Place, wrapDeg } from '../scene';
import type { Setup } from '../setup';
import { cameraAt, halfBeamDeg, placed, RADIANS, setupView, type StageLight } from './stageLights';
import { backdropFill, type BackdropFill } from './backdrop';
import { Falls } from './falls';
import { watchMotives } from './motives';
import {
  depthOfLight,
  meantSo,
  secondShadow,
  type StageWatch,
  type WatchContext,
  watchLight,
  watchSun,
} from './watches';

/** Where everything stands and what that does. */
export interface StageSolution {
  lights: StageLight[];
  /** what to watch, light by light; what cures it is advice (`stageCures`) */
  watches: StageWatch[];
  /** what would be watched, and is meant so */
  meant: StageWatch[];
  sun: SunStand | null;
  /** what the light at the face is made of */
  ambient: AmbientShares;
  /** where it comes from, and how that is known; null: nothing tells */
  openSide: ToldSide | null;
  camera: { at: Place; focalMm: number; view: FrameView; frameWidthM: number; frameHeightM: number };
  /** whether the backdrop fills the frame; null where its size or place is not said */
  backdrop: BackdropFill | null;
  /** brightest over darkest person by the key, stops; null for one person */
  spreadStops: number | null;
}

/** Everything about where things stand; reads the powers and levels that were found. */
export function solveStage(
  setup: Setup,
  kit: Kit,
  scene: MeteredScene,
  now: Balance,
  group: GroupLight | null,
): StageSolution {
  const { stage } = setup;
  const { light: estimate } = scene;
  const sun = sunStand(stage);
  const { focalMm, view } = setupView(setup, kit);
  const { widthM, heightM } = frameSizeM(view, EYES);
  const stopsAt = (role: 'face' | 'background', lightId: string) =>
    now.points.find((point) => point.role === role)?.sources.find((source) => source.lightId === lightId)?.stops ??
    null;
  const falls = new Falls(setup, kit, view);
  const lights = now.usable.map(({ index, light, config }): StageLight => {
    const { aim, at, axis, flat } = placed(setup, light, config);
    const half = halfBeamDeg(config.beam);
    return {
      lightId: light.id,
      index,
      role: light.role,
      group: light.group,
      at,
      axis,
      flat,
      overGroundM: at.y + stage.subject.eyesM,
      noseDeg: wrapDeg(Math.atan2(at.x, at.z) / RADIANS - stage.subject.turnDeg),
      riseDeg: Math.atan2(at.y, Math.hypot(at.x, at.z)) / RADIANS,
      softnessDeg: apparentSizeDeg(config.modifier.shape, light.distanceM),
      beamM: 2 * Math.hypot(at.x - aim.x, at.y - aim.y, at.z - aim.z) * Math.tan(Math.min(80, half) * RADIANS),
      halfBeamDeg: half,
      faceStops: stopsAt('face', light.id),
      feetStops: falls.feetStops(light, config),
      cornersStops: falls.cornersStops(light, config),
      backgroundStops: stopsAt('background', light.id),
      powerText: now.lights.find(({ lightId }) => lightId === light.id)?.powerText ?? null,
    };
  });
  const context: WatchContext = { setup, now, view, openSide: scene.openSide?.side ?? null, lights };
  const watched = [
    ...now.usable.flatMap((one) => watchLight(one, context)),
    ...secondShadow(context),
    ...depthOfLight(group),
    ...watchSun(setup, sun),
    ...watchMotives(setup, scene, now, sun),
  ];
  const isMeant = (one: StageWatch) => setup.confirmed.includes(meantSo(one));
  return {
    lights,
    sun,
    ambient: estimate.shares(),
    openSide: scene.openSide,
    camera: { at: cameraAt(setup), focalMm, view, frameWidthM: widthM, frameHeightM: heightM },
    backdrop: backdropFill(setup, kit),
    spreadStops: group?.spreadStops ?? null,
    watches: watched.filter((one) => !isMeant(one)),
    meant: watched.filter(isMeant),
  };
}
