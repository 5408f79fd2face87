import { Hono } from 'hono';
import { validator } from 'hono/validator';
import { z } from 'zod';

import { syncRequestSchema } from '@sphene/core/documents';
import { requireAccount } from '../accounts/session';
import type { AppEnv } from '../environment';
import { pull } from '../sync/pull';
import { push } from '../sync/push';

const body = validator('json', (value, context) => {
  const parsed = syncRequestSchema.safeParse(value);
  return parsed.success
    ? parsed.data
    : context.json(
        {
          error: `The request does not keep to the sync format.\n${z.prettifyError(parsed.error)}`,
          requestId: String(context.get('requestId')),
        },
        400,
      );
});

/** `POST /`: mutations in, results and the changes since a cursor out, in one transaction. */
export const syncRoutes = () =>
  new Hono<AppEnv>().post('/', requireAccount, body, async (context) => {
    const { mutations, cursor } = context.req.valid('json');
    const answer = await context.var.dataSource.transaction(async (transaction) => {
      const results = await push(transaction, context.var.accountId, mutations);
      return { results, ...(await pull(transaction, context.var.accountId, cursor)) };
    });
    return context.json(answer);
  });
