import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

import {
  type By,
  type Document,
  documentSchema,
  type DocumentType,
  type HistoryMark,
  type Identity,
  migrateDocument,
  type Refusal,
} from '@sphene/core/documents';
import { upgradeStorage } from './upgrade';

/** A document on this device: as it stands here, and as the server last had it. */
export interface StoredRow {
  id: string;
  /** null: deleted for good */
  document: Document | null;
  /** deleted, and can be brought back */
  deletedAt: string | null;
  /** the server's version that `base` is; 0: the server does not know it yet */
  version: number;
  /** the server's number of that version; ties in the log are put in this order */
  seq: number;
  /** the common base for a merge; null: none yet */
  base: Document | null;
  /** when it was last changed here; null: never */
  editedAt: string | null;
  /** the how manieth thing done on this device it was; null: done elsewhere */
  here: number | null;
  /** the server may not have it any more: to be compared with what it sends */
  unsure?: true;
}

/** A change that waits for the server. What it says is the row itself: the newest content is what counts. */
export interface OutboxRow {
  n?: number;
  key: string;
  id: string;
  /** true when it was made by a clock that no server had put right */
  unclocked: boolean;
}

/**
 * A change on its way, exactly as it was sent: whether it arrived is not known before the answer, so that it is sent
 * again as it was, and what was edited since goes after it.
 */
export interface Flight {
  id: string;
  key: string;
  baseVersion: number;
  at: string;
  /** null: it deletes */
  document: Document | null;
  /** the outbox entries that are done with once it is */
  covers: number[];
}

/** A change that the server did not take: kept here with its reason until a person decides. */
export interface AsideRow {
  id: string;
  reason: Refusal;
  at: string;
}

/** A picture of a frame that the server does not have yet. */
export interface UploadRow {
  id: string;
  /** bytes that it has so far */
  have: number;
}

interface Schema extends DBSchema {
  documents: { key: string; value: StoredRow; indexes: { type: string } };
  outbox: { key: number; value: OutboxRow; indexes: { id: string } };
  flights: { key: string; value: Flight };
  aside: { key: string; value: AsideRow };
  pictures: { key: string; value: { id: string; image: string } };
  uploads: { key: string; value: UploadRow };
  values: { key: string; value: unknown };
}

export type Storage = IDBPDatabase<Schema>;
export type StoreName = 'documents' | 'outbox' | 'flights' | 'aside' | 'pictures' | 'uploads' | 'values';
export const ALL_STORES: readonly StoreName[] = [
  'documents',
  'outbox',
  'flights',
  'aside',
  'pictures',
  'uploads',
  'values',
];

export const STORAGE_VERSION = 2;
/** The storage of the first account on this device, and of whoever has none yet. */
export const FIRST_STORAGE = 'sphene';

/** What other versions of the application do to an open storage. */
export interface StorageEvents {
  /** another tab holds an older version of it, so that it cannot be brought up to date yet */
  onHeld?: () => void;
  /** another tab has brought a newer version; this one is closed from now on */
  onNewer?: () => void;
}

/** Opens this device's storage; makes it on first use, or brings an earlier version's up to date. */
// async, so that a browser that refuses at once refuses as one that thinks about it
export async function openStorage(name = FIRST_STORAGE, { onHeld, onNewer }: StorageEvents = {}): Promise<Storage> {
  return openDB<Schema>(name, STORAGE_VERSION, {
    // what it does is done within the transaction that opens the storage
    upgrade: (database, from, _to, transaction) => void upgradeStorage(database, from, transaction),
    blocked: () => onHeld?.(),
    blocking: (_from, _to, event) => {
      (event.target as IDBDatabase).close();
      onNewer?.();
    },
  });
}

/** A row as it is before anything is known of it. */
export const freshRow = (id: string): StoredRow => ({
  id,
  document: null,
  deletedAt: null,
  version: 0,
  seq: 0,
  base: null,
  editedAt: null,
  here: null,
});

/** What is kept beside the documents, by name. */
interface Values {
  cursor: number;
  /** whose the data is, and of which server */
  identity: Identity;
  device: By;
  /** the newest place in the server's history that an answer came from */
  head: HistoryMark;
  /** places up to which everything was read, oldest first */
  marks: HistoryMark[];
  /** while histories are compared: the newest place in common */
  common: number;
  skewMs: number;
  here: number;
  theme: string;
}

interface ValuesStore {
  get: (key: string) => Promise<unknown>;
}
/** One of the values; undefined where it was never kept. */
export const readValue = async <K extends keyof Values>(store: ValuesStore, key: K): Promise<Values[K] | undefined> =>
  (await store.get(key)) as Values[K] | undefined;
/** The same, outside of a transaction. */
export const valueOf = async <K extends keyof Values>(storage: Storage, key: K): Promise<Values[K] | undefined> =>
  (await storage.get('values', key)) as Values[K] | undefined;
export const keepValue = <K extends keyof Values>(storage: Storage, key: K, value: Values[K]): Promise<string> =>
  storage.put('values', value, key);

/**
 * Rows of the device of some types. Those that an earlier version of the application kept are brought up to date, once;
 * one that cannot be is left as it lies.
 */
export async function readRows(storage: Storage, types: readonly DocumentType[]): Promise<StoredRow[]> {
  const read = () => Promise.all(types.map((type) => storage.getAllFromIndex('documents', 'type', type)));
  const rows = (await read()).flat();
  const upgraded = rows.flatMap((row): StoredRow[] => {
    const [document, base] = [migrateDocument(row.document), migrateDocument(row.base)];
    if (document === row.document && base === row.base) return [];
    const present = documentSchema.nullable().safeParse(document);
    const readBase = documentSchema.nullable().safeParse(base);
    return present.success && readBase.success ? [{ ...row, document: present.data, base: readBase.data }] : [];
  });
  if (upgraded.length === 0) return rows;
  const transaction = storage.transaction('documents', 'readwrite');
  await Promise.all(upgraded.map((row) => transaction.store.put(row)));
  await transaction.done;
  return (await read()).flat();
}
