import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Accounts, sessions, documents and the keys of mutations done; readings and changes are append-only by a trigger. */
export class Start1780000000000 implements MigrationInterface {
  name = 'Start1780000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table accounts (
        id uuid primary key default gen_random_uuid(),
        name text not null constraint accounts_name_key unique,
        seq bigint not null default 0,
        created_at timestamptz not null default now()
      )`);
    await runner.query(`
      create table sessions (
        id text primary key,
        account_id uuid not null constraint sessions_account_fk references accounts (id) on delete cascade,
        created_at timestamptz not null default now(),
        expires_at timestamptz not null
      )`);
    await runner.query('create index sessions_expires_idx on sessions (expires_at)');
    await runner.query(`
      create table documents (
        account_id uuid not null constraint documents_account_fk references accounts (id) on delete cascade,
        id uuid not null,
        type text not null,
        body jsonb not null,
        version bigint not null,
        seq bigint not null,
        shoot_id uuid generated always as ((body ->> 'shootId')::uuid) stored,
        setup_id uuid generated always as ((body ->> 'setupId')::uuid) stored,
        updated_at timestamptz not null default now(),
        deleted_at timestamptz,
        primary key (account_id, id)
      )`);
    await runner.query('create unique index documents_seq_idx on documents (account_id, seq)');
    await runner.query('create index documents_setup_idx on documents (account_id, setup_id)');
    await runner.query('create index documents_shoot_idx on documents (account_id, shoot_id)');
    await runner.query(`
      create table mutations (
        account_id uuid not null constraint mutations_account_fk references accounts (id) on delete cascade,
        key uuid not null,
        result jsonb not null,
        applied_at timestamptz not null default now(),
        primary key (account_id, key)
      )`);
    await runner.query(`
      create function keep_facts() returns trigger language plpgsql as $$
      begin
        if old.body - 'struckAt' is distinct from new.body - 'struckAt' or new.deleted_at is not null then
          raise exception 'readings and changes are facts: they can be struck out, not edited'
            using errcode = 'integrity_constraint_violation';
        end if;
        return new;
      end $$`);
    await runner.query(`
      create trigger documents_keep_facts before update on documents
      for each row when (old.type in ('reading', 'change')) execute function keep_facts()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table mutations, documents, sessions, accounts');
    await runner.query('drop function keep_facts');
  }
}
