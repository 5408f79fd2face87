import { getConnInfo } from '@hono/node-server/conninfo';
import { Hono, type MiddlewareHandler } from 'hono';
import { rateLimiter } from 'hono-rate-limiter';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { csrf } from 'hono/csrf';
import { HTTPException } from 'hono/http-exception';
import { requestId } from 'hono/request-id';
import { secureHeaders } from 'hono/secure-headers';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';

import { clientFiles } from './clientFiles';
import { Streams } from './accounts/streams';
import type { Config } from './config';
import type { Reserve } from './db/reserve';
import { type DeviceGateway } from './devices/gateway';
import type { AppEnv } from './environment';
import { cardRoutes } from './routes/cards';
import { deviceRoutes } from './routes/devices';
import { pictureRoutes } from './routes/pictures';
import { sessionRoutes } from './routes/session';
import { syncRoutes } from './routes/sync';
import { weatherRoutes } from './routes/weather';
import type { Changes } from './sync/changes';
import { httpDriver } from './weather/httpDriver';

export interface AppParts {
  config: Config;
  dataSource: DataSource;
  log: Logger;
  devices: DeviceGateway;
  changes: Changes;
  reserve: Reserve;
  /** true once the server is stopping, so that health checks send no one here any more */
  isClosing: () => boolean;
}

const MAX_BODY_BYTES = 2 * 1024 * 1024;

/** The name that a request was sent to, without its port. */
const hostOf = (header: string): string => header.toLowerCase().replace(/:\d+$/, '');

/** Refuses requests for other names: a foreign page whose name points here is none of ours. */
const onlyFor = (hosts: readonly string[]): MiddlewareHandler<AppEnv> =>
  async function onlyForHosts(context, next) {
    const host = hostOf(context.req.header('host') ?? new URL(context.req.url).host);
    if (hosts.includes(host)) return next();
    return context.json({ error: `This server does not answer for ${host}. Set HOSTS to the names it has.` }, 421);
  };

/** What a minute allows one address that nobody has signed in from. */
const A_MINUTE = { 'sign-ins': 120, cards: 240 };

/** Each of them costs the database; a person signs in a few times, and a card is asked for when it has changed. */
const limited = (what: keyof typeof A_MINUTE) =>
  rateLimiter<AppEnv>({
    windowMs: 60_000,
    limit: A_MINUTE[what],
    keyGenerator: (context) =>
      context.env?.incoming === undefined ? 'local' : (getConnInfo(context).remote.address ?? 'unknown'),
  });

/** All connections to the database were in use for too long. */
const isBusy = (error: Error): boolean => /timeout exceeded when trying to connect/.test(error.message);

/** The whole HTTP application, without a socket: tests call it as it is. */
export function createApp({ config, dataSource, log, devices, changes, reserve, isClosing }: AppParts) {
  const app = new Hono<AppEnv>();
  const streams = new Streams();
  const { PUBLIC_URL } = config;
  // whoever opens a link that was handed on comes by this name
  app.use(onlyFor(PUBLIC_URL === undefined ? config.HOSTS : [...config.HOSTS, new URL(PUBLIC_URL).hostname]));
  app.use(requestId());
  app.use(async (context, next) => {
    const started = performance.now();
    const requestLog = log.child({ requestId: context.get('requestId') });
    context.set('config', config);
    context.set('dataSource', dataSource);
    context.set('log', requestLog);
    await next();
    requestLog.info(
      {
        method: context.req.method,
        path: context.req.path,
        status: context.res.status,
        ms: Math.round(performance.now() - started),
      },
      'request',
    );
  });

  const api = new Hono<AppEnv>();
  api.use(secureHeaders({ contentSecurityPolicy: { defaultSrc: ["'none'"], frameAncestors: ["'none'"] } }));
  api.use(csrf());
  const limit = bodyLimit({
    maxSize: MAX_BODY_BYTES,
    onError: (context) =>
      context.json({ error: `A request may carry ${MAX_BODY_BYTES} bytes at most. Send it in parts.` }, 413),
  });
  api.use((context, next) =>
    context.req.method === 'GET' || context.req.method === 'HEAD' ? next() : limit(context, next),
  );
  api.use(async (context, next) => {
    context.header('Cache-Control', 'no-store');
    await next();
  });
  api.use(compress({ threshold: 2048 }));
  api.use('/session', limited('sign-ins'));
  // a key cannot be guessed; that it is not tried either costs nothing
  api.use('/cards/open/*', limited('cards'));
  api.get('/health', async (context) => {
    if (isClosing()) return context.json({ ok: false, reason: 'closing' }, 503);
    const well = await reserve.isWell();
    return well ? context.json({ ok: true }) : context.json({ ok: false, reason: 'database' }, 503);
  });
  api.route('/session', sessionRoutes());
  api.route('/sync', syncRoutes(changes, streams));
  api.route('/cards', cardRoutes(changes, streams));
  api.route('/pictures', pictureRoutes());
  api.route('/devices', deviceRoutes(devices, streams));
  api.route('/weather', weatherRoutes(httpDriver(config.WEATHER_URL ?? null)));
  api.all('*', (context) => context.json({ error: 'There is nothing at this address.' }, 404));
  app.route('/api', api);

  app.onError((error, context) => {
    if (error instanceof HTTPException)
      return (
        error.res ??
        context.json(
          { error: error.message || 'The request was refused.', requestId: context.get('requestId') },
          error.status,
        )
      );
    if (isBusy(error)) {
      context.header('Retry-After', '2');
      return context.json({ error: 'The server has much to do. Nothing was lost; it is tried again.' }, 503);
    }
    log.error({ err: error, requestId: context.get('requestId') }, 'unhandled');
    return context.json(
      {
        error: 'Something went wrong on the server. Nothing was lost; try again.',
        requestId: context.get('requestId'),
      },
      500,
    );
  });
  if (config.CLIENT_DIR !== undefined) app.route('/', clientFiles(config.CLIENT_DIR));
  return app;
}
