import { z } from 'zod';

import { idSchema, isWellFormed } from '../gear';
import { fault } from '../photometry';

/**
 * A photograph of a place or of a set, to remember it by: no test frame, nothing is read from it. The downsized copy lies
 * apart under its id, as a frame's does.
 */
export const photoSchema = z.strictObject({
  type: z.literal('photo'),
  version: z.literal(1),
  id: idSchema,
  shootId: idSchema,
  spotId: idSchema,
  setupId: idSchema.nullable().meta({ description: 'the set that it shows; null: the spot' }),
  at: z.iso.datetime({ offset: true }),
  title: z
    .string()
    .trim()
    .max(120)
    .refine(isWellFormed, fault('text-broken'))
    .meta({ description: 'what it shows, in words; empty: nobody said' }),
});
export type Photo = z.infer<typeof photoSchema>;
