import { type Document, documentSchema, surroundingsAt } from '@sphene/core/documents';
import { english } from '@sphene/core/english';
import { GEAR_TYPES, gatherKit, type KitItem } from '@sphene/core/gear';
import { taughtKit, teaches } from '@sphene/core/lights';
import { assistantCard, secondShooterSheet, type Sheet, type SheetFacts } from '@sphene/core/sheets';
import { solveNumbers } from '@sphene/core/solution';
import type { Queryable } from '../db/dataSource';
import type { OpenedLink } from './links';

const KIT_TYPES = [...Object.values(GEAR_TYPES).map(({ type }) => type), 'preferences'];

/** What a setup's solution hangs on: itself, where it is, the kit, its own facts, and those that teach of the kit. */
async function documentsFor(database: Queryable, accountId: string, setupId: string): Promise<Document[]> {
  const rows = await database.query<{ body: unknown }[]>(
    `with own as (select body from documents where account_id = $1 and id = $2 and type = 'setup' and deleted_at is null),
     teaching as (
       select distinct setup_id from documents
       where account_id = $1 and type = 'reading' and deleted_at is null
         and (body ->> 'light' <> 'ambient' or body ->> 'meterId' is not null or body ->> 'cameraId' is not null))
     select d.body from documents d
     where d.account_id = $1 and d.deleted_at is null and exists (select from own) and (
       d.id = $2
       or d.id::text in (select body ->> 'spotId' from own) or d.id::text in (select body ->> 'shootId' from own)
       or (d.type in ('reading', 'sceneChange') and (d.setup_id = $2 or d.setup_id in (select setup_id from teaching)))
       or (d.type = 'setup' and d.id in (select setup_id from teaching))
       or d.type = any($3))`,
    [accountId, setupId, KIT_TYPES],
  );
  return rows.flatMap(({ body }) => {
    const read = documentSchema.safeParse(body);
    return read.success ? [read.data] : [];
  });
}

const isKitItem = (document: Document): document is Document & KitItem => KIT_TYPES.includes(document.type);

/**
 * The card that a link opens, solved anew from the account's documents as they are now.
 * @returns null where its setup, spot or shoot is gone
 */
export async function cardOf(
  database: Queryable,
  { accountId, setupId, sheet }: Pick<OpenedLink, 'accountId' | 'setupId' | 'sheet'>,
  now: Date,
): Promise<Sheet | null> {
  const documents = await documentsFor(database, accountId, setupId);
  const setups = documents.flatMap((one) => (one.type === 'setup' ? [one] : []));
  const setup = setups.find(({ id }) => id === setupId);
  const spot = documents.find((one) => one.type === 'spot');
  const shoot = documents.find((one) => one.type === 'shoot');
  if (setup === undefined || spot === undefined || shoot === undefined) return null;
  const facts = documents.flatMap((one) => (one.type === 'reading' || one.type === 'sceneChange' ? [one] : []));
  const taught = new Set(
    facts.flatMap((one) => (one.type === 'reading' && teaches(one, setupId) ? [one.setupId] : [])),
  );
  const kit = taughtKit(
    gatherKit(documents.filter(isKitItem)),
    setups.filter(({ id }) => taught.has(id)),
    facts,
  );
  const plannedMs = setup.plan?.startsAt == null ? now.getTime() : Date.parse(setup.plan.startsAt);
  const around = surroundingsAt(spot, Math.max(now.getTime(), plannedMs));
  const { numbers } = solveNumbers(setup, kit, facts, now, around);
  const solved: SheetFacts = { shoot, spot, setup, kit, numbers, around, atMs: now.getTime() };
  return sheet === 'assistant' ? assistantCard(solved, english) : secondShooterSheet(solved, english);
}
