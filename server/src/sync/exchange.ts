import type { DataSource } from 'typeorm';

import {
  type HistoryMark,
  type Mutation,
  mutationSchema,
  type MutationResult,
  type SyncRequest,
} from '@sphene/core/documents';
import { schemaFault } from '@sphene/core/gear';
import type { Queryable } from '../db/dataSource';
import { pull, type Pulled } from './pull';
import { push } from './push';

/** Whether a place that a device has seen is in the history; whoever has seen nothing yet has seen no other. */
const SEEN = `(coalesce($2::bigint, 0) = 0 or exists (
  select from marks m where m.account_id = $1 and m.seq = $2::bigint and m.mark = $3::uuid))`;

/** Locks the account's row, so that one device after the other writes to it. */
export async function lockAccount(
  transaction: Queryable,
  accountId: string,
  seen: HistoryMark | null,
): Promise<{ seq: number; isKnown: boolean }> {
  const [account] = await transaction.query<{ seq: string; known: boolean }[]>(
    `select seq, ${SEEN} as known from accounts where id = $1 for no key update`,
    [accountId, seen?.seq ?? null, seen?.mark ?? null],
  );
  if (account === undefined) throw new Error('the account is gone');
  return { seq: Number(account.seq), isKnown: account.known };
}

async function isSeen(database: Queryable, accountId: string, seen: HistoryMark | null): Promise<boolean> {
  if (seen === null) return true;
  const [row] = await database.query<{ known: boolean }[]>(`select ${SEEN} as known`, [accountId, seen.seq, seen.mark]);
  return row?.known === true;
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
export type Exchanged = (Pulled & { results: MutationResult[] }) | null;

/**
 * Mutations in, results and the changes since a cursor out. Only a request that changes something takes a lock and a
 * transaction.
 */
export async function exchange(
  dataSource: DataSource,
  accountId: string,
  { device, seen, cursor, mutations: raw }: Omit<SyncRequest, 'mutations'> & { mutations: readonly unknown[] },
): Promise<Exchanged> {
  const { good, refused } = await checked(raw);
  if (good.length === 0) {
    if (!(await isSeen(dataSource, accountId, seen))) return null;
    return { results: refused, ...(await pull(dataSource, accountId, cursor)) };
  }
  return dataSource.transaction(async (transaction): Promise<Exchanged> => {
    const { seq, isKnown } = await lockAccount(transaction, accountId, seen);
    if (!isKnown) return null;
    const results = await push(transaction, { accountId, by: device, cursor }, seq, good);
    return { results: [...results, ...refused], ...(await pull(transaction, accountId, cursor)) };
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
