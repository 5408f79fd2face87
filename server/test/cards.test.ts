import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';

import { SAMPLE_BEGUN, SAMPLE_HALL, SAMPLE_TERRACE } from '@sphene/core/sample';
import { type CardLink, type CardLinks, openCardSchema } from '@sphene/core/sheets';
import { AT, key, openSession, otherAccount, post, put, sync, type TestServer, testServer } from './testServer';

const { setup } = SAMPLE_HALL;
const { setup: other } = SAMPLE_TERRACE;
let server: TestServer;
let cookie: string;
beforeAll(async () => {
  server = await testServer({ PUBLIC_URL: 'https://sphene.example/' });
  cookie = await openSession(server);
  await sync(server, cookie, { mutations: SAMPLE_BEGUN.map((document) => put(document)) });
});
afterAll(() => server.close());

const open = (link: string) => server.app.request(`/api/cards/open/${link}`);
const made = async (asked: object = {}): Promise<CardLink> => {
  const response = await post(server, '/api/cards', cookie, {
    setupId: setup.id,
    sheet: 'assistant',
    hours: 24,
    ...asked,
  });
  expect(response.status).toBe(201);
  return (await response.json()) as CardLink;
};
const withdraw = (link: string, as = cookie) =>
  server.app.request(`/api/cards/${link}`, {
    method: 'DELETE',
    headers: { cookie: as, 'sec-fetch-site': 'same-origin' },
  });

describe('a card by its link', () => {
  it('is read by whoever has the key, without a session, and holds nothing but that sheet', async () => {
    const link = await made();
    expect(link.key).toMatch(/^[\w-]{22}$/);
    const response = await open(link.key);
    expect(response.status).toBe(200);
    expect(response.headers.getSetCookie()).toEqual([]);
    const text = await response.text();
    const { sheet } = openCardSchema.parse(JSON.parse(text));
    expect(sheet.title).toBe(setup.title);
    expect(sheet.blocks.filter(({ kind }) => kind === 'thing')).toHaveLength(2);
    // neither ids nor documents leave the house
    expect(text).not.toContain(setup.id);
    expect(text).not.toContain('holdBackStops');
  });

  it('follows what the photographer changes', async () => {
    const { key: link } = await made();
    const before = await (await open(link)).text();
    const nearer = { ...setup, lights: setup.lights.map((light) => ({ ...light, distanceM: 1.1 })) };
    await sync(server, cookie, { mutations: [put(nearer, 1)] });
    const after = await (await open(link)).text();
    expect(before).not.toContain('1.1 m');
    expect(after).toContain('1.1 m');
  });

  it('tells of a change by its stream', async () => {
    const { key: link } = await made();
    const stream = await server.app.request(`/api/cards/open/${link}/events`);
    const reader = stream.body!.getReader();
    const next = async () => {
      const part = (await reader.read()) as { value?: Uint8Array };
      return new TextDecoder().decode(part.value);
    };
    expect(await next()).toContain('event: alive');
    await sync(server, cookie, { mutations: [put({ ...SAMPLE_HALL.spot, note: 'By the door.' }, 1)] });
    expect(await next()).toContain('data: changed');
    await reader.cancel();
  });

  it('is over at its time, when it is withdrawn, and when its setup is deleted; all with the same words', async () => {
    const [late, taken, orphan] = [await made({ hours: 1 }), await made(), await made({ setupId: other.id })];
    await sync(server, cookie, { mutations: [{ op: 'delete', key: key(), at: AT, baseVersion: 1, id: other.id }] });
    await server.dataSource.query("update card_links set expires_at = now() - interval '1 s' where key = $1", [
      late.key,
    ]);
    expect((await withdraw(taken.key)).status).toBe(200);
    const texts = await Promise.all(
      [late.key, taken.key, orphan.key, 'AAAAAAAAAAAAAAAAAAAAAA'].map(async (link) => {
        const response = await open(link);
        expect(response.status).toBe(404);
        return ((await response.json()) as { error: string }).error;
      }),
    );
    expect(new Set(texts).size).toBe(1);
    expect((await withdraw(taken.key)).status).toBe(404);
  });

  it('is listed with the address that others open, for its own account only', async () => {
    const { key: link } = await made({ sheet: 'second' });
    const list = async (as: string) => {
      const response = await server.app.request(`/api/cards?setupId=${setup.id}`, { headers: { cookie: as } });
      return (await response.json()) as CardLinks;
    };
    const own = await list(cookie);
    expect(own.publicUrl).toBe('https://sphene.example');
    expect(own.links.map((one) => one.key)).toContain(link);
    const stranger = await otherAccount(server);
    expect((await list(stranger)).links).toEqual([]);
    expect((await withdraw(link, stranger)).status).toBe(404);
    expect((await open(link)).status).toBe(200);
    const theirs = await post(server, '/api/cards', stranger, { setupId: setup.id, sheet: 'assistant', hours: 24 });
    expect(theirs.status).toBe(409);
  });

  it('wants a sensible life, a session, and no more than twenty at once', async () => {
    for (const hours of [0, 337, 1.5])
      expect((await post(server, '/api/cards', cookie, { setupId: setup.id, sheet: 'assistant', hours })).status).toBe(
        400,
      );
    expect((await post(server, '/api/cards', '', { setupId: setup.id, sheet: 'assistant', hours: 1 })).status).toBe(
      401,
    );
    const answers: number[] = [];
    for (let i = 0; i < 25; i += 1)
      answers.push(
        (await post(server, '/api/cards', cookie, { setupId: setup.id, sheet: 'assistant', hours: 1 })).status,
      );
    expect(answers).toContain(409);
    const [kept] = await server.dataSource.query<{ count: string }[]>(
      'select count(*) from card_links where setup_id = $1 and expires_at > now()',
      [setup.id],
    );
    expect(Number(kept?.count)).toBe(20);
  });

  it('answers by the name that links carry', async () => {
    const link = 'AAAAAAAAAAAAAAAAAAAAAA';
    const named = await server.app.request(`/api/cards/open/${link}`, { headers: { host: 'sphene.example' } });
    expect(named.status).toBe(404);
    const other = await server.app.request(`/api/cards/open/${link}`, { headers: { host: 'elsewhere.example' } });
    expect(other.status).toBe(421);
  });
});
