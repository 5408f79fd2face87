import { weatherSchema } from '@sphene/core/documents';
import { textUpTo } from '../textUpTo';
import { NoWeather, type WeatherDriver } from './driver';

const ASK_MS = 5000;
/** Sixteen days by the hour fit in so much. */
const MOST_BYTES = 200_000;

const answerSchema = weatherSchema.omit({ askedAt: true });

/** The driver for a service that speaks docs/weather.md over HTTP. @param address null: none is named */
export const httpDriver = (address: string | null): WeatherDriver => ({
  async hourly({ place, fromMs, hours }) {
    if (address === null) throw new NoWeather('none');
    const url = new URL('/hourly', address);
    url.searchParams.set('latitude', String(place.latitudeDeg));
    url.searchParams.set('longitude', String(place.longitudeDeg));
    url.searchParams.set('from', new Date(fromMs).toISOString());
    url.searchParams.set('hours', String(hours));
    const text = await fetch(url, { signal: AbortSignal.timeout(ASK_MS), redirect: 'error' })
      .then((response) => (response.ok ? textUpTo(response, MOST_BYTES) : Promise.reject(new Error('refused'))))
      .catch(() => {
        throw new NoWeather('unreachable');
      });
    try {
      const answer = answerSchema.safeParse(JSON.parse(text ?? ''));
      if (answer.success) return answer.data;
    } catch {
      // not JSON, or cut off because it was too long
    }
    throw new NoWeather('unreadable');
  },
});
