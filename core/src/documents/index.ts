export { askedSetting } from './askedSetting';
export {
  type By,
  type Change,
  type ChangeGroup,
  changeSchema,
  deviceNameSchema,
  groupChanges,
  lastUndoable,
  settingChanges,
  undoSettings,
} from './change';
export {
  BRING_BACK_DAYS,
  type Document,
  documentSchema,
  type DocumentType,
  EDITED_TYPES,
  FACT_TYPES,
  isFactType,
  nameOfDocument,
  presentDocumentSchema,
} from './document';
export { type Conflict, type DocumentEdit } from './edit';
export { type Frame, frameImageSchema, frameSchema } from './frame';
export { type Held, judge, type Verdict } from './judge';
export { type Collision, differences, type FieldPath, mergeByField, sameValue, valueAt, withValueAt } from './merge';
export { MIGRATED_TYPES, migrateDocument } from './migrate';
export { mended } from './mend';
export { settle, type Settled } from './settle';
export { type Photo, photoSchema } from './photo';
export { enteredShootSchema, isTimeZone, type Shoot } from './shoot';
export {
  MOST_OBSTACLES,
  NOTHING_AROUND,
  placeSchema,
  type Obstacle,
  PLAIN_SPOT,
  type Spot,
  SPOT_FACTS,
  SPOT_LIGHTS,
  type SpotFact,
  type SpotLight,
  type SpotPlace,
  spotSchema,
  type Surroundings,
  surroundingsAt,
} from './spot';
export {
  commonRequestSchema,
  commonResponseSchema,
  type HistoryMark,
  type Identity,
  MAX_MUTATIONS,
  type Mutation,
  mutationSchema,
  type MutationResult,
  PROTOCOL,
  type Refusal,
  type SessionResponse,
  sessionResponseSchema,
  type Stored,
  syncProblemSchema,
  type SyncRequest,
  syncRequestSchema,
  type SyncResponse,
  syncResponseSchema,
} from './sync';
export {
  type Weather,
  weatherAt,
  type WeatherHour,
  weatherHourSchema,
  type WeatherNow,
  weatherSchema,
} from './weather';
