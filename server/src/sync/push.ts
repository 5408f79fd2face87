import { QueryFailedError } from 'typeorm';

import {
  type By,
  type Document,
  type Held,
  judge,
  type Mutation,
  type MutationResult,
  type Stored,
  type Verdict,
} from '@sphene/core/documents';
import type { Queryable } from '../db/dataSource';
import { CHANNEL } from './changes';
import { STORED } from './pull';

/** Who pushes, and what it has seen. */
export interface Pusher {
  accountId: string;
  by: By;
  /** the number of the last change that the device has seen */
  cursor: number;
}

interface Row extends Held {
  id: string;
  seq: number;
  written: { by: By; at: string } | null;
}

/** What is known before anything is judged. */
interface Known {
  done: Map<string, MutationResult>;
  rows: Map<string, Row>;
  /** which shoot and spot a setup lies in */
  setups: Map<string, string[]>;
  /** deleted by someone, and the device has not seen it: what is put inside brings it back */
  unseenDeleted: Map<string, Row>;
}

const idOf = (mutation: Mutation) => (mutation.op === 'put' ? mutation.document.id : mutation.id);

const placesOf = (document: Document): string[] =>
  ['shootId', 'spotId', 'setupId'].flatMap((key) => {
    const id = (document as Record<string, unknown>)[key];
    return typeof id === 'string' ? [id] : [];
  });

async function look(transaction: Queryable, pusher: Pusher, mutations: readonly Mutation[]): Promise<Known> {
  const places = [...new Set(mutations.flatMap((one) => (one.op === 'put' ? placesOf(one.document) : [])))];
  const row = `json_build_object('id', d.id, 'body', d.body, 'version', d.version, 'seq', d.seq,
    'deleted', d.deleted_at is not null, 'written', d.written)`;
  const [found] = await transaction.query<
    { done: MutationResult[] | null; rows: Row[] | null; setups: [string, string[]][] | null; deleted: Row[] | null }[]
  >(
    `with setups as (
       select id, array[shoot_id::text, body ->> 'spotId'] as places from documents
       where account_id = $1 and id = any($4::uuid[]) and type = 'setup')
     select
       (select json_agg(result) from mutations where account_id = $1 and key = any($2::uuid[])) as done,
       (select json_agg(${row}) from documents d where account_id = $1 and id = any($3::uuid[])) as rows,
       (select json_agg(json_build_array(id, places)) from setups) as setups,
       (select json_agg(${row}) from documents d where account_id = $1 and deleted_at is not null and seq > $5
          and (id = any($4::uuid[]) or id::text in (select unnest(places) from setups))) as deleted`,
    [pusher.accountId, mutations.map(({ key }) => key), mutations.map(idOf), places, pusher.cursor],
  );
  return {
    done: new Map((found?.done ?? []).map((result) => [result.key, result])),
    rows: new Map((found?.rows ?? []).map((one) => [one.id, one])),
    setups: new Map(found?.setups ?? []),
    unseenDeleted: new Map((found?.deleted ?? []).map((one) => [one.id, one])),
  };
}

/** True when someone else has put something into a shoot, spot or setup that the device has not seen. */
async function holdsUnseen(transaction: Queryable, { accountId, by, cursor }: Pusher, id: string): Promise<boolean> {
  const found = await transaction.query<unknown[]>(
    `select from documents d where account_id = $1 and seq > $2 and deleted_at is null
       and coalesce(written -> 'by' ->> 'id', '') <> $3
       and (shoot_id = $4 or setup_id = $4 or body ->> 'spotId' = $4::text or setup_id in (
         select id from documents where account_id = $1 and type = 'setup'
           and (shoot_id = $4 or body ->> 'spotId' = $4::text)))
     limit 1`,
    [accountId, cursor, by.id, id],
  );
  return found.length > 0;
}

/** The documents as they were met, for the device to merge with. */
async function currentOf(transaction: Queryable, accountId: string, ids: string[]): Promise<Map<string, Stored>> {
  if (ids.length === 0) return new Map();
  const rows = await transaction.query<{ stored: Stored }[]>(
    `select ${STORED} as stored from documents d where account_id = $1 and id = any($2::uuid[])`,
    [accountId, ids],
  );
  return new Map(rows.map(({ stored }) => [stored.id, stored]));
}

/** Mutations judged one after the other, with what is to be written for them. */
class Work {
  readonly changed = new Map<string, Row>();
  readonly fresh: MutationResult[] = [];
  readonly conflicts: { key: string; id: string }[] = [];

  constructor(
    private readonly known: Known,
    private readonly pusher: Pusher,
    private seq: number,
  ) {}

  get lastSeq(): number {
    return this.seq;
  }

  private write(id: string, next: Omit<Held, 'version'>, at: string): Row {
    this.seq += 1;
    const version = (this.known.rows.get(id)?.version ?? 0) + 1;
    const row = { ...next, id, version, seq: this.seq, written: { by: this.pusher.by, at } };
    this.known.rows.set(id, row);
    this.changed.set(id, row);
    return row;
  }

  /** What was deleted elsewhere comes back whole when something is put inside by whoever had not seen that. */
  private bringBackAround(document: Document, at: string): void {
    const inside = placesOf(document);
    for (const id of [...inside, ...inside.flatMap((setupId) => this.known.setups.get(setupId) ?? [])]) {
      const gone = this.known.unseenDeleted.get(id);
      if (gone === undefined || this.known.rows.get(id)?.deleted === false) continue;
      if (!this.known.rows.has(id)) this.known.rows.set(id, gone);
      this.write(id, { body: gone.body, deleted: false }, at);
    }
  }

  /** A mutation that is known already: its old answer. */
  before = (mutation: Mutation): MutationResult | undefined => this.known.done.get(mutation.key);

  verdict = (mutation: Mutation): Verdict => judge(mutation, this.known.rows.get(idOf(mutation)));

  carryOut(mutation: Mutation, verdict: Verdict): MutationResult {
    const id = idOf(mutation);
    const { key } = mutation;
    if (verdict.status === 'conflict') {
      this.conflicts.push({ key, id });
      // it did nothing: the same key may come again, merged
      return { status: 'conflict', key, id, current: null };
    }
    const result: MutationResult =
      verdict.status === 'refused'
        ? { ...verdict, key, id }
        : { status: 'applied', key, id, version: this.applied(id, verdict.next, mutation) };
    this.known.done.set(key, result);
    this.fresh.push(result);
    return result;
  }

  private applied(id: string, next: Omit<Held, 'version'> | null, { at }: Mutation): number {
    if (next === null) return 0;
    const { version } = this.write(id, next, at);
    if (!next.deleted) this.bringBackAround(next.body, at);
    return version;
  }
}

/** Writes what was judged, in one statement. */
async function keep(transaction: Queryable, { accountId }: Pusher, work: Work): Promise<void> {
  if (work.fresh.length === 0) return;
  // one parameter of JSON: a statement takes no more than 65 535 of them
  const rows = [...work.changed.values()].map((row) => {
    const body = JSON.stringify(row.body);
    return { ...row, type: row.body.type, bytes: Buffer.byteLength(body) };
  });
  await transaction.query(
    `with written as (
       insert into documents (account_id, id, type, body, version, seq, deleted_at, written, bytes)
       select $1, r.id, r.type, r.body, r.version, r.seq, case when r.deleted then now() end, r.written, r.bytes
       from jsonb_to_recordset($2::jsonb) as r
         (id uuid, type text, body jsonb, version bigint, seq bigint, deleted boolean, written jsonb, bytes integer)
       on conflict (account_id, id) do update set body = excluded.body, version = excluded.version, seq = excluded.seq,
         deleted_at = excluded.deleted_at, written = excluded.written, bytes = excluded.bytes, updated_at = now()),
     done as (
       insert into mutations (account_id, key, result)
       select $1, (r ->> 'key')::uuid, r from jsonb_array_elements($3::jsonb) r),
     account as (
       update accounts set seq = $4, mark = gen_random_uuid() where id = $1 and seq < $4 returning id, seq, mark),
     marked as (insert into marks (account_id, seq, mark) select id, seq, mark from account)
     select pg_notify('${CHANNEL}', id::text) from account`,
    [accountId, JSON.stringify(rows), JSON.stringify(work.fresh), work.lastSeq],
  );
}

async function judgeAll(
  transaction: Queryable,
  pusher: Pusher,
  seq: number,
  mutations: readonly Mutation[],
): Promise<{ results: MutationResult[]; seq: number }> {
  const work = new Work(await look(transaction, pusher, mutations), pusher, seq);
  const results: MutationResult[] = [];
  for (const mutation of mutations) {
    const before = work.before(mutation);
    if (before !== undefined) {
      results.push(before);
      continue;
    }
    let verdict = work.verdict(mutation);
    const deletes = mutation.op === 'delete' && verdict.status === 'applied' && verdict.next !== null;
    if (deletes && (await holdsUnseen(transaction, pusher, mutation.id))) verdict = { status: 'conflict' };
    results.push(work.carryOut(mutation, verdict));
  }
  await keep(transaction, pusher, work);
  const current = await currentOf(
    transaction,
    pusher.accountId,
    work.conflicts.map(({ id }) => id),
  );
  const answered = results.map((result) =>
    result.status === 'conflict' ? { ...result, current: current.get(result.id) ?? null } : result,
  );
  return { results: answered, seq: work.lastSeq };
}

/** What the database itself cannot keep, as it says of a value or of a rule; anything else is no fault of what came. */
const isNotStorable = (error: unknown): boolean =>
  error instanceof QueryFailedError && /^(22|23)/.test(String((error.driverError as { code?: unknown }).code));

/** Work in a savepoint; null where the database cannot keep it, and everything is as it was before. */
async function tried<T>(transaction: Queryable, work: () => Promise<T>): Promise<T | null> {
  await transaction.query('savepoint one');
  try {
    const done = await work();
    await transaction.query('release savepoint one');
    return done;
  } catch (error) {
    if (!isNotStorable(error)) throw error;
    await transaction.query('rollback to savepoint one');
    return null;
  }
}

/**
 * Carries mutations out, in their order, inside the caller's transaction, in which the account's row is locked: its
 * counter moves last, so that numbers become visible in the order in which they were given out, and a cursor never
 * passes a change that is still to come. A key that was done before gets its old answer. One mutation that cannot be
 * kept stops none of the others.
 * @param seq the account's counter, as it was when the row was locked
 */
export async function push(
  transaction: Queryable,
  pusher: Pusher,
  seq: number,
  mutations: readonly Mutation[],
): Promise<MutationResult[]> {
  const together = await tried(transaction, () => judgeAll(transaction, pusher, seq, mutations));
  if (together !== null) return together.results;
  const results: MutationResult[] = [];
  let last = seq;
  for (const mutation of mutations) {
    const alone = await tried(transaction, () => judgeAll(transaction, pusher, last, [mutation]));
    last = alone?.seq ?? last;
    results.push(
      ...(alone?.results ?? [
        {
          status: 'refused' as const,
          key: mutation.key,
          id: idOf(mutation),
          reason: { kind: 'not-storable' as const },
        },
      ]),
    );
  }
  return results;
}
