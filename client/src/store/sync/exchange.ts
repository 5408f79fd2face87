import {
  type Document,
  documentSchema,
  isFactType,
  MAX_MUTATIONS,
  mergeByField,
  type Mutation,
  type Stored,
  type SyncRequest,
  type SyncResponse,
} from '@sphene/core/documents';
import type { OutboxRow, Storage, StoredRow } from './storage';

const CURSOR = 'cursor';
/** Letters of documents in one request; test frames are large, and the server takes 4 MB. */
const MAX_LETTERS = 2_500_000;

/** What is to be sent now, and which outbox entries it stands for. */
export interface Batch {
  request: SyncRequest;
  /** by mutation key: the outbox keys that are done with once it is */
  covers: Map<string, string[]>;
}

/** The oldest outbox entries of each document, gathered into one mutation under the newest key. */
export async function nextBatch(storage: Storage): Promise<Batch> {
  const transaction = storage.transaction(['documents', 'outbox', 'values']);
  const waiting: OutboxRow[] = await transaction.objectStore('outbox').getAll();
  const byDocument = new Map<string, string[]>();
  for (const { id, key } of waiting) byDocument.set(id, [...(byDocument.get(id) ?? []), key]);
  const mutations: Mutation[] = [];
  const covers = new Map<string, string[]>();
  let letters = 0;
  for (const [id, keys] of [...byDocument].slice(0, MAX_MUTATIONS)) {
    const row = await transaction.objectStore('documents').get(id);
    const key = keys.at(-1);
    if (row === undefined || key === undefined) continue;
    letters += JSON.stringify(row.document).length;
    if (letters > MAX_LETTERS && mutations.length > 0) break;
    mutations.push(
      row.document === null
        ? { op: 'delete', key, id, baseVersion: row.version }
        : { op: 'put', key, baseVersion: row.version, document: row.document },
    );
    covers.set(key, keys);
  }
  const cursor = (await transaction.objectStore('values').get(CURSOR)) as number | undefined;
  return { request: { cursor: cursor ?? 0, mutations }, covers };
}

/** A change from elsewhere met by one that still waits here: merged by field; an edit outlives a deletion. */
function merged(row: StoredRow, theirs: Stored): StoredRow {
  const rest = { id: row.id, version: theirs.version, base: theirs.document };
  if (row.document === null || theirs.document === null || isFactType(row.document.type))
    return { ...rest, document: row.document ?? theirs.document };
  const both = documentSchema.safeParse(mergeByField(row.base, row.document, theirs.document));
  return { ...rest, document: both.success ? both.data : row.document };
}

/** Keeps the server's answer. Returns the ids of all documents that may look different now. */
export async function keepAnswer(
  storage: Storage,
  { request, covers }: Batch,
  answer: SyncResponse,
): Promise<string[]> {
  const transaction = storage.transaction(['documents', 'outbox', 'values'], 'readwrite');
  const documents = transaction.objectStore('documents');
  const outbox = transaction.objectStore('outbox');
  const sent = new Map<string, Document | null>(
    request.mutations.map((mutation) => [mutation.key, mutation.op === 'put' ? mutation.document : null]),
  );
  const touched = new Set<string>();

  for (const { key, id, status, version } of answer.results) {
    // the other change is in this answer: merged below, sent again with its version
    if (status === 'conflict') continue;
    for (const done of covers.get(key) ?? []) await outbox.delete(done);
    const row = await documents.get(id);
    if (row !== undefined && status === 'applied')
      await documents.put({ ...row, version, base: sent.get(key) ?? null });
  }
  const waiting = new Set((await outbox.getAll()).map(({ id }) => id));
  for (const change of answer.changes) {
    const row = await documents.get(change.id);
    // the echo of what was sent, with newer edits waiting
    if (row !== undefined && row.version >= change.version && waiting.has(change.id)) continue;
    await documents.put(
      row !== undefined && waiting.has(change.id)
        ? merged(row, change)
        : { id: change.id, document: change.document, version: change.version, base: change.document },
    );
    touched.add(change.id);
  }
  await transaction.objectStore('values').put(answer.cursor, CURSOR);
  await transaction.done;
  return [...touched];
}
