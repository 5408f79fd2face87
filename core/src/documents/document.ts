import { z } from 'zod';

import {
  brokenTextAt,
  cameraItemSchema,
  filterItemSchema,
  flashItemSchema,
  gelItemSchema,
  gridItemSchema,
  lampItemSchema,
  lensItemSchema,
  meterItemSchema,
  modifierItemSchema,
  preferencesItemSchema,
  reflectorItemSchema,
  standItemSchema,
} from '../gear';
import { fault } from '../photometry';
import { cameraRollSchema, keptLookSchema, noteSchema, packingSchema } from '../record';
import { readingSchema, sceneChangeSchema, setupSchema } from '../setup';
import { changeSchema } from './change';
import { conflictSchema, editSchema } from './edit';
import { frameSchema } from './frame';
import { migrateDocument } from './migrate';
import { photoSchema } from './photo';
import { shootSchema } from './shoot';
import { spotSchema } from './spot';

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
  meterItemSchema,
  preferencesItemSchema,
  photoSchema,
  keptLookSchema,
  noteSchema,
  packingSchema,
  cameraRollSchema,
  conflictSchema,
] as const;

/** Facts are only ever added; whether one is struck out may change. So they never conflict. */
const facts = [readingSchema, sceneChangeSchema, frameSchema, changeSchema, editSchema] as const;

/** The present shape of every document, for files that describe it; earlier versions are read too. */
export const presentDocumentSchema = z.discriminatedUnion('type', [...editables, ...facts]);

/**
 * Everything that is stored and exchanged, of this or an earlier version. Told apart by its type, so that only
 * one schema is tried on each. No text in it holds what a database or another device could not keep.
 */
export const documentSchema = z.preprocess(migrateDocument, presentDocumentSchema).superRefine((document, context) => {
  const path = brokenTextAt(document);
  if (path !== null) context.addIssue({ code: 'custom', path, message: fault('text-broken') });
});
export type Document = z.infer<typeof documentSchema>;
export type DocumentType = Document['type'];

/** What a person called a document; empty where it has no name. */
export const nameOfDocument = (document: Document): string =>
  'title' in document ? document.title : 'name' in document ? document.name : '';

/** What is deleted can be brought back for so long; then the pictures in it are erased. */
export const BRING_BACK_DAYS = 30;

/** The types that are edited: few of each, and all that a list of shoots wants. */
export const EDITED_TYPES: readonly DocumentType[] = editables.map(({ shape }) => shape.type.value);

/** The types that are only ever added. */
export const FACT_TYPES: readonly DocumentType[] = ['reading', 'sceneChange', 'frame', 'change', 'edit'];
/** True for a type that is append-only. */
export const isFactType = (type: DocumentType): boolean => FACT_TYPES.includes(type);
