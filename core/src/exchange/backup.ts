import { z } from 'zod';

import {
  type Document,
  documentSchema,
  presentDocumentSchema,
  EDITED_TYPES,
  frameImageSchema,
  isFactType,
  sameValue,
} from '../documents';
import { idSchema, type SchemaFault, schemaFault } from '../gear';
import { failure, type Outcome, success } from '../photometry';
import { type JsonFault, jsonWithin } from '../formats';

/** Larger files are no backups of one person's work. */
export const MAX_BACKUP_LETTERS = 400_000_000;
/** So many faults are told one by one; the rest is counted. */
const FAULTS_TOLD = 20;

const VERSION = 1;

/** Everything of an account: all documents, and the pictures of frames, photographs and looks. */
export interface Backup {
  exportedAt: string;
  documents: Document[];
  images: ReadonlyMap<string, string>;
}

const envelopeSchema = z.strictObject({
  format: z.literal('sphene-backup'),
  version: z.int().min(1),
  exportedAt: z.iso.datetime({ offset: true }),
  documents: z.array(z.unknown()),
  images: z.record(idSchema, frameImageSchema),
});

/** The JSON Schema of a backup with documents of the present version. */
export const backupJsonSchema = (): unknown =>
  z.toJSONSchema(envelopeSchema.extend({ documents: z.array(presentDocumentSchema) }), {
    target: 'draft-2020-12',
    io: 'input',
  });

/** Why a text is no backup. `documents`: how many are wrong, the first of them by their place in the file, from 1. */
export type BackupFault =
  | JsonFault
  | { kind: 'no-backup' }
  | { kind: 'newer'; version: number }
  | { kind: 'documents'; count: number; told: { place: number; fault: SchemaFault }[] };

/** Writes a backup: an object on a line of its own for each document, so that one can look into it. */
export function writeBackup({ exportedAt, documents, images }: Backup): string {
  const lines = documents.map((document) => JSON.stringify(document)).join(',\n');
  const pictures = [...images].map(([id, image]) => `${JSON.stringify(id)}:${JSON.stringify(image)}`).join(',\n');
  const head = `{"format":"sphene-backup","version":${VERSION},"exportedAt":${JSON.stringify(exportedAt)}`;
  return `${head},\n"documents":[\n${lines}\n],\n"images":{\n${pictures}\n}}\n`;
}

/** So many documents are read before somebody is told. */
const PART = 500;

/** Told how many documents of how many were read; false stops. */
export type BackupProgress = (done: number, all: number) => Promise<boolean> | boolean;

/**
 * Reads a backup; documents of earlier versions are brought up to date.
 * @param tell waited for after each part, so that a page stays awake
 * @returns all of it, or what is wrong with it; null where it was stopped
 */
export async function readBackup(
  text: string,
  tell: BackupProgress = () => true,
): Promise<Outcome<Backup, BackupFault> | null> {
  const json = jsonWithin(text, MAX_BACKUP_LETTERS);
  if (!json.ok) return json;
  const envelope = envelopeSchema.safeParse(json.value);
  if (!envelope.success) return failure({ kind: 'no-backup' });
  const { version, exportedAt, documents, images } = envelope.data;
  if (version > VERSION) return failure({ kind: 'newer', version });
  const read: Document[] = [];
  const told: { place: number; fault: SchemaFault }[] = [];
  let count = 0;
  for (const [index, one] of documents.entries()) {
    if (index % PART === 0 && !(await tell(index, documents.length))) return null;
    const parsed = documentSchema.safeParse(one);
    if (parsed.success) {
      read.push(parsed.data);
      continue;
    }
    count += 1;
    if (told.length < FAULTS_TOLD) told.push({ place: index + 1, fault: schemaFault(parsed.error) });
  }
  if (count > 0) return failure({ kind: 'documents', count, told });
  return success({ exportedAt, documents: read, images: new Map(Object.entries(images)) });
}

/** What a backup would do to what is here. */
export interface RestorePlan {
  /** not here, or deleted here */
  missing: Document[];
  /** here, just so */
  same: number;
  /** here, and another than in the backup: edited since, or before */
  other: Document[];
}

/**
 * What a backup would do, before anything is kept. What is here stays as it is unless a person says otherwise; facts are never
 * changed, so that restoring twice does nothing.
 * @param here the document of an id as it is here; undefined: none
 */
export function restorePlan({ documents }: Backup, here: (id: string) => Document | undefined): RestorePlan {
  const plan: RestorePlan = { missing: [], same: 0, other: [] };
  for (const document of documents) {
    const known = here(document.id);
    if (known === undefined) plan.missing.push(document);
    else if (isFactType(document.type) || sameValue(known, document)) plan.same += 1;
    else plan.other.push(document);
  }
  // what others lie in comes first
  const order = (type: Document['type']) => EDITED_TYPES.indexOf(type) + 1 || EDITED_TYPES.length + 1;
  plan.missing.sort((a, b) => order(a.type) - order(b.type));
  return plan;
}
