import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';

import { deviceCommandSchema } from '@sphene/core/devices';
import { requireAccount } from '../accounts/session';
import { type DeviceGateway } from '../devices/gateway';
import type { AppEnv } from '../environment';

const KEEP_ALIVE_MS = 15_000;
const clientSchema = z.strictObject({ client: z.uuid() });

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

async function bodyOf<T>(request: { json: () => Promise<unknown> }, schema: z.ZodType<T>): Promise<T> {
  const parsed = schema.safeParse(await request.json().catch(() => null));
  if (!parsed.success) throw new HTTPException(400, { message: z.prettifyError(parsed.error) });
  return parsed.data;
}

/** Devices: who is there, connecting, commands, what they say as it happens, and the pictures they took. */
export const deviceRoutes = (gateway: DeviceGateway) =>
  new Hono<AppEnv>()
    .use(requireAccount)
    .get('/', async (context) => context.json({ devices: await gateway.list() }))
    .get('/events', (context) => {
      const client = clientSchema.safeParse({ client: context.req.query('client') });
      if (!client.success) throw new HTTPException(400, { message: 'Say which page listens: client is its id.' });
      return streamSSE(context, async (stream) => {
        const stop = gateway.listen(
          client.data.client,
          (event) => void stream.writeSSE({ data: JSON.stringify(event) }),
        );
        stream.onAbort(stop);
        while (!stream.aborted && !stream.closed && !gateway.isClosed) {
          await Promise.race([stream.sleep(KEEP_ALIVE_MS), gateway.closed]);
          await stream.writeSSE({ event: 'alive', data: '' });
        }
        stop();
      });
    })
    .get('/pictures/:id', (context) => {
      const bytes = gateway.picture(context.req.param('id'));
      if (bytes === undefined)
        throw new HTTPException(404, { message: 'This picture is not kept any more. Take it again.' });
      return context.body(bytes as Uint8Array<ArrayBuffer>, 200, { 'Content-Type': 'image/jpeg' });
    })
    .post('/:id/connect', async (context) => {
      const { client } = await bodyOf(context.req, clientSchema);
      await tried(() => gateway.connect(context.req.param('id'), client));
      return context.json({ ok: true });
    })
    .post('/:id/disconnect', (context) => {
      gateway.disconnect(context.req.param('id'));
      return context.json({ ok: true });
    })
    .post('/:id/command', async (context) => {
      const command = await bodyOf(context.req, deviceCommandSchema);
      await tried(() => gateway.command(context.req.param('id'), command));
      return context.json({ ok: true });
    });
