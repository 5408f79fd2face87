import { BRING_BACK_DAYS, type HistoryMark } from '@sphene/core/documents';
import type { Queryable } from '../db/dataSource';

/** How many changes one answer carries at most. */
export const PAGE = 1000;
/** And how many bytes of documents; a single document may pass it. */
const PAGE_BYTES = 1_500_000;

/** How a moment is written out, as a format of the database. */
export const ISO = `'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'`;

/** Whether a place that a device has seen is in the history; whoever has seen nothing yet has seen no other. */
const SEEN = `(coalesce($5::bigint, 0) = 0 or exists (
  select from marks m where m.account_id = $1 and m.seq = $5::bigint and m.mark = $6::uuid))`;

/** A document as the protocol has it, of a row `d`. */
const STORED = `json_build_object(
  'id', d.id, 'version', d.version, 'seq', d.seq,
  'document', case when d.deleted_at < now() - interval '${BRING_BACK_DAYS} days' then null else d.body end,
  'deletedAt', to_char(d.deleted_at at time zone 'UTC', ${ISO}),
  'by', d.written -> 'by', 'at', d.written -> 'at')`;

/** A page of changes. */
export interface Pulled {
  /** false: the device stands in another history */
  isKnown: boolean;
  /** the changes as JSON, made by the database: it costs a fifth of building them here and writing them out again */
  changesJson: string;
  cursor: number;
  more: boolean;
  head: HistoryMark;
}

/**
 * What has changed in an account after a cursor, oldest first, each document once in its newest state. Reads the
 * sizes of a page first, and only the documents that it sends. Takes no lock: numbers become visible in their order.
 */
export async function pull(
  transaction: Queryable,
  accountId: string,
  cursor: number,
  seen: HistoryMark | null = null,
): Promise<Pulled> {
  const [row] = await transaction.query<
    { changes: string | null; last: string | null; seq: string; mark: string; known: boolean }[]
  >(
    `with page as materialized (
       select id, seq, sum(bytes) over (order by seq) as total from (
         select id, seq, bytes from documents where account_id = $1 and seq > $2 order by seq limit $3) next),
     sent as (
       select d.seq, ${STORED} as stored from page p join documents d on d.account_id = $1 and d.id = p.id
       where p.total <= $4 or p.seq = (select min(seq) from page))
     select a.seq, a.mark, ${SEEN} as known, (select max(seq) from sent) as last,
       (select json_agg(stored order by seq)::text from sent) as changes
     from accounts a where a.id = $1`,
    [accountId, cursor, PAGE, PAGE_BYTES, seen?.seq ?? null, seen?.mark ?? null],
  );
  if (row === undefined) throw new Error('the account is gone');
  const head = { seq: Number(row.seq), mark: row.mark };
  const last = row.last === null ? Math.max(cursor, head.seq) : Number(row.last);
  return {
    isKnown: row.known,
    changesJson: row.changes ?? '[]',
    cursor: Math.min(last, head.seq),
    more: last < head.seq,
    head,
  };
}
