import { z } from 'zod';

import { readingSchema, setupSchema } from '../balance';
import { changeSchema } from './change';
import { kitItemSchema } from './kitItems';
import { shootSchema, spotSchema } from './shoot';

/** What is edited: one device at a time as a rule, merged by field when not. */
export const editableSchema = z.union([shootSchema, spotSchema, setupSchema, kitItemSchema]);
export type Editable = z.infer<typeof editableSchema>;

/** Facts are only ever added; of a reading, whether it is struck out may change. So they never conflict. */
export const factSchema = z.union([readingSchema, changeSchema]);
export type Fact = z.infer<typeof factSchema>;

/** Everything that is stored and exchanged. */
export const documentSchema = z.union([editableSchema, factSchema]);
export type Document = z.infer<typeof documentSchema>;
export type DocumentType = Document['type'];

export const DOCUMENT_TYPES = ['shoot', 'spot', 'setup', 'camera', 'flashUnit', 'modifier', 'filter', 'preferences', 'reading', 'change'] as const satisfies readonly DocumentType[];

const FACT_TYPES: readonly DocumentType[] = ['reading', 'change'];
/** True for a type that is append-only. */
export const isFactType = (type: DocumentType): boolean => FACT_TYPES.includes(type);
