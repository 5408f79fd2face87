import type { QueryRunner } from 'typeorm';

import { MIGRATED_TYPES, migrateDocument } from '@sphene/core/documents';

const BATCH = 500;

/**
 * Brings the documents of earlier versions up to date where they lie, batch by batch; those of the present one
 * are not touched.
 */
export async function upgradeDocuments(runner: QueryRunner): Promise<void> {
  let after: [string, string] = ['00000000-0000-0000-0000-000000000000', '00000000-0000-0000-0000-000000000000'];
  for (;;) {
    const rows = (await runner.query(
      'select account_id, id, body from documents where type = any($1) and (account_id, id) > ($2::uuid, ' +
        '$3::uuid) order by account_id, id limit $4',
      [MIGRATED_TYPES, ...after, BATCH],
    )) as { account_id: string; id: string; body: unknown }[];
    const last = rows.at(-1);
    if (last === undefined) return;
    const bodies = rows.flatMap(({ account_id, id, body }) => {
      const upgraded = migrateDocument(body);
      return upgraded === body ? [] : [{ account_id, id, body: upgraded }];
    });
    await runner.query(
      'update documents d set body = r.body from jsonb_to_recordset($1::jsonb) as r (account_id uuid, id ' +
        'uuid, body jsonb) where d.account_id = r.account_id and d.id = r.id',
      [JSON.stringify(bodies)],
    );
    after = [last.account_id, last.id];
  }
}
