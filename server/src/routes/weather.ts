import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';
import { z } from 'zod';

import { placeSchema } from '@sphene/core/documents';
import { requireAccount } from '../accounts/session';
import type { AppEnv } from '../environment';
import { NoWeather, type WeatherDriver, type WeatherFault } from '../weather/driver';

const MOST_HOURS = 48;
const HOUR_MS = 3_600_000;

const questionSchema = z.object({
  latitude: z.coerce.number().pipe(placeSchema.shape.latitudeDeg),
  longitude: z.coerce.number().pipe(placeSchema.shape.longitudeDeg),
  from: z.iso.datetime({ offset: true }),
  hours: z.coerce.number().int().min(1).max(MOST_HOURS),
});

const SAID: Record<WeatherFault, { status: 404 | 502; message: string }> = {
  none: { status: 404, message: 'No weather service is set up. Set WEATHER_URL to one.' },
  unreachable: { status: 502, message: 'The weather service does not answer. Try again later.' },
  unreadable: { status: 502, message: 'The weather service answered with something that cannot be right.' },
};

/** `GET /?latitude&longitude&from&hours`: the weather by the hour, as the service says it, with when it was asked. */
export const weatherRoutes = (driver: WeatherDriver) =>
  new Hono<AppEnv>().use(requireAccount).get('/', async (context) => {
    const asked = questionSchema.safeParse(context.req.query());
    if (!asked.success) throw new HTTPException(400, { message: z.prettifyError(asked.error) });
    const { latitude, longitude, from, hours } = asked.data;
    const fromMs = Math.floor(Date.parse(from) / HOUR_MS) * HOUR_MS;
    const place = { latitudeDeg: latitude, longitudeDeg: longitude };
    try {
      const answer = await driver.hourly({ place, fromMs, hours });
      return context.json({ ...answer, askedAt: new Date().toISOString() });
    } catch (error) {
      if (!(error instanceof NoWeather)) throw error;
      const { status, message } = SAID[error.fault];
      throw new HTTPException(status, { message });
    }
  });
