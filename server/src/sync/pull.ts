import type { Document, Stored } from '@sphene/core/documents';
import type { Queryable } from '../db/dataSource';

/** How many changes one answer carries at most. */
export const PAGE = 500;
/** And how many bytes of documents, for test frames are large; a single document may pass it. */
const PAGE_BYTES = 3_000_000;

/** What has changed in an account after a cursor, oldest first, each document once in its newest state. */
export async function pull(
  transaction: Queryable,
  accountId: string,
  cursor: number,
): Promise<{ changes: Stored[]; cursor: number; more: boolean }> {
  const rows = await transaction.query<
    { id: string; version: number; seq: number; document: Document | null; bytes: number }[]
  >(
    `select id, version::int, seq::int, document, (sum(octet_length(document::text)) over (order by seq))::int as bytes
     from (select id, version, seq, case when deleted_at is null then body end as document
           from documents where account_id = $1 and seq > $2 order by seq limit $3) page order by seq`,
    [accountId, cursor, PAGE + 1],
  );
  const changes = rows
    .slice(0, PAGE)
    .filter(({ bytes }, index) => index === 0 || bytes <= PAGE_BYTES)
    .map(({ bytes: _bytes, ...change }) => change);
  return { changes, cursor: changes.at(-1)?.seq ?? cursor, more: changes.length < rows.length };
}
