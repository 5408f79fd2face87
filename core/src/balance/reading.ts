import { z } from 'zod';

import { stopFields } from './camera';

export const READING_VERSION = 1;

/** The state of a light when a flash reading was taken: what the reading is a fact about. */
export const firedLightSchema = z.strictObject({
  lightId: z.uuid(),
  unitId: z.uuid(),
  modifierId: z.uuid().nullable(),
  distanceM: z.number().min(0.3).max(30),
  powerStops: z.number().min(-12).max(0),
  highSpeedSyncLossStops: z.number().min(0).max(20),
});
export type FiredLight = z.infer<typeof firedLightSchema>;

/** One reading of the hand meter. A fact: never edited, only struck out. */
export const readingSchema = z.strictObject({
  type: z.literal('reading'),
  version: z.literal(READING_VERSION),
  id: z.uuid(),
  setupId: z.uuid(),
  pointId: z.string().min(1).max(60),
  at: z.iso.datetime({ offset: true }),
  light: z.enum(['ambient', 'total', 'flash']).meta({ description: 'ambient alone; total: flash and ambient at the held shutter; flash: flash alone' }),
  text: z.string().min(1).max(60).meta({ description: 'as it was typed' }),
  ...stopFields,
  fired: firedLightSchema.nullable().meta({ description: 'the light that was fired; null for ambient' }),
  struckAt: z.iso.datetime({ offset: true }).nullable(),
}).refine((reading) => (reading.light === 'ambient') === (reading.fired === null), {
  path: ['fired'],
  message: 'a flash reading says which light fired and how; an ambient reading says null',
});
export type Reading = z.infer<typeof readingSchema>;
