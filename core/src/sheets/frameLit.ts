import { usableLights } from '../lights';
import { formatAperture, formatDistance, formatIso, formatShutter } from '../notation';
import type { Kit } from '../gear';
import type { Setup } from '../setup';
import type { Words } from '../words';

/** How a frame was lit, in lines: what the camera stood at, and each light with what was on it and at what power. */
export interface FrameLit {
  /** null: nobody said what was dialled */
  settings: string | null;
  lights: string[];
}

/** A setup as it was when a frame was made, in words. @param then the setup as at that moment */
export function frameLit(then: Setup, kit: Kit, words: Words): FrameLit {
  const { stands } = then.camera;
  const increment = kit.cameras.find(({ id }) => id === then.camera.cameraId)?.increment ?? 'third';
  const unit = kit.preferences.distanceUnit;
  const settings =
    stands === null
      ? null
      : [formatShutter(stands.tv, increment), formatAperture(stands.av, increment), formatIso(stands.sv)].join(' · ');
  const lights = usableLights(then, kit, () => undefined).map(({ light, config }) => {
    const modifier = kit.modifiers.find(({ id }) => id === light.modifierId);
    const grid = kit.grids.find(({ id }) => id === light.gridId);
    const gels = kit.gels.filter(({ id }) => light.gelIds.includes(id));
    const added = [...(grid === undefined ? [] : [grid.name]), ...gels.map(({ name }) => name)];
    const power =
      light.dialledStops === null ? words.sheet.notKnown : words.power(kit, light.unitId, light.dialledStops);
    return [
      words.light(light),
      config.unit.name,
      words.front({ modifierName: modifier?.name ?? null, added }),
      power,
      formatDistance(light.distanceM, unit),
    ].join(' · ');
  });
  const lamps = then.lamps
    .filter(({ on }) => on)
    .map((lamp) => kit.lamps.find(({ id }) => id === lamp.lampId)?.name ?? words.sheet.lamp);
  return { settings, lights: [...lights, ...lamps] };
}
