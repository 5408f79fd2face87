import {
  type Conflict,
  type Document,
  type FieldPath,
  type HistoryMark,
  isFactType,
  MAX_MUTATIONS,
  type Mutation,
  type MutationResult,
  sameValue,
  settle,
  type Stored,
  type SyncResponse,
} from '@sphene/core/documents';
import type { Maker } from './edits';
import {
  ALL_STORES,
  type Flight,
  freshRow,
  readValue,
  type Storage,
  type StoredRow,
  type StoreName,
  valueOf,
} from './storage';

type Transaction = ReturnType<typeof writing>;
const writing = (storage: Storage) => storage.transaction([...ALL_STORES] as StoreName[], 'readwrite');

/** What is to be sent now. */
export interface Batch {
  cursor: number;
  seen: HistoryMark | null;
  flights: Flight[];
}

/** A change as it travels. */
export const mutationOf = ({ id, key, baseVersion, at, document }: Flight): Mutation =>
  document === null ? { op: 'delete', key, id, baseVersion, at } : { op: 'put', key, baseVersion, at, document };

/** Facts made by a clock that nobody had put right are put right before they leave, so that they stand in their time. */
const SKEW_THAT_MATTERS_MS = 2000;

function inServerTime(document: Document, skewMs: number): Document {
  if (!('at' in document) || !isFactType(document.type)) return document;
  return { ...document, at: new Date(Date.parse(document.at) + skewMs).toISOString() };
}

/** What waits of one document: its outbox entries, under the key of the newest. */
interface Waiting {
  numbers: number[];
  key: string;
  unclocked: boolean;
}

async function waitingByDocument(transaction: Transaction): Promise<Map<string, Waiting>> {
  const byDocument = new Map<string, Waiting>();
  for (const { n, key, id, unclocked } of await transaction.objectStore('outbox').getAll())
    byDocument.set(id, { numbers: [...(byDocument.get(id)?.numbers ?? []), n ?? 0], key, unclocked });
  return byDocument;
}

/** A document as its newest edit left it, on its way; null: there is nothing of it to send. */
async function flightOf(
  transaction: Transaction,
  id: string,
  { numbers, key, unclocked }: Waiting,
  { clock }: Maker,
): Promise<Flight | null> {
  const documents = transaction.objectStore('documents');
  let row = await documents.get(id);
  if (row === undefined || row.document === null) return null;
  if (unclocked && row.version === 0 && Math.abs(clock.skew) > SKEW_THAT_MATTERS_MS) {
    row = { ...row, document: inServerTime(row.document, clock.skew) };
    await documents.put(row);
  }
  const at = row.editedAt ?? clock.timestamp();
  const document = row.deletedAt === null ? row.document : null;
  return { id, key, baseVersion: row.version, at, document, covers: numbers };
}

/**
 * The changes that wait, in the order in which they were made: those that were sent before exactly as they were, then
 * those of other documents, each as the newest edit left it, up to so many letters.
 */
export async function nextBatch(storage: Storage, mostLetters: number, maker: Maker): Promise<Batch> {
  const batch: Batch = {
    cursor: (await valueOf(storage, 'cursor')) ?? 0,
    seen: (await valueOf(storage, 'head')) ?? null,
    flights: [],
  };
  // asking for news writes nothing: a device that is full can still be told of them
  if ((await storage.count('outbox')) === 0) return batch;
  // what stands here is compared with what the server has before anything is sent on top of that
  if ((await valueOf(storage, 'common')) !== undefined) return batch;
  const transaction = writing(storage);
  const flights = transaction.objectStore('flights');
  let letters = 0;
  for (const [id, waiting] of await waitingByDocument(transaction)) {
    const flight = (await flights.get(id)) ?? (await flightOf(transaction, id, waiting, maker));
    if (flight === null) continue;
    letters += JSON.stringify(flight.document).length;
    if (batch.flights.length > 0 && (letters > mostLetters || batch.flights.length >= MAX_MUTATIONS)) break;
    await flights.put(flight);
    batch.flights.push(flight);
  }
  await transaction.done;
  return batch;
}

/** What an answer brought. */
export interface Kept {
  /** documents that may look different now */
  touched: string[];
  /** titles of what was deleted somewhere and is back, because somewhere else it was worked on */
  cameBack: string[];
  /** true when something that waited is done with, or something new has come */
  moved: boolean;
}

/** An answer being kept. */
class Keeping {
  readonly touched = new Set<string>();
  readonly cameBack: string[] = [];
  moved = false;
  constructor(
    private readonly transaction: Transaction,
    private readonly maker: Maker,
  ) {}

  private row = async (id: string): Promise<StoredRow> =>
    (await this.transaction.objectStore('documents').get(id)) ?? freshRow(id);

  private async put(row: StoredRow): Promise<void> {
    await this.transaction.objectStore('documents').put(row);
    this.touched.add(row.id);
  }

  private readonly waits = async (id: string): Promise<boolean> =>
    (await this.transaction.objectStore('outbox').index('id').count(id)) > 0;

  private async landed({ id, covers }: Flight, done: boolean): Promise<void> {
    await this.transaction.objectStore('flights').delete(id);
    if (!done) return;
    this.moved = true;
    for (const n of covers) await this.transaction.objectStore('outbox').delete(n);
  }

  async result(flight: Flight, result: MutationResult): Promise<void> {
    await this.landed(flight, result.status !== 'conflict');
    const row = await this.row(flight.id);
    if (result.status === 'applied') {
      await this.transaction.objectStore('aside').delete(flight.id);
      if (result.version > row.version)
        await this.put({ ...row, version: result.version, base: flight.document ?? row.base });
    } else if (result.status === 'refused') {
      const at = this.maker.clock.timestamp();
      await this.transaction.objectStore('aside').put({ id: flight.id, reason: result.reason, at });
      this.touched.add(flight.id);
    } else if (result.current === null) {
      // the server has lost it, or never had it: what stands here is new to it, and nothing is merged
      await this.put({ ...row, version: 0, base: null });
    } else await this.conflict(row, flight, result.current);
  }

  /** A change that was not taken because the server's is another by now. */
  private async conflict(row: StoredRow, flight: Flight, current: Stored): Promise<void> {
    if (flight.document === null && current.deletedAt === null && current.document !== null) {
      // deleted here, worked on elsewhere: it comes back whole
      this.moved = true;
      this.back(current.document);
      row = await this.undeleted(row);
    }
    if (current.version > row.version) await this.change(current, { ...row });
    // the server knows less than this device has seen of it: it was restored, and what it has is compared
    else if (current.version < row.version) await this.compare({ ...row, unsure: true }, current);
    else await this.put(row);
  }

  /** A row that is not deleted after all; what was edited before it was deleted still waits. */
  private async undeleted(row: StoredRow): Promise<StoredRow> {
    const outbox = this.transaction.objectStore('outbox');
    if (sameValue(row.document, row.base))
      for (const n of await outbox.index('id').getAllKeys(row.id)) await outbox.delete(n);
    return { ...row, deletedAt: null };
  }

  private back(document: Document): void {
    if ('title' in document) this.cameBack.push(document.title);
  }

  /** A document as the server has it now. */
  async change(stored: Stored, known?: StoredRow): Promise<void> {
    const row = known ?? (await this.row(stored.id));
    if (row.unsure === true) return this.compare(row, stored);
    if (stored.version < row.version) return;
    const fresh = { version: stored.version, seq: stored.seq, base: stored.document };
    // the echo of what was sent
    if (stored.version === row.version && (await this.waits(row.id))) return this.put({ ...row, seq: stored.seq });
    this.moved = true;
    if (!(await this.waits(row.id))) {
      if (row.deletedAt !== null && stored.deletedAt === null && stored.document !== null) this.back(stored.document);
      return this.put({ ...row, ...fresh, document: stored.document, deletedAt: stored.deletedAt });
    }
    await this.put(await this.merged({ ...row, ...fresh, base: row.base }, stored));
  }

  /** A change from elsewhere met by one that still waits here: merged by field; an edit outlives a deletion. */
  private async merged(row: StoredRow, theirs: Stored): Promise<StoredRow> {
    const rest = { ...row, base: theirs.document };
    if (row.document === null || theirs.document === null || theirs.deletedAt !== null) {
      if (theirs.deletedAt !== null && row.deletedAt === null && row.document !== null) this.back(row.document);
      return rest;
    }
    const mine = row.document;
    if (row.deletedAt !== null) {
      this.back(theirs.document);
      row = await this.undeleted(row);
    }
    const { document, collisions } = settle(row.base, mine, theirs.document);
    for (const { path, base, mine: ours, theirs: their } of collisions)
      await this.ask(row, path, base, [
        { value: their ?? null, by: theirs.by, at: theirs.at },
        { value: ours ?? null, by: this.maker.by, at: row.editedAt },
      ]);
    return { ...rest, deletedAt: row.deletedAt, document };
  }

  /** Keeps both values of a field that two devices changed, for the person to choose. */
  private async ask(row: StoredRow, path: FieldPath, base: unknown, claims: unknown[]): Promise<void> {
    const { clock } = this.maker;
    const its = row.document;
    const conflict = {
      type: 'conflict',
      version: 1,
      id: clock.newId(),
      documentId: row.id,
      shootId: its === null ? null : its.type === 'shoot' ? its.id : 'shootId' in its ? its.shootId : null,
      path,
      base: base ?? null,
      claims,
      at: clock.timestamp(),
      answer: null,
    } as Conflict;
    await this.put({ ...freshRow(conflict.id), document: conflict });
    await this.wait(conflict.id);
  }

  private async wait(id: string): Promise<void> {
    await this.transaction.objectStore('outbox').put({ key: this.maker.clock.newId(), id, unclocked: false });
  }

  /** What the server of another history has, against what stands here. */
  private async compare({ unsure: _unsure, ...row }: StoredRow, stored: Stored): Promise<void> {
    this.moved = true;
    const fresh = { version: stored.version, seq: stored.seq, base: stored.document };
    const sameState =
      sameValue(row.document, stored.document) && (row.deletedAt === null) === (stored.deletedAt === null);
    const common = (await readValue(this.transaction.objectStore('values'), 'common')) ?? 0;
    if (sameState || row.document === null)
      return this.put({ ...row, ...fresh, document: stored.document, deletedAt: stored.deletedAt });
    // what it has was seen by this device before: what stands here is newer
    if (stored.seq <= common || stored.document === null) await this.put({ ...row, ...fresh });
    else await this.put(await this.merged({ ...row, ...fresh, base: null }, stored));
    if (!(await this.waits(row.id))) await this.wait(row.id);
  }

  /** After all that a server of another history has: what it did not send, it does not have. */
  async sendTheRest(): Promise<void> {
    for (const { unsure, ...row } of await this.transaction.objectStore('documents').getAll()) {
      if (unsure !== true) continue;
      await this.put({ ...row, version: 0, seq: 0, base: null });
      if (row.document !== null && !(await this.waits(row.id))) await this.wait(row.id);
    }
  }
}

/** Of so many marks the oldest are thinned out: far back, fewer places are told apart. */
const MOST_MARKS = 60;

function withMark(marks: readonly HistoryMark[], head: HistoryMark): HistoryMark[] {
  if (marks.at(-1)?.mark === head.mark) return [...marks];
  const all = [...marks, head];
  if (all.length <= MOST_MARKS) return all;
  const half = Math.floor(MOST_MARKS / 2);
  return all.filter((_, index) => index >= half || index % 2 === 0);
}

/** Keeps the server's answer, in one transaction: what it says of the changes sent, then the changes of others. */
export async function keepAnswer(storage: Storage, batch: Batch, answer: SyncResponse, maker: Maker): Promise<Kept> {
  const isNews = answer.changes.length > 0 || batch.flights.length > 0 || answer.more;
  if (!isNews && answer.cursor === batch.cursor && answer.head.mark === batch.seen?.mark)
    return { touched: [], cameBack: [], moved: false };
  const transaction = writing(storage);
  const values = transaction.objectStore('values');
  const keeping = new Keeping(transaction, maker);
  const results = new Map(answer.results.map((result) => [result.key, result]));
  for (const flight of batch.flights) {
    const result = results.get(flight.key);
    if (result !== undefined) await keeping.result(flight, result);
  }
  for (const change of answer.changes) await keeping.change(change);
  if (!answer.more && (await readValue(values, 'common')) !== undefined) {
    await keeping.sendTheRest();
    await values.delete('common');
  }
  await values.put(answer.cursor, 'cursor');
  await values.put(answer.head, 'head');
  // only what was read up to its end is known to be no newer than what stands here
  if (!answer.more) await values.put(withMark((await readValue(values, 'marks')) ?? [], answer.head), 'marks');
  await transaction.done;
  return { touched: [...keeping.touched], cameBack: keeping.cameBack, moved: keeping.moved };
}

/**
 * The server's history is another than the one that this device knows: it was restored from a backup, or is a new one.
 * Everything is asked for again, and compared with what stands here.
 * @param common the newest place that both histories have
 */
export async function compareHistories(storage: Storage, common: number, { clock }: Maker): Promise<void> {
  const transaction = writing(storage);
  const documents = transaction.objectStore('documents');
  const values = transaction.objectStore('values');
  for (const row of await documents.getAll()) await documents.put({ ...row, unsure: true });
  // what was on its way may have arrived before the backup or not: it is asked for as new edits are
  await transaction.objectStore('flights').clear();
  const outbox = transaction.objectStore('outbox');
  for (const waiting of await outbox.getAll()) await outbox.put({ ...waiting, key: clock.newId() });
  for (const id of await transaction.objectStore('pictures').getAllKeys())
    await transaction.objectStore('uploads').put({ id, have: 0 });
  await values.delete('head');
  await values.put(0, 'cursor');
  await values.put(
    ((await readValue(values, 'marks')) ?? []).filter(({ seq }) => seq <= common),
    'marks',
  );
  await values.put(common, 'common');
  await transaction.done;
}
