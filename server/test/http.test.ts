import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { loadConfig } from '../src/config';
import { openSession, post, type TestServer, testServer } from './testServer';

let server: TestServer;
beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'sphene-client-'));
  mkdirSync(join(folder, '_expo'));
  writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Sphene</title><script>window.x = 1</script>');
  writeFileSync(join(folder, '_expo/entry-abc.js'), 'x'.repeat(4000));
  writeFileSync(join(folder, '_expo/entry-abc.js.br'), 'compressed');
  server = await testServer({ CLIENT_DIR: folder });
});
afterAll(() => server.close());

describe('sessions', () => {
  it('a browser gets one session, kept in a cookie that scripts cannot read', async () => {
    const first = await post(server, '/api/session', '', {});
    expect(first.status).toBe(201);
    expect(first.headers.get('set-cookie')).toMatch(/sphene_session=[\w-]{43}; .*HttpOnly; SameSite=Lax/);
    const cookie = first.headers.getSetCookie()[0]?.split(';')[0] ?? '';
    const again = await post(server, '/api/session', cookie, {});
    expect([again.status, again.headers.get('set-cookie')]).toEqual([200, null]);
    const { now: _now, ...whose } = (await first.json()) as { now: number };
    expect(await again.json()).toMatchObject(whose);
  });

  it('sync wants a session that is known and not over', async () => {
    expect((await post(server, '/api/sync', '', { cursor: 0, mutations: [] })).status).toBe(401);
    expect((await post(server, '/api/sync', 'sphene_session=made-up', { cursor: 0, mutations: [] })).status).toBe(401);
    const cookie = await openSession(server);
    await server.dataSource.query("update sessions set expires_at = now() - interval '1 second'");
    expect((await post(server, '/api/sync', cookie, { cursor: 0, mutations: [] })).status).toBe(401);
  });
});

describe('requests', () => {
  it.each<[string, unknown, number, RegExp]>([
    ['no JSON', '{', 400, /JSON/i],
    ['an empty body', '', 400, /JSON/i],
    ['a request of no form', { protocol: 2, cursor: 'x' }, 400, /cursor/],
    ['brackets without end', '['.repeat(1_900_000), 400, /nested/],
    ['too much', 'x'.repeat(2 * 1024 * 1024 + 1), 413, /bytes at most/],
  ])('%s is refused with a reason', async (_name, body, status, reason) => {
    const cookie = await openSession(server);
    const response = await post(server, '/api/sync', cookie, body);
    expect(response.status).toBe(status);
    expect(await response.text()).toMatch(reason);
  });

  it('answers only for its own names', async () => {
    const ask = (host: string) => server.app.request('/api/health', { headers: { host } });
    expect((await ask('evil.example')).status).toBe(421);
    expect((await ask('localhost:4780')).status).toBe(200);
    const page = await server.app.request('/', { headers: { host: 'evil.example' } });
    expect(page.status).toBe(421);
  });

  it('a session follows a few streams and no more', async () => {
    const cookie = await openSession(server);
    const open = async () => server.app.request('/api/sync/events', { headers: { cookie } });
    const streams = await Promise.all(Array.from({ length: 7 }, open));
    expect(streams.map(({ status }) => status).sort()).toEqual([200, 200, 200, 200, 200, 200, 429]);
    await Promise.all(streams.map(async ({ body }) => body?.cancel()));
    await server.dataSource.query('delete from sessions');
    expect((await open()).status).toBe(401);
  });

  it('refuses a form of another site', async () => {
    const response = await server.app.request('/api/session', {
      method: 'POST',
      headers: { 'content-type': 'text/plain', origin: 'https://elsewhere.test', 'sec-fetch-site': 'cross-site' },
    });
    expect(response.status).toBe(403);
  });

  it('answers with secure headers and an id, which the log has too, without what was sent', async () => {
    const response = await server.app.request('/api/health');
    expect([response.status, await response.json()]).toEqual([200, { ok: true }]);
    expect(response.headers.get('content-security-policy')).toContain("default-src 'none'");
    expect(response.headers.get('x-content-type-options')).toBe('nosniff');
    const id = response.headers.get('x-request-id');
    expect(server.logged.map((line) => JSON.parse(line) as Record<string, unknown>)).toContainEqual(
      expect.objectContaining({ requestId: id, path: '/api/health', status: 200 }),
    );
  });

  it('says what is missing from the configuration', () => {
    expect(() => loadConfig({})).toThrow(/DATABASE_URL/);
  });
});

describe('the client', () => {
  it('hashed files are kept for ever and sent compressed', async () => {
    const script = await server.app.request('/_expo/entry-abc.js', { headers: { 'accept-encoding': 'br' } });
    expect([
      script.status,
      script.headers.get('cache-control'),
      script.headers.get('content-encoding'),
      await script.text(),
    ]).toEqual([200, 'public, max-age=31536000, immutable', 'br', 'compressed']);
    expect((await server.app.request('/_expo/gone.js')).status).toBe(404);
  });

  it('any route of the client gets the page, fresh, with a policy that admits its own script only', async () => {
    const page = await server.app.request('/setup/abc');
    expect([page.status, page.headers.get('cache-control')]).toEqual([200, 'no-cache']);
    expect(await page.text()).toContain('<title>Sphene</title>');
    expect(page.headers.get('content-security-policy')).toMatch(/script-src 'self' 'wasm-unsafe-eval' 'sha256-/);
    expect((await server.app.request('/nothing.png')).status).toBe(404);
    expect((await server.app.request('/../package.json')).status).toBe(404);
    expect((await server.app.request('/api/nothing')).status).toBe(404);
  });
});
