import { z } from 'zod';

import { UNTAUGHT } from '../calibration';
import { gelSchema } from '../colour';
import { flashUnitSchema } from '../flash';
import { gridSchema, modifierSchema } from '../modifiers';
import { idSchema } from './id';
import { cameraSchema, filterSchema, lensSchema } from './camera';
import { GEAR_LISTS, type GearList, type Kit, kitSchema, standSchema } from './kit';
import { lampSchema } from './lamp';
import { meterSchema } from './meter';
import { DEFAULT_PREFERENCES, preferencesSchema } from './preferences';
import { reflectorSchema } from './reflector';

const { id, retired } = kitSchema.shape.cameras.element.shape;
const first = { version: z.literal(1), id, retired };
const second = { version: z.literal(2), id, retired };
const third = { version: z.literal(3), id, retired };
const fourth = { version: z.literal(4), id, retired };

export const cameraItemSchema = cameraSchema.extend({ type: z.literal('camera'), ...third });
export const lensItemSchema = lensSchema.safeExtend({ type: z.literal('lens'), ...second });
export const flashItemSchema = flashUnitSchema.extend({ type: z.literal('flashUnit'), ...fourth });
export const modifierItemSchema = modifierSchema.extend({ type: z.literal('modifier'), ...second });
export const gridItemSchema = gridSchema.extend({ type: z.literal('grid'), ...first });
export const gelItemSchema = gelSchema.extend({ type: z.literal('gel'), ...first });
export const filterItemSchema = filterSchema.extend({ type: z.literal('filter'), ...third });
export const standItemSchema = standSchema.extend({ type: z.literal('stand'), ...second });
export const lampItemSchema = lampSchema.safeExtend({ type: z.literal('lamp'), ...third });
export const reflectorItemSchema = reflectorSchema.extend({ type: z.literal('reflector'), ...first });
export const meterItemSchema = meterSchema.extend({ type: z.literal('meter'), ...first });
export const preferencesItemSchema = preferencesSchema.extend({
  type: z.literal('preferences'),
  version: z.literal(5),
  id: idSchema,
});

/** The schema of each kind of gear, by its list in the kit. */
export const GEAR_SCHEMAS = {
  cameras: cameraItemSchema,
  lenses: lensItemSchema,
  flashUnits: flashItemSchema,
  modifiers: modifierItemSchema,
  grids: gridItemSchema,
  gels: gelItemSchema,
  filters: filterItemSchema,
  stands: standItemSchema,
  lamps: lampItemSchema,
  reflectors: reflectorItemSchema,
  meters: meterItemSchema,
} as const satisfies Record<GearList, z.ZodType>;
export type GearItem = z.infer<(typeof GEAR_SCHEMAS)[GearList]>;
export type KitItem = GearItem | z.infer<typeof preferencesItemSchema>;

/** What a thing of each list is called as a document, and its present version. */
export const GEAR_TYPES = Object.fromEntries(
  GEAR_LISTS.map((list) => {
    const { type, version } = GEAR_SCHEMAS[list].shape;
    return [list, { type: type.value, version: version.value }];
  }),
) as {
  [L in GearList]: {
    type: z.infer<(typeof GEAR_SCHEMAS)[L]>['type'];
    version: z.infer<(typeof GEAR_SCHEMAS)[L]>['version'];
  };
};

/** Compared letter by letter: a runtime's collation differs between machines and loads slowly. */
const byName = (a: { name: string; id: string }, b: { name: string; id: string }) =>
  (a.name === b.name ? a.id < b.id : a.name < b.name) ? -1 : 1;

/**
 * The kit that `solve` takes, gathered from its documents; order by name, so that it does not hang on arrival.
 * What readings have taught is added by who knows them.
 */
export function gatherKit(items: readonly KitItem[]): Kit {
  const preferences = items.find((item) => item.type === 'preferences');
  const lists = Object.fromEntries(
    GEAR_LISTS.map((list) => [
      list,
      items
        .filter((item): item is GearItem => item.type === GEAR_TYPES[list].type)
        .sort(byName)
        .map(({ type: _type, version: _version, ...rest }) => rest),
    ]),
  ) as Omit<Kit, 'preferences' | 'calibration'>;
  if (preferences === undefined) return { ...lists, calibration: UNTAUGHT, preferences: DEFAULT_PREFERENCES };
  const { type: _type, version: _version, id: _id, ...own } = preferences;
  return { ...lists, calibration: UNTAUGHT, preferences: own };
}

/** The documents of a kit; the inverse of `gatherKit` but for the preferences, which stay each person's own. */
export const kitItems = (kit: Kit): GearItem[] =>
  GEAR_LISTS.flatMap((list) => kit[list].map((item) => ({ ...GEAR_TYPES[list], ...item }) as GearItem));
