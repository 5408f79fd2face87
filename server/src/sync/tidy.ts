import type { DataSource } from 'typeorm';

import { BRING_BACK_DAYS } from '@sphene/core/documents';

/** A device that was away for longer merges with itself, and loses nothing by it. */
const KEYS_KEPT_DAYS = 60;
const MARKS_KEPT_DAYS = 180;

/**
 * Lets go of what is not needed any more: sessions and links to cards that are over, keys of mutations long done, old places in the
 * history, and, for good, the pictures of people in what was deleted and cannot be brought back any more. Facts stay.
 */
export async function tidy(dataSource: DataSource): Promise<void> {
  await dataSource.query('delete from sessions where expires_at < now()');
  await dataSource.query('delete from card_links where expires_at < now()');
  await dataSource.query(`delete from mutations where applied_at < now() - interval '${KEYS_KEPT_DAYS} days'`);
  await dataSource.query(
    `delete from marks m using accounts a where a.id = m.account_id and m.seq < a.seq
       and made_at < now() - interval '${MARKS_KEPT_DAYS} days'`,
  );
  await dataSource.query(
    `with gone as (
       select account_id, id from documents where deleted_at < now() - interval '${BRING_BACK_DAYS} days'),
     setups as (
       select d.account_id, d.id from documents d join gone g on g.account_id = d.account_id
         and (g.id = d.id or g.id = d.shoot_id or g.id::text = d.body ->> 'spotId')
       where d.type = 'setup')
     delete from pictures p using documents f, setups s
     where f.account_id = p.account_id and f.id = p.frame_id and s.account_id = f.account_id and s.id = f.setup_id`,
  );
  await dataSource.query(
    `delete from pictures p using documents f, documents g
     where f.account_id = p.account_id and f.id = p.frame_id and f.type in ('photo', 'look') and g.account_id = f.account_id
       and g.deleted_at < now() - interval '${BRING_BACK_DAYS} days'
       and g.id::text in (f.id::text, f.shoot_id::text, f.body ->> 'spotId', f.body ->> 'setupId')`,
  );
}
