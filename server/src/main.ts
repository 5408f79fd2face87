import { serve } from '@hono/node-server';
import { once } from 'node:events';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import pino from 'pino';

import { createApp } from './app';
import { loadConfig } from './config';
import { createDataSource, migrate } from './db/dataSource';
import { Reserve } from './db/reserve';
import { createGateway } from './devices/index';
import { Changes } from './sync/changes';
import { seedSample } from './sync/sample';
import { tidy } from './sync/tidy';

const DAY_MS = 24 * 3600_000;
const IDLE_MS = 50;
const IN_FLIGHT_MS = 700;

const config = loadConfig(process.env);
const log = pino({ level: config.LOG_LEVEL, base: undefined, timestamp: pino.stdTimeFunctions.isoTime });
const dataSource = createDataSource(config.DATABASE_URL, log);
await dataSource.initialize();
await migrate(dataSource);
if (config.SAMPLE_DATA) await seedSample(dataSource);

let closing = false;
const devices = createGateway(config.DEVICES);
const changes = new Changes(config.DATABASE_URL, log);
await changes.start();
const reserve = new Reserve(config.DATABASE_URL);
const tidying = () =>
  void tidy(dataSource).catch((error: unknown) => log.warn({ err: String(error) }, 'tidying failed'));
tidying();
setInterval(tidying, DAY_MS).unref();
const app = createApp({ config, dataSource, log, devices, changes, reserve, isClosing: () => closing });
// Loopback only: whoever puts this on a network puts a proxy with TLS in front of it.
const server = serve({ fetch: app.fetch, port: config.PORT, hostname: '127.0.0.1' }) as Server;
server.requestTimeout = 30_000;
server.headersTimeout = 10_000;
server.on('error', (error) => {
  log.fatal({ err: error }, 'the server cannot listen');
  process.exit(1);
});
await once(server, 'listening');
log.info({ port: (server.address() as AddressInfo).port }, 'listening');

/** Finishes what is in flight, takes nothing new, and ends; a second signal changes nothing. */
async function close(signal: string): Promise<void> {
  if (closing) return;
  closing = true;
  log.info({ signal }, 'closing');
  devices.close();
  await changes.close();
  const closed = once(server, 'close');
  server.close();
  const idle = setInterval(() => server.closeIdleConnections(), IDLE_MS);
  // what has not ended by then was never going to: a client that asks again is answered the same
  const hard = setTimeout(() => server.closeAllConnections(), IN_FLIGHT_MS);
  await closed;
  clearInterval(idle);
  clearTimeout(hard);
  await Promise.all([dataSource.destroy(), reserve.close()]);
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void close(signal));
