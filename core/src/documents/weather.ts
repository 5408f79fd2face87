import { z } from 'zod';

const at = z.iso.datetime({ offset: true });

/** The weather of one hour, as it is foretold. */
export const weatherHourSchema = z.strictObject({
  at: at.meta({ description: 'the full hour' }),
  cloud: z.number().min(0).max(1).meta({ description: 'share of the sky that is covered' }),
  windMps: z.number().min(0).max(60),
  gustMps: z.number().min(0).max(100),
  rainMmH: z.number().min(0).max(200),
  temperatureC: z.number().min(-60).max(60),
});
export type WeatherHour = z.infer<typeof weatherHourSchema>;

/** More hours than these are not foretold. */
const MOST_HOURS = 24 * 16;

/** What a weather service says of a place. */
export const weatherSchema = z.strictObject({
  source: z.string().trim().min(1).max(80).meta({ description: 'who says so' }),
  simulated: z.boolean().meta({ description: 'made up by the service that ships with the product' }),
  askedAt: at,
  hours: z.array(weatherHourSchema).min(1).max(MOST_HOURS).meta({ description: 'one after the other' }),
});
export type Weather = z.infer<typeof weatherSchema>;

/** The weather at a moment. */
export type WeatherNow = Omit<WeatherHour, 'at'>;

const HOUR_MS = 3_600_000;

/**
 * The weather at a moment, evenly between the full hours; of gusts and rain the worse of both.
 * @returns null where nothing is foretold for it
 */
export function weatherAt(weather: Weather | null, ms: number): WeatherNow | null {
  if (weather === null) return null;
  const before = weather.hours.findLast((hour) => Date.parse(hour.at) <= ms);
  if (before === undefined || ms - Date.parse(before.at) > HOUR_MS) return null;
  const after = weather.hours.find((hour) => Date.parse(hour.at) > ms) ?? before;
  const apartMs = Date.parse(after.at) - Date.parse(before.at);
  const part = apartMs === 0 ? 0 : (ms - Date.parse(before.at)) / apartMs;
  const between = (field: 'cloud' | 'windMps' | 'temperatureC') =>
    before[field] + (after[field] - before[field]) * part;
  return {
    cloud: between('cloud'),
    windMps: between('windMps'),
    gustMps: Math.max(before.gustMps, after.gustMps),
    rainMmH: Math.max(before.rainMmH, after.rainMmH),
    temperatureC: between('temperatureC'),
  };
}
