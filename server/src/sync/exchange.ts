import type { DataSource } from 'typeorm';

import {
  type HistoryMark,
  type Mutation,
  mutationSchema,
  type MutationResult,
  type Stored,
  type SyncRequest,
} from '@sphene/core/documents';
import { schemaFault } from '@sphene/core/gear';
import type { Queryable } from '../db/dataSource';
import { pull, type Pulled } from './pull';
import { isNotStorable, look, type Pusher, pushOneByOne, Work } from './push';

/** Locks the account's row, so that one device after the other writes to it. */
async function lockAccount(transaction: Queryable, accountId: string): Promise<void> {
  await transaction.query('select from accounts where id = $1 for no key update', [accountId]);
}

/** After so long the server turns to others before it goes on checking. */
const TURN_MS = 10;

/** Each mutation by itself: what is none is refused with its reason, whatever else came with it. */
async function checked(raw: readonly unknown[]): Promise<{ good: Mutation[]; refused: MutationResult[] }> {
  const good: Mutation[] = [];
  const refused: MutationResult[] = [];
  let since = performance.now();
  for (const one of raw) {
    const parsed = mutationSchema.safeParse(one);
    if (parsed.success) good.push(parsed.data);
    else {
      const result = refusal(one, schemaFault(parsed.error));
      if (result !== null) refused.push(result);
    }
    if (performance.now() - since > TURN_MS) {
      await new Promise(setImmediate);
      since = performance.now();
    }
  }
  return { good, refused };
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
const asId = (value: unknown): string | null =>
  typeof value === 'string' && UUID.test(value) ? value.toLowerCase() : null;

/** Without a key there is nobody to answer. */
function refusal(raw: unknown, { issues, count }: ReturnType<typeof schemaFault>): MutationResult | null {
  const { key, id, document } = (raw ?? {}) as { key?: unknown; id?: unknown; document?: { id?: unknown } };
  const its = asId(key);
  if (its === null) return null;
  const at = asId(id) ?? asId(document?.id);
  return { status: 'refused', key: its, id: at, reason: { kind: 'document', issues, count } };
}

/** What came of a request; null: the device knows another history than this. */
export type Exchanged = (Omit<Pulled, 'isKnown'> & { results: MutationResult[] }) | null;

/** So often it is tried without a lock: devices of one account rarely write in the same moment. */
const MOST_TRIES = 3;

/** One try to look, judge and write; `moved` when somebody else has written meanwhile. */
async function attempt(
  database: Queryable,
  pusher: Pusher,
  seen: HistoryMark | null,
  mutations: readonly Mutation[],
): Promise<Exchanged | 'moved'> {
  const pulled = await pull(database, pusher.accountId, pusher.cursor, seen);
  if (!pulled.isKnown) return null;
  const known = await look(database, pusher, mutations);
  // both must tell of the same moment
  if (known.seq !== pulled.head.seq) return 'moved';
  const work = await Work.of(database, pusher, known, mutations);
  const head = await work.keep(database);
  if (head === null) return 'moved';
  const { results, changes } = work;
  if (head === 'nothing') return { ...pulled, results };
  // what was just written comes last; where more was to come before it, it comes with that
  if (pulled.more) return { ...pulled, head, results };
  return { results, head, more: false, cursor: head.seq, changesJson: joined(pulled.changesJson, changes) };
}

/** Changes as JSON, with more of them behind; what was written again since is there once, as it is now. */
function joined(json: string, own: readonly Stored[]): string {
  if (own.length === 0) return json;
  // only where an id is in both is there a reason to read what the database has written
  const isWrittenAgain = own.some(({ id }) => json.includes(id));
  const ids = new Set(own.map(({ id }) => id));
  const before = isWrittenAgain
    ? JSON.stringify((JSON.parse(json) as Stored[]).filter(({ id }) => !ids.has(id)))
    : json.trimEnd();
  const behind = JSON.stringify(own);
  return before === '[]' ? behind : `${before.slice(0, -1)},${behind.slice(1)}`;
}

/** Carries out mutations in a transaction that holds the account's lock: it cannot be overtaken. */
async function locked(
  dataSource: DataSource,
  pusher: Pusher,
  work: (transaction: Queryable) => Promise<MutationResult[]>,
): Promise<Exchanged> {
  return dataSource.transaction(async (transaction) => {
    await lockAccount(transaction, pusher.accountId);
    const results = await work(transaction);
    return { results, ...(await pull(transaction, pusher.accountId, pusher.cursor)) };
  });
}

/** Mutations in, results and the changes since a cursor out. Reads and one statement that writes, without a lock. */
export async function exchange(
  dataSource: DataSource,
  accountId: string,
  { device, seen, cursor, mutations: raw }: Omit<SyncRequest, 'mutations'> & { mutations: readonly unknown[] },
): Promise<Exchanged> {
  const { good, refused } = await checked(raw);
  const pusher = { accountId, by: device, cursor };
  const answered = await exchangeGood(dataSource, pusher, seen, good);
  return answered === null ? null : { ...answered, results: [...answered.results, ...refused] };
}

async function exchangeGood(
  dataSource: DataSource,
  pusher: Pusher,
  seen: HistoryMark | null,
  mutations: readonly Mutation[],
): Promise<Exchanged> {
  if (mutations.length === 0) {
    const pulled = await pull(dataSource, pusher.accountId, pusher.cursor, seen);
    return pulled.isKnown ? { results: [], ...pulled } : null;
  }
  try {
    for (let tries = 0; tries < MOST_TRIES; tries += 1) {
      const done = await attempt(dataSource, pusher, seen, mutations);
      if (done !== 'moved') return done;
    }
  } catch (error) {
    if (!isNotStorable(error)) throw error;
    // one of them the database cannot keep: the others are kept, each by itself
    return locked(dataSource, pusher, (transaction) => pushOneByOne(transaction, pusher, mutations));
  }
  return locked(dataSource, pusher, async (transaction) => {
    const work = await Work.of(transaction, pusher, await look(transaction, pusher, mutations), mutations);
    await work.keep(transaction);
    return work.results;
  });
}

/** The newest of these places that this history has too; 0: none. */
export async function commonPlace(
  database: Queryable,
  accountId: string,
  marks: readonly HistoryMark[],
): Promise<number> {
  const [row] = await database.query<{ common: string | null }[]>(
    `select max(m.seq) as common from marks m
     join jsonb_to_recordset($2::jsonb) as r (seq bigint, mark uuid) on r.seq = m.seq and r.mark = m.mark
     where m.account_id = $1`,
    [accountId, JSON.stringify(marks)],
  );
  return Number(row?.common ?? 0);
}
