import { randomBytes } from 'node:crypto';
import pg from 'pg';
import pino from 'pino';
import type { DataSource } from 'typeorm';

import {
  type Document,
  type Mutation,
  type SyncRequest,
  type SyncResponse,
  syncResponseSchema,
} from '@sphene/core/documents';
import { createApp } from '../src/app';
import { loadConfig } from '../src/config';
import { createDataSource, migrate } from '../src/db/dataSource';
import { type DeviceGateway } from '../src/devices/gateway';
import { createGateway } from '../src/devices/index';

export interface TestServer {
  app: ReturnType<typeof createApp>;
  dataSource: DataSource;
  devices: DeviceGateway;
  logged: string[];
  close: () => Promise<void>;
}

async function asAdmin(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env['TEST_DATABASE_URL'] });
  await client.connect();
  await client.query(sql);
  await client.end();
}

/** The application on a fresh, migrated database of its own. */
export async function testServer(environment: Record<string, string> = {}): Promise<TestServer> {
  const name = `t_${randomBytes(6).toString('hex')}`;
  await asAdmin(`create database ${name}`);
  const url = new URL(process.env['TEST_DATABASE_URL'] ?? '');
  url.pathname = `/${name}`;
  const logged: string[] = [];
  const log = pino({ level: 'info' }, { write: (line: string) => void logged.push(line) });
  const dataSource = await createDataSource(url.href, log).initialize();
  await migrate(dataSource);
  const config = loadConfig({ NODE_ENV: 'test', DATABASE_URL: url.href, ...environment });
  const devices = createGateway(config.DEVICES);
  const app = createApp({ config, dataSource, log, devices, isClosing: () => false });
  const close = async () => {
    devices.close();
    await dataSource.destroy();
    await asAdmin(`drop database ${name} with (force)`);
  };
  return { app, dataSource, devices, logged, close };
}

/** Starts a session and gives its cookie. */
export async function openSession({ app }: TestServer): Promise<string> {
  const response = await app.request('/api/session', { method: 'POST', headers: { 'sec-fetch-site': 'same-origin' } });
  return response.headers.getSetCookie()[0]?.split(';')[0] ?? '';
}

/** A second account with a session, which the product does not offer yet. */
export async function otherAccount({ app, dataSource }: TestServer): Promise<string> {
  const cookie = await openSession({ app, dataSource } as TestServer);
  const [row] = await dataSource.query<{ id: string }[]>("insert into accounts (name) values ('other') returning id");
  await dataSource.query(
    'update sessions set account_id = $1 where created_at = (select max(created_at) from sessions)',
    [row?.id],
  );
  return cookie;
}

export const post = ({ app }: TestServer, path: string, cookie: string, body: unknown) =>
  app.request(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

/** One sync; fails the test unless the server answers as the protocol says. */
export async function sync(
  server: TestServer,
  cookie: string,
  request: Partial<SyncRequest> = {},
): Promise<SyncResponse> {
  const response = await post(server, '/api/sync', cookie, { cursor: 0, mutations: [], ...request });
  if (response.status !== 200) throw new Error(`${response.status} ${await response.text()}`);
  return syncResponseSchema.parse(await response.json());
}

let next = 0;
/** A mutation's key, different each time. */
export const key = (): string => `019c9c00-0000-7000-9000-${(next += 1).toString(16).padStart(12, '0')}`;

export const put = (document: Document, baseVersion = 0): Mutation => ({
  op: 'put',
  key: key(),
  baseVersion,
  document,
});
