import { serve } from '@hono/node-server';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { Hono } from 'hono';
import { once } from 'node:events';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';

import { openSession, type TestServer, testServer } from './testServer';

const ASKED = '/api/weather?latitude=46.93&longitude=10.21&from=2026-02-27T14:20:00Z&hours=2';
const HOUR = { cloud: 0.4, windMps: 3, gustMps: 7, rainMmH: 0, temperatureC: 2 };

/** A service that answers with whatever a test wants. */
let answer: () => Response;
let asked: URL | null = null;
let service: Server;
let server: TestServer;
let cookie: string;
beforeAll(async () => {
  const app = new Hono();
  app.get('/hourly', (context) => {
    asked = new URL(context.req.url);
    return answer();
  });
  service = serve({ fetch: app.fetch, port: 0, hostname: '127.0.0.1' }) as Server;
  if (!service.listening) await once(service, 'listening');
  server = await testServer({ WEATHER_URL: `http://127.0.0.1:${(service.address() as AddressInfo).port}` });
  cookie = await openSession(server);
});
afterAll(async () => {
  await server.close();
  service.closeAllConnections();
  service.close();
});

const ask = (path = ASKED, of = server, as = cookie) => of.app.request(path, { headers: { cookie: as } });
const json = (body: unknown) => () => Response.json(body);

describe('the weather', () => {
  it('is asked from the full hour on, and comes with when it was asked', async () => {
    const said = { source: 'Test', simulated: false, hours: [{ at: '2026-02-27T14:00:00Z', ...HOUR }] };
    answer = json(said);
    const response = await ask();
    expect(response.status).toBe(200);
    expect(await response.json()).toEqual({ ...said, askedAt: expect.any(String) });
    expect(asked?.searchParams.get('from')).toBe('2026-02-27T14:00:00.000Z');
    expect(asked?.searchParams.get('latitude')).toBe('46.93');
  });

  it.each<[string, () => Response, RegExp]>([
    ['that is no JSON', () => new Response('sunny'), /cannot be right/],
    [
      'with cover over one',
      json({ source: 'x', simulated: false, hours: [{ at: '2026-02-27T14:00:00Z', ...HOUR, cloud: 4 }] }),
      /cannot be right/,
    ],
    ['without an end', () => new Response('['.repeat(400_000)), /cannot be right/],
    ['that is an error', () => new Response('no', { status: 500 }), /does not answer/],
  ])('an answer %s is refused with a reason', async (_name, say, reason) => {
    answer = say;
    const response = await ask();
    expect(response.status).toBe(502);
    expect(await response.text()).toMatch(reason);
  });

  it('says what is wrong with a question, that nobody is named to ask, and nothing to strangers', async () => {
    expect((await ask(ASKED.replace('46.93', '146'))).status).toBe(400);
    expect((await ask(ASKED.replace('hours=2', 'hours=2000'))).status).toBe(400);
    expect((await ask(ASKED, server, '')).status).toBe(401);
    const without = await testServer();
    const response = await ask(ASKED, without, await openSession(without));
    expect(response.status).toBe(404);
    expect(await response.text()).toMatch(/WEATHER_URL/);
    await without.close();
  });
});
