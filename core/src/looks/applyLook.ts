import { FLASH_COLOUR, kelvinOf, miredOf, shiftedKelvin, stackFor } from '../colour';
import { depthNow, sharpZoneM } from '../exposure';
import { balance } from '../balance';
import { lightConfig } from '../gain';
import { type Kit, offered } from '../gear';
import { type Fact, type MeteredScene, meterScene } from '../metering';
import { apparentSizeDeg } from '../modifiers';
import type { LookLight, LookPicture } from '../record';
import { wrapDeg } from '../scene';
import {
  heightAt,
  type Light,
  LIGHT_ROLE_FACTS,
  type MeteringPoint,
  MOST_LIGHTS,
  newLight,
  newPoint,
  type PointRole,
  type Setting,
  type Setup,
  type Target,
  withSettings,
} from '../setup';
import { solveNumbers, type SolutionNumbers } from '../solution';
import { halfBeamDeg } from '../stage';
import { compareLooks, type LookRow } from './compareLooks';
import { lookPictureOf } from './lookPicture';

/** Why a relation is not reached. */
export type MissedWhy =
  | { kind: 'no-flash' }
  | { kind: 'not-metered'; role: PointRole }
  | { kind: 'unit-range'; lightId: string; direction: 'too-weak' | 'too-strong'; byStops: number }
  | { kind: 'camera'; byStops: number }
  | { kind: 'lens' }
  | { kind: 'no-modifier' }
  | { kind: 'no-gel' }
  | { kind: 'no-lens' }
  | { kind: 'no-colour' }
  | { kind: 'ambient' };

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

/** Names and ids are the caller's: the language and the chance that makes ids are not the core's. */
export interface LookIds {
  lightId: () => string;
  pointId: () => string;
  pointName: (role: PointRole) => string;
}

/** Where lights are put. */
const NEAREST_M = 0.5;
const FARTHEST_M = 8;
/** Nobody sees that a source is larger or smaller by less than this; the kit's order decides then. */
const SEEN_DOUBLINGS = 0.1;
/** As many modifiers are tried with every unit. */
const MOST_MODIFIERS = 5;
/** A stop out of reach is as bad as a source of so many times another size. */
const REACH_WEIGHT = 4;

/** A distance as people measure it: to five centimetres, nearer than a metre to one. */
const measured = (metres: number): number => Math.round(metres * (metres < 1 ? 100 : 20)) / (metres < 1 ? 100 : 20);

const RADIANS = Math.PI / 180;
const halfTan = (sizeDeg: number): number => Math.tan((sizeDeg * RADIANS) / 2);

/** Something to put before a unit, how far that then stands, and how far its size is from what is wanted, doublings. */
interface Front {
  modifierId: string | null;
  gridId: string | null;
  distanceM: number;
  miss: number;
}

/**
 * Modifiers of the kit that look as large as wanted from where they may stand, the nearest to it first; where several are, the
 * one that the light has already.
 */
function frontsFor(
  { sizeDeg, distanceM, halfBeamDeg: beamDeg }: LookLight,
  kit: Kit,
  unitId: string,
  ownId: string | null,
): Front[] {
  const isOwn = (modifier: { id: string } | null) => (modifier?.id ?? null) === ownId;
  const shapes = [null, ...offered(kit.modifiers)].sort((a, b) => Number(isOwn(b)) - Number(isOwn(a)));
  const fronts = shapes.flatMap((modifier): Front[] => {
    const width = modifier === null ? 0 : halfTan(apparentSizeDeg(modifier.shape, 1));
    // hard is hard: the size of a point says nothing of where it stands
    if ((width === 0) !== (sizeDeg === 0))
      return [{ modifierId: modifier?.id ?? null, gridId: null, distanceM, miss: 9 }];
    const exactM = width === 0 ? distanceM : width / halfTan(sizeDeg);
    const atM = Math.min(FARTHEST_M, Math.max(NEAREST_M, measured(exactM)));
    const miss = Math.max(0, Math.abs(Math.log2(atM / exactM)) - SEEN_DOUBLINGS);
    return [{ modifierId: modifier?.id ?? null, gridId: null, distanceM: atM, miss }];
  });
  const shaped = beamDeg === null ? fronts : fronts.flatMap((front) => gridded(front, beamDeg, kit, unitId));
  return shaped.sort((a, b) => a.miss - b.miss).slice(0, MOST_MODIFIERS);
}

/** A front with each grid of the kit, and how far its beam is from what is wanted. */
function gridded(front: Front, wantedDeg: number, kit: Kit, unitId: string): Front[] {
  return [null, ...offered(kit.grids)].flatMap((grid): Front[] => {
    const gridId = grid?.id ?? null;
    const config = lightConfig(kit, { ...BARE_PARTS, unitId, modifierId: front.modifierId, gridId });
    if (config === null) return [];
    return [{ ...front, gridId, miss: front.miss + Math.abs(Math.log2(halfBeamDeg(config.beam) / wantedDeg)) }];
  });
}

const BARE_PARTS = { modifierId: null, gridId: null, gelIds: [], outlet: null, zoomMm: null };

/** A light of a look as it would stand in a setup. */
function stood(look: LookLight, { distanceM, modifierId, gridId }: Front, like: Light, setup: Setup, kit: Kit): Light {
  const { turnDeg } = setup.stage.subject;
  const onPeople = LIGHT_ROLE_FACTS[look.role].onPeople;
  const sideDeg = Math.round(wrapDeg(onPeople ? look.noseDeg + turnDeg : look.noseDeg) * 10) / 10;
  const wanted = { kelvin: shiftedKelvin(FLASH_COLOUR.kelvin, look.gelMired), greenCc: FLASH_COLOUR.greenCc };
  const heightM = heightAt({ distanceM: 1, heightM: Math.sin(look.riseDeg * RADIANS) }, distanceM);
  return {
    ...like,
    role: look.role,
    standsFor: look.standsFor,
    modifierId,
    gridId,
    gelIds: stackFor(FLASH_COLOUR, wanted, offered(kit.gels)).stack.map(({ id }) => id),
    distanceM,
    placeSaid: false,
    sideDeg,
    heightM,
    featherDeg: look.featherDeg,
    dialledStops: null,
    locked: false,
  };
}

/** The setup with a point of each kind that lights aim at. */
function withAims(setup: Setup, lights: readonly LookLight[], ids: LookIds): MeteringPoint[] {
  const roles = [...new Set(lights.map(({ aims }) => aims))];
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

/** A light whose unit would have to be set past an end of its scale, be it by less than a step; null: it need not. */
function pastItsEnd(
  { lightId, exactPowerStops }: SolutionNumbers['lights'][number],
  { lights }: Setup,
  kit: Kit,
): Extract<MissedWhy, { kind: 'unit-range' }> | null {
  const unit = kit.flashUnits.find(({ id }) => id === lights.find((light) => light.id === lightId)?.unitId);
  if (unit === undefined || exactPowerStops === null) return null;
  const under = unit.scale.lowestStops - exactPowerStops;
  if (exactPowerStops > 0) return { kind: 'unit-range', lightId, direction: 'too-weak', byStops: exactPowerStops };
  return under > 0 ? { kind: 'unit-range', lightId, direction: 'too-strong', byStops: under } : null;
}

/** By how much lights miss the powers of their units, stops. */
const outOfReach = (setup: Setup, kit: Kit, scene: MeteredScene): number =>
  balance(setup, kit, scene).lights.reduce((sum, light) => sum + (pastItsEnd(light, setup, kit)?.byStops ?? 0), 0);

/** The lights of a look one after the other, each with the unit and the front that serve it best beside those before it. */
function lightsFor(look: LookPicture, base: Setup, kit: Kit, scene: MeteredScene, ids: LookIds): Light[] {
  let lights: Light[] = [];
  for (const wanted of look.lights) {
    const aim = base.points.find(({ role }) => role === wanted.aims);
    const taken = new Set(lights.map(({ unitId }) => unitId));
    const units = unitsFor(base, kit, wanted).filter((id) => !taken.has(id));
    const own = base.lights.find(({ id, role }) => role === wanted.role && !lights.some((one) => one.id === id));
    if (aim === undefined || lights.length === MOST_LIGHTS) continue;
    let best: { light: Light; against: number } | null = null;
    const id = own?.id ?? ids.lightId();
    for (const [place, unitId] of units.entries()) {
      const fresh = newLight(id, wanted.role, unitId, aim.id, lights);
      const free = own !== undefined && !lights.some(({ group }) => group === own.group);
      const like = free ? { ...fresh, group: own.group, channel: own.channel, standId: own.standId } : fresh;
      for (const front of frontsFor(wanted, kit, unitId, own?.modifierId ?? null)) {
        const light = stood(wanted, front, like, base, kit);
        const off = outOfReach({ ...base, lights: [...lights, light] }, kit, scene);
        // the kit's order decides where all else is equal
        const against = REACH_WEIGHT * off + front.miss + place * 1e-3;
        if (best === null || against < best.against - 1e-9) best = { light, against };
      }
    }
    if (best !== null) lights = [...lights, best.light];
  }
  return lights;
}

/** The key is moved so little for what the steps of dials miss that nobody sees it in its softness. */
const TIMES_AS_FAR = [0, 2, 4, 6, 8, 10, 12, 14, 16].flatMap((percent) => [1 + percent / 100, 1 - percent / 100]);
const NOTHING_TO_GAIN = 0.005;
/** As near as this nobody moves a light. */
const NEAR_ENOUGH_STOPS = 1 / 8;

/** The lights with the key moved so that face and hold-back come as near to the look as steps of dials let them. */
function finelyPlaced(lights: Light[], look: LookPicture, setup: Setup, kit: Kit, scene: MeteredScene): Light[] {
  const index = lights.findIndex(({ role }) => role === 'key');
  const key = lights[index];
  const { faceStops, holdBackStops } = look.figures;
  if (key === undefined) return lights;
  const missAt = (moved: Light[]): number => {
    const face = balance({ ...setup, lights: moved }, kit, scene).points.find(({ role }) => role === 'face');
    if (face?.totalStops == null || face.ambientStops === null) return Infinity;
    const off = faceStops === null ? 0 : Math.abs(face.totalStops - faceStops);
    const heldOff = holdBackStops === null ? 0 : Math.abs(face.totalStops - face.ambientStops - holdBackStops);
    return Math.max(off, heldOff);
  };
  if (missAt(lights) <= NEAR_ENOUGH_STOPS) return lights;
  let best = { lights, miss: Infinity };
  for (const times of TIMES_AS_FAR) {
    const distanceM = measured(key.distanceM * times);
    if (distanceM < NEAREST_M || distanceM > FARTHEST_M) continue;
    const moved = lights.with(index, { ...key, distanceM, heightM: heightAt(key, distanceM) });
    const miss = missAt(moved);
    if (miss < best.miss - NOTHING_TO_GAIN) best = { lights: moved, miss };
  }
  return best.lights;
}

/** The kit's units, that of the light in the same role first. */
function unitsFor({ lights }: Setup, kit: Kit, { role }: LookLight): string[] {
  const own = lights.filter((light) => light.role === role).map(({ unitId }) => unitId);
  const all = offered(kit.flashUnits).map(({ id }) => id);
  return [...own.filter((id) => all.includes(id)), ...all.filter((id) => !own.includes(id))];
}

/** The look as it must stand here: on the side that keeps its relation to the ambient. */
function asHere(look: LookPicture, scene: MeteredScene): LookPicture {
  const key = look.lights.find(({ role }) => role === 'key');
  const open = scene.openSide?.side ?? null;
  if (look.keySide === null || open === null || key === undefined || key.noseDeg === 0) return look;
  const side = key.noseDeg > 0 ? 'right' : 'left';
  if ((side === open) === (look.keySide === 'ambient')) return look;
  const lights = look.lights.map((light) => ({
    ...light,
    noseDeg: -light.noseDeg,
    featherDeg: -light.featherDeg,
  }));
  return { ...look, lights };
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
 * modifier, distance and place that keep softness and angles, mirrored where the ambient comes from the other side. What is not
 * reached is told with the nearest that is, and why. Nothing of the setup but look, colours, lights and aperture changes.
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
  const points = withAims(setup, here.lights, ids);
  const av = avForDepth(look, setup, kit);
  const wishes = [...wishOf(here, points), ...(av === null ? [] : [{ path: 'camera.wantedAv' as const, value: av }])];
  const wished = applied(setup, wishes);
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
    settings: [...wishes, { path: 'lights', value: done.lights }, ...colours.filter(({ path }) => path !== 'lights')],
    setup: done,
    numbers,
    rows,
    misses,
  };
}

/** Why a relation is not as wanted, what weighs most first. */
function whyMissed(row: LookRow, setup: Setup, kit: Kit, numbers: SolutionNumbers): MissedWhy {
  if (row.kind === 'no-light') return { kind: 'no-flash' };
  if (row.kind === 'light') return row.figure === 'gelMired' ? { kind: 'no-gel' } : { kind: 'no-modifier' };
  switch (row.figure) {
    case 'depthM':
      return row.is === null && setup.camera.lensId === null ? { kind: 'no-lens' } : { kind: 'lens' };
    case 'keyOverAmbientMired':
    case 'whiteBalanceMired':
      return row.is === null ? { kind: 'no-colour' } : { kind: 'no-gel' };
    default:
      return whyLevel(row, setup, kit, numbers);
  }
}

type FigureRow = Extract<LookRow, { kind: 'figure' }>;

/** Points without which a level is not known. */
const NEEDS: Partial<Record<FigureRow['figure'], PointRole>> = {
  backgroundStops: 'background',
  backgroundHoldBackStops: 'background',
  faceRatioStops: 'shadow',
  rimOverKeyStops: 'highlight',
};

/** Why a level is not as wanted: it is not known, the dials or a unit are at their ends, or the ambient makes it so. */
function whyLevel(
  { figure, is }: FigureRow,
  setup: Setup,
  kit: Kit,
  { points, camera, lights }: SolutionNumbers,
): MissedWhy {
  const isKnown = (role: PointRole) => points.find((point) => point.role === role)?.totalStops != null;
  if (!isKnown('face')) return { kind: 'not-metered', role: 'face' };
  const needs = NEEDS[figure];
  if (is === null && needs !== undefined && !isKnown(needs)) return { kind: 'not-metered', role: needs };
  // too much light leaves no room for any flash
  if (camera !== null && camera.missingStops > 0) return { kind: 'camera', byStops: camera.missingStops };
  const isBehind = figure === 'backgroundStops' || figure === 'backgroundHoldBackStops';
  const its = isBehind ? lights.filter(({ role }) => role === 'background') : lights;
  const [worst] = its.flatMap((light) => pastItsEnd(light, setup, kit) ?? []).sort((x, y) => y.byStops - x.byStops);
  if (worst !== undefined) return worst;
  return offered(kit.flashUnits).length === 0 ? { kind: 'no-flash' } : { kind: 'ambient' };
}
