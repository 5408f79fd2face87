import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

/**
 * Changes of the scene and test frames are facts too; documents of earlier versions are brought up to date where
 * they lie.
 */
export class Metering1780000100000 implements MigrationInterface {
  name = 'Metering1780000100000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('drop trigger documents_keep_facts on documents');
    await upgradeDocuments(runner, ['frame']);
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
    await runner.query(
      'create trigger documents_keep_facts before update on documents for each row when (old.type in ' +
        "('reading', 'change')) execute function keep_facts()",
    );
  }
}
