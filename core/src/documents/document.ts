import { z } from 'zod';

import { readingSchema, setupSchema } from '../balance';
import { changeSchema } from './change';
import { cameraItemSchema, filterItemSchema, flashItemSchema, modifierItemSchema, preferencesItemSchema } from './kitItems';
import { shootSchema, spotSchema } from './shoot';

/** What is edited: one device at a time as a rule, merged by field when not. */
const editables = [shootSchema, spotSchema, setupSchema, cameraItemSchema, flashItemSchema, modifierItemSchema, filterItemSchema, preferencesItemSchema] as const;

/** Facts are only ever added; of a reading, whether it is struck out may change. So they never conflict. */
const facts = [readingSchema, changeSchema] as const;

/** Everything that is stored and exchanged. Told apart by its type, so that only one schema is tried on each. */
export const documentSchema = z.discriminatedUnion('type', [...editables, ...facts]);
export type Document = z.infer<typeof documentSchema>;
export type DocumentType = Document['type'];

const FACT_TYPES: readonly DocumentType[] = ['reading', 'change'];
/** True for a type that is append-only. */
export const isFactType = (type: DocumentType): boolean => FACT_TYPES.includes(type);
