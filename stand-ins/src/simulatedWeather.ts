import type { WeatherHour } from '@sphene/core/documents';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** The weather turns over so many hours. */
const TURN_HOURS = 6;

/** A number of 0 to 1 that a text always gives again. Source: FNV-1a with a final mix. */
function drawn(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  hash = Math.imul(hash ^ (hash >>> 12), 0x297a2d39);
  return ((hash ^ (hash >>> 15)) >>> 0) / 2 ** 32;
}

/** A course that goes softly from one drawn value to the next. */
function course(name: string, hours: number): number {
  const before = Math.floor(hours / TURN_HOURS);
  const part = hours / TURN_HOURS - before;
  const soft = part * part * (3 - 2 * part);
  const [from, to] = [drawn(`${name} ${before}`), drawn(`${name} ${before + 1}`)];
  return from + (to - from) * soft;
}

const tenths = (value: number): number => Math.round(value * 10) / 10;

/** How warm a latitude is at a time of the year and of the day, roughly, °C. */
function usualTemperatureC(latitudeDeg: number, longitudeDeg: number, ms: number): number {
  const yearPart = ((ms / DAY_MS) % 365.25) / 365.25;
  const summer = -Math.cos((yearPart - 0.05) * 2 * Math.PI) * Math.sign(latitudeDeg || 1);
  const solarHour = ((ms / HOUR_MS + longitudeDeg / 15) % 24) - 15;
  const level = 27 - 0.45 * Math.abs(latitudeDeg);
  return level + 0.22 * Math.abs(latitudeDeg) * summer + 4 * Math.cos((solarHour * 2 * Math.PI) / 24);
}

/** Made-up weather of one hour: the same for the same place and hour, soft from one hour to the next. */
export function simulatedHour(latitudeDeg: number, longitudeDeg: number, ms: number): WeatherHour {
  const where = `${latitudeDeg.toFixed(1)} ${longitudeDeg.toFixed(1)}`;
  const hours = ms / HOUR_MS;
  const cloud = Math.min(1, Math.max(0, course(`cloud ${where}`, hours) * 1.3 - 0.15));
  const windMps = tenths(1 + 8 * course(`wind ${where}`, hours) ** 2);
  const wet = cloud > 0.8 ? course(`rain ${where}`, hours) : 0;
  return {
    at: new Date(ms).toISOString(),
    cloud: Math.round(cloud * 100) / 100,
    windMps,
    gustMps: tenths(windMps * (1.4 + 0.8 * course(`gusts ${where}`, hours))),
    rainMmH: wet > 0.5 ? tenths((wet - 0.5) * 6) : 0,
    temperatureC: tenths(
      usualTemperatureC(latitudeDeg, longitudeDeg, ms) + 8 * (course(`warmth ${where}`, hours) - 0.5),
    ),
  };
}
