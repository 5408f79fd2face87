import { writePower } from '../flash';
import type { Kit } from '../gear';
import { formatStopCount } from '../notation';
import { LIGHT_ROLE_FACTS, type LightRole, type Panel, PANEL_FACTS, RADIO_GROUPS } from '../setup';

/** A power in the scale of a unit of the kit; in plain stops when the unit has left the kit. */
export function powerTextOf(kit: Kit, unitId: string, powerStops: number): string {
  const unit = kit.flashUnits.find((one) => one.id === unitId);
  return unit === undefined ? `${formatStopCount(powerStops)} stops under full` : writePower(unit.scale, powerStops);
}

/** A light by its role and radio letter, as it is called on screens: `Key A`. */
export const lightName = ({ role, group }: { role: LightRole; group: (typeof RADIO_GROUPS)[number] }): string =>
  `${LIGHT_ROLE_FACTS[role].name} ${group}`;
/** The same in the middle of a sentence: `key A`. */
export const lightNameInText = ({ role, group }: { role: LightRole; group: (typeof RADIO_GROUPS)[number] }): string =>
  `${LIGHT_ROLE_FACTS[role].name.toLowerCase()} ${group}`;

/** A panel as it is called on screens: `Reflector, silver`. */
export const panelName = ({ kind, surface }: Pick<Panel, 'kind' | 'surface'>): string =>
  kind === 'reflector' ? `Reflector, ${surface}` : PANEL_FACTS[kind].name;
