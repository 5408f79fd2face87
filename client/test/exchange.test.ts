/** @jest-environment node */
import { keepAnswer, nextBatch } from '@/store/sync/exchange';
import { openStorage, type Storage, writeEdits } from '@/store/sync/storage';
import 'fake-indexeddb/auto';

import type { Spot, SyncResponse } from '@sphene/core/documents';
import { SAMPLE_HALL, sampleId } from '@sphene/core/sample';

let storage: Storage;
let number = 0;
beforeEach(async () => {
  number += 1;
  storage = await openStorage(`test-${number}`);
});
afterEach(() => storage.close());

const spot = (title: string): Spot => ({ ...SAMPLE_HALL.spot, title });
const key = (n: number) => sampleId(4000 + n);
const edit = (title: string, n: number) =>
  writeEdits(storage, [{ id: SAMPLE_HALL.spot.id, document: spot(title), key: key(n) }]);
const answer = (over: Partial<SyncResponse>): SyncResponse => ({
  results: [],
  changes: [],
  cursor: 0,
  more: false,
  ...over,
});
const row = () => storage.get('documents', SAMPLE_HALL.spot.id);
const applied = (n: number, version: number) => [
  { key: key(n), id: SAMPLE_HALL.spot.id, status: 'applied' as const, version },
];

it('sends several edits of one document as one, and is done with all of them', async () => {
  await edit('One', 1);
  await edit('Two', 2);
  const batch = await nextBatch(storage);
  expect(batch.request).toEqual({
    cursor: 0,
    mutations: [{ op: 'put', key: key(2), baseVersion: 0, document: spot('Two') }],
  });
  await keepAnswer(storage, batch, answer({ results: applied(2, 1), cursor: 7 }));
  expect(await storage.count('outbox')).toBe(0);
  expect(await row()).toEqual({ id: SAMPLE_HALL.spot.id, document: spot('Two'), version: 1, base: spot('Two') });
  expect((await nextBatch(storage)).request.cursor).toBe(7);
});

it('an edit made while another is on its way stays in the outbox, based on the one that arrived', async () => {
  await edit('One', 1);
  const batch = await nextBatch(storage);
  await edit('Two', 2);
  await keepAnswer(
    storage,
    batch,
    answer({
      results: applied(1, 1),
      changes: [{ id: SAMPLE_HALL.spot.id, version: 1, seq: 1, document: spot('One') }],
      cursor: 1,
    }),
  );
  expect((await row())?.document).toEqual(spot('Two'));
  expect((await nextBatch(storage)).request.mutations).toEqual([
    { op: 'put', key: key(2), baseVersion: 1, document: spot('Two') },
  ]);
});

it('merges a conflict by field and sends the result on', async () => {
  const base = SAMPLE_HALL.setup;
  await keepAnswer(
    storage,
    { request: { cursor: 0, mutations: [] }, covers: new Map() },
    answer({ changes: [{ id: base.id, version: 1, seq: 1, document: base }], cursor: 1 }),
  );
  await writeEdits(storage, [
    { id: base.id, document: { ...base, look: { ...base.look, holdBackStops: 2 } }, key: key(1) },
  ]);
  const batch = await nextBatch(storage);
  const touched = await keepAnswer(
    storage,
    batch,
    answer({
      results: [{ key: key(1), id: base.id, status: 'conflict', version: 2 }],
      changes: [{ id: base.id, version: 2, seq: 2, document: { ...base, title: 'Theirs' } }],
      cursor: 2,
    }),
  );
  expect(touched).toEqual([base.id]);
  expect((await nextBatch(storage)).request).toMatchObject({
    cursor: 2,
    mutations: [{ baseVersion: 2, document: { title: 'Theirs', look: { holdBackStops: 2 } } }],
  });
});

it('an edit outlives a deletion made elsewhere', async () => {
  await edit('Mine', 1);
  const batch = await nextBatch(storage);
  await keepAnswer(
    storage,
    batch,
    answer({
      results: [{ key: key(1), id: SAMPLE_HALL.spot.id, status: 'conflict', version: 3 }],
      changes: [{ id: SAMPLE_HALL.spot.id, version: 3, seq: 9, document: null }],
      cursor: 9,
    }),
  );
  expect((await nextBatch(storage)).request.mutations).toEqual([
    { op: 'put', key: key(1), baseVersion: 3, document: spot('Mine') },
  ]);
});
