import type { Document, Stored } from '@sphene/core/documents';

import type { Queryable } from '../db/dataSource';

/** How many changes one answer carries at most. */
export const PAGE = 500;

/** What has changed in an account after a cursor, oldest first, each document once in its newest state. */
export async function pull(transaction: Queryable, accountId: string, cursor: number): Promise<{ changes: Stored[]; cursor: number; more: boolean }> {
  const rows = await transaction.query<{ id: string; version: number; seq: number; document: Document | null }[]>(
    `select id, version::int, seq::int, case when deleted_at is null then body end as document
     from documents where account_id = $1 and seq > $2 order by seq limit $3`,
    [accountId, cursor, PAGE + 1],
  );
  const more = rows.length > PAGE;
  const changes = rows.slice(0, PAGE);
  return { changes, cursor: changes.at(-1)?.seq ?? cursor, more };
}
