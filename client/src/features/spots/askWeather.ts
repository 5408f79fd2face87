import { type SpotPlace, type Weather, weatherSchema } from '@sphene/core/documents';
import { failure, type Outcome, success } from '@sphene/core/photometry';

/** Why there is no weather: no network, no service, or an answer of no use. */
export type NoWeatherReason = 'out-of-reach' | 'none' | 'trouble';

/** The server answers within this or not at all: it waits five seconds for the service. */
const ASK_MS = 10_000;

/** Asks the server for the weather of a place by the hour. */
export async function askWeather(
  { latitudeDeg, longitudeDeg }: SpotPlace,
  fromMs: number,
  hours: number,
): Promise<Outcome<Weather, NoWeatherReason>> {
  const asked = new URLSearchParams({
    latitude: String(latitudeDeg),
    longitude: String(longitudeDeg),
    from: new Date(fromMs).toISOString(),
    hours: String(hours),
  });
  const response = await fetch(`/api/weather?${asked.toString()}`, { signal: AbortSignal.timeout(ASK_MS) }).catch(
    () => null,
  );
  if (response === null) return failure('out-of-reach');
  if (response.status === 404) return failure('none');
  const read = weatherSchema.safeParse(await response.json().catch(() => null));
  return response.ok && read.success ? success(read.data) : failure('trouble');
}
