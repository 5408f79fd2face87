import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Links by which somebody without an account reads one setup's card until a time. */
export class CardLinks1780001400000 implements MigrationInterface {
  name = 'CardLinks1780001400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table card_links (
        key text primary key,
        account_id uuid not null constraint card_links_account_fk references accounts (id) on delete cascade,
        setup_id uuid not null,
        sheet text not null,
        created_at timestamptz not null default now(),
        expires_at timestamptz not null
      )`);
    await runner.query('create index card_links_setup_idx on card_links (account_id, setup_id)');
    await runner.query('create index card_links_expires_idx on card_links (expires_at)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table card_links');
  }
}
