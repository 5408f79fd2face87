import { kelvinOf, miredOf } from '../colour';
import { depthNow, sharpZoneM } from '../exposure';
import type { Kit } from '../gear';
import { type Fact, type MeteredScene, meterScene } from '../metering';
import type { LookPicture } from '../record';
import {
  type MeteringPoint,
  newPoint,
  type PointRole,
  type Setting,
  type Setup,
  type Target,
  withSettings,
} from '../setup';
import { solveNumbers, type SolutionNumbers } from '../solution';
import { compareLooks, type LookRow } from './compareLooks';
import { lookPictureOf } from './lookPicture';
import { finelyPlaced, lightsFor, type LookIds } from './placeLights';
import { lampsFor, panelsFor } from './placeOthers';
import { type MissedWhy, whyMissed } from './whyMissed';

/** A relation that is not reached: what was wanted, the nearest that can be had, and why. */
export type LookMiss = LookRow & { why: MissedWhy };

/** A look on a spot's readings, with the kit at hand. */
export interface AppliedLook {
  settings: Setting[];
  /** the setup with them */
  setup: Setup;
  numbers: SolutionNumbers;
  /** all relations, reached or not */
  rows: LookRow[];
  misses: LookMiss[];
}

/** The setup with a point of each kind that lights aim at. */
function withAims(setup: Setup, aimed: readonly { aims: PointRole }[], ids: LookIds): MeteringPoint[] {
  const roles = [...new Set(aimed.map(({ aims }) => aims))];
  const missing = roles.filter((role) => !setup.points.some((point) => point.role === role));
  return [...setup.points, ...missing.map((role) => newPoint(ids.pointId(), role, ids.pointName(role)))];
}

/** The whole look but for its lights, as settings. */
function wishOf({ wish, wantedAv, colour }: LookPicture, points: readonly MeteringPoint[]): Setting[] {
  const targets = wish.targets.flatMap(({ role, ...target }): Target[] => {
    const point = points.find((one) => one.role === role);
    return point === undefined ? [] : [{ ...target, pointId: point.id }];
  });
  return [
    { path: 'points', value: [...points] },
    { path: 'look.exposeBy', value: wish.exposeBy },
    { path: 'look.holdBackStops', value: wish.holdBackStops },
    { path: 'look.faceBy', value: wish.faceBy },
    { path: 'look.faceContrastStops', value: wish.faceContrastStops },
    { path: 'look.backgroundStops', value: wish.backgroundStops },
    { path: 'look.headroomStops', value: wish.headroomStops },
    { path: 'look.faceStops', value: wish.faceStops },
    { path: 'look.feelStops', value: wish.feelStops },
    { path: 'look.targets', value: targets },
    { path: 'colour.relation', value: colour.relation },
    { path: 'colour.warmerMired', value: colour.warmerMired },
    { path: 'camera.wantedAv', value: wantedAv },
  ];
}

/** The aperture that holds as deep a part sharp here; null where that cannot be told. */
function avForDepth({ figures: { depthM } }: LookPicture, setup: Setup, kit: Kit): number | null {
  const body = kit.cameras.find(({ id }) => id === setup.camera.cameraId);
  const lens = kit.lenses.find(({ id }) => id === setup.camera.lensId);
  const now = body === undefined || lens === undefined ? null : depthNow(setup, body, lens);
  if (depthM === null || now === null || lens === undefined) return null;
  const deepAt = (av: number): number => {
    const { nearM, farM } = sharpZoneM(av, now.focusM, now.focalMm, now.circleMm);
    return (farM ?? Infinity) - nearM;
  };
  let [open, stopped] = [lens.widestAv, lens.smallestAv];
  if (deepAt(open) >= depthM) return open;
  if (deepAt(stopped) <= depthM) return stopped;
  for (let i = 0; i < 40; i += 1) {
    const middle = (open + stopped) / 2;
    if (deepAt(middle) > depthM) stopped = middle;
    else open = middle;
  }
  // a third of a stop is what lenses are turned by
  return Math.round(open * 3) / 3;
}

const applied = (setup: Setup, settings: readonly Setting[]): Setup => {
  const changed = withSettings(setup, [...settings]);
  return changed.ok ? changed.value : setup;
};

/** The look as it must stand here: on the side that keeps its relation to the ambient. */
function asHere(look: LookPicture, scene: MeteredScene): LookPicture {
  const key = [...look.lights, ...look.lamps].find(({ role }) => role === 'key');
  const open = scene.openSide?.side ?? null;
  if (look.keySide === null || open === null || key === undefined || key.noseDeg === 0) return look;
  const side = key.noseDeg > 0 ? 'right' : 'left';
  if ((side === open) === (look.keySide === 'ambient')) return look;
  const lights = look.lights.map((light) => ({
    ...light,
    noseDeg: -light.noseDeg,
    featherDeg: -light.featherDeg,
  }));
  const lamps = look.lamps.map((lamp) => ({ ...lamp, noseDeg: -lamp.noseDeg }));
  const panels = look.panels.map((panel) => ({ ...panel, noseDeg: -panel.noseDeg, turnedDeg: -panel.turnedDeg }));
  return { ...look, lights, lamps, panels };
}

/** Gels for a relation to the ambient's colour, and the white balance that belongs to the look, once the lights stand. */
function coloursFor(look: LookPicture, setup: Setup, numbers: SolutionNumbers): Setting[] {
  const gels = new Map(numbers.colour.advice.map(({ lightId, gelIds }) => [lightId, gelIds]));
  const lights = setup.lights.map((light) => ({ ...light, gelIds: gels.get(light.id) ?? light.gelIds }));
  const face = setup.points.find(({ role }) => role === 'face');
  const ambient = setup.colour.ambient.find(({ pointId }) => pointId === face?.id);
  const wanted = look.figures.whiteBalanceMired;
  const whiteBalance =
    ambient === undefined || wanted === null || look.colour.relation !== 'asIs'
      ? null
      : { kelvin: Math.round(kelvinOf(miredOf(ambient.kelvin) + wanted)), greenCc: 0 };
  return [
    ...(gels.size === 0 ? [] : [{ path: 'lights' as const, value: lights }]),
    { path: 'colour.whiteBalance', value: whiteBalance },
  ];
}

/**
 * A look on the readings of another place, with the kit at hand: the wishes, a light for each of its lights with unit,
 * modifier, distance and place that keep softness and angles, its lamps and panels, mirrored where the ambient comes from the
 * other side. What is not reached is told with the nearest that is, and why. Nothing of the setup but look, colours, lights,
 * lamps, panels and aperture changes.
 * @param facts the setup's readings and what changed in its scene
 */
export function applyLook(
  look: LookPicture,
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  ids: LookIds,
): AppliedLook {
  const here = asHere(look, meterScene(setup, kit, facts, clock));
  const points = withAims(setup, [...here.lights, ...here.lamps], ids);
  const av = avForDepth(look, setup, kit);
  const wishes = [...wishOf(here, points), ...(av === null ? [] : [{ path: 'camera.wantedAv' as const, value: av }])];
  const before = applied(setup, wishes);
  const panels = panelsFor(here, before, kit, ids);
  const paneled = applied(before, [{ path: 'panels', value: panels }]);
  const lamps = here.lamps.length === 0 ? paneled.lamps : lampsFor(here, paneled, kit, facts, clock, ids);
  const others: Setting[] = [
    ...(here.panels.length === 0 ? [] : [{ path: 'panels' as const, value: panels }]),
    ...(here.lamps.length === 0 ? [] : [{ path: 'lamps' as const, value: lamps }]),
  ];
  const wished = applied(before, others);
  const scene = meterScene(wished, kit, facts, clock);
  const lit = applied(wished, [{ path: 'lights', value: lightsFor(here, wished, kit, scene, ids) }]);
  const colours = coloursFor(look, lit, solveNumbers(lit, kit, facts, clock).numbers);
  const coloured = applied(lit, colours);
  const lights = finelyPlaced(coloured.lights, here, coloured, kit, scene);
  const done = applied(coloured, [{ path: 'lights', value: lights }]);
  const { numbers } = solveNumbers(done, kit, facts, clock);
  const rows = compareLooks(here, lookPictureOf(done, kit, numbers));
  const misses = rows.flatMap((row): LookMiss[] =>
    row.met ? [] : [{ ...row, why: whyMissed(row, done, kit, numbers) }],
  );
  return {
    settings: [
      ...wishes,
      ...others,
      { path: 'lights', value: done.lights },
      ...colours.filter(({ path }) => path !== 'lights'),
    ],
    setup: done,
    numbers,
    rows,
    misses,
  };
}
