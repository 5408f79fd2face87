import type { MigrationInterface, QueryRunner } from 'typeorm';

import { upgradeDocuments } from '../upgradeDocuments';

const KEEP_FACTS = `create trigger documents_keep_facts before update on documents
  for each row when (old.type in ('reading', 'sceneChange', 'frame', 'change', 'edit')) execute function keep_facts()`;

/**
 * What the second version of the protocol needs: whose history it is and where a device stood in it, who wrote what,
 * pictures apart from facts, and what is deleted with its content until it cannot be brought back any more.
 */
export class Sync1780000400000 implements MigrationInterface {
  name = 'Sync1780000400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'create table lineage (id uuid primary key default gen_random_uuid(), only_one boolean not null default true unique)',
    );
    await runner.query('insert into lineage default values');
    await runner.query('alter table accounts add column mark uuid not null default gen_random_uuid()');
    await runner.query(`
      create table marks (
        account_id uuid not null constraint marks_account_fk references accounts (id) on delete cascade,
        seq bigint not null,
        mark uuid not null,
        made_at timestamptz not null default now(),
        primary key (account_id, seq, mark)
      )`);
    await runner.query('create index sessions_account_idx on sessions (account_id)');
    await runner.query('create index mutations_applied_idx on mutations (applied_at)');
    await runner.query(`
      create table pictures (
        account_id uuid not null constraint pictures_account_fk references accounts (id) on delete cascade,
        frame_id uuid not null,
        size integer not null,
        bytes bytea not null,
        primary key (account_id, frame_id)
      )`);
    await runner.query('alter table documents add column written jsonb');
    await runner.query('alter table documents add column bytes integer not null default 0');
    await runner.query('drop trigger documents_keep_facts on documents');
    await runner.query(`
      insert into pictures (account_id, frame_id, size, bytes)
      select account_id, id, octet_length(picture), picture from (
        select account_id, id, decode(split_part(body ->> 'image', ',', 2), 'base64') as picture
        from documents where type = 'frame' and body ? 'image') with_picture`);
    await upgradeDocuments(runner);
    await runner.query('update documents set bytes = octet_length(body::text)');
    await runner.query(KEEP_FACTS);
    await this.bringInside(runner);
    await runner.query('insert into marks (account_id, seq, mark) select id, seq, mark from accounts');
    await runner.query("create index documents_spot_idx on documents (account_id, (body ->> 'spotId'))");
    await runner.query('create index documents_deleted_idx on documents (account_id) where deleted_at is not null');
  }

  /** What lies in a shoot that is deleted was deleted by itself; now it goes and comes back with it. */
  private async bringInside(runner: QueryRunner): Promise<void> {
    await runner.query(`
      with inside as (
        select d.account_id, d.id, row_number() over (partition by d.account_id order by d.seq) as n
        from documents d join documents s on s.account_id = d.account_id and s.id = d.shoot_id
        where d.deleted_at is not null and s.deleted_at is not null)
      update documents d set deleted_at = null, version = d.version + 1, seq = a.seq + i.n
      from inside i, accounts a where d.account_id = i.account_id and d.id = i.id and a.id = i.account_id`);
    await runner.query(`
      update accounts a set seq = greatest(a.seq, (select max(seq) from documents where account_id = a.id))
      where exists (select from documents where account_id = a.id)`);
  }

  down(): Promise<void> {
    return Promise.reject(new Error('earlier versions cannot read what this one wrote: restore a backup instead'));
  }
}
