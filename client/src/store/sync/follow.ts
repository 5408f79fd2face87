import { BackOff } from './backOff';

const EVENTS = '/api/sync/events';

/** Keeps one stream open until it breaks or is ended. */
function stream(changed: () => void, moved: (stands: boolean) => void, signal: AbortSignal): Promise<void> {
  return new Promise((done) => {
    const source = new EventSource(EVENTS);
    const end = () => {
      source.close();
      moved(false);
      done();
    };
    source.onopen = () => moved(true);
    source.onmessage = changed;
    source.onerror = end;
    signal.addEventListener('abort', end, { once: true });
  });
}

/** A signal that ends with the outer one, or when nobody looks at the page any more. */
function whileSeen(outer: AbortSignal): AbortSignal {
  const ended = new AbortController();
  const look = () => {
    if (document.visibilityState === 'hidden') ended.abort();
  };
  document.addEventListener('visibilitychange', look, { signal: ended.signal });
  outer.addEventListener('abort', () => ended.abort(), { once: true });
  if (outer.aborted) ended.abort();
  return ended.signal;
}

const seenAgain = (signal: AbortSignal): Promise<void> =>
  new Promise((done) => {
    if (document.visibilityState === 'visible' || signal.aborted) return done();
    const look = () => {
      if (document.visibilityState === 'visible') done();
    };
    document.addEventListener('visibilitychange', look, { signal });
    signal.addEventListener('abort', () => done(), { once: true });
  });

const pause = (ms: number, signal: AbortSignal): Promise<void> =>
  new Promise((done) => {
    const timer = setTimeout(done, ms);
    const end = () => {
      clearTimeout(timer);
      done();
    };
    signal.addEventListener('abort', end, { once: true });
  });

/**
 * Follows the server's events over one connection for all pages of the device: a page that is looked at holds it, and
 * lets another one have it when it is hidden. Where there are no events, or no locks to share them by, polling does.
 */
export function followEvents(
  name: string,
  changed: () => void,
  moved: (stands: boolean) => void,
  signal: AbortSignal,
): void {
  if (typeof EventSource === 'undefined' || typeof navigator.locks === 'undefined') return;
  const backOff = new BackOff();
  const told = (stands: boolean) => {
    if (stands) backOff.reset();
    moved(stands);
  };
  const hold = async () => {
    while (!signal.aborted) {
      await seenAgain(signal);
      const seen = whileSeen(signal);
      // until this page has the connection another one has it, or asks in its stead
      moved(true);
      await navigator.locks
        .request(`${name}-events`, { signal: seen }, async () => {
          moved(false);
          while (!seen.aborted) {
            await stream(changed, told, seen);
            if (!seen.aborted) await pause(backOff.next(), seen);
          }
        })
        .catch(() => undefined);
    }
  };
  void hold();
}
