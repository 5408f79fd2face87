import { serve } from '@hono/node-server';
import { Hono } from 'hono';
import { once } from 'node:events';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { type WebSocket, WebSocketServer } from 'ws';

import { type DeviceCommand, deviceCommandSchema, type DeviceHello, type DeviceMessage } from '@sphene/core/devices';

/** A running device: what it says goes to the gateway that is connected, and nowhere when none is. */
export interface ServedDevice {
  port: number;
  say: (message: DeviceMessage, bytes?: Uint8Array) => void;
  close: () => Promise<void>;
}

interface DeviceParts {
  hello: DeviceHello;
  port: number;
  /** the device's own page, for pressing it by hand */
  page: () => string;
  onCommand: (command: DeviceCommand) => void;
  onConnect: () => void;
}

/** A stage with its setup, gear and readings is the longest command. */
const MAX_COMMAND_BYTES = 2_000_000;

/** A form's fields as a command: figures are figures, and `none` is nothing. */
const fromForm = (fields: Record<string, unknown>): unknown =>
  Object.fromEntries(
    Object.entries(fields).map(([key, value]) => [
      key,
      value === 'none' ? null : typeof value === 'string' && /^-?\d+(\.\d+)?$/.test(value) ? Number(value) : value,
    ]),
  );

/** Serves a device as docs/devices.md describes: who is there, a socket for one gateway, and its own page. Loopback only. */
export async function serveDevice({ hello, port, page, onCommand, onConnect }: DeviceParts): Promise<ServedDevice> {
  const app = new Hono();
  app.get('/device', (context) => context.json(hello));
  app.get('/', (context) => {
    context.header('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'");
    return context.html(page());
  });
  app.post('/', async (context) => {
    // forms of its own page only: those of other sites come as cross-site
    if (!['same-origin', 'none', undefined].includes(context.req.header('sec-fetch-site')))
      return context.text('This form belongs to the device itself.', 403);
    const told: unknown = context.req.header('content-type')?.startsWith('application/json')
      ? await context.req.json().catch(() => null)
      : fromForm(await context.req.parseBody());
    const command = deviceCommandSchema.safeParse(told);
    if (!command.success) return context.text('The device does not know this command.', 400);
    onCommand(command.data);
    return typeof told === 'object' && told !== null && 'type' in told && told.type === 'pop'
      ? context.body(null, 204)
      : context.redirect('/', 303);
  });
  const server = serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }) as Server;
  if (!server.listening) await once(server, 'listening');

  const sockets = new WebSocketServer({ noServer: true, maxPayload: MAX_COMMAND_BYTES });
  let gateway: WebSocket | null = null;
  server.on('upgrade', (request, socket, head) => {
    // browsers send an Origin; the gateway is no browser
    if (request.url !== '/session' || request.headers.origin !== undefined) return void socket.destroy();
    sockets.handleUpgrade(request, socket, head, (opened) => {
      gateway?.close(1000, 'another gateway connected');
      gateway = opened;
      opened.on('message', (data) => {
        try {
          const command = deviceCommandSchema.safeParse(JSON.parse((data as Buffer).toString()));
          if (command.success) onCommand(command.data);
        } catch {
          /* not JSON: a device passes over what it does not understand */
        }
      });
      opened.on('close', () => {
        if (gateway === opened) gateway = null;
      });
      onConnect();
    });
  });
  return {
    port: (server.address() as AddressInfo).port,
    say(message, bytes) {
      gateway?.send(JSON.stringify(message));
      if (bytes !== undefined) gateway?.send(bytes);
    },
    async close() {
      gateway?.terminate();
      server.closeAllConnections();
      const closed = once(server, 'close');
      server.close();
      await closed;
    },
  };
}

/** Ends a program of its own in order. */
export function endOnSignal(device: ServedDevice): void {
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => void device.close().then(() => process.exit(0)));
}
