export { type Change, changeSchema, groupChanges, lastUndoable, settingChanges, undoSettings } from './change';
export { type Document, documentSchema, type DocumentType, isFactType } from './document';
export { type Frame, frameSchema } from './frame';
export { mergeByField } from './merge';
export { MIGRATED_TYPES, migrateDocument } from './migrate';
export { enteredShootSchema, isTimeZone, type Shoot, type Spot, spotSchema } from './shoot';
export {
  MAX_MUTATIONS,
  type Mutation,
  type MutationResult,
  type Stored,
  type SyncRequest,
  syncRequestSchema,
  type SyncResponse,
  syncResponseSchema,
} from './sync';
