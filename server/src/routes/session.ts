import { Hono } from 'hono';

import { demoAccountId, sessionAccountId, startSession } from '../accounts/session';
import type { AppEnv } from '../environment';

/** `POST /`: the session of this browser; one is started on the demo account when there is none. */
export const sessionRoutes = () =>
  new Hono<AppEnv>().post('/', async (context) => {
    const existing = await sessionAccountId(context);
    const accountId = existing ?? (await demoAccountId(context.var.dataSource));
    if (existing === undefined) await startSession(context, accountId);
    return context.json({ accountId }, existing === undefined ? 201 : 200);
  });
