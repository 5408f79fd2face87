import { getConnInfo } from '@hono/node-server/conninfo';
import { Hono } from 'hono';
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
import type { Config } from './config';
import { type DeviceGateway } from './devices/gateway';
import type { AppEnv } from './environment';
import { deviceRoutes } from './routes/devices';
import { sessionRoutes } from './routes/session';
import { syncRoutes } from './routes/sync';

export interface AppParts {
  config: Config;
  dataSource: DataSource;
  log: Logger;
  devices: DeviceGateway;
  /** true once the server is stopping, so that health checks send no one here any more */
  isClosing: () => boolean;
}

const MAX_BODY_BYTES = 4 * 1024 * 1024;

/** The whole HTTP application, without a socket: tests call it as it is. */
export function createApp({ config, dataSource, log, devices, isClosing }: AppParts) {
  const app = new Hono<AppEnv>();
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
  api.use(
    '/session',
    rateLimiter<AppEnv>({
      windowMs: 60_000,
      limit: 120,
      keyGenerator: (context) =>
        context.env?.incoming === undefined ? 'local' : (getConnInfo(context).remote.address ?? 'unknown'),
    }),
  );
  api.get('/health', async (context) => {
    if (isClosing()) return context.json({ ok: false, reason: 'closing' }, 503);
    try {
      await dataSource.query('select 1');
      return context.json({ ok: true });
    } catch {
      return context.json({ ok: false, reason: 'database' }, 503);
    }
  });
  api.route('/session', sessionRoutes());
  api.route('/sync', syncRoutes());
  api.route('/devices', deviceRoutes(devices));
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
