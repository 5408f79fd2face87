import { BRING_BACK_DAYS } from '@sphene/core/documents';
import { MAX_FRAME_IMAGE_LETTERS } from '@sphene/core/frames';
import type { Queryable } from '../db/dataSource';
import { CHANNEL } from '../sync/changes';

/** The most that a downsized copy takes: four letters of a data address are three bytes. */
export const MOST_PICTURE_BYTES = (MAX_FRAME_IMAGE_LETTERS * 3) / 4;

/** A part of a picture, and how large it will be as a whole. */
export interface PicturePart {
  /** the frame, the photograph or the look that it is of */
  frameId: string;
  from: number;
  size: number;
  bytes: Uint8Array;
}

/** A frame, a photograph or a look of the account that is there, or can still be brought back. */
async function hasFrame(database: Queryable, accountId: string, frameId: string): Promise<boolean> {
  const found = await database.query<unknown[]>(
    `select from documents f left join documents s on s.account_id = f.account_id and s.id = f.setup_id
     where f.account_id = $1 and f.id = $2 and (f.type in ('photo', 'look') or f.type = 'frame' and s.id is not null)
       and not exists (
         select from documents g where g.account_id = $1 and g.deleted_at < now() - interval '${BRING_BACK_DAYS} days'
           and g.id::text in (f.id::text, f.shoot_id::text, f.body ->> 'spotId',
             s.id::text, s.shoot_id::text, s.body ->> 'spotId'))`,
    [accountId, frameId],
  );
  return found.length > 0;
}

/**
 * Adds a part to a picture, where it goes on from what is there already; a part that was sent twice does nothing.
 * @returns how many bytes there are now; null: there is nothing that it could be of
 */
export async function addPart(database: Queryable, accountId: string, part: PicturePart): Promise<number | null> {
  const { frameId, from, size, bytes } = part;
  if (!(await hasFrame(database, accountId, frameId))) return null;
  const buffer = Buffer.from(bytes);
  if (from === 0)
    await database.query(
      'insert into pictures (account_id, frame_id, size, bytes) values ($1, $2, $3, $4) on conflict do nothing',
      [accountId, frameId, size, buffer],
    );
  else
    await database.query(
      `update pictures set bytes = bytes || $3::bytea
       where account_id = $1 and frame_id = $2 and octet_length(bytes) = $4 and size = $5
         and octet_length(bytes) + octet_length($3::bytea) <= size`,
      [accountId, frameId, buffer, from, size],
    );
  const [row] = await database.query<{ have: number }[]>(
    'select octet_length(bytes) as have from pictures where account_id = $1 and frame_id = $2',
    [accountId, frameId],
  );
  const have = row?.have ?? 0;
  if (have >= size && from + bytes.length >= size) await markHistory(database, accountId);
  return have;
}

/**
 * A picture that is whole is a place in the account's history of its own, though no document changed: a database that was
 * restored from before it is then known as one, and devices send the picture again.
 */
async function markHistory(database: Queryable, accountId: string): Promise<void> {
  await database.query(
    `with account as (update accounts set mark = gen_random_uuid() where id = $1 returning id, seq, mark),
     marked as (insert into marks (account_id, seq, mark) select id, seq, mark from account)
     select pg_notify('${CHANNEL}', id::text) from account`,
    [accountId],
  );
}

/** A whole picture; undefined where there is none, or not all of it yet. */
export async function readPicture(
  database: Queryable,
  accountId: string,
  frameId: string,
): Promise<Buffer | undefined> {
  const [row] = await database.query<{ bytes: Buffer }[]>(
    'select bytes from pictures where account_id = $1 and frame_id = $2 and octet_length(bytes) = size',
    [accountId, frameId],
  );
  return row?.bytes;
}
