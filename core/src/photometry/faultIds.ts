/**
 * What schemas find wrong beside types and ranges. Zod carries the id where it would carry a message; `words` makes a
 * sentence of it.
 */
export const FAULT_IDS = [
  'angles-rise',
  'as-many-figures',
  'coolest-under-warmest',
  'date-wanted',
  'farthest-under-nearest',
  'figure-an-angle',
  'fired-or-ambient',
  'full-energy-missing',
  'full-number-missing',
  'keep-each-once',
  'longest-under-shortest',
  'no-light-on-axis',
  'place-long',
  'point-name-long',
  'point-name-missing',
  'shoot-name-long',
  'shoot-name-missing',
  'spot-name-long',
  'spot-name-missing',
  'text-broken',
  'time-zone-unknown',
  'time-zone-unknown-here',
] as const;
export type FaultId = (typeof FAULT_IDS)[number];

/** The id of a fault, checked by the compiler where a schema only knows strings. */
export const fault = (id: FaultId): string => id;
