import { serve } from '@hono/node-server';
import { Hono } from 'hono';
import { once } from 'node:events';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { z } from 'zod';

import { simulatedHour } from './simulatedWeather';

const HOUR_MS = 3_600_000;

const questionSchema = z.object({
  latitude: z.coerce.number().min(-90).max(90),
  longitude: z.coerce.number().min(-180).max(180),
  from: z.iso.datetime({ offset: true }),
  hours: z.coerce
    .number()
    .int()
    .min(1)
    .max(24 * 16),
});

const app = new Hono();
app.get('/hourly', (context) => {
  const asked = questionSchema.safeParse(context.req.query());
  if (!asked.success) return context.text(z.prettifyError(asked.error), 400);
  const { latitude, longitude, from, hours } = asked.data;
  return context.json({
    source: 'Simulated weather',
    simulated: true,
    hours: Array.from({ length: hours }, (_, hour) =>
      simulatedHour(latitude, longitude, Date.parse(from) + hour * HOUR_MS),
    ),
  });
});

const server = serve({
  fetch: app.fetch,
  port: Number(process.env['PORT'] ?? 4794),
  hostname: '127.0.0.1',
}) as Server;
if (!server.listening) await once(server, 'listening');
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.closeAllConnections();
    server.close(() => process.exit(0));
  });
console.log(JSON.stringify({ msg: 'listening', port: (server.address() as AddressInfo).port }));
