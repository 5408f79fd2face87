/** A thing of the kit that readings teach about. */
export type LearnedKind = 'unit' | 'modifier' | 'grid' | 'gel' | 'meter' | 'camera';

/** How a unit strays by power and by sync: learned apart from the unit as a whole, and forgotten by itself. */
export const UNIT_PARTS = ['dial', 'low', 'sync'] as const;
export type UnitPart = (typeof UNIT_PARTS)[number];

/** The name under which a thing is learned. @param ids its own; a body may be followed by the lens on it */
export const learnedId = (kind: LearnedKind, ...ids: readonly string[]): string => [kind, ...ids].join(':');

/** The name under which a part of a unit is learned. @param unit the name of the unit itself */
export const unitPartId = (part: UnitPart, unit: string): string => `${part}:${unit}`;

/** Whether a name is that of a part of a unit. */
export const isUnitPart = (name: string): boolean => UNIT_PARTS.some((part) => name.startsWith(`${part}:`));

/** The lens on a body whose name this is, null for the body alone; undefined where it is another thing's name. */
export function lensOfCamera(name: string, cameraId: string): string | null | undefined {
  const [kind, id, lensId] = name.split(':');
  return kind === ('camera' satisfies LearnedKind) && id === cameraId ? (lensId ?? null) : undefined;
}
