import type { HttpBindings } from '@hono/node-server';
import type { RequestIdVariables } from 'hono/request-id';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';

import type { Config } from './config';

/** What every handler finds on its context. */
export interface AppEnv {
  Bindings: Partial<HttpBindings>;
  Variables: RequestIdVariables & { config: Config; dataSource: DataSource; log: Logger };
}
