import { MIGRATED_TYPES, migrateDocument } from '@sphene/core/documents';
import type { MigrationInterface, QueryRunner } from 'typeorm';

const BATCH = 500;

/** Changes of the scene and test frames are facts too; documents of earlier versions are brought up to date where they lie. */
export class Metering1780000100000 implements MigrationInterface {
  name = 'Metering1780000100000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('drop trigger documents_keep_facts on documents');
    let after: [string, string] = ['00000000-0000-0000-0000-000000000000', '00000000-0000-0000-0000-000000000000'];
    for (;;) {
      const rows = (await runner.query(
        'select account_id, id, body from documents where type = any($1) and (account_id, id) > ($2::uuid, $3::uuid) order by account_id, id limit $4',
        [MIGRATED_TYPES, ...after, BATCH],
      )) as { account_id: string; id: string; body: unknown }[];
      const last = rows.at(-1);
      if (last === undefined) break;
      const bodies = rows.map(({ account_id, id, body }) => ({ account_id, id, body: migrateDocument(body) }));
      await runner.query('update documents d set body = r.body from jsonb_to_recordset($1::jsonb) as r (account_id uuid, id uuid, body jsonb) where d.account_id = r.account_id and d.id = r.id', [JSON.stringify(bodies)]);
      after = [last.account_id, last.id];
    }
    await runner.query(`
      create or replace function keep_facts() returns trigger language plpgsql as $$
      begin
        if old.body - 'struckAt' is distinct from new.body - 'struckAt' or new.deleted_at is not null then
          raise exception '% is a fact: it can be struck out, not edited', old.type using errcode = 'integrity_constraint_violation';
        end if;
        return new;
      end $$`);
    await runner.query(`
      create trigger documents_keep_facts before update on documents
      for each row when (old.type in ('reading', 'sceneChange', 'frame', 'change')) execute function keep_facts()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    // earlier versions cannot read what this one wrote: only the rule goes back
    await runner.query('drop trigger documents_keep_facts on documents');
    await runner.query("create trigger documents_keep_facts before update on documents for each row when (old.type in ('reading', 'change')) execute function keep_facts()");
  }
}
