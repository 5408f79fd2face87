import { randomBytes } from 'node:crypto';

import type { CardLink, CardSheetKind } from '@sphene/core/sheets';
import type { Queryable } from '../db/dataSource';

/** 128 random bits: nobody guesses them. */
const KEY_BYTES = 16;
/** As many links of one setup are in use at most. */
const MOST_OF_A_SETUP = 20;

const HOUR_MS = 3_600_000;

/** Whose card a link opens. */
export interface OpenedLink {
  accountId: string;
  setupId: string;
  sheet: CardSheetKind;
  expiresAt: Date;
}

interface Row {
  key: string;
  account_id: string;
  setup_id: string;
  sheet: CardSheetKind;
  expires_at: Date;
}

const COLUMNS = 'key, account_id, setup_id, sheet, expires_at';

/** Links of a setup that are not over, the newest first. */
export async function linksOf(database: Queryable, accountId: string, setupId: string): Promise<CardLink[]> {
  const rows = await database.query<Row[]>(
    `select ${COLUMNS} from card_links where account_id = $1 and setup_id = $2 and expires_at > now()
     order by created_at desc, key`,
    [accountId, setupId],
  );
  return rows.map(({ key, sheet, expires_at }) => ({ key, sheet, expiresAt: expires_at.toISOString() }));
}

/**
 * Makes a link to the card of a setup of this account.
 * @returns null where there is no such setup, or it has as many links as it may
 */
export async function makeLink(
  database: Queryable,
  { accountId, setupId, sheet, hours }: Pick<OpenedLink, 'accountId' | 'setupId' | 'sheet'> & { hours: number },
): Promise<CardLink | null> {
  const key = randomBytes(KEY_BYTES).toString('base64url');
  const expiresAt = new Date(Date.now() + hours * HOUR_MS);
  const made = await database.query<unknown[]>(
    `insert into card_links (key, account_id, setup_id, sheet, expires_at)
     select $1, $2, $3, $4, $5
     where exists (select from documents where account_id = $2 and id = $3 and type = 'setup' and deleted_at is null)
       and (select count(*) from card_links where account_id = $2 and setup_id = $3 and expires_at > now()) < $6
     returning key`,
    [key, accountId, setupId, sheet, expiresAt, MOST_OF_A_SETUP],
  );
  return made.length === 0 ? null : { key, sheet, expiresAt: expiresAt.toISOString() };
}

/** Takes a link back; whoever has it reads nothing any more. @returns false where it is none of this account's */
export async function withdrawLink(database: Queryable, accountId: string, key: string): Promise<boolean> {
  const [gone] = await database.query<[unknown[], number]>(
    'delete from card_links where account_id = $1 and key = $2 returning key',
    [accountId, key],
  );
  return gone.length > 0;
}

/** What a key opens; `undefined` for one that is over, was taken back or never was. */
export async function openedLink(database: Queryable, key: string): Promise<OpenedLink | undefined> {
  const [row] = await database.query<Row[]>(`select ${COLUMNS} from card_links where key = $1 and expires_at > now()`, [
    key,
  ]);
  if (row === undefined) return undefined;
  return { accountId: row.account_id, setupId: row.setup_id, sheet: row.sheet, expiresAt: row.expires_at };
}
