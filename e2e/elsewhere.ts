import { randomUUID } from 'node:crypto';

import type { Conflict } from '@sphene/core/documents';
import { SAMPLE_HALL } from '@sphene/core/sample';
import type { Stack } from './stack';

/** The account's counter and its mark in the history move, as they do with a push. */
const MOVED = `with moved as (
    update accounts set seq = seq + 1, mark = gen_random_uuid() where name = 'demo' returning id, seq, mark),
  marked as (insert into marks (account_id, seq, mark) select id, seq, mark from moved)`;

/** Writes a document as if another device had sent it. */
async function write(stack: Stack, id: string, type: string, body: object): Promise<void> {
  await stack.query(
    `${MOVED}
     insert into documents (account_id, id, type, body, version, seq, bytes)
     select id, $1, $2, $3::jsonb, 1, seq, octet_length($3::jsonb::text) from moved`,
    [id, type, JSON.stringify(body)],
  );
}

/** Two devices gave the hall's hold-back two values. */
export async function haveConflict(stack: Stack): Promise<void> {
  const { setup, shoot } = SAMPLE_HALL;
  const at = '2026-02-27T14:02:00.000Z';
  const conflict: Conflict = {
    type: 'conflict',
    version: 1,
    id: randomUUID(),
    documentId: setup.id,
    shootId: shoot.id,
    path: ['look', 'holdBackStops'],
    base: 0.5,
    claims: [
      { value: 2, by: { id: randomUUID(), name: 'Laptop' }, at },
      { value: setup.look.holdBackStops, by: { id: randomUUID(), name: 'Phone' }, at },
    ],
    at,
    answer: null,
  };
  await write(stack, conflict.id, 'conflict', conflict);
}

/** The sample shoot was deleted on another device. */
export async function haveDeleted(stack: Stack): Promise<void> {
  await stack.query(
    `${MOVED}
     update documents d set deleted_at = now(), version = version + 1, seq = moved.seq
     from moved where d.account_id = moved.id and d.id = $1`,
    [SAMPLE_HALL.shoot.id],
  );
}
