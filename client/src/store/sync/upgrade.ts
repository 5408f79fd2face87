import type { DBSchema, IDBPDatabase, IDBPTransaction, StoreNames } from 'idb';

/** What version 1 kept of a document: one that was deleted had no content any more. */
interface FirstRow {
  id: string;
  document: { type: string; image?: unknown } | null;
  version: number;
  base: unknown;
}

/** Documents are read by what they are: what a list of shoots wants first, the many facts after that. */
const TYPE = 'document.type';

type Upgrading<S extends DBSchema> = IDBPTransaction<S, ArrayLike<StoreNames<S>>, 'versionchange'>;

type Untyped = IDBPTransaction<unknown, string[], 'versionchange'>;

/** A storage whose content is not known yet: of an earlier version, or none. */
const untyped = <S extends DBSchema>(database: IDBPDatabase<S>) => database as unknown as IDBPDatabase;

/**
 * Version 1 kept documents and keys of what waited. Version 2 keeps the order in which things were done, what is on
 * its way as it was sent, what was refused, and pictures apart from the facts.
 */
async function fromFirst(database: IDBPDatabase, transaction: Untyped): Promise<void> {
  const rows = (await transaction.objectStore('documents').getAll()) as FirstRow[];
  const waiting = (await transaction.objectStore('outbox').getAll()) as { key: string; id: string }[];
  database.deleteObjectStore('outbox');
  makeStores(database);
  const documents = transaction.objectStore('documents');
  documents.createIndex('type', TYPE);
  for (const row of rows) {
    const { image, ...document } = row.document ?? {};
    if (typeof image === 'string') {
      await transaction.objectStore('pictures').put({ id: row.id, image });
      // a server of this version takes it out of what it has itself
      if (row.version === 0) await transaction.objectStore('uploads').put({ id: row.id, have: 0 });
    }
    const kept = { deletedAt: row.document === null ? new Date(0).toISOString() : null, seq: 0 };
    const own = { editedAt: null, here: null };
    await documents.put({ ...row, ...kept, ...own, document: row.document === null ? null : document });
  }
  // keys are made in the order of time
  for (const { key, id } of waiting.sort((a, b) => (a.key < b.key ? -1 : 1)))
    await transaction.objectStore('outbox').put({ key, id, unclocked: false });
}

function makeStores(database: IDBPDatabase): void {
  database.createObjectStore('outbox', { keyPath: 'n', autoIncrement: true }).createIndex('id', 'id');
  for (const name of ['flights', 'aside', 'pictures', 'uploads']) database.createObjectStore(name, { keyPath: 'id' });
}

/** Makes the stores of a new storage, or brings one of an earlier version up to date with all that lies in it. */
export async function upgradeStorage<S extends DBSchema>(
  typed: IDBPDatabase<S>,
  from: number,
  transaction: Upgrading<S>,
): Promise<void> {
  const database = untyped(typed);
  if (from === 1) return fromFirst(database, transaction as unknown as Untyped);
  database.createObjectStore('documents', { keyPath: 'id' }).createIndex('type', TYPE);
  database.createObjectStore('values');
  makeStores(database);
}
