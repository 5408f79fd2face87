import type { QueryRunner } from 'typeorm';

import { MIGRATED_TYPES, migrateDocument } from '@sphene/core/documents';

const BATCH = 500;

/** Facts are never edited; that they are brought into today's form is no edit. */
async function withoutKeepingFacts(runner: QueryRunner, work: () => Promise<void>): Promise<void> {
  const found = (await runner.query(
    "select from pg_trigger where tgname = 'documents_keep_facts' and tgrelid = 'documents'::regclass",
  )) as unknown[];
  if (found.length > 0) await runner.query('alter table documents disable trigger documents_keep_facts');
  await work();
  if (found.length > 0) await runner.query('alter table documents enable trigger documents_keep_facts');
}

/**
 * Brings the documents of earlier versions up to date where they lie, batch by batch; those of the present one
 * are not touched.
 * @param except types that a later step brings up to date, which wants to see them as they were
 */
export async function upgradeDocuments(runner: QueryRunner, except: readonly string[] = []): Promise<void> {
  const types = MIGRATED_TYPES.filter((type) => !except.includes(type));
  await withoutKeepingFacts(runner, () => upgradeInBatches(runner, types));
}

async function upgradeInBatches(runner: QueryRunner, types: readonly string[]): Promise<void> {
  let after: [string, string] = ['00000000-0000-0000-0000-000000000000', '00000000-0000-0000-0000-000000000000'];
  for (;;) {
    const rows = (await runner.query(
      'select account_id, id, body from documents where type = any($1) and (account_id, id) > ($2::uuid, ' +
        '$3::uuid) order by account_id, id limit $4',
      [types, ...after, BATCH],
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
