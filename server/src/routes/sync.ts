import { Hono } from 'hono';
import { z } from 'zod';

import { commonRequestSchema, PROTOCOL, syncRequestSchema } from '@sphene/core/documents';
import { bySession, requireAccount } from '../accounts/session';
import type { Streams } from '../accounts/streams';
import type { AppEnv } from '../environment';
import type { Changes } from '../sync/changes';
import { commonPlace, exchange } from '../sync/exchange';
import { bodyOf, prettified } from './body';
import { follow } from './stream';

/** Which version a request speaks; one that does not say so is of the first. */
const versionSchema = z.object({ protocol: z.int().default(1) }).loose();

/**
 * `POST /`: mutations in, results and the changes since a cursor out. `POST /common`: where two histories part.
 * `GET /events`: a word whenever something has changed.
 */
export const syncRoutes = (changes: Changes, streams: Streams) =>
  new Hono<AppEnv>()
    .use(requireAccount)
    .post('/', async (context) => {
      const raw = await bodyOf(context, versionSchema);
      if (raw.protocol !== PROTOCOL) {
        const error =
          raw.protocol < PROTOCOL
            ? 'This page is older than the server. What it keeps stays on the device; open it anew to send it.'
            : 'This server is older than the page. What it keeps stays on the device until the server is newer.';
        return context.json({ code: 'protocol', protocol: PROTOCOL, error }, 426);
      }
      const parsed = syncRequestSchema.safeParse(raw);
      if (!parsed.success)
        return context.json(
          { error: `The request does not keep to the sync format.\n${prettified(parsed.error)}` },
          400,
        );
      const { identity } = context.var.session;
      if (parsed.data.account !== identity.account.id) return context.json({ code: 'other-account' }, 409);
      if (parsed.data.lineage !== identity.lineage) return context.json({ code: 'other-history' }, 409);
      const answer = await exchange(context.var.dataSource, identity.account.id, parsed.data);
      if (answer === null) return context.json({ code: 'other-history' }, 409);
      const { changesJson, results, cursor, more, head } = answer;
      // the changes are JSON already
      const text = JSON.stringify({ results, cursor, more, head, now: Date.now() });
      const whole = `${text.slice(0, -1)},"changes":${changesJson}}`;
      // with its length said, a short answer is not compressed, which would cost more than it saves
      const length = String(Buffer.byteLength(whole));
      return context.body(whole, 200, { 'Content-Type': 'application/json', 'Content-Length': length });
    })
    .post('/common', async (context) => {
      const { marks } = await bodyOf(context, commonRequestSchema);
      return context.json({ common: await commonPlace(context.var.dataSource, context.var.accountId, marks) });
    })
    .get('/events', (context) =>
      follow(context, {
        streams,
        ...bySession(context),
        closed: changes.closed,
        start: (stream) => changes.listen(context.var.accountId, () => void stream.writeSSE({ data: 'changed' })),
      }),
    );
