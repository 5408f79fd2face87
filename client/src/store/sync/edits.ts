import {
  type By,
  differences,
  type Document,
  type DocumentEdit,
  isFactType,
  sameValue,
  settle,
} from '@sphene/core/documents';
import { settingAt, type Setup } from '@sphene/core/setup';
import type { Clock } from '../ids';
import { freshRow, readValue, type Storage, type StoredRow } from './storage';

/**
 * Something that a person did. A change of a document carries what it started from, so that it is merged with what has
 * reached this device meanwhile, and takes nothing back that it did not see.
 */
export type Edit =
  | { op: 'put'; key: string; id: string; base: Document | null; document: Document }
  | { op: 'delete' | 'restore'; key: string; id: string }
  | { op: 'image'; key: string; id: string; image: string };

/** Who does it, and when. */
export interface Maker {
  by: By;
  clock: Clock;
}

/** Before and after of what one writing changed. */
type Written = Map<string, { before: Document | null; after: Document }>;

/** An edit as it meets the row: merged with what is there, the edit's value where both changed a field. */
function meets(edit: Extract<Edit, { op: 'put' }>, current: Document | null): Document {
  if (current === null || (edit.base !== null && sameValue(current, edit.base))) return edit.document;
  return settle(edit.base, edit.document, current).document;
}

/** A change of settings tells what it found and left, which another tab may have moved since the screen was drawn. */
function asItHappened(document: Document, written: Written): Document {
  if (document.type !== 'change') return document;
  const its = written.get(document.setupId);
  if (its?.before?.type !== 'setup' || its.after.type !== 'setup') return document;
  const [before, after]: Setup[] = [its.before, its.after];
  return {
    ...document,
    settings: document.settings.map((setting) => ({
      ...setting,
      from: (before === undefined ? undefined : settingAt(before, setting.path)) ?? null,
      to: (after === undefined ? undefined : settingAt(after, setting.path)) ?? null,
    })),
  };
}

/** What tells its changes by itself, or has none that anybody asks about: ticks of a list, frames of a camera. */
const UNTOLD: readonly Document['type'][] = ['setup', 'conflict', 'packing', 'cameraRoll'];

/** Changes of titles, kit and preferences are facts too; those of a setup are told by its own. */
function factOf(written: { before: Document | null; after: Document }, { by, clock }: Maker): DocumentEdit | null {
  const { before, after } = written;
  if (before === null || isFactType(after.type) || UNTOLD.includes(after.type)) return null;
  const fields = differences(before, after).map(({ path, from, to }) => ({ path, from: from ?? null, to: to ?? null }));
  if (fields.length === 0) return null;
  const shootId = after.type === 'shoot' ? after.id : after.type === 'spot' ? after.shootId : null;
  return {
    type: 'edit',
    version: 1,
    id: clock.newId(),
    documentId: after.id,
    shootId,
    by,
    at: clock.timestamp(),
    fields: fields.slice(0, 500) as DocumentEdit['fields'],
  };
}

/**
 * Writes edits and their outbox entries in one transaction: either all are kept or none.
 * @returns the rows as they now stand, which may hold more than the edits said
 */
export async function writeEdits(storage: Storage, edits: readonly Edit[], maker: Maker): Promise<StoredRow[]> {
  const { clock } = maker;
  const transaction = storage.transaction(['documents', 'outbox', 'pictures', 'uploads', 'values'], 'readwrite', {
    durability: 'strict',
  });
  const documents = transaction.objectStore('documents');
  const outbox = transaction.objectStore('outbox');
  const values = transaction.objectStore('values');
  let here = (await readValue(values, 'here')) ?? 0;
  const written: Written = new Map();
  const rows = new Map<string, StoredRow>();

  const keep = async (key: string, row: StoredRow) => {
    here += 1;
    const kept = { ...row, editedAt: clock.timestamp(), here: row.here ?? here };
    await documents.put(kept);
    await outbox.put({ key, id: row.id, unclocked: !clock.isKnown });
    rows.set(row.id, kept);
  };
  for (const edit of edits) {
    if (edit.op === 'image') {
      await transaction.objectStore('pictures').put({ id: edit.id, image: edit.image });
      await transaction.objectStore('uploads').put({ id: edit.id, have: 0 });
      continue;
    }
    const row = (await documents.get(edit.id)) ?? freshRow(edit.id);
    if (edit.op === 'put') {
      const after = asItHappened(meets(edit, row.document), written);
      written.set(edit.id, { before: row.document, after });
      await keep(edit.key, { ...row, document: after, deletedAt: null });
    } else if (row.document !== null)
      await keep(edit.key, { ...row, deletedAt: edit.op === 'delete' ? clock.timestamp() : null });
  }
  for (const one of written.values()) {
    const fact = factOf(one, maker);
    if (fact !== null) await keep(clock.newId(), { ...freshRow(fact.id), document: fact });
  }
  await values.put(here, 'here');
  await transaction.done;
  return [...rows.values()];
}
