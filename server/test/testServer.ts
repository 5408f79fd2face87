import { randomBytes } from 'node:crypto';
import pg from 'pg';
import pino from 'pino';
import type { DataSource } from 'typeorm';

import {
  type Document,
  type Mutation,
  type SyncRequest,
  type By,
  type Identity,
  PROTOCOL,
  type SyncResponse,
  syncResponseSchema,
} from '@sphene/core/documents';
import { createApp } from '../src/app';
import { loadConfig } from '../src/config';
import { createDataSource, migrate } from '../src/db/dataSource';
import { Reserve } from '../src/db/reserve';
import { type DeviceGateway } from '../src/devices/gateway';
import { createGateway } from '../src/devices/index';
import { Changes } from '../src/sync/changes';

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
  const changes = new Changes(url.href, log);
  await changes.start();
  const reserve = new Reserve(url.href);
  const app = createApp({ config, dataSource, log, devices, changes, reserve, isClosing: () => false });
  const close = async () => {
    devices.close();
    await Promise.all([changes.close(), reserve.close()]);
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
  const [row] = await dataSource.query<{ id: string }[]>('insert into accounts (name) values ($1) returning id', [
    `other ${randomBytes(4).toString('hex')}`,
  ]);
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

/** The device that tests speak as, unless they say otherwise. */
export const DEVICE: By = { id: '019c9c00-0000-7000-9000-0000000000d1', name: 'Phone' };

/** Whose session it is. */
export async function identityOf(server: TestServer, cookie: string): Promise<Identity> {
  const known = identities.get(cookie);
  if (known !== undefined) return known;
  const response = await post(server, '/api/session', cookie, {});
  const { account, lineage } = (await response.json()) as Identity;
  identities.set(cookie, { account, lineage });
  return { account, lineage };
}
/** Asked once a session: starting sessions is limited. */
const identities = new Map<string, Identity>();

/** A request as this session's device makes it. */
export async function requestOf(server: TestServer, cookie: string, request: object = {}): Promise<object> {
  const { account, lineage } = await identityOf(server, cookie);
  const usual = { protocol: PROTOCOL, account: account.id, lineage, device: DEVICE, seen: null };
  return { ...usual, cursor: 0, mutations: [], ...request };
}

/** One sync; fails the test unless the server answers as the protocol says. */
export async function sync(
  server: TestServer,
  cookie: string,
  request: Partial<Omit<SyncRequest, 'mutations'>> & { mutations?: unknown[] } = {},
): Promise<SyncResponse> {
  const response = await post(server, '/api/sync', cookie, await requestOf(server, cookie, request));
  if (response.status !== 200) throw new Error(`${response.status} ${await response.text()}`);
  return syncResponseSchema.parse(await response.json());
}

let next = 0;
/** A mutation's key, different each time. */
export const key = (): string => `019c9c00-0000-7000-9000-${(next += 1).toString(16).padStart(12, '0')}`;

/** When tests say that something was done. */
export const AT = '2026-02-27T12:00:00.000Z';

export const put = (document: Document, baseVersion = 0): Mutation => ({
  op: 'put',
  key: key(),
  at: AT,
  baseVersion,
  document,
});
