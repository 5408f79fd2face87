import { z } from 'zod';

import { UNTAUGHT, calibrationSchema } from '../calibration';
import { gelSchema } from '../colour';
import { flashUnitSchema, writePower } from '../flash';
import { gridSchema, modifierSchema } from '../modifiers';
import { formatStopCount } from '../photometry';
import { cameraSchema, filterSchema, lensSchema } from './camera';
import { LOOK_WAY_IDS, keepOrderSchema } from './choices';
import { lampSchema } from './lamp';
import { reflectorSchema } from './panel';

/** How this person counts and measures; part of the kit because the meter and the tape are. */
export const preferencesSchema = z.strictObject({
  meterIncrement: z.enum(['tenth', 'third', 'half']),
  distanceUnit: z.enum(['m', 'ft']),
  lookWay: z.enum(LOOK_WAY_IDS).meta({ description: 'how this person says the look; comes first everywhere' }),
  keepOrder: keepOrderSchema.meta({ description: 'what a new setup keeps first on the camera' }),
  mainsHz: z.literal([50, 60]).meta({ description: 'mains frequency, for lamps that flicker' }),
  paces: z.boolean().meta({ description: 'distances in paces and hand-breadths too, for a helper without a tape' }),
  forgotten: z
    .record(z.string().max(80), z.iso.datetime({ offset: true }))
    .meta({ description: 'things of the kit whose readings up to a time teach nothing any more' }),
});
export type Preferences = z.infer<typeof preferencesSchema>;
export const DEFAULT_PREFERENCES: Preferences = {
  meterIncrement: 'tenth',
  distanceUnit: 'm',
  lookWay: 'underTotal',
  keepOrder: ['aperture', 'iso', 'shutter'],
  mainsHz: 50,
  paces: false,
  forgotten: {},
};

/** A light stand in the kit. */
export const standSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  highestM: z.number().min(0.3).max(8).meta({ description: 'highest that it reaches over the ground' }),
  footRadiusM: z.number().min(0.1).max(2).meta({ description: 'from its middle to its feet, opened' }),
});
export type Stand = z.infer<typeof standSchema>;

const owned = {
  id: z.uuid(),
  retired: z.boolean().meta({ description: 'kept for what was done with it, no longer offered' }),
};

/** The gear at hand, by kind, each thing with its id. */
export const kitSchema = z.strictObject({
  cameras: z.array(cameraSchema.extend(owned)).max(500),
  lenses: z.array(lensSchema.safeExtend(owned)).max(500),
  flashUnits: z.array(flashUnitSchema.extend(owned)).max(500),
  modifiers: z.array(modifierSchema.extend(owned)).max(500),
  filters: z.array(filterSchema.extend(owned)).max(500),
  grids: z.array(gridSchema.extend(owned)).max(500),
  gels: z.array(gelSchema.extend(owned)).max(500),
  stands: z.array(standSchema.extend(owned)).max(500),
  lamps: z.array(lampSchema.safeExtend(owned)).max(500),
  reflectors: z.array(reflectorSchema.extend(owned)).max(500),
  calibration: calibrationSchema.meta({ description: 'what readings have taught about units and modifiers' }),
  preferences: preferencesSchema,
});
export type Kit = z.infer<typeof kitSchema>;

/** The lists of gear in a kit. */
export const GEAR_LISTS = [
  'cameras',
  'lenses',
  'flashUnits',
  'modifiers',
  'grids',
  'gels',
  'filters',
  'stands',
  'lamps',
  'reflectors',
] as const;
export type GearList = (typeof GEAR_LISTS)[number];

/** A kit without anything in it. */
export const EMPTY_KIT: Kit = {
  cameras: [],
  lenses: [],
  flashUnits: [],
  modifiers: [],
  grids: [],
  gels: [],
  filters: [],
  stands: [],
  lamps: [],
  reflectors: [],
  calibration: UNTAUGHT,
  preferences: DEFAULT_PREFERENCES,
};

/** What may be chosen now: all that is not retired, and what is in use already. */
export const offered = <T extends { id: string; retired: boolean }>(
  things: readonly T[],
  ...inUse: (string | null | undefined)[]
): T[] => things.filter(({ id, retired }) => !retired || inUse.includes(id));

/** A power in the scale of a unit of the kit; in plain stops when the unit has left the kit. */
export function powerTextOf(kit: Kit, unitId: string, powerStops: number): string {
  const unit = kit.flashUnits.find((one) => one.id === unitId);
  return unit === undefined ? `${formatStopCount(powerStops)} stops under full` : writePower(unit.scale, powerStops);
}
