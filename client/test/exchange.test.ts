/** @jest-environment node */
import { Clock } from '@/store/ids';
import { type Edit, type Maker, writeEdits } from '@/store/sync/edits';
import { type Batch, keepAnswer, mutationOf, nextBatch } from '@/store/sync/exchange';
import { openStorage, type Storage } from '@/store/sync/storage';
import 'fake-indexeddb/auto';

import type { Conflict, Document, MutationResult, Spot, Stored, SyncResponse } from '@sphene/core/documents';
import { SAMPLE_HALL, sampleId } from '@sphene/core/sample';

let storage: Storage;
let number = 0;
beforeEach(async () => {
  number += 1;
  storage = await openStorage(`test-${number}`);
});
afterEach(() => storage.close());

const MOST = 1_000_000;
const maker: Maker = { by: { id: sampleId(4900), name: 'Phone' }, clock: new Clock() };
const OTHER = { id: sampleId(4901), name: 'Laptop' };
const { spot: first, setup } = SAMPLE_HALL;
const spot = (title: string): Spot => ({ ...first, title });
const key = (n: number) => sampleId(4000 + n);
const write = (...edits: Edit[]) => writeEdits(storage, edits, maker);
const put = (n: number, document: Document, base: Document | null = null): Edit => ({
  op: 'put',
  key: key(n),
  id: document.id,
  base,
  document,
});
const next = () => nextBatch(storage, MOST, maker);
const sent = async () => (await next()).flights.map(mutationOf);
let seq = 0;
const stored = (document: Document, version: number, over: Partial<Stored> = {}): Stored => ({
  id: document.id,
  version,
  seq: (seq += 1),
  document,
  deletedAt: null,
  by: OTHER,
  at: '2026-02-27T14:02:00.000Z',
  ...over,
});
const keep = (batch: Batch, over: Partial<SyncResponse>) =>
  keepAnswer(
    storage,
    batch,
    { results: [], changes: [], cursor: 0, more: false, head: { seq, mark: sampleId(9) }, now: Date.now(), ...over },
    maker,
  );
const learn = async (...changes: Stored[]) => keep({ cursor: 0, seen: null, flights: [] }, { changes });
const row = (id = first.id) => storage.get('documents', id);
const applied = (n: number, version: number): MutationResult[] => [
  { status: 'applied', key: key(n), id: first.id, version },
];
const conflicts = async () =>
  (await storage.getAll('documents')).flatMap(({ document }) => (document?.type === 'conflict' ? [document] : []));

it('sends several edits of one document as one, and is done with all of them', async () => {
  await write(put(1, spot('One')));
  await write(put(2, spot('Two'), spot('One')));
  const batch = await next();
  expect(batch.flights.map(mutationOf).filter(({ op, key: its }) => op === 'put' && its === key(2))).toEqual([
    { op: 'put', key: key(2), baseVersion: 0, at: expect.any(String) as string, document: spot('Two') },
  ]);
  await keep(batch, { results: applied(2, 1), cursor: 7 });
  expect(await row()).toMatchObject({ document: spot('Two'), version: 1, base: spot('Two') });
  expect((await next()).cursor).toBe(7);
  expect((await sent()).map((one) => (one.op === 'put' ? one.document.type : one.op))).toEqual(['edit']);
});

it('what is on its way is sent again as it was, and what was edited since goes after it, based on that', async () => {
  await write(put(1, spot('One')));
  const lost = await next();
  await write(put(2, spot('Two'), spot('One')));
  expect((await next()).flights[0]).toEqual(lost.flights[0]);
  await keep(lost, { results: applied(1, 1), changes: [stored(spot('One'), 1)], cursor: 1 });
  expect((await row())?.document).toEqual(spot('Two'));
  expect((await sent())[0]).toMatchObject({ key: key(2), baseVersion: 1, document: spot('Two') });
  expect(await conflicts()).toEqual([]);
});

it('an edit takes nothing back that reached the storage and not the screen', async () => {
  await learn(stored(setup, 1));
  // another device's change is kept while the screen still shows what was before
  await learn(stored({ ...setup, title: 'Theirs' }, 2));
  await write(put(1, { ...setup, look: { ...setup.look, holdBackStops: 2 } }, setup));
  expect((await row(setup.id))?.document).toMatchObject({ title: 'Theirs', look: { holdBackStops: 2 } });
});

it('a change that another tab had made first tells what it really found', async () => {
  await learn(stored(setup, 1));
  const by = (holdBackStops: number): Document => ({ ...setup, look: { ...setup.look, holdBackStops } });
  const change = (n: number, to: number): Edit =>
    put(n, {
      type: 'change',
      version: 8,
      id: sampleId(4500 + n),
      setupId: setup.id,
      at: maker.clock.timestamp(),
      by: maker.by,
      undoes: [],
      settings: [{ path: 'look.holdBackStops', from: setup.look.holdBackStops, to }],
    });
  await write(put(1, by(2), setup), change(2, 2));
  await write(put(3, by(3), setup), change(4, 3));
  expect((await row(sampleId(4504)))?.document).toMatchObject({ settings: [{ from: 2, to: 3 }] });
  expect((await row(setup.id))?.document).toEqual(by(3));
});

it('merges a conflict by field and sends the result on, without asking', async () => {
  await learn(stored(setup, 1));
  await write(put(1, { ...setup, look: { ...setup.look, holdBackStops: 2 } }, setup));
  const batch = await next();
  const current = stored({ ...setup, title: 'Theirs' }, 2);
  const { touched } = await keep(batch, {
    results: [{ status: 'conflict', key: key(1), id: setup.id, current }],
    changes: [current],
    cursor: 2,
  });
  expect(touched).toEqual([setup.id]);
  expect(await sent()).toMatchObject([{ baseVersion: 2, document: { title: 'Theirs', look: { holdBackStops: 2 } } }]);
  expect(await conflicts()).toEqual([]);
});

it('asks where both changed one field, keeps both values with who and when, and lets the later stand', async () => {
  await learn(stored(first, 1));
  await write(put(1, spot('Mine'), first));
  const current = stored(spot('Theirs'), 2);
  await keep(await next(), { results: [{ status: 'conflict', key: key(1), id: first.id, current }] });
  expect((await row())?.document).toEqual(spot('Mine'));
  expect(await conflicts()).toEqual([
    expect.objectContaining({
      documentId: first.id,
      path: ['title'],
      base: first.title,
      claims: [
        { value: 'Theirs', by: OTHER, at: current.at },
        { value: 'Mine', by: maker.by, at: expect.any(String) as string },
      ],
      answer: null,
    } satisfies Partial<Record<keyof Conflict, unknown>>),
  ]);
  // the question goes to the other devices too
  expect((await sent()).map((one) => (one.op === 'put' ? one.document.type : one.op))).toContain('conflict');
});

it('a merge that would break a rule of the document keeps both edits and asks', async () => {
  const at = (nearestM: number, farthestM: number): Document => ({
    ...setup,
    camera: { ...setup.camera, depth: { nearestM, farthestM } },
  });
  await learn(stored(at(2, 3), 1));
  await write(put(1, at(2.9, 3), at(2, 3)));
  // nearest 2.9 and farthest 2.5 would be no depth
  const current = stored(at(2, 2.5), 2);
  await keep(await next(), { results: [{ status: 'conflict', key: key(1), id: setup.id, current }] });
  expect((await row(setup.id))?.document).toEqual(at(2.9, 3));
  expect(await conflicts()).toMatchObject([{ path: ['camera'], claims: [{ by: OTHER }, { by: maker.by }] }]);
});

it('an edit outlives a deletion made elsewhere', async () => {
  await learn(stored(first, 1));
  await write(put(1, spot('Mine'), first));
  const current = stored(first, 3, { deletedAt: '2026-02-27T14:02:00.000Z' });
  const { cameBack } = await keep(await next(), {
    results: [{ status: 'conflict', key: key(1), id: first.id, current }],
  });
  expect(cameBack).toEqual(['Mine']);
  expect((await sent())[0]).toMatchObject({ op: 'put', baseVersion: 3, document: spot('Mine') });
});

it('what was deleted here and worked on elsewhere comes back whole, and is not deleted again', async () => {
  await learn(stored(first, 1));
  await write({ op: 'delete', key: key(1), id: first.id });
  const batch = await next();
  expect(batch.flights.map(mutationOf)).toMatchObject([{ op: 'delete', baseVersion: 1 }]);
  const { cameBack } = await keep(batch, {
    results: [{ status: 'conflict', key: key(1), id: first.id, current: stored(first, 1) }],
  });
  expect(cameBack).toEqual([first.title]);
  expect(await row()).toMatchObject({ deletedAt: null, document: first });
  expect(await sent()).toEqual([]);
});

it('a conflict with nothing to merge is new, and is sent as new', async () => {
  await learn(stored(first, 5));
  await write(put(1, spot('Mine'), first));
  await keep(await next(), { results: [{ status: 'conflict', key: key(1), id: first.id, current: null }] });
  expect((await sent())[0]).toMatchObject({ baseVersion: 0, document: spot('Mine') });
});

it('a document of which a restored server knows less than this device is compared, not sent the same again', async () => {
  await learn(stored(first, 5));
  await write(put(1, spot('Mine'), first));
  // the backup that was restored had an older state of it
  const current = stored(spot('Older'), 3);
  await keep(await next(), { results: [{ status: 'conflict', key: key(1), id: first.id, current }] });
  expect((await sent())[0]).toMatchObject({ baseVersion: 3, document: spot('Mine') });
  // what stood there may be newer after all: it is kept, and asked about
  expect(await conflicts()).toMatchObject([{ path: ['title'], claims: [{ value: 'Older' }, { value: 'Mine' }] }]);
});

it('stands at the place that an answer came from, even before all up to there is read', async () => {
  await write(put(1, spot('Mine')));
  const head = { seq: 9, mark: sampleId(99) };
  // taken, and there is more to read: a backup restored now would not have what was taken
  await keep(await next(), { results: applied(1, 1), more: true, head });
  expect((await next()).seen).toEqual(head);
  expect(await storage.get('values', 'marks')).toBeUndefined();
});

it('what is refused is set aside with its reason, and the rest goes on', async () => {
  await learn(stored(first, 1));
  await write(put(1, spot('Mine'), first));
  const batch = await next();
  await keep(batch, {
    results: [{ status: 'refused', key: key(1), id: first.id, reason: { kind: 'not-storable' } }],
  });
  expect(await storage.getAll('aside')).toMatchObject([{ id: first.id, reason: { kind: 'not-storable' } }]);
  expect((await sent()).filter((one) => one.op === 'put' && one.document.id === first.id)).toEqual([]);
  // mended, it goes, and is no more aside
  await write(put(2, spot('Better'), spot('Mine')));
  const again = await next();
  const flight = again.flights.find(({ id }) => id === first.id);
  await keep(again, { results: [{ status: 'applied', key: flight?.key ?? '', id: first.id, version: 2 }] });
  expect(await storage.getAll('aside')).toEqual([]);
});

it('a fact that was made by a wrong clock leaves in the time of the server', async () => {
  const clock = new Clock(() => Date.parse('2026-02-28T12:00:00Z'));
  const [reading] = SAMPLE_HALL.readings;
  if (reading === undefined) throw new Error('the sample has no reading');
  await writeEdits(storage, [put(1, { ...reading, at: clock.timestamp() })], { by: maker.by, clock });
  clock.setSkew(-24 * 3600_000);
  const batch = await nextBatch(storage, MOST, { by: maker.by, clock });
  expect(batch.flights[0]?.document).toMatchObject({ at: '2026-02-27T12:00:00.000Z' });
  expect((await row(reading.id))?.document).toMatchObject({ at: '2026-02-27T12:00:00.000Z' });
});
