import type { Context } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { createMiddleware } from 'hono/factory';
import { HTTPException } from 'hono/http-exception';
import { createHash, randomBytes } from 'node:crypto';

import type { Queryable } from '../db/dataSource';
import type { AppEnv } from '../environment';

const COOKIE = 'sphene_session';
const LIFE_MS = 90 * 24 * 3600_000;

const digest = (token: string): string => createHash('sha256').update(token).digest('hex');

/** The account of the demo; made on first use. One account is enough until there are sign-ups. */
export async function demoAccountId(database: Queryable): Promise<string> {
  const rows = await database.query<{ id: string }[]>(
    "insert into accounts (name) values ('demo') on conflict (name) do update set name = excluded.name returning id",
  );
  const id = rows[0]?.id;
  if (id === undefined) throw new Error('the demo account could not be made');
  return id;
}

/** Starts a session: a random token in the cookie, only its digest in the database. */
export async function startSession(context: Context<AppEnv>, accountId: string): Promise<void> {
  const token = randomBytes(32).toString('base64url');
  await context.var.dataSource.query('delete from sessions where expires_at < now()');
  await context.var.dataSource.query('insert into sessions (id, account_id, expires_at) values ($1, $2, $3)', [
    digest(token),
    accountId,
    new Date(Date.now() + LIFE_MS),
  ]);
  setCookie(context, COOKIE, token, {
    httpOnly: true,
    sameSite: 'Lax',
    path: '/',
    secure: context.var.config.COOKIE_SECURE,
    maxAge: LIFE_MS / 1000,
  });
}

/** The account of the request's session, or `undefined`. */
export async function sessionAccountId(context: Context<AppEnv>): Promise<string | undefined> {
  const token = getCookie(context, COOKIE);
  if (token === undefined) return undefined;
  const rows = await context.var.dataSource.query<{ account_id: string }[]>(
    'select account_id from sessions where id = $1 and expires_at > now()',
    [digest(token)],
  );
  return rows[0]?.account_id;
}

/** Lets only requests with a session through and tells them the account. */
export const requireAccount = createMiddleware<AppEnv & { Variables: { accountId: string } }>(async (context, next) => {
  const accountId = await sessionAccountId(context as unknown as Context<AppEnv>);
  if (accountId === undefined)
    throw new HTTPException(401, { message: 'There is no session. Open the application again to start one.' });
  context.set('accountId', accountId);
  await next();
});
