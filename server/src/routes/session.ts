import { Hono } from 'hono';

import { PROTOCOL, type SessionResponse } from '@sphene/core/documents';
import { demoAccountId, sessionOf, startSession } from '../accounts/session';
import type { AppEnv } from '../environment';

/** `POST /`: the session of this browser; one is started on the demo account when there is none. */
export const sessionRoutes = () =>
  new Hono<AppEnv>().post('/', async (context) => {
    const existing = await sessionOf(context);
    const session = existing ?? (await startSession(context, await demoAccountId(context.var.dataSource)));
    const answer: SessionResponse = { ...session.identity, protocol: PROTOCOL, now: Date.now() };
    return context.json(answer, existing === undefined ? 201 : 200);
  });
