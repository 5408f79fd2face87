import { z } from 'zod';

import {
  cameraItemSchema,
  filterItemSchema,
  flashItemSchema,
  gelItemSchema,
  gridItemSchema,
  lampItemSchema,
  lensItemSchema,
  modifierItemSchema,
  preferencesItemSchema,
  reflectorItemSchema,
  standItemSchema,
} from '../gear';
import { readingSchema, sceneChangeSchema, setupSchema } from '../setup';
import { changeSchema } from './change';
import { frameSchema } from './frame';
import { migrateDocument } from './migrate';
import { shootSchema, spotSchema } from './shoot';

/** What is edited: one device at a time as a rule, merged by field when not. */
const editables = [
  shootSchema,
  spotSchema,
  setupSchema,
  cameraItemSchema,
  lensItemSchema,
  flashItemSchema,
  modifierItemSchema,
  gridItemSchema,
  gelItemSchema,
  filterItemSchema,
  standItemSchema,
  lampItemSchema,
  reflectorItemSchema,
  preferencesItemSchema,
] as const;

/** Facts are only ever added; whether one is struck out may change. So they never conflict. */
const facts = [readingSchema, sceneChangeSchema, frameSchema, changeSchema] as const;

/**
 * Everything that is stored and exchanged, of this or an earlier version. Told apart by its type, so that only
 * one schema is tried on each.
 */
export const documentSchema = z.preprocess(migrateDocument, z.discriminatedUnion('type', [...editables, ...facts]));
export type Document = z.infer<typeof documentSchema>;
export type DocumentType = Document['type'];

const FACT_TYPES: readonly DocumentType[] = ['reading', 'sceneChange', 'frame', 'change'];
/** True for a type that is append-only. */
export const isFactType = (type: DocumentType): boolean => FACT_TYPES.includes(type);
