import { z } from 'zod';

import { idSchema } from '../gear';
import { bySchema } from './change';

const pathSchema = z.array(z.union([z.string().max(100), z.int()])).max(12);

/** A change of a title, a thing of the kit or the preferences: a fact, as changes of a setup are. */
export const editSchema = z.strictObject({
  type: z.literal('edit'),
  version: z.literal(1),
  id: idSchema,
  documentId: idSchema,
  shootId: idSchema.nullable().meta({ description: 'the shoot that it belongs to; null: the kit or the preferences' }),
  by: bySchema,
  at: z.iso.datetime({ offset: true }),
  fields: z
    .array(z.strictObject({ path: pathSchema, from: z.json().nullable(), to: z.json().nullable() }))
    .min(1)
    .max(500),
});
export type DocumentEdit = z.infer<typeof editSchema>;

/** One of the values that a field was given; `value` null where the thing was taken away. */
const claimSchema = z.strictObject({
  value: z.json().nullable(),
  by: bySchema.nullable().meta({ description: 'null: not known' }),
  at: z.iso.datetime({ offset: true }).nullable(),
});

/**
 * Two devices changed one field: both values are kept, and the person is asked. Until then the later by the server's
 * sequence stands in the document.
 */
export const conflictSchema = z.strictObject({
  type: z.literal('conflict'),
  version: z.literal(1),
  id: idSchema,
  documentId: idSchema,
  shootId: idSchema.nullable(),
  path: pathSchema.meta({ description: 'the field; empty: the whole document' }),
  base: z.json().nullable().meta({ description: 'what stood there before both' }),
  claims: z.array(claimSchema).length(2).meta({ description: 'the earlier by the server, then the later' }),
  at: z.iso.datetime({ offset: true }),
  answer: z
    .strictObject({ claim: z.int().min(0).max(1), by: bySchema, at: z.iso.datetime({ offset: true }) })
    .nullable()
    .meta({ description: 'which value the person chose; null: still asked' }),
});
export type Conflict = z.infer<typeof conflictSchema>;
