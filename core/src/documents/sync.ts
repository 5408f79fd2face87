import { z } from 'zod';

import { idSchema, type SchemaIssue } from '../gear';
import { fault, FAULT_IDS } from '../photometry';
import { bySchema } from './change';
import { documentSchema } from './document';
import { enteredShootSchema } from './shoot';

/** The version of the protocol. A server answers another one with `426` and its own. */
export const PROTOCOL = 2;

/**
 * A change that a device asks for. It carries a key made once, so that sending it again does nothing twice, and the
 * version that it started from, so that nothing is written over unseen.
 */
export const mutationSchema = z.discriminatedUnion('op', [
  z.strictObject({
    op: z.literal('put'),
    key: idSchema,
    baseVersion: z.int().min(0).meta({ description: 'version that the edit started from; 0: new' }),
    at: z.iso.datetime({ offset: true }),
    document: documentSchema.refine(
      (document) => document.type !== 'shoot' || enteredShootSchema.safeParse(document).success,
      fault('time-zone-unknown-here'),
    ),
  }),
  z.strictObject({
    op: z.literal('delete'),
    key: idSchema,
    id: idSchema,
    baseVersion: z.int().min(0),
    at: z.iso.datetime({ offset: true }),
  }),
]);
export type Mutation = z.infer<typeof mutationSchema>;

/** A document as the server has it. */
export const storedSchema = z.strictObject({
  id: idSchema,
  version: z.int(),
  seq: z.int(),
  document: documentSchema.nullable().meta({ description: 'null: deleted for good' }),
  deletedAt: z.iso.datetime({ offset: true }).nullable().meta({ description: 'deleted, and can be brought back' }),
  by: bySchema.nullable(),
  at: z.iso.datetime({ offset: true }).nullable().meta({ description: 'when it was changed, by the device' }),
});
export type Stored = z.infer<typeof storedSchema>;

/** A `SchemaIssue` as it travels; a code or rule that only a newer server knows is told without its own words. */
const issueSchema = z.object({
  path: z.array(z.union([z.string(), z.number()])),
  rule: z.enum(FAULT_IDS).nullable().catch(null),
  code: z.string().transform((code) => code as SchemaIssue['code']),
  figures: z.record(z.string(), z.unknown()),
});

/** Why the server did not take a change, and will not take it as it is. */
export const refusalSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('document'), issues: z.array(issueSchema).max(20), count: z.int() }),
  z.object({ kind: z.enum(['fact-edited', 'fact-deleted', 'other-type', 'not-storable']) }),
]);
export type Refusal = z.infer<typeof refusalSchema>;

export const mutationResultSchema = z.discriminatedUnion('status', [
  z.strictObject({ status: z.literal('applied'), key: idSchema, id: idSchema, version: z.int() }),
  z.strictObject({
    status: z.literal('conflict'),
    key: idSchema,
    id: idSchema,
    current: storedSchema.nullable().meta({ description: 'what to merge with; null: the server does not have it' }),
  }),
  z.strictObject({ status: z.literal('refused'), key: idSchema, id: idSchema.nullable(), reason: refusalSchema }),
]);
export type MutationResult = z.infer<typeof mutationResultSchema>;

/** At most so many mutations in one request; a longer outbox takes several. */
export const MAX_MUTATIONS = 200;

/** A place in the history of an account: the number of a change, and a mark that only this history has there. */
export const historyMarkSchema = z.strictObject({ seq: z.int().min(0), mark: idSchema });
export type HistoryMark = z.infer<typeof historyMarkSchema>;

/** One request both ways. Each mutation is judged by itself: one that is refused stops nothing else. */
export const syncRequestSchema = z.strictObject({
  protocol: z.int(),
  account: idSchema.meta({ description: 'whose the data is; a session of another account is answered with 409' }),
  lineage: idSchema.meta({ description: 'of which database' }),
  device: bySchema,
  seen: historyMarkSchema.nullable().meta({ description: 'the newest place in the history that the device has seen' }),
  cursor: z.int().min(0).meta({ description: 'number of the last change seen; 0: none' }),
  mutations: z.array(z.unknown()).max(MAX_MUTATIONS),
});
export type SyncRequest = Omit<z.infer<typeof syncRequestSchema>, 'mutations'> & { mutations: Mutation[] };

/** Whose session it is, and on which database. */
export const identitySchema = z.strictObject({
  account: z.strictObject({ id: idSchema, name: z.string() }),
  lineage: idSchema,
});
export type Identity = z.infer<typeof identitySchema>;

export const sessionResponseSchema = z.object({
  ...identitySchema.shape,
  protocol: z.int(),
  now: z.number().meta({ description: "the server's clock, milliseconds since 1970" }),
});
export type SessionResponse = z.infer<typeof sessionResponseSchema>;

export const syncResponseSchema = z.strictObject({
  results: z.array(mutationResultSchema),
  changes: z.array(storedSchema),
  cursor: z.int(),
  more: z.boolean().meta({ description: 'there are more changes after this cursor: ask again' }),
  head: historyMarkSchema,
  now: z.number(),
});
export type SyncResponse = z.infer<typeof syncResponseSchema>;

/** Why an exchange is not possible as it was asked for. */
export const syncProblemSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('other-account') }),
  z.object({ code: z.literal('other-history') }),
  z.object({ code: z.literal('protocol'), protocol: z.int() }),
]);
export type SyncProblem = z.infer<typeof syncProblemSchema>;

/** Asks which of the places that a device remembers this history has too. */
export const commonRequestSchema = z.strictObject({ marks: z.array(historyMarkSchema).max(100) });
export const commonResponseSchema = z.object({
  common: z.int().meta({ description: 'the newest in common; 0: none' }),
});
