import { z } from 'zod';

import { flashUnitSchema, writePower } from '../flash';
import { modifierSchema } from '../modifiers';
import { formatStopCount } from '../photometry';
import { cameraSchema, filterSchema } from './camera';

/** How this person counts and measures; part of the kit because the meter and the tape are. */
export const preferencesSchema = z.strictObject({
  meterIncrement: z.enum(['tenth', 'third', 'half']),
  distanceUnit: z.enum(['m', 'ft']),
});
export type Preferences = z.infer<typeof preferencesSchema>;
export const DEFAULT_PREFERENCES: Preferences = { meterIncrement: 'tenth', distanceUnit: 'm' };

const id = z.uuid();

/** The gear at hand, by kind, each thing with its id. */
export const kitSchema = z.strictObject({
  cameras: z.array(cameraSchema.extend({ id })).max(500),
  flashUnits: z.array(flashUnitSchema.extend({ id })).max(500),
  modifiers: z.array(modifierSchema.extend({ id })).max(500),
  filters: z.array(filterSchema.extend({ id })).max(500),
  preferences: preferencesSchema,
});
export type Kit = z.infer<typeof kitSchema>;

/** A power in the scale of a unit of the kit; in plain stops when the unit has left the kit. */
export function powerTextOf(kit: Kit, unitId: string, powerStops: number): string {
  const unit = kit.flashUnits.find((one) => one.id === unitId);
  return unit === undefined ? `${formatStopCount(powerStops)} stops under full` : writePower(unit.scale, powerStops);
}
