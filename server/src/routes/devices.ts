import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';
import { z } from 'zod';

import { deviceCommandSchema } from '@sphene/core/devices';
import { idSchema } from '@sphene/core/gear';
import { bySession, requireAccount } from '../accounts/session';
import type { Streams } from '../accounts/streams';
import { type DeviceGateway } from '../devices/gateway';
import type { AppEnv } from '../environment';
import { bodyOf } from './body';
import { follow } from './stream';

const clientSchema = z.strictObject({ client: idSchema });

/** Turns what the gateway could not do into an answer that says so. */
async function tried(work: () => Promise<void> | void): Promise<void> {
  try {
    await work();
  } catch (error) {
    throw new HTTPException(409, {
      message: error instanceof Error ? error.message : 'The device cannot do that now.',
    });
  }
}

/** Devices: who is there, connecting, commands, what they say as it happens, and the pictures they took. */
export const deviceRoutes = (gateway: DeviceGateway, streams: Streams) =>
  new Hono<AppEnv>()
    .use(requireAccount)
    .get('/', async (context) => context.json({ devices: await gateway.list(context.var.accountId) }))
    .get('/events', (context) => {
      const client = clientSchema.safeParse({ client: context.req.query('client') });
      if (!client.success) throw new HTTPException(400, { message: 'Say which page listens: client is its id.' });
      const page = { accountId: context.var.accountId, clientId: client.data.client };
      return follow(context, {
        streams,
        ...bySession(context),
        closed: gateway.closed,
        start: (stream) => gateway.listen(page, (event) => void stream.writeSSE({ data: JSON.stringify(event) })),
      });
    })
    .get('/pictures/:id', (context) => {
      const bytes = gateway.picture(context.req.param('id'), context.var.accountId);
      if (bytes === undefined)
        throw new HTTPException(404, { message: 'This picture is not kept any more. Take it again.' });
      return context.body(bytes as Uint8Array<ArrayBuffer>, 200, { 'Content-Type': 'image/jpeg' });
    })
    .post('/:id/connect', async (context) => {
      const { client: clientId } = await bodyOf(context, clientSchema);
      const page = { accountId: context.var.accountId, clientId };
      await tried(() => gateway.connect(context.req.param('id'), page));
      return context.json({ ok: true });
    })
    .post('/:id/disconnect', async (context) => {
      await tried(() => gateway.disconnect(context.req.param('id'), context.var.accountId));
      return context.json({ ok: true });
    })
    .post('/:id/command', async (context) => {
      const command = await bodyOf(context, deviceCommandSchema);
      await tried(() => gateway.command(context.req.param('id'), context.var.accountId, command));
      return context.json({ ok: true });
    });
