import { z } from 'zod';

import { calibrationSchema, UNTAUGHT } from '../calibration';
import { gelSchema } from '../colour';
import { flashUnitSchema } from '../flash';
import { gridSchema, modifierSchema } from '../modifiers';
import { idSchema } from './id';
import { cameraSchema, filterSchema, lensSchema } from './camera';
import { lampSchema } from './lamp';
import { meterSchema } from './meter';
import { DEFAULT_PREFERENCES, preferencesSchema } from './preferences';
import { reflectorSchema } from './reflector';

/** A light stand in the kit. */
export const standSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  highestM: z.number().min(0.3).max(8).meta({ description: 'highest that it reaches over the ground' }),
  footRadiusM: z.number().min(0.1).max(2).meta({ description: 'from its middle to its feet, opened' }),
  boomM: z
    .number()
    .min(0.2)
    .max(5)
    .nullable()
    .meta({ description: 'how far its boom reaches out to the light; null: it has none' }),
  wheels: z.boolean(),
});
export type Stand = z.infer<typeof standSchema>;

const owned = {
  id: idSchema,
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
  meters: z.array(meterSchema.extend(owned)).max(500),
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
  'meters',
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
  meters: [],
  calibration: UNTAUGHT,
  preferences: DEFAULT_PREFERENCES,
};

/** What may be chosen now: all that is not retired, and what is in use already. */
export const offered = <T extends { id: string; retired: boolean }>(
  things: readonly T[],
  ...inUse: (string | null | undefined)[]
): T[] => things.filter(({ id, retired }) => !retired || inUse.includes(id));
