import { z } from 'zod';

import { idSchema } from '../gear';

/** More things nobody packs. */
const MOST_THINGS = 2000;
const thingKey = z.string().min(1).max(90);

/** What is said and ticked off of the packing of a shoot; the list itself follows from its setups. One for each shoot. */
export const packingSchema = z.strictObject({
  type: z.literal('packing'),
  version: z.literal(1),
  id: idSchema,
  shootId: idSchema,
  helpers: z.number().int().min(0).max(12).meta({ description: 'people who carry and hold, besides the photographer' }),
  massKg: z
    .record(thingKey, z.number().min(0).max(200))
    .refine((all) => Object.keys(all).length <= MOST_THINGS)
    .meta({ description: 'by thing, what it weighs, where somebody said so' }),
  ticks: z
    .record(thingKey, z.strictObject({ out: z.boolean(), back: z.boolean() }))
    .refine((all) => Object.keys(all).length <= MOST_THINGS)
    .meta({ description: 'by list (`all`, or the id of a setup) and thing: taken out, and back again' }),
});
export type Packing = z.infer<typeof packingSchema>;

/** Nothing is said or ticked. */
export const PLAIN_PACKING = { type: 'packing', version: 1, helpers: 1, massKg: {}, ticks: {} } as const;
