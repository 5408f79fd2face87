import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

import { type Document, documentSchema, migrateDocument } from '@sphene/core/documents';

/** A document on this device: as it stands here, and as the server last had it. */
export interface StoredRow {
  id: string;
  /** null: deleted here */
  document: Document | null;
  /** the server's version that `base` is; 0: the server does not know it yet */
  version: number;
  /** the common base for a merge; null: none yet */
  base: Document | null;
}

/** A change that waits for the server. What it says is the row itself: the newest content is what counts. */
export interface OutboxRow {
  key: string;
  id: string;
}

interface Schema extends DBSchema {
  documents: { key: string; value: StoredRow };
  outbox: { key: string; value: OutboxRow };
  values: { key: string; value: unknown };
}

export type Storage = IDBPDatabase<Schema>;

/** Opens this device's storage; makes it on first use. */
export function openStorage(name = 'sphene'): Promise<Storage> {
  return openDB<Schema>(name, 1, {
    upgrade(database) {
      database.createObjectStore('documents', { keyPath: 'id' });
      database.createObjectStore('outbox', { keyPath: 'key' });
      database.createObjectStore('values');
    },
  });
}

/** What was opened before anyone asked for it. */
let early: Promise<Storage> | null = null;

/** Opens the storage as the page starts: it is there by the time that the keeper asks. */
export function openEarly(): void {
  early = openStorage();
  // what fails is told to whoever asks
  early.catch(() => undefined);
}

/** The storage that was opened early, else one opened now. */
export function openedStorage(): Promise<Storage> {
  const opened = early ?? openStorage();
  early = null;
  return opened;
}

/**
 * All rows of the device. Those that an earlier version of the application kept are brought up to date, once;
 * one that cannot be is left as it lies.
 */
export async function readRows(storage: Storage): Promise<StoredRow[]> {
  const rows = await storage.getAll('documents');
  const upgraded = rows.flatMap((row): StoredRow[] => {
    const [document, base] = [migrateDocument(row.document), migrateDocument(row.base)];
    if (document === row.document && base === row.base) return [];
    const read = documentSchema.nullable().safeParse(document);
    const readBase = documentSchema.nullable().safeParse(base);
    return read.success && readBase.success ? [{ ...row, document: read.data, base: readBase.data }] : [];
  });
  if (upgraded.length === 0) return rows;
  const transaction = storage.transaction('documents', 'readwrite');
  await Promise.all(upgraded.map((row) => transaction.store.put(row)));
  await transaction.done;
  return storage.getAll('documents');
}

export interface Edit {
  id: string;
  document: Document | null;
  key: string;
}

/** Writes edits and their outbox entries in one transaction: either both are kept or neither. */
export async function writeEdits(storage: Storage, edits: readonly Edit[]): Promise<void> {
  const transaction = storage.transaction(['documents', 'outbox'], 'readwrite', { durability: 'strict' });
  const documents = transaction.objectStore('documents');
  await Promise.all(
    edits.map(async ({ id, document, key }) => {
      const row = await documents.get(id);
      await documents.put({ id, document, version: row?.version ?? 0, base: row?.base ?? null });
      await transaction.objectStore('outbox').put({ key, id });
    }),
  );
  await transaction.done;
}
