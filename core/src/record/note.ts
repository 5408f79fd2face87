import { z } from 'zod';

import { idSchema, isWellFormed } from '../gear';
import { fault } from '../photometry';

/** How a picture, a setting or a try turned out. */
export const VERDICTS = ['works', 'nearly', 'no'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** What a person adds to the log: a note of their own, or a star, a verdict and words on something that stands there. */
export const noteSchema = z.strictObject({
  type: z.literal('note'),
  version: z.literal(1),
  id: idSchema,
  shootId: idSchema,
  setupId: idSchema.nullable().meta({ description: 'null: of the shoot as a whole' }),
  about: idSchema.nullable().meta({ description: 'the entry of the log that it is about; null: it stands for itself' }),
  at: z.iso.datetime({ offset: true }),
  star: z.boolean(),
  verdict: z.enum(VERDICTS).nullable(),
  text: z.string().trim().max(2000).refine(isWellFormed, fault('text-broken')),
});
export type Note = z.infer<typeof noteSchema>;
