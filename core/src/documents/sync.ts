import { z } from 'zod';

import { fault } from '../photometry';
import { documentSchema } from './document';
import { enteredShootSchema } from './shoot';

/**
 * The sync protocol, one request both ways: mutations in, results and the changes of others out.
 * A mutation carries a key made once by the client, so that sending it again does nothing twice.
 */
export const mutationSchema = z.discriminatedUnion('op', [
  z.strictObject({
    op: z.literal('put'),
    key: z.uuid(),
    baseVersion: z.int().min(0).meta({ description: 'version that the edit started from; 0: new' }),
    document: documentSchema.refine(
      (document) => document.type !== 'shoot' || enteredShootSchema.safeParse(document).success,
      fault('time-zone-unknown-here'),
    ),
  }),
  z.strictObject({ op: z.literal('delete'), key: z.uuid(), id: z.uuid(), baseVersion: z.int().min(0) }),
]);
export type Mutation = z.infer<typeof mutationSchema>;

/** A stored document as the server has it; `document` is null once deleted. */
export const storedSchema = z.strictObject({
  id: z.uuid(),
  version: z.int(),
  seq: z.int(),
  document: documentSchema.nullable(),
});
export type Stored = z.infer<typeof storedSchema>;

export const mutationResultSchema = z.strictObject({
  key: z.uuid(),
  id: z.uuid(),
  status: z.enum(['applied', 'conflict', 'rejected']).meta({
    description: 'conflict: someone else was first, merge and send again; rejected: a fact was to be changed',
  }),
  version: z.int(),
});
export type MutationResult = z.infer<typeof mutationResultSchema>;

/** At most so many mutations in one request; a longer outbox takes several. */
export const MAX_MUTATIONS = 200;

export const syncRequestSchema = z.strictObject({
  cursor: z.int().min(0).meta({ description: 'number of the last change seen; 0: none' }),
  mutations: z.array(mutationSchema).max(MAX_MUTATIONS),
});
export type SyncRequest = z.infer<typeof syncRequestSchema>;

export const syncResponseSchema = z.strictObject({
  results: z.array(mutationResultSchema),
  changes: z.array(storedSchema),
  cursor: z.int(),
  more: z.boolean().meta({ description: 'there are more changes after this cursor: ask again' }),
});
export type SyncResponse = z.infer<typeof syncResponseSchema>;
