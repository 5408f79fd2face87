import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { type WebSocket, WebSocketServer } from 'ws';

import { type DeviceEvent, deviceEventSchema, type DeviceMessage } from '@sphene/core/devices';
import { loadConfig } from '../src/config';
import { DeviceGateway } from '../src/devices/gateway';
import { deviceReader, socketDriver } from '../src/devices/socketDriver';
import { openSession, post, testServer } from './testServer';

const ACCOUNT = 'a';
const PAGE = { accountId: ACCOUNT, clientId: '019c9c00-0000-7000-8000-00000000aaaa' };
const READING: DeviceMessage = {
  type: 'reading',
  mode: 'ambient',
  read: 'aperture',
  av: 5,
  tv: 7,
  sv: 0,
  head: 'camera',
};
const bytes = (text: string) => Buffer.from(text);

/** A meter that behaves as the test wants. */
async function device() {
  const http = createServer((_request, response) => {
    response.setHeader('content-type', 'application/json');
    response.end(JSON.stringify({ protocol: 1, id: 'odd-meter', kind: 'meter', name: 'Odd meter', simulated: true }));
  });
  const sockets = new WebSocketServer({ server: http, path: '/session' });
  http.listen(0, '127.0.0.1');
  await once(http, 'listening');
  const connected = once(sockets, 'connection') as Promise<[WebSocket]>;
  return {
    address: `http://127.0.0.1:${(http.address() as AddressInfo).port}`,
    socket: async () => (await connected)[0],
    close: () => {
      for (const client of sockets.clients) client.terminate();
      http.closeAllConnections();
      http.close();
    },
  };
}

describe('the gateway', () => {
  let odd: Awaited<ReturnType<typeof device>>;
  let gateway: DeviceGateway;
  let events: DeviceEvent[];
  const until = async (type: DeviceEvent['type'], count = 1): Promise<DeviceEvent[]> => {
    for (;;) {
      const found = events.filter((event) => event.type === type);
      if (found.length >= count) return found;
      await new Promise(setImmediate);
    }
  };
  beforeEach(async () => {
    odd = await device();
    gateway = new DeviceGateway([odd.address, 'http://127.0.0.1:1'], {
      meter: socketDriver('meter'),
      camera: socketDriver('camera'),
      radio: socketDriver('camera'),
    });
    events = [];
    gateway.listen(PAGE, (event) => events.push(deviceEventSchema.parse(event)));
    expect(await gateway.list(ACCOUNT)).toEqual([expect.objectContaining({ id: 'odd-meter', connectedBy: null })]);
    await gateway.connect('odd-meter', PAGE);
  });
  afterEach(() => {
    gateway.close();
    odd.close();
  });

  it('passes readings on to the page that connected the device, and to no other', async () => {
    const others: DeviceEvent[] = [];
    gateway.listen({ ...PAGE, clientId: 'other' }, (event) => others.push(event));
    (await odd.socket()).send(JSON.stringify(READING));
    expect(await until('reading')).toEqual([
      { type: 'reading', deviceId: 'odd-meter', name: 'Odd meter', simulated: true, reading: READING },
    ]);
    expect(others.map(({ type }) => type)).not.toContain('reading');
  });

  it('belongs to the account that connected it: another sees nothing of it, hears nothing and touches nothing', async () => {
    const theirs: DeviceEvent[] = [];
    gateway.listen({ accountId: 'b', clientId: PAGE.clientId }, (event) => theirs.push(event));
    (await odd.socket()).send(JSON.stringify(READING));
    await until('reading');
    expect(theirs).toEqual([{ type: 'devices', devices: [] }]);
    expect(await gateway.list('b')).toEqual([]);
    expect(() => gateway.command('odd-meter', 'b', { type: 'press' })).toThrow(/not connected/);
    await expect(gateway.connect('odd-meter', { accountId: 'b', clientId: 'x' })).rejects.toThrow(/Look for devices/);
    gateway.disconnect('odd-meter', 'b');
    expect((await gateway.list(ACCOUNT))[0]).toMatchObject({ connectedBy: PAGE.clientId });
  });

  it('reads no more of who a device is than that takes, and waits no longer', async () => {
    const endless = createServer((_request, response) => {
      response.writeHead(200, { 'content-type': 'application/json' });
      const talking = setInterval(() => response.write('x'.repeat(1000)), 1);
      response.on('close', () => clearInterval(talking));
    }).listen(0, '127.0.0.1');
    await once(endless, 'listening');
    const { port } = endless.address() as AddressInfo;
    const other = new DeviceGateway([`http://127.0.0.1:${port}`], {
      meter: socketDriver('meter'),
      camera: socketDriver('camera'),
      radio: socketDriver('radio'),
    });
    expect(await other.list(ACCOUNT)).toEqual([]);
    endless.closeAllConnections();
    endless.close();
  });

  it('survives rubbish with a message and goes on', async () => {
    const socket = await odd.socket();
    socket.send('{"type":"reading","av":"wide"}');
    socket.send('no message at all');
    socket.send(JSON.stringify(READING));
    await until('reading');
    expect((await until('trouble', 2)).map((event) => (event.type === 'trouble' ? event.text : ''))).toEqual([
      expect.stringContaining('cannot be right'),
      expect.stringContaining('is no message'),
    ]);
  });

  it('puts a device aside that floods or sends nothing but rubbish, and says so', async () => {
    const socket = await odd.socket();
    for (let i = 0; i < 100; i += 1) socket.send(JSON.stringify(READING));
    const [trouble] = await until('trouble');
    expect(trouble).toMatchObject({ text: expect.stringContaining('far more than a hand can press') });
    expect((await gateway.list(ACCOUNT))[0]).toMatchObject({ connectedBy: null });
    expect(events.filter(({ type }) => type === 'reading').length).toBeLessThanOrEqual(40);
  });

  it('says that a device went away in the middle of a press, and refuses to press it again', async () => {
    gateway.command('odd-meter', ACCOUNT, { type: 'press' });
    (await odd.socket()).terminate();
    expect((await until('trouble'))[0]).toMatchObject({ text: expect.stringContaining('It went away') });
    expect(() => gateway.command('odd-meter', ACCOUNT, { type: 'press' })).toThrow(/not connected/);
    await expect(gateway.connect('nobody', PAGE)).rejects.toThrow(/Look for devices again/);
  });
});

describe('what a device sends', () => {
  it('whatever the bytes, they are a checked message, trouble, or the end; never an exception', () => {
    const message = fc.oneof(
      fc.uint8Array({ maxLength: 200 }),
      fc.string().map(bytes),
      fc.json().map(bytes),
      fc.constant(bytes(JSON.stringify(READING))),
      fc.constant(bytes('{"type":"picture","av":5,"tv":7,"sv":0,"bytes":3}')),
    );
    fc.assert(
      fc.property(
        fc.array(fc.tuple(message, fc.boolean()), { maxLength: 80 }),
        fc.constantFrom('meter' as const, 'camera' as const),
        (messages, kind) => {
          let ended = 0;
          const read = deviceReader(
            kind,
            {
              message: (said) => expect(['reading', 'state', 'problem', 'picture']).toContain(said.type),
              trouble: (text) => expect(text.length).toBeGreaterThan(20),
            },
            () => {
              ended += 1;
            },
            () => 0,
          );
          for (const [data, binary] of messages) read(Buffer.from(data), binary);
          if (messages.length > 40) expect(ended).toBeGreaterThan(0);
        },
      ),
    );
  });

  it('a picture is taken only as announced', () => {
    const got: (Uint8Array | undefined)[] = [];
    const troubles: string[] = [];
    const read = deviceReader(
      'camera',
      { message: (_said, data) => got.push(data), trouble: (text) => troubles.push(text) },
      () => undefined,
    );
    read(bytes('x'), true);
    read(bytes('{"type":"picture","av":5,"tv":7,"sv":0,"bytes":3}'), false);
    read(bytes('abcd'), true);
    read(bytes('{"type":"picture","av":5,"tv":7,"sv":0,"bytes":3}'), false);
    read(bytes('abc'), true);
    expect(got).toEqual([bytes('abc')]);
    expect(troubles).toHaveLength(2);
  });
});

describe('the routes', () => {
  it('want a session, a known page and a known command, and answer in words', async () => {
    const server = await testServer({ DEVICES: 'http://127.0.0.1:1' });
    const cookie = await openSession(server);
    expect((await server.app.request('/api/devices')).status).toBe(401);
    expect(await (await server.app.request('/api/devices', { headers: { cookie } })).json()).toEqual({ devices: [] });
    expect((await server.app.request('/api/devices/events', { headers: { cookie } })).status).toBe(400);
    const command = await post(server, '/api/devices/nobody/command', cookie, { type: 'press' });
    expect([command.status, await command.json()]).toEqual([
      409,
      expect.objectContaining({ error: expect.stringContaining('not connected') }),
    ]);
    expect((await post(server, '/api/devices/nobody/command', cookie, { type: 'explode' })).status).toBe(400);
    expect((await post(server, '/api/devices/nobody/connect', cookie, { client: 'me' })).status).toBe(400);
    expect((await server.app.request('/api/devices/pictures/none', { headers: { cookie } })).status).toBe(404);
    await server.close();
    expect(() => loadConfig({ DATABASE_URL: 'x', DEVICES: 'http://example.test' })).toThrow(/loopback/);
  });
});
