import type { CameraSolution } from '../exposure';
import { powerSettings } from '../flash';
import type { Kit } from '../gear';
import type { Known, MeteredScene } from '../metering';
import { addLight } from '../photometry';
import { type Light, LIGHT_ROLE_FACTS, type MeteringPoint, type Setup, type Subject, type Target } from '../setup';
import { finalAvAtBaseOf, type LightSolution, solveLight, strongestStopsOf, syncLossStopsOf } from './lightPower';
import { choosePowers, type PointTarget } from './powers';
import { type Reach, reachAt } from './reach';
import type { UsableLight } from './usable';

/** What one light does at one point at the power that was found. */
export interface LightAtPoint {
  lightId: string;
  stops: number;
  basis: Reach['basis'];
  known: Known;
}

const knownBy = (
  basis: Reach['basis'],
  { placeSaid }: Pick<Light, 'placeSaid'>,
): Pick<LightAtPoint, 'basis' | 'known'> => ({
  basis,
  known: basis === 'reading' ? 'read' : placeSaid ? 'foretold' : 'assumed',
});

/** The lights of a setup and what they do at its points. */
export interface LightsSolution {
  lights: LightSolution[];
  /** by point: every light that reaches it, stops against mid grey */
  at: Map<string, LightAtPoint[]>;
  /** what each point should come to as light there, stops against mid grey */
  targets: Map<string, PointTarget>;
  /** false when there were too many lights to try everything */
  exact: boolean;
}

/** The face counts this much against a usual target. */
export const FACE_WEIGHT = 4;

/** Dark hair takes more light before its edge shows, light hair burns sooner: stops over the face. */
const RIM_OVER_FACE: Record<Subject['hair'], number> = { dark: 1, light: 0 };

/** What a light's point should come to where nobody has said it: by its role, against the final place of the face. */
export const usualTarget = (
  light: Pick<Light, 'role' | 'aimPointId'>,
  finalStops: number,
  { stage: { subject } }: Pick<Setup, 'stage'>,
): Target => ({
  pointId: light.aimPointId,
  kind: 'value',
  stops:
    finalStops +
    (light.role === 'rim' ? RIM_OVER_FACE[subject.hair] : (LIGHT_ROLE_FACTS[light.role].overFaceStops ?? 0)),
  weight: 1,
});

/**
 * A target as a level of light: a tone less how far it lies from grey, a ratio under the face's final place, a share over the
 * ambient there. null where that ambient was not metered.
 */
export function targetLevel(
  { pointId, kind, stops, weight }: Target,
  { points }: Setup,
  finalStops: number,
  ambientStops: number | null,
): PointTarget | null {
  if (kind === 'ratio') return { kind: 'value', stops: finalStops - stops, weight };
  if (kind === 'share') return ambientStops === null ? null : { kind: 'value', stops: ambientStops + stops, weight };
  const tone = points.find(({ id }) => id === pointId)?.toneStops ?? 0;
  return { kind, stops: stops - tone, weight };
}

/** The targets in force as levels of light: the face's from the look, those that were set, and the usual ones where a light aims. */
function targetsOf(
  setup: Setup,
  lights: readonly UsableLight[],
  finalStops: number,
  ambientAt: ReadonlyMap<string, number | null>,
): Map<string, PointTarget> {
  const targets = new Map<string, PointTarget>();
  const put = (target: Target) => {
    const level = targetLevel(target, setup, finalStops, ambientAt.get(target.pointId) ?? null);
    if (level !== null) targets.set(target.pointId, level);
  };
  for (const { light } of lights) if (!targets.has(light.aimPointId)) put(usualTarget(light, finalStops, setup));
  for (const target of setup.look.targets) if (setup.points.some(({ id }) => id === target.pointId)) put(target);
  const face = setup.points.find(({ role }) => role === 'face');
  if (face !== undefined) targets.set(face.id, { kind: 'value', stops: finalStops, weight: FACE_WEIGHT });
  return targets;
}

/**
 * The powers of all lights for all targets, over the units' real steps, with every light's spill on every point; one
 * light alone is set to the step nearest to its target. Lights on one pack share its dial. A locked light keeps the
 * power that is dialled. A light whose point the ambient has brought to its target already is left out: no flash can help there.
 */
// eslint-disable-next-line max-lines-per-function -- the order of the solution of all lights, told once
export function solveLights(
  setup: Setup,
  kit: Kit,
  scene: MeteredScene,
  camera: CameraSolution,
  finalStops: number,
  usable: readonly UsableLight[],
): LightsSolution {
  const syncDelayS = setup.camera.syncDelayMs / 1000;
  const finalAvAtBase = finalAvAtBaseOf(camera);
  const ambientAt = new Map(
    setup.points.map((point) => {
      const { ambientEv100 } = scene.ambientAt(point);
      return [point.id, ambientEv100 === null ? null : ambientEv100 - camera.ev100];
    }),
  );
  const targets = targetsOf(setup, usable, finalStops, ambientAt);
  const reaches = usable.map(
    ({ light, config }) =>
      new Map(
        setup.points.flatMap((point): [string, Reach][] => {
          const reach = reachAt(point, light, config, syncLossStopsOf(config.unit, camera), scene, setup, kit);
          return reach === null ? [] : [[point.id, reach]];
        }),
      ),
  );
  const gainStops = (index: number, pointId: string): number | null => {
    const reach = reaches[index]?.get(pointId);
    return reach === undefined ? null : reach.avAtFull - finalAvAtBase;
  };
  const ambientLinear = (pointId: string) => {
    const stops = ambientAt.get(pointId);
    return stops == null ? 0 : 2 ** stops;
  };
  const hasRoom = ({ light }: UsableLight) => {
    const target = targets.get(light.aimPointId);
    return target === undefined || ambientLinear(light.aimPointId) < 2 ** target.stops - 1e-9;
  };
  const firing = usable.map(hasRoom);

  const { powers, exact } = usable.length < 2 ? { powers: null, exact: true } : choose();

  function choose(): { powers: Map<string, number>; exact: boolean } {
    // lights on one pack share its dial
    const dials = [...new Set(usable.filter((_, index) => firing[index]).map(({ light }) => light.unitId))];
    const on = (unitId: string) =>
      usable.flatMap((one, index) => (firing[index] && one.light.unitId === unitId ? [{ ...one, at: index }] : []));
    const pointIds = [...targets.keys()];
    const settings = dials.map((unitId) => {
      const [first] = on(unitId);
      if (first === undefined) return [0];
      const held = on(unitId).find(({ light }) => light.locked && light.dialledStops !== null);
      if (held !== undefined) return [held.light.dialledStops ?? 0];
      const strongest = strongestStopsOf(first.config.unit, camera, syncDelayS);
      const all = powerSettings(first.config.unit.scale);
      const whole = all.filter((stops) => stops <= strongest + 1e-9);
      return whole.length > 0 ? whole : all.slice(-1);
    });
    const chosen = choosePowers({
      gains: pointIds.map((pointId) =>
        dials.map((unitId) =>
          on(unitId).reduce((total, { at: place }) => {
            const gain = gainStops(place, pointId);
            return gain === null ? total : total + 2 ** gain;
          }, 0),
        ),
      ),
      ambient: pointIds.map(ambientLinear),
      targets: pointIds.flatMap((pointId) => targets.get(pointId) ?? []),
      settings,
    });
    return {
      powers: new Map(dials.map((unitId, index) => [unitId, chosen.powersStops[index] ?? 0])),
      exact: chosen.exact,
    };
  }

  const flashOf = (index: number, pointId: string, powerStops: number): number | null => {
    const [gain, one] = [gainStops(index, pointId), usable[index]];
    return gain === null || one === undefined
      ? null
      : gain + Math.min(powerStops, strongestStopsOf(one.config.unit, camera, syncDelayS));
  };
  const lights = usable.flatMap((one, index): LightSolution[] => {
    const { light } = one;
    const aim = setup.points.find(({ id }) => id === light.aimPointId) as MeteringPoint;
    const reach = reaches[index]?.get(aim.id);
    if (reach === undefined) return [];
    const others = usable.flatMap((other, at) => {
      const power = at === index || !firing[at] ? undefined : powers?.get(other.light.unitId);
      const stops = power === undefined ? null : flashOf(at, aim.id, power);
      return stops === null ? [] : [stops];
    });
    const locked = light.locked && light.dialledStops !== null ? light.dialledStops : null;
    return [
      solveLight(
        one,
        reach,
        {
          aim,
          ambientStops: ambientAt.get(aim.id) ?? null,
          othersStops: others.length === 0 ? null : addLight(...others),
          targetStops: targets.get(aim.id)?.stops ?? finalStops,
        },
        {
          camera,
          meterIncrement: kit.preferences.meterIncrement,
          syncDelayS,
          reserveStops: setup.reserveStops,
          chosenStops: powers?.get(light.unitId) ?? locked,
        },
      ),
    ];
  });
  const at = new Map(
    setup.points.map(({ id }) => [
      id,
      usable.flatMap(({ light }, index): LightAtPoint[] => {
        const power = lights.find(({ lightId }) => lightId === light.id)?.powerStops;
        const stops = power == null ? null : flashOf(index, id, power);
        return stops === null
          ? []
          : [{ lightId: light.id, stops, ...knownBy(reaches[index]?.get(id)?.basis ?? 'geometry', light) }];
      }),
    ]),
  );
  return { lights, at, targets, exact };
}
