import { z } from 'zod';

import { DEFAULT_PREFERENCES, type Kit, cameraSchema, filterSchema, preferencesSchema } from '../balance';
import { flashUnitSchema } from '../flash';
import { modifierSchema } from '../modifiers';

const envelope = { version: z.literal(1), id: z.uuid() };

export const cameraItemSchema = cameraSchema.extend({ type: z.literal('camera'), ...envelope });
export const flashItemSchema = flashUnitSchema.extend({ type: z.literal('flashUnit'), ...envelope });
export const modifierItemSchema = modifierSchema.extend({ type: z.literal('modifier'), ...envelope });
export const filterItemSchema = filterSchema.extend({ type: z.literal('filter'), ...envelope });
export const preferencesItemSchema = preferencesSchema.extend({ type: z.literal('preferences'), ...envelope });

export type KitItem = z.infer<typeof cameraItemSchema | typeof flashItemSchema | typeof modifierItemSchema | typeof filterItemSchema | typeof preferencesItemSchema>;

/**
 * The kit that `solve` takes, gathered from its documents; order by name, so that it does not hang on arrival.
 * Compared letter by letter: a runtime's collation differs between machines and loads slowly.
 */
export function gatherKit(items: readonly KitItem[]): Kit {
  const pick = <T extends KitItem['type']>(type: T) =>
    items
      .filter((item): item is Extract<KitItem, { type: T }> => item.type === type)
      .map(({ type: _type, version: _version, ...rest }) => rest as Omit<Extract<KitItem, { type: T }>, 'type' | 'version'>);
  const byName = <T extends { name: string; id: string }>(a: T, b: T) => (a.name === b.name ? a.id < b.id : a.name < b.name) ? -1 : 1;
  const { id: _id, ...preferences } = pick('preferences')[0] ?? { id: '', ...DEFAULT_PREFERENCES };
  return {
    cameras: pick('camera').sort(byName),
    flashUnits: pick('flashUnit').sort(byName),
    modifiers: pick('modifier').sort(byName),
    filters: pick('filter').sort(byName),
    preferences,
  };
}

/** The documents of a kit; the inverse of `gatherKit` but for the preferences, which stay each person's own. */
export function kitItems(kit: Kit): KitItem[] {
  return [
    ...kit.cameras.map((item) => ({ type: 'camera' as const, version: 1 as const, ...item })),
    ...kit.flashUnits.map((item) => ({ type: 'flashUnit' as const, version: 1 as const, ...item })),
    ...kit.modifiers.map((item) => ({ type: 'modifier' as const, version: 1 as const, ...item })),
    ...kit.filters.map((item) => ({ type: 'filter' as const, version: 1 as const, ...item })),
  ];
}
