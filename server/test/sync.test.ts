import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';

import {
  PLAIN_SPOT,
  documentSchema,
  type Frame,
  type Mutation,
  PROTOCOL,
  type Spot,
  type SyncResponse,
  type Document,
} from '@sphene/core/documents';
import { SHIPPED_LOOKS } from '@sphene/core/looks';
import { SAMPLE_DOCUMENTS, SAMPLE_HALL, sampleId } from '@sphene/core/sample';
import { Metering1780000100000 } from '../src/db/migrations/1780000100000-metering';
import { seedSample } from '../src/sync/sample';
import { tidy } from '../src/sync/tidy';
import {
  AT,
  DEVICE,
  identityOf,
  key,
  openSession,
  otherAccount,
  post,
  put,
  requestOf,
  sync,
  type TestServer,
  testServer,
} from './testServer';

let server: TestServer;
let cookie: string;
beforeAll(async () => {
  server = await testServer();
  cookie = await openSession(server);
});
afterAll(() => server.close());

let number = 5000;
/** past every change: nothing is pulled */
const MOST = Number.MAX_SAFE_INTEGER;
const spot = (title = 'Spot', id = sampleId((number += 1))): Spot => ({
  ...PLAIN_SPOT,
  id,
  shootId: sampleId(1),
  title,
});
const reading = SAMPLE_HALL.readings[0];
if (reading === undefined) throw new Error('the sample has no reading');
/** What became of each, with its version where there is one. */
const statuses = ({ results }: SyncResponse) =>
  results.map((result) => [
    result.status,
    result.status === 'applied' ? result.version : result.status === 'conflict' ? result.current?.version : undefined,
  ]);
const remove = (id: string, baseVersion: number): Mutation => ({ op: 'delete', key: key(), id, baseVersion, at: AT });
const STORED = { deletedAt: null, by: DEVICE, at: AT, seq: expect.any(Number) };

describe('sync', () => {
  it('keeps what is pushed and gives it to whoever pulls from before', async () => {
    const one = spot('One');
    const pushed = await sync(server, cookie, { mutations: [put(one)] });
    expect(statuses(pushed)).toEqual([['applied', 1]]);
    const pulled = await sync(server, await openSession(server));
    expect(pulled.changes).toContainEqual({ id: one.id, version: 1, document: one, ...STORED });
    expect((await sync(server, cookie, { cursor: pulled.cursor })).changes).toEqual([]);
  });

  it('does the same batch once, however often and however parallel it comes, and answers the same', async () => {
    const batch = Array.from({ length: 20 }, () => put(spot()));
    const before = (await sync(server, cookie)).cursor;
    const answers = await Promise.all(
      Array.from({ length: 5 }, () => sync(server, cookie, { cursor: before, mutations: batch })),
    );
    for (const answer of answers) expect(answer.results).toEqual(answers[0]?.results);
    expect((await sync(server, cookie, { cursor: before })).changes).toHaveLength(20);
  });

  it('tells the second of two edits from one version that it conflicts, and takes it merged', async () => {
    const first = spot('First');
    await sync(server, cookie, { mutations: [put(first)] });
    const late = put({ ...first, title: 'B' }, 1);
    expect(statuses(await sync(server, cookie, { mutations: [put({ ...first, title: 'A' }, 1), late] }))).toEqual([
      ['applied', 2],
      ['conflict', 2],
    ]);
    expect(statuses(await sync(server, cookie, { mutations: [{ ...late, baseVersion: 2 }] }))).toEqual([
      ['applied', 3],
    ]);
  });

  it('deletes, says so to others, and takes a deleted document back', async () => {
    const gone = spot('Gone');
    await sync(server, cookie, { mutations: [put(gone)] });
    const deleted = await sync(server, cookie, {
      mutations: [remove(gone.id, 1)],
    });
    expect(deleted.changes.find(({ id }) => id === gone.id)).toMatchObject({
      version: 2,
      document: gone,
      deletedAt: expect.any(String),
    });
    const back = await sync(server, cookie, { mutations: [put(gone, 2)] });
    expect(back.changes.find(({ id }) => id === gone.id)).toMatchObject({
      version: 3,
      document: gone,
      deletedAt: null,
    });
  });

  it('facts are added, struck out and restored, and never edited or deleted', async () => {
    expect(statuses(await sync(server, cookie, { mutations: [put(reading)] }))).toEqual([['applied', 1]]);
    const struck = { ...reading, struckAt: '2026-02-27T15:00:00Z' };
    expect(
      statuses(
        await sync(server, cookie, {
          mutations: [put(struck), put(reading), put({ ...reading, av: 9 }), remove(reading.id, 3)],
        }),
      ),
    ).toEqual([
      ['applied', 2],
      ['applied', 3],
      ['refused', undefined],
      ['refused', undefined],
    ]);
    await expect(
      server.dataSource.query(`update documents set body = body || '{"av": 9}' where id = $1`, [reading.id]),
    ).rejects.toThrow(/is a fact/);
  });

  it('pages long histories', async () => {
    const before = (await sync(server, cookie)).cursor;
    for (let sent = 0; sent < 1100; sent += 100)
      await sync(server, cookie, {
        cursor: before,
        mutations: Array.from({ length: 100 }, () => put(spot())),
      });
    const first = await sync(server, cookie, { cursor: before });
    const second = await sync(server, cookie, { cursor: first.cursor });
    expect([first.changes.length, first.more, second.changes.length, second.more]).toEqual([1000, true, 100, false]);
  });

  it('a reader that follows the cursor misses nothing while six devices write', async () => {
    let cursor = (await sync(server, cookie)).cursor;
    const seen = new Set<string>();
    const written: string[] = [];
    let writing = true;
    const follow = (async () => {
      for (let last = false; !last;) {
        last = !writing;
        const pulled = await sync(server, cookie, { cursor });
        for (const { id } of pulled.changes) seen.add(id);
        cursor = pulled.cursor;
        if (pulled.more) last = false;
      }
    })();
    await Promise.all(
      Array.from({ length: 6 }, async () => {
        for (let i = 0; i < 10; i += 1) {
          const two = [spot(), spot()];
          await sync(server, cookie, { cursor, mutations: two.map((one) => put(one)) });
          written.push(...two.map(({ id }) => id));
        }
      }),
    );
    writing = false;
    await follow;
    expect(written.filter((id) => !seen.has(id))).toEqual([]);
    expect(written).toHaveLength(120);
  });

  it('one account neither sees nor touches what another has, even under the same id', async () => {
    const mine = spot('Mine');
    const { cursor } = await sync(server, cookie, {
      cursor: (await sync(server, cookie, { cursor: 600 })).cursor,
      mutations: [put(mine)],
    });
    const other = await otherAccount(server);
    expect((await sync(server, other)).changes).toEqual([]);
    await sync(server, other, { mutations: [put({ ...mine, title: 'Theirs' })] });
    expect((await sync(server, cookie, { cursor })).changes).toEqual([]);
    const [row] = await server.dataSource.query<{ title: string }[]>(
      "select body ->> 'title' as title from documents d join accounts a on a.id = d.account_id where d.id = $1 and a.name = 'demo'",
      [mine.id],
    );
    expect(row?.title).toBe('Mine');
  });

  it('one change that cannot be taken stops none of the others', async () => {
    const good = [spot('Before'), spot('After')];
    const bad: [unknown, RegExp][] = [
      [{ ...put(spot()), document: { ...spot(), title: 'A\u0000B' } }, /text-broken/],
      [{ ...put(spot()), document: { ...spot(), title: 'half \ud83d' } }, /text-broken/],
      [put({ ...reading, id: sampleId((number += 1)), text: 'x'.repeat(73) }), /too_big/],
      [{ op: 'put', key: key(), document: { type: 'ufo' } }, /invalid_union|invalid_type/],
      [{ op: 'dance', key: key() }, /op/],
    ];
    const { results } = await sync(server, cookie, {
      mutations: [put(good[0] as Spot), ...bad.map(([one]) => one), put(good[1] as Spot)],
    });
    const refused = results.filter(({ status }) => status === 'refused');
    expect(results.filter(({ status }) => status === 'applied')).toHaveLength(2);
    expect(refused).toHaveLength(bad.length);
    for (const [index, [, why]] of bad.entries()) expect(JSON.stringify(refused[index])).toMatch(why);
  });

  it('what the database itself cannot keep is refused alone, in a savepoint', async () => {
    await server.dataSource.query(
      "alter table documents add constraint no_ghosts check (body ->> 'title' is distinct from 'Ghost')",
    );
    const { results } = await sync(server, cookie, { mutations: [put(spot()), put(spot('Ghost')), put(spot())] });
    await server.dataSource.query('alter table documents drop constraint no_ghosts');
    expect(results.map(({ status }) => status)).toEqual(['applied', 'refused', 'applied']);
    expect(results[1]).toMatchObject({ reason: { kind: 'not-storable' } });
  });

  it('a counter that lags behind what is kept is the server’s fault: nothing is refused, and it is taken later', async () => {
    const one = put(spot('Late'));
    const raw = await requestOf(server, cookie, { mutations: [one] });
    await server.dataSource.query('update accounts set seq = seq - 1');
    const answer = await post(server, '/api/sync', cookie, { ...raw, seen: null });
    await server.dataSource.query('update accounts set seq = seq + 1');
    expect(answer.status).toBe(500);
    expect(statuses(await sync(server, cookie, { mutations: [one] }))).toEqual([['applied', 1]]);
  });

  it('ids have one case, whatever they come in', async () => {
    const one = spot('Upper');
    const { results } = await sync(server, cookie, {
      mutations: [{ ...put(one), key: key().toUpperCase(), document: { ...one, id: one.id.toUpperCase() } }],
    });
    expect(results).toEqual([
      { status: 'applied', id: one.id, key: expect.stringMatching(/^[0-9a-f-]+$/), version: 1 },
    ]);
  });

  it('a session of another account, another database and another history are told apart, and nothing is done', async () => {
    const { account, lineage } = await identityOf(server, cookie);
    const mine = { mutations: [put(spot())] };
    const { head } = await sync(server, cookie, { cursor: MOST });
    const answerTo = async (over: object) => {
      const response = await post(server, '/api/sync', cookie, await requestOf(server, cookie, { ...mine, ...over }));
      return [response.status, ((await response.json()) as { code?: string }).code];
    };
    expect(await answerTo({ account: sampleId(1) })).toEqual([409, 'other-account']);
    expect(await answerTo({ lineage: sampleId(1) })).toEqual([409, 'other-history']);
    expect(await answerTo({ seen: { ...head, mark: sampleId(1) } })).toEqual([409, 'other-history']);
    expect(await answerTo({ protocol: PROTOCOL - 1 })).toEqual([426, 'protocol']);
    expect(await answerTo({ account: account.id, lineage, seen: head })).toEqual([200, undefined]);
    const next = await sync(server, cookie, { cursor: MOST });
    expect(next.head.mark).not.toBe(head.mark);
    const common = await post(server, '/api/sync/common', cookie, {
      marks: [head, { seq: next.head.seq + 9, mark: sampleId(3) }],
    });
    expect(await common.json()).toEqual({ common: head.seq });
  });

  it('a client of the first version is told politely, whatever it sends', async () => {
    // as it was recorded
    const recorded = {
      cursor: 0,
      mutations: [{ op: 'put', key: key(), baseVersion: 0, document: { ...spot(), version: 1 } }],
    };
    const response = await post(server, '/api/sync', cookie, recorded);
    expect(response.status).toBe(426);
    expect(await response.json()).toEqual({
      code: 'protocol',
      protocol: PROTOCOL,
      error: expect.stringMatching(/older than the server.*stays on the device/),
    });
  });

  it('what is put into something that was deleted unseen brings it back; who has seen it deleted does not', async () => {
    const holder = { ...SAMPLE_HALL.shoot, id: sampleId((number += 1)) };
    const place = { ...spot('Inside'), shootId: holder.id };
    const { cursor } = await sync(server, cookie, { mutations: [put(holder), put(place)] });
    const gone = await sync(server, cookie, { cursor, mutations: [remove(holder.id, 1)] });
    expect(statuses(gone)).toEqual([['applied', 2]]);
    const late = await sync(server, cookie, { cursor: gone.cursor, mutations: [put({ ...place, title: 'Seen' }, 1)] });
    expect(late.changes.map(({ id }) => id)).toEqual([place.id]);
    const unseen = await sync(server, cookie, { cursor, mutations: [put({ ...spot(), shootId: holder.id })] });
    expect(unseen.changes.find(({ id }) => id === holder.id)).toMatchObject({ version: 3, deletedAt: null });
  });

  it('a fact brings its setup, spot and shoot back; and what others worked in is not deleted unseen', async () => {
    const holder = { ...SAMPLE_HALL.shoot, id: sampleId((number += 1)) };
    const place = { ...spot('Inside'), shootId: holder.id };
    const its = { ...SAMPLE_HALL.setup, id: sampleId((number += 1)), shootId: holder.id, spotId: place.id };
    const { cursor } = await sync(server, cookie, { mutations: [put(holder), put(place), put(its)] });
    await sync(server, cookie, { cursor, mutations: [remove(holder.id, 1)] });
    const other = { id: sampleId(7001), name: 'Laptop' };
    const fact = { ...reading, id: sampleId((number += 1)), setupId: its.id };
    const worked = await sync(server, cookie, { device: other, cursor, mutations: [put(fact)] });
    expect(worked.changes.find(({ id }) => id === holder.id)).toMatchObject({ deletedAt: null, by: other });
    const again = await sync(server, cookie, { cursor, mutations: [remove(holder.id, 3)] });
    expect(again.results).toEqual([expect.objectContaining({ status: 'conflict' })]);
    const seen = await sync(server, cookie, { cursor: again.cursor, mutations: [remove(holder.id, 3)] });
    expect(statuses(seen)).toEqual([['applied', 4]]);
  });

  it('asking without a change waits for nobody who writes', async () => {
    const runner = server.dataSource.createQueryRunner();
    await runner.startTransaction();
    await runner.query("select from accounts where name = 'demo' for update");
    expect((await sync(server, cookie, { cursor: MOST })).changes).toEqual([]);
    await runner.rollbackTransaction();
    await runner.release();
  });

  it('tells followers of an account that it has changed, and ends with the session', async () => {
    const response = await server.app.request('/api/sync/events', { headers: { cookie } });
    const reader = (response.body as ReadableStream<Uint8Array>).pipeThrough(new TextDecoderStream()).getReader();
    expect((await reader.read()).value).toContain('alive');
    await sync(server, cookie, { mutations: [put(spot())] });
    expect((await reader.read()).value).toContain('changed');
    await reader.cancel();
  });

  it('seeds the sample once and leaves alone what was deleted since', async () => {
    const fresh = await testServer();
    await seedSample(fresh.dataSource);
    const session = await openSession(fresh);
    expect((await sync(fresh, session)).changes.map(({ document }) => document)).toEqual(SAMPLE_DOCUMENTS);
    await sync(fresh, session, { cursor: MOST, mutations: [remove(SAMPLE_HALL.shoot.id, 1)] });
    await seedSample(fresh.dataSource);
    expect(
      (await sync(fresh, session)).changes.find(({ id }) => id === SAMPLE_HALL.shoot.id)?.deletedAt,
    ).not.toBeNull();
    await fresh.close();
  });
});

describe('large and old documents', () => {
  const bins = new Array<number>(64).fill(1);
  const HOLDER = sampleId((number += 1));
  const frame = (): Frame => ({
    type: 'frame',
    version: 3,
    id: sampleId((number += 1)),
    setupId: HOLDER,
    at: '2026-02-27T15:00:00Z',
    name: 'F',
    takenAt: null,
    av: 3,
    tv: 7,
    sv: 2,
    settingsFrom: 'exif',
    byItself: { exposure: null, compensationStops: null, whiteBalance: null, flashFired: null },
    widthPx: 9,
    heightPx: 6,
    histogram: { red: bins, green: bins, blue: bins },
    clipped: { highlights: [0, 0, 0], shadows: [0, 0, 0] },
    struckAt: null,
  });

  it('a picture arrives in parts, goes on where it stopped, and is its account’s alone', async () => {
    await sync(server, cookie, { mutations: [put({ ...SAMPLE_HALL.setup, id: HOLDER })] });
    const one = frame();
    await sync(server, cookie, { mutations: [put(one)] });
    const bytes = Uint8Array.from({ length: 1000 }, (_, index) => index % 251);
    const send = async (from: number, to: number, id = one.id) => {
      const response = await server.app.request(`/api/pictures/${id}?from=${from}&size=1000`, {
        method: 'PUT',
        headers: { cookie, 'content-type': 'application/octet-stream' },
        body: bytes.slice(from, to),
      });
      return response.status === 200 ? ((await response.json()) as { have: number }).have : response.status;
    };
    const read = (as: string) => server.app.request(`/api/pictures/${one.id}`, { headers: { cookie: as } });
    expect(await send(0, 400)).toBe(400);
    expect((await read(cookie)).status).toBe(404);
    // the answer was lost: the same part again, and one that does not fit
    expect(await send(0, 400)).toBe(400);
    expect(await send(600, 1000)).toBe(400);
    const { head: before } = await sync(server, cookie, { cursor: MOST });
    expect(await send(400, 1000)).toBe(1000);
    // a place in the history of its own: a database from before it is told apart, and what was seen before still holds
    const { head: after } = await sync(server, cookie, { cursor: MOST, seen: before });
    expect(after).toEqual({ seq: before.seq, mark: expect.not.stringContaining(before.mark) });
    await sync(server, cookie, { cursor: MOST, seen: after });
    expect(new Uint8Array(await (await read(cookie)).arrayBuffer())).toEqual(bytes);
    expect((await read(await otherAccount(server))).status).toBe(404);
    expect(await send(0, 10, sampleId(99_999))).toBe(404);
  });

  it.each(['photo', 'look'] as const)('a %s has a picture too, which goes with it', async (type) => {
    const id = sampleId((number += 1));
    const at = '2026-02-27T15:00:00Z';
    const photo: Document =
      type === 'photo'
        ? { type, version: 1, id, shootId: sampleId(1), spotId: sampleId(2), setupId: null, at, title: 'The wall' }
        : {
            type,
            version: 2,
            id,
            name: 'Wall and sun',
            tags: [],
            words: '',
            keptAt: at,
            from: null,
            picture: SHIPPED_LOOKS.wrapped,
          };
    await sync(server, cookie, { mutations: [put(photo)] });
    const send = () =>
      server.app.request(`/api/pictures/${photo.id}?from=0&size=1`, {
        method: 'PUT',
        headers: { cookie, 'content-type': 'application/octet-stream' },
        body: 'A',
      });
    expect((await send()).status).toBe(200);
    const read = async () => (await server.app.request(`/api/pictures/${photo.id}`, { headers: { cookie } })).status;
    expect(await read()).toBe(200);
    const { cursor } = await sync(server, cookie, { cursor: MOST });
    await sync(server, cookie, { cursor, mutations: [remove(photo.id, 1)] });
    await tidy(server.dataSource);
    expect(await read()).toBe(200);
    await server.dataSource.query("update documents set deleted_at = now() - interval '31 days' where id = $1", [
      photo.id,
    ]);
    await tidy(server.dataSource);
    expect(await read()).toBe(404);
    expect((await send()).status).toBe(404);
  });

  it('pictures are erased for good when what they are in cannot be brought back any more; the facts stay', async () => {
    const holder = sampleId((number += 1));
    const its = { ...frame(), setupId: holder };
    await sync(server, cookie, { mutations: [put({ ...SAMPLE_HALL.setup, id: holder }), put(its)] });
    await server.dataSource.query(
      "insert into pictures (account_id, frame_id, size, bytes) select id, $1, 1, '\\x41' from accounts where name = 'demo'",
      [its.id],
    );
    const pictures = async () =>
      (await server.dataSource.query<unknown[]>('select from pictures where frame_id = $1', [its.id])).length;
    const { cursor } = await sync(server, cookie, { cursor: MOST });
    await sync(server, cookie, { cursor, mutations: [remove(holder, 1)] });
    await server.dataSource.query(
      "insert into mutations (account_id, key, result, applied_at) select id, $1, '{}', now() - interval '61 days' " +
        "from accounts where name = 'demo'",
      [sampleId(88)],
    );
    await tidy(server.dataSource);
    expect(await server.dataSource.query('select from mutations where key = $1', [sampleId(88)])).toEqual([]);
    expect(await pictures()).toBe(1);
    await server.dataSource.query("update documents set deleted_at = now() - interval '31 days' where id = $1", [
      holder,
    ]);
    await tidy(server.dataSource);
    expect(await pictures()).toBe(0);
    const { changes } = await sync(server, cookie, { cursor });
    expect(changes).toEqual([expect.objectContaining({ id: holder, document: null })]);
    const rows = await server.dataSource.query<unknown[]>('select from documents where id = $1', [its.id]);
    expect(rows).toHaveLength(1);
  });

  it('documents of an earlier version are brought up to date where they lie, facts too', async () => {
    const runner = server.dataSource.createQueryRunner();
    const migration = new Metering1780000100000();
    await migration.down(runner);
    const old = {
      type: 'reading',
      version: 1,
      id: sampleId((number += 1)),
      setupId: SAMPLE_HALL.setup.id,
      pointId: 'face',
      at: '2026-02-27T14:12:00+01:00',
      light: 'ambient',
      text: '4',
      av: 4,
      tv: 7,
      sv: 0,
      fired: null,
      struckAt: null,
    };
    await runner.query('update accounts set seq = seq + 1');
    await runner.query(
      "insert into documents (account_id, id, type, body, version, seq) select id, $1, 'reading', $2, 1, " +
        "seq from accounts where name = 'demo'",
      [old.id, old],
    );
    await migration.up(runner);
    const [row] = (await runner.query('select body from documents where id = $1', [old.id])) as { body: unknown }[];
    expect(row?.body).toMatchObject({ version: 6, fired: [], method: { kind: 'incident', aim: 'camera' }, av: 4 });
    expect(row?.body).toEqual(documentSchema.parse(old));
    await expect(
      runner.query(`update documents set body = body || '{"av": 9}' where id = $1`, [old.id]),
    ).rejects.toThrow(/is a fact/);
    await runner.release();
  });
});
