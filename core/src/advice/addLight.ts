import { balance } from '../balance';
import { type Kit, offered } from '../gear';
import { usualTarget } from '../lights';
import { type Fact, meterScene } from '../metering';
import { LIGHT_ROLE_FACTS, type LightRole, newLight, newPoint, type Setting, type Setup, withSettings } from '../setup';
import { suggestedKeySide } from '../stage';

/**
 * The settings that add a light of a role: where such a light usually stands, aimed at a point of its kind (added where
 * there is none) with its usual target. Of the units that are free it takes the first whose power is in reach there,
 * else the first.
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
  const side = suggestedKeySide(setup, meterScene(setup, kit, facts, clock).openSide?.side ?? null);
  const free = offered(kit.flashUnits).filter(({ id }) => !setup.lights.some(({ unitId }) => unitId === id));
  const targeted = point.role === 'face' || setup.look.targets.some(({ pointId }) => pointId === point.id);
  const settingsFor = (unitId: string): Setting[] => {
    const light = {
      ...newLight(ids.lightId, role, unitId, point.id, setup.lights),
      ...(side === null || role !== 'key' ? {} : { sideDeg: side * LIGHT_ROLE_FACTS.key.stand.sideDeg }),
      modifierId: role === 'key' ? (offered(kit.modifiers)[0]?.id ?? null) : null,
    };
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
  const inReach = (unitId: string): boolean => {
    const changed = withSettings(setup, settingsFor(unitId));
    if (!changed.ok) return false;
    const its = balance(changed.value, kit, meterScene(changed.value, kit, facts, clock)).lights.find(
      ({ lightId }) => lightId === ids.lightId,
    );
    return its?.powerText != null && its.outOfRange === null;
  };
  const unit = free.find(({ id }) => inReach(id)) ?? free[0] ?? offered(kit.flashUnits)[0];
  return unit === undefined ? null : settingsFor(unit.id);
}
