import type { Context } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { createMiddleware } from 'hono/factory';
import { HTTPException } from 'hono/http-exception';
import { createHash, randomBytes } from 'node:crypto';

import type { Identity } from '@sphene/core/documents';
import type { Queryable } from '../db/dataSource';
import type { AppEnv } from '../environment';

const COOKIE = 'sphene_session';
const LIFE_MS = 90 * 24 * 3600_000;

const digest = (token: string): string => createHash('sha256').update(token).digest('hex');

/** A session as it is known: its own id, and whose it is. */
export interface KnownSession {
  id: string;
  identity: Identity;
}

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
export async function startSession(context: Context<AppEnv>, accountId: string): Promise<KnownSession> {
  const token = randomBytes(32).toString('base64url');
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
  const session = await sessionById(context.var.dataSource, digest(token));
  if (session === undefined) throw new Error('the session could not be started');
  return session;
}

async function sessionById(database: Queryable, id: string): Promise<KnownSession | undefined> {
  const [row] = await database.query<{ id: string; name: string; lineage: string }[]>(
    `select a.id, a.name, (select id from lineage) as lineage from sessions s join accounts a on a.id = s.account_id
     where s.id = $1 and s.expires_at > now()`,
    [id],
  );
  return row === undefined
    ? undefined
    : { id, identity: { account: { id: row.id, name: row.name }, lineage: row.lineage } };
}

/** The session of a request, or `undefined`. */
export async function sessionOf(context: Context<AppEnv>): Promise<KnownSession | undefined> {
  const token = getCookie(context, COOKIE);
  return token === undefined ? undefined : sessionById(context.var.dataSource, digest(token));
}

/** True while a session is not over: what lasts longer than a request asks again. */
const isOpen = async (database: Queryable, id: string): Promise<boolean> =>
  (await sessionById(database, id)) !== undefined;

/** What handlers behind `requireAccount` find beside the rest. */
export interface AccountVariables {
  accountId: string;
  session: KnownSession;
}

/** Lets only requests with a session through and tells them the account. */
export const requireAccount = createMiddleware<AppEnv & { Variables: AccountVariables }>(async (context, next) => {
  const session = await sessionOf(context as unknown as Context<AppEnv>);
  if (session === undefined)
    throw new HTTPException(401, { message: 'There is no session. Open the application again to start one.' });
  context.set('accountId', session.identity.account.id);
  context.set('session', session);
  await next();
});

/** A stream that is followed while the session is not over. */
export const bySession = ({ var: { session, dataSource } }: Context<AppEnv & { Variables: AccountVariables }>) => ({
  who: session.id,
  mayStill: () => isOpen(dataSource, session.id),
});
