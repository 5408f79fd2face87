import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';
import { z } from 'zod';

import { idSchema } from '@sphene/core/gear';
import { CARD_HOURS, CARD_SHEETS, type CardLinks, type OpenCard } from '@sphene/core/sheets';
import { type AccountVariables, requireAccount } from '../accounts/session';
import type { Streams } from '../accounts/streams';
import { cardOf } from '../cards/card';
import { linksOf, makeLink, openedLink, withdrawLink } from '../cards/links';
import type { AppEnv } from '../environment';
import type { Changes } from '../sync/changes';
import { bodyOf } from './body';
import { follow } from './stream';

const askedSchema = z.strictObject({
  setupId: idSchema,
  sheet: z.enum(CARD_SHEETS),
  hours: z.number().int().min(CARD_HOURS.least).max(CARD_HOURS.most),
});

/** The same words for a key that is over, was taken back or never was: which of them it is, is nobody's business. */
const notThere = () => new HTTPException(404, { message: 'This card is over, or was taken back. Ask for a new link.' });

/** What whoever has a key may do: read one card, and hear when it may have changed. */
const openRoutes = (changes: Changes, streams: Streams) =>
  new Hono<AppEnv>()
    .get('/:key', async (context) => {
      const { dataSource } = context.var;
      const link = await openedLink(dataSource, context.req.param('key'));
      if (link === undefined) throw notThere();
      const sheet = await cardOf(dataSource, link, new Date());
      if (sheet === null) throw notThere();
      const answer: OpenCard = { sheet, expiresAt: link.expiresAt.toISOString() };
      return context.json(answer);
    })
    .get('/:key/events', async (context) => {
      const key = context.req.param('key');
      const { dataSource } = context.var;
      const link = await openedLink(dataSource, key);
      if (link === undefined) throw notThere();
      return follow(context, {
        streams,
        who: `card ${key}`,
        mayStill: async () => (await openedLink(dataSource, key)) !== undefined,
        closed: changes.closed,
        start: (stream) => changes.listen(link.accountId, () => void stream.writeSSE({ data: 'changed' })),
      });
    });

/**
 * `GET /?setupId`: links to a setup's cards that are not over. `POST /`: a new one. `DELETE /:key`: takes one back.
 * `GET /open/:key` and `/open/:key/events`: the card itself, for whoever has the key.
 */
export const cardRoutes = (changes: Changes, streams: Streams) =>
  new Hono<AppEnv & { Variables: AccountVariables }>()
    .route('/open', openRoutes(changes, streams))
    .use(requireAccount)
    .get('/', async (context) => {
      const setupId = idSchema.safeParse(context.req.query('setupId'));
      if (!setupId.success) throw new HTTPException(400, { message: 'Say which setup: setupId is its id.' });
      const { dataSource, accountId, config } = context.var;
      const answer: CardLinks = {
        links: await linksOf(dataSource, accountId, setupId.data),
        publicUrl: config.PUBLIC_URL ?? null,
      };
      return context.json(answer);
    })
    .post('/', async (context) => {
      const { dataSource, accountId } = context.var;
      const link = await makeLink(dataSource, { accountId, ...(await bodyOf(context, askedSchema)) });
      if (link === null)
        throw new HTTPException(409, {
          message:
            'The server does not have this setup yet, or it has 20 links already. Take one back, or wait for sync.',
        });
      return context.json(link, 201);
    })
    .delete('/:key', async (context) => {
      const { dataSource, accountId } = context.var;
      if (!(await withdrawLink(dataSource, accountId, context.req.param('key')))) throw notThere();
      return context.json({ ok: true });
    });
