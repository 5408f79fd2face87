import { FLASH_COLOUR, shiftedKelvin, stackFor } from '../colour';
import { balance } from '../balance';
import { lightConfig } from '../gain';
import { type Kit, offered } from '../gear';
import type { MeteredScene } from '../metering';
import { apparentSizeDeg } from '../modifiers';
import type { LookLight, LookPicture } from '../record';
import { wrapDeg } from '../scene';
import { heightAt, type Light, LIGHT_ROLE_FACTS, MOST_LIGHTS, newLight, type PointRole, type Setup } from '../setup';
import { halfBeamDeg } from '../stage';
import { pastItsEnd } from './whyMissed';

/** Names and ids are the caller's: the language and the chance that makes ids are not the core's. */
export interface LookIds {
  lightId: () => string;
  pointId: () => string;
  pointName: (role: PointRole) => string;
}

/** Where lights are put. */
export const NEAREST_M = 0.5;
const FARTHEST_M = 8;
/** Nobody sees that a source is larger or smaller by less than this; the kit's order decides then. */
const SEEN_DOUBLINGS = 0.1;
/** As many modifiers are tried with every unit. */
const MOST_MODIFIERS = 5;
/** A stop out of reach is as bad as a source of so many times another size. */
const REACH_WEIGHT = 4;

/** A distance as people measure it: to five centimetres, nearer than a metre to one. */
export const measured = (metres: number): number =>
  Math.round(metres * (metres < 1 ? 100 : 20)) / (metres < 1 ? 100 : 20);

export const RADIANS = Math.PI / 180;
export const halfTan = (sizeDeg: number): number => Math.tan((sizeDeg * RADIANS) / 2);

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

/** By how much lights miss the powers of their units, stops. */
const outOfReach = (setup: Setup, kit: Kit, scene: MeteredScene): number =>
  balance(setup, kit, scene).lights.reduce((sum, light) => sum + (pastItsEnd(light, setup, kit)?.byStops ?? 0), 0);

/** The lights of a look one after the other, each with the unit and the front that serve it best beside those before it. */
export function lightsFor(look: LookPicture, base: Setup, kit: Kit, scene: MeteredScene, ids: LookIds): Light[] {
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
export function finelyPlaced(lights: Light[], look: LookPicture, setup: Setup, kit: Kit, scene: MeteredScene): Light[] {
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
