import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';

import { documentSchema, type Frame, MAX_MUTATIONS, type Spot } from '@sphene/core/documents';
import { SAMPLE_DOCUMENTS, SAMPLE_HALL, sampleId } from '@sphene/core/sample';
import { Metering1780000100000 } from '../src/db/migrations/1780000100000-metering';
import { seedSample } from '../src/sync/sample';
import { key, openSession, otherAccount, put, sync, type TestServer, testServer } from './testServer';

let server: TestServer;
let cookie: string;
beforeAll(async () => {
  server = await testServer();
  cookie = await openSession(server);
});
afterAll(() => server.close());

let number = 5000;
const spot = (title = 'Spot', id = sampleId((number += 1))): Spot => ({
  type: 'spot',
  version: 1,
  id,
  shootId: sampleId(1),
  title,
});
const reading = SAMPLE_HALL.readings[0];
if (reading === undefined) throw new Error('the sample has no reading');
const statuses = ({ results }: { results: { status: string; version: number }[] }) =>
  results.map(({ status, version }) => [status, version]);

describe('sync', () => {
  it('keeps what is pushed and gives it to whoever pulls from before', async () => {
    const one = spot('One');
    const pushed = await sync(server, cookie, { mutations: [put(one)] });
    expect(statuses(pushed)).toEqual([['applied', 1]]);
    const pulled = await sync(server, await openSession(server));
    expect(pulled.changes).toContainEqual({ id: one.id, version: 1, seq: expect.any(Number), document: one });
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
      mutations: [{ op: 'delete', key: key(), id: gone.id, baseVersion: 1 }],
    });
    expect(deleted.changes.find(({ id }) => id === gone.id)).toMatchObject({ version: 2, document: null });
    const back = await sync(server, cookie, { mutations: [put(gone, 2)] });
    expect(back.changes.find(({ id }) => id === gone.id)).toMatchObject({ version: 3, document: gone });
  });

  it('facts are added, struck out and restored, and never edited or deleted', async () => {
    expect(statuses(await sync(server, cookie, { mutations: [put(reading)] }))).toEqual([['applied', 1]]);
    const struck = { ...reading, struckAt: '2026-02-27T15:00:00Z' };
    expect(
      statuses(
        await sync(server, cookie, {
          mutations: [
            put(struck),
            put(reading),
            put({ ...reading, av: 9 }),
            { op: 'delete', key: key(), id: reading.id, baseVersion: 3 },
          ],
        }),
      ),
    ).toEqual([
      ['applied', 2],
      ['applied', 3],
      ['rejected', 3],
      ['rejected', 3],
    ]);
    await expect(
      server.dataSource.query(`update documents set body = body || '{"av": 9}' where id = $1`, [reading.id]),
    ).rejects.toThrow(/is a fact/);
  });

  it('pages long histories', async () => {
    const before = (await sync(server, cookie)).cursor;
    for (let sent = 0; sent < 600; sent += MAX_MUTATIONS)
      await sync(server, cookie, {
        cursor: before,
        mutations: Array.from({ length: MAX_MUTATIONS }, () => put(spot())),
      });
    const first = await sync(server, cookie, { cursor: before });
    const second = await sync(server, cookie, { cursor: first.cursor });
    expect([first.changes.length, first.more, second.changes.length, second.more]).toEqual([500, true, 100, false]);
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

  it('seeds the sample once and leaves alone what was deleted since', async () => {
    const fresh = await testServer();
    await seedSample(fresh.dataSource);
    const session = await openSession(fresh);
    expect((await sync(fresh, session)).changes.map(({ document }) => document)).toEqual(SAMPLE_DOCUMENTS);
    await sync(fresh, session, { mutations: [{ op: 'delete', key: key(), id: SAMPLE_HALL.shoot.id, baseVersion: 1 }] });
    await seedSample(fresh.dataSource);
    expect((await sync(fresh, session)).changes.find(({ id }) => id === SAMPLE_HALL.shoot.id)?.document).toBeNull();
    await fresh.close();
  });
});

describe('large and old documents', () => {
  const bins = new Array<number>(64).fill(1);
  const frame = (letters: number): Frame => ({
    type: 'frame',
    version: 1,
    id: sampleId((number += 1)),
    setupId: SAMPLE_HALL.setup.id,
    at: '2026-02-27T15:00:00Z',
    name: 'F',
    takenAt: null,
    av: 3,
    tv: 7,
    sv: 2,
    settingsFrom: 'exif',
    widthPx: 9,
    heightPx: 6,
    image: `data:image/jpeg;base64,${'A'.repeat(letters)}`,
    histogram: { red: bins, green: bins, blue: bins },
    clipped: { highlights: [0, 0, 0], shadows: [0, 0, 0] },
    struckAt: null,
  });

  it('frames come in pages that stay small, each frame once', async () => {
    const frames = Array.from({ length: 16 }, () => frame(380_000));
    let start = 0;
    for (let more = true; more;) ({ cursor: start, more } = await sync(server, cookie, { cursor: start }));
    for (const one of frames) await sync(server, cookie, { cursor: start, mutations: [put(one)] });
    const got: string[] = [];
    let pages = 0;
    for (let cursor = start, more = true; more; pages += 1) {
      const page = await sync(server, cookie, { cursor });
      expect(JSON.stringify(page).length).toBeLessThan(4_000_000);
      got.push(...page.changes.map(({ id }) => id));
      ({ cursor, more } = page);
    }
    expect(got).toEqual(frames.map(({ id }) => id));
    expect(pages).toBeGreaterThan(1);
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
    expect(row?.body).toMatchObject({ version: 3, fired: [], method: { kind: 'incident', aim: 'camera' }, av: 4 });
    expect(row?.body).toEqual(documentSchema.parse(old));
    await expect(
      runner.query(`update documents set body = body || '{"av": 9}' where id = $1`, [old.id]),
    ).rejects.toThrow(/is a fact/);
    await runner.release();
  });
});
