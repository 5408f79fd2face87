import { QueryFailedError } from 'typeorm';

import {
  type By,
  type Document,
  type Held,
  type HistoryMark,
  judge,
  type Mutation,
  type MutationResult,
  type Stored,
  type Verdict,
} from '@sphene/core/documents';
import type { Queryable } from '../db/dataSource';
import { CHANNEL } from './changes';
import { ISO } from './pull';

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
  deletedAt: string | null;
  written: { by: By; at: string } | null;
}

/** What is known before anything is judged. */
export interface Known {
  /** the account's counter */
  seq: number;
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

const ROW = `json_build_object('id', d.id, 'body', d.body, 'version', d.version, 'seq', d.seq,
  'deleted', d.deleted_at is not null, 'deletedAt', to_char(d.deleted_at at time zone 'UTC', ${ISO}),
  'written', d.written)`;

/** Looks up all that mutations are judged by. */
export async function look(database: Queryable, pusher: Pusher, mutations: readonly Mutation[]): Promise<Known> {
  const places = [...new Set(mutations.flatMap((one) => (one.op === 'put' ? placesOf(one.document) : [])))];
  const [found] = await database.query<
    {
      seq: string;
      done: MutationResult[] | null;
      rows: Row[] | null;
      setups: [string, string[]][] | null;
      deleted: Row[] | null;
    }[]
  >(
    `with setups as (
       select id, array[shoot_id::text, body ->> 'spotId'] as places from documents
       where account_id = $1 and id = any($4::uuid[]) and type = 'setup')
     select
       (select seq from accounts where id = $1) as seq,
       (select json_agg(result) from mutations where account_id = $1 and key = any($2::uuid[])) as done,
       (select json_agg(${ROW}) from documents d where account_id = $1 and id = any($3::uuid[])) as rows,
       (select json_agg(json_build_array(id, places)) from setups) as setups,
       (select json_agg(${ROW}) from documents d where account_id = $1 and deleted_at is not null and seq > $5
          and (id = any($4::uuid[]) or id::text in (select unnest(places) from setups))) as deleted`,
    [pusher.accountId, mutations.map(({ key }) => key), mutations.map(idOf), places, pusher.cursor],
  );
  return {
    seq: Number(found?.seq ?? 0),
    done: new Map((found?.done ?? []).map((result) => [result.key, result])),
    rows: new Map((found?.rows ?? []).map((one) => [one.id, one])),
    setups: new Map(found?.setups ?? []),
    unseenDeleted: new Map((found?.deleted ?? []).map((one) => [one.id, one])),
  };
}

/** True when someone else has put something into a shoot, spot or setup that the device has not seen. */
async function holdsUnseen(database: Queryable, { accountId, by, cursor }: Pusher, id: string): Promise<boolean> {
  const found = await database.query<unknown[]>(
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

/** A document as the protocol has it. */
const storedOf = ({ id, body, version, seq, deletedAt, written }: Row): Stored => ({
  id,
  version,
  seq,
  document: body,
  deletedAt,
  by: written?.by ?? null,
  at: written?.at ?? null,
});

/** Mutations judged one after the other, with what is to be written for them. */
export class Work {
  private readonly changed = new Map<string, Row>();
  private readonly fresh: MutationResult[] = [];
  private seq: number;
  readonly results: MutationResult[] = [];

  private constructor(
    private readonly known: Known,
    private readonly pusher: Pusher,
  ) {
    this.seq = known.seq;
  }

  /** Judges all mutations, in their order. */
  static async of(database: Queryable, pusher: Pusher, known: Known, mutations: readonly Mutation[]): Promise<Work> {
    const work = new Work(known, pusher);
    for (const mutation of mutations) {
      const before = known.done.get(mutation.key);
      if (before !== undefined) {
        work.results.push(before);
        continue;
      }
      let verdict = judge(mutation, known.rows.get(idOf(mutation)));
      const deletes = mutation.op === 'delete' && verdict.status === 'applied' && verdict.next !== null;
      if (deletes && (await holdsUnseen(database, pusher, mutation.id))) verdict = { status: 'conflict' };
      work.results.push(work.carryOut(mutation, verdict));
    }
    return work;
  }

  /** What was written, as whoever pulls gets it. */
  get changes(): Stored[] {
    return [...this.changed.values()].sort((a, b) => a.seq - b.seq).map(storedOf);
  }

  private write(id: string, next: Omit<Held, 'version'>, at: string): Row {
    this.seq += 1;
    const version = (this.known.rows.get(id)?.version ?? 0) + 1;
    const deletedAt = next.deleted ? new Date().toISOString() : null;
    const row = { ...next, id, version, seq: this.seq, deletedAt, written: { by: this.pusher.by, at } };
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

  private carryOut(mutation: Mutation, verdict: Verdict): MutationResult {
    const id = idOf(mutation);
    const { key } = mutation;
    if (verdict.status === 'conflict') {
      const row = this.known.rows.get(id);
      // it did nothing: the same key may come again, merged
      return { status: 'conflict', key, id, current: row === undefined ? null : storedOf(row) };
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

  /**
   * Writes what was judged, in one statement, if nobody has written to the account since it was looked at: numbers
   * become visible in the order in which they were given out, so that a cursor never passes a change that is still to
   * come.
   * @returns the new head of the history; null: somebody was quicker, and nothing was done
   */
  async keep(database: Queryable): Promise<HistoryMark | null | 'nothing'> {
    const { accountId } = this.pusher;
    if (this.fresh.length === 0) return 'nothing';
    // one parameter of JSON: a statement takes no more than 65 535 of them
    const rows = [...this.changed.values()].map(({ deletedAt, ...row }) => {
      const body = JSON.stringify(row.body);
      return { ...row, type: row.body.type, deleted_at: deletedAt, bytes: Buffer.byteLength(body) };
    });
    const kept = await database.query<{ seq: string; mark: string }[]>(
      `with account as (
         update accounts set seq = $4, mark = case when $4 = $5 then mark else gen_random_uuid() end
         where id = $1 and seq = $5 returning id, seq, mark),
       written as (
         insert into documents (account_id, id, type, body, version, seq, deleted_at, written, bytes)
         select a.id, r.id, r.type, r.body, r.version, r.seq, r.deleted_at, r.written, r.bytes
         from account a, jsonb_to_recordset($2::jsonb) as r (id uuid, type text, body jsonb, version bigint,
           seq bigint, deleted_at timestamptz, written jsonb, bytes integer)
         on conflict (account_id, id) do update set body = excluded.body, version = excluded.version,
           seq = excluded.seq, deleted_at = excluded.deleted_at, written = excluded.written, bytes = excluded.bytes,
           updated_at = now()),
       done as (
         insert into mutations (account_id, key, result)
         select a.id, (r ->> 'key')::uuid, r from account a, jsonb_array_elements($3::jsonb) r),
       marked as (insert into marks (account_id, seq, mark) select id, seq, mark from account on conflict do nothing)
       select seq, mark, pg_notify('${CHANNEL}', id::text) from account`,
      [accountId, JSON.stringify(rows), JSON.stringify(this.fresh), this.seq, this.known.seq],
    );
    const [head] = kept;
    return head === undefined ? null : { seq: Number(head.seq), mark: head.mark };
  }
}

/** A number that is given out twice is the server's fault: nothing that a device sent can make it. */
const UNIQUE_VIOLATION = '23505';

/** What the database itself cannot keep, as it says of a value or of a rule; anything else is no fault of what came. */
export function isNotStorable(error: unknown): boolean {
  if (!(error instanceof QueryFailedError)) return false;
  const code = String((error.driverError as { code?: unknown }).code);
  return /^(22|23)/.test(code) && code !== UNIQUE_VIOLATION;
}

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
 * Carries mutations out one by one, each in a savepoint, inside the caller's transaction, in which the account's row is
 * locked: one that cannot be kept stops none of the others.
 */
export async function pushOneByOne(
  transaction: Queryable,
  pusher: Pusher,
  mutations: readonly Mutation[],
): Promise<MutationResult[]> {
  const results: MutationResult[] = [];
  for (const mutation of mutations) {
    const alone = await tried(transaction, async () => {
      const work = await Work.of(transaction, pusher, await look(transaction, pusher, [mutation]), [mutation]);
      await work.keep(transaction);
      return work.results;
    });
    const refused = {
      status: 'refused',
      key: mutation.key,
      id: idOf(mutation),
      reason: { kind: 'not-storable' },
    } as const;
    results.push(...(alone ?? [refused]));
  }
  return results;
}
