import { balance } from '../balance';
import { type Kit, offered } from '../gear';
import { groupLight, usualTarget } from '../lights';
import { type Fact, type MeteredScene, meterScene, withAssumed } from '../metering';
import {
  heightAt,
  type Light,
  LIGHT_ROLE_FACTS,
  type LightRole,
  newLight,
  newPoint,
  type Setting,
  type Setup,
  withSettings,
} from '../setup';
import { placementsFor, solveStage, suggestedKeySide } from '../stage';

/** Where and with which unit a light may stand. */
type Stand = Pick<Light, 'distanceM' | 'sideDeg' | 'heightM' | 'unitId'>;

/** Times as far as a usual place, the nearest to it first; the elevation stays. */
const TIMES = [1, 1.35, 0.75, 1.8, 2.5] as const;
/** Where else a light may stand when no usual place does: metres, degrees from the camera, and degrees over the aim. */
const ANYWHERE = {
  distancesM: [1.6, 1.2, 0.9, 2.2, 0.7, 3, 4],
  sidesDeg: [-45, 45, 0, -75, 75, -100, 100, -125, 125, -150, 150, 180],
  risesDeg: [10, 30, 50],
} as const;
/** What is worse than any number of cautions. */
const OUT_OF_REACH = 100;

/** How well the light at a point that nobody metered is guessed by the face's, stops. */
const GUESS_SD_STOPS = 1;

/**
 * The scene with a guess of the ambient where a light aims, if nobody has metered there: as on the face, on its dark side as
 * much less as the look allows. So a unit is chosen that will reach.
 */
function asFarAsGuessed(setup: Setup, scene: MeteredScene, lightId: string): MeteredScene {
  const light = setup.lights.find(({ id }) => id === lightId);
  const aim = setup.points.find(({ id }) => id === light?.aimPointId);
  const face = setup.points.find(({ role }) => role === 'face');
  if (aim === undefined || face === undefined || scene.ambientAt(aim).ambientEv100 !== null) return scene;
  const { ambientEv100 } = scene.ambientAt(face);
  if (ambientEv100 === null) return scene;
  const under = aim.role === 'shadow' ? setup.look.faceContrastStops : 0;
  return withAssumed(scene, aim.id, { ambientEv100: ambientEv100 - under, sdStops: GUESS_SD_STOPS });
}

/** What stands against a suggestion: nothing, cautions of the stage, or a power that its unit does not have. */
function against(setup: Setup, kit: Kit, facts: readonly Fact[], clock: Date, lightId: string): number {
  const scene = asFarAsGuessed(setup, meterScene(setup, kit, facts, clock), lightId);
  const now = balance(setup, kit, scene);
  const its = now.lights.find((one) => one.lightId === lightId);
  const { watches } = solveStage(setup, kit, scene, now, groupLight(setup, kit, now.usable));
  const cautions = watches.filter((one) => one.lightId === lightId).length;
  // before there are settings no power is known, and none is out of reach
  const reaches = now.camera === null || its === undefined || (its.powerText !== null && its.outOfRange === null);
  return cautions + (reaches ? 0 : OUT_OF_REACH);
}

/**
 * The settings that add a light of a role: aimed at a point of its kind (added where there is none) with its usual target, from
 * where such a light usually stands. It takes the unit whose power is in reach and the place that raises no caution of the stage;
 * where none does all of that, the one with the least against it.
 * @param ids for the light, and for a point that has to be made, with its name
 * @returns null when there is no flash in the kit
 */
export function lightToAdd(
  setup: Setup,
  kit: Kit,
  facts: readonly Fact[],
  clock: Date,
  role: LightRole,
  ids: { lightId: string; pointId: string; pointName: string },
): Setting[] | null {
  const kind = LIGHT_ROLE_FACTS[role].aims;
  const known = setup.points.find((point) => point.role === kind);
  const point = known ?? newPoint(ids.pointId, kind, ids.pointName);
  const openSide = meterScene(setup, kit, facts, clock).openSide?.side ?? null;
  const side = suggestedKeySide(setup, openSide);
  const free = offered(kit.flashUnits).filter(({ id }) => !setup.lights.some(({ unitId }) => unitId === id));
  const units = free.length > 0 ? free : offered(kit.flashUnits).slice(0, 1);
  const targeted = point.role === 'face' || setup.look.targets.some(({ pointId }) => pointId === point.id);
  const lightAt = (stand: Stand): Light => ({
    ...newLight(ids.lightId, role, stand.unitId, point.id, setup.lights),
    ...stand,
    modifierId: role === 'key' ? (offered(kit.modifiers)[0]?.id ?? null) : null,
  });
  const settingsFor = (stand: Stand): Setting[] => {
    const light = lightAt(stand);
    return [
      ...(known === undefined ? [{ path: 'points' as const, value: [...setup.points, point] }] : []),
      { path: 'lights', value: [...setup.lights, light] },
      ...(targeted
        ? []
        : [
            {
              path: 'look.targets' as const,
              value: [...setup.look.targets, usualTarget(light, setup.look.faceStops + setup.look.feelStops, setup)],
            },
          ]),
    ];
  };
  const usual = LIGHT_ROLE_FACTS[role].stand;
  const first = { ...usual, ...(side === null || role !== 'key' ? {} : { sideDeg: side * usual.sideDeg }) };
  let best: { settings: Setting[]; against: number } | null = null;
  for (const stand of standsFrom(setup, first, lightAt, openSide)) {
    for (const { id: unitId } of units) {
      const settings = settingsFor({ ...stand, unitId });
      const changed = withSettings(setup, settings);
      if (!changed.ok) continue;
      const its = against(changed.value, kit, facts, clock, ids.lightId);
      if (its === 0) return settings;
      if (best === null || its < best.against) best = { settings, against: its };
      // what stands in the frame or the lens stands there with any unit
      if (its % OUT_OF_REACH > 0) break;
    }
  }
  return best?.settings ?? null;
}

/** The usual place of a role, then its starting places, each also nearer and farther at the same elevation; then anywhere. */
function standsFrom(
  setup: Setup,
  usual: Omit<Stand, 'unitId'>,
  lightAt: (stand: Stand) => Light,
  openSide: Parameters<typeof placementsFor>[2],
): Omit<Stand, 'unitId'>[] {
  const withUsual = { ...setup, lights: [...setup.lights, lightAt({ ...usual, unitId: '' })] };
  const places = placementsFor(withUsual, setup.lights.length, openSide).map(({ settings }) => {
    const field = (name: keyof typeof usual): number => {
      const value = settings.find(({ path }) => path.endsWith(`.${name}`))?.value;
      return typeof value === 'number' ? value : usual[name];
    };
    return { distanceM: field('distanceM'), sideDeg: field('sideDeg'), heightM: field('heightM') };
  });
  const farther = (stand: Omit<Stand, 'unitId'>) =>
    TIMES.map((times) => {
      // as people pace it out
      const distanceM = times === 1 ? stand.distanceM : Math.max(0.3, Math.round(stand.distanceM * times * 10) / 10);
      return { ...stand, distanceM, heightM: heightAt(stand, distanceM) };
    });
  const usualOnes = [usual, ...places].flatMap(farther);
  const others = ANYWHERE.risesDeg.flatMap((riseDeg) =>
    ANYWHERE.distancesM.flatMap((distanceM) =>
      ANYWHERE.sidesDeg.map((sideDeg) => ({
        distanceM,
        sideDeg,
        heightM: Number((distanceM * Math.sin((riseDeg * Math.PI) / 180)).toFixed(2)),
      })),
    ),
  );
  return [...usualOnes, ...others];
}
