import { type SyncRequest, type SyncResponse, syncResponseSchema } from '@sphene/core/documents';

/** The server could not be reached: no network, or it is not running. Everything goes on without it. */
export class OutOfReach extends Error {}
/** The server answered, and not as it should. */
export class Refused extends Error {}

async function post(path: string, body: unknown): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      credentials: 'same-origin',
      signal: AbortSignal.timeout(20_000),
    });
  } catch {
    throw new OutOfReach();
  }
  if (response.status >= 500) throw new OutOfReach();
  return response;
}

/** One exchange with the server; starts a session when there is none, at once on a device that has never had an answer. */
export async function exchangeWithServer(request: SyncRequest): Promise<SyncResponse> {
  if (request.cursor === 0) await post('/api/session', {});
  let response = await post('/api/sync', request);
  if (response.status === 401) {
    await post('/api/session', {});
    response = await post('/api/sync', request);
  }
  const body: unknown = await response.json().catch(() => null);
  const parsed = syncResponseSchema.safeParse(body);
  if (!response.ok || !parsed.success) throw new Refused(`The server answered ${response.status}.`);
  return parsed.data;
}
