import { isDeepStrictEqual } from 'node:util';

import { type Document, isFactType, type Mutation, type MutationResult } from '@sphene/core/documents';
import type { Queryable } from '../db/dataSource';

interface Row {
  id: string;
  type: Document['type'];
  body: Document;
  version: number;
  seq: number;
  deleted: boolean;
}

/** A fact may be struck out or restored, and nothing else about it changes. */
function sameFact(before: Document, after: Document): boolean {
  // by value: jsonb gives keys back in an order of its own
  return before.type === after.type && isDeepStrictEqual({ ...before, struckAt: null }, { ...after, struckAt: null });
}

interface Verdict {
  status: MutationResult['status'];
  next: Omit<Row, 'seq' | 'version'> | null;
}

function judge(mutation: Mutation, current: Row | undefined): Verdict {
  const isFact = current !== undefined && isFactType(current.type);
  if (mutation.op === 'delete') {
    if (isFact) return { status: 'rejected', next: null };
    if (current === undefined) return { status: 'applied', next: null };
    if (current.version !== mutation.baseVersion) return { status: 'conflict', next: null };
    return { status: 'applied', next: { ...current, deleted: true } };
  }
  const { document } = mutation;
  const next = { id: document.id, type: document.type, body: document, deleted: false };
  if (current === undefined)
    return mutation.baseVersion === 0 || isFactType(document.type)
      ? { status: 'applied', next }
      : { status: 'conflict', next: null };
  if (current.type !== document.type) return { status: 'rejected', next: null };
  if (isFact)
    return sameFact(current.body, document) ? { status: 'applied', next } : { status: 'rejected', next: null };
  return current.version === mutation.baseVersion ? { status: 'applied', next } : { status: 'conflict', next: null };
}

/**
 * Carries mutations out, in their order, inside the caller's transaction. The account's row is locked first and its
 * counter moved last, so that numbers become visible in the order they were given out: a cursor never passes a change
 * that is still to come. A key that was done before gets its old answer.
 */
export async function push(
  transaction: Queryable,
  accountId: string,
  mutations: readonly Mutation[],
): Promise<MutationResult[]> {
  const [account] = await transaction.query<{ seq: string }[]>(
    'select seq from accounts where id = $1 for no key update',
    [accountId],
  );
  if (account === undefined) throw new Error('the account is gone');
  if (mutations.length === 0) return [];

  const done = new Map<string, MutationResult>();
  const known = await transaction.query<{ key: string; result: MutationResult }[]>(
    'select key, result from mutations where account_id = $1 and key = any($2::uuid[])',
    [accountId, mutations.map(({ key }) => key)],
  );
  for (const { key, result } of known) done.set(key, result);

  const idOf = (mutation: Mutation) => (mutation.op === 'put' ? mutation.document.id : mutation.id);
  const rows = new Map<string, Row>();
  const current = await transaction.query<Row[]>(
    'select id, type, body, version::int, seq::int, deleted_at is not null as deleted from documents ' +
      'where account_id = $1 and id = any($2::uuid[])',
    [accountId, mutations.map(idOf)],
  );
  for (const row of current) rows.set(row.id, row);

  let seq = Number(account.seq);
  const changed = new Map<string, Row>();
  const fresh: MutationResult[] = [];
  const results = mutations.map((mutation): MutationResult => {
    const before = done.get(mutation.key);
    if (before !== undefined) return before;
    const id = idOf(mutation);
    const row = rows.get(id);
    const { status, next } = judge(mutation, row);
    const version = (row?.version ?? 0) + (next === null ? 0 : 1);
    if (next !== null) {
      seq += 1;
      const written = { ...next, version, seq };
      rows.set(id, written);
      changed.set(id, written);
    }
    const result: MutationResult = { key: mutation.key, id, status, version };
    // a conflict did nothing: the same key may come again, merged
    if (status !== 'conflict') {
      done.set(mutation.key, result);
      fresh.push(result);
    }
    return result;
  });

  if (changed.size > 0) {
    // one jsonb parameter: a statement takes no more than 65 535 of them
    await transaction.query(
      `insert into documents (account_id, id, type, body, version, seq, deleted_at)
       select $1, r.id, r.type, r.body, r.version, r.seq, case when r.deleted then now() end
       from jsonb_to_recordset($2::jsonb) as r (id uuid, type text, body jsonb, version bigint, seq bigint, deleted boolean)
       on conflict (account_id, id) do update set body = excluded.body, version = excluded.version, seq = excluded.seq,
         deleted_at = excluded.deleted_at, updated_at = now()`,
      [accountId, JSON.stringify([...changed.values()])],
    );
    await transaction.query('update accounts set seq = $2 where id = $1', [accountId, seq]);
  }
  if (fresh.length > 0)
    await transaction.query(
      "insert into mutations (account_id, key, result) select $1, (r ->> 'key')::uuid, r from jsonb_array_elements($2::jsonb) r",
      [accountId, JSON.stringify(fresh)],
    );
  return results;
}
