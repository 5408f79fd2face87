import { useKeeper } from '@/store/application';
import { updateFound } from '@/store/deviceSlice';
import { useAppDispatch, useAppSelector } from '@/store/store';
import { useEffect } from 'react';

const WORKER = '/sw.js';
/** A page that stays open for days asks now and then whether there is a newer version. */
const LOOK_MS = 3600_000;

/** The newer version that waits, if one does. */
let waiting: ServiceWorker | null = null;
/** true when this page has asked it to take over */
let asked = false;

async function watch(found: () => void, signal: AbortSignal): Promise<void> {
  const { serviceWorker } = navigator;
  const hadOne = serviceWorker.controller !== null;
  const registration = await serviceWorker.register(WORKER);
  const installed = (worker: ServiceWorker | null) => {
    if (worker === null || serviceWorker.controller === null) return;
    waiting = worker;
    found();
  };
  const follow = () => {
    const { installing } = registration;
    installing?.addEventListener('statechange', () => {
      if (installing.state === 'installed') installed(installing);
    });
  };
  installed(registration.waiting);
  // one may be on its way already, found by the page before this one
  follow();
  registration.addEventListener('updatefound', follow, { signal });
  serviceWorker.addEventListener(
    'controllerchange',
    () => {
      // the first one takes the page over that fetched it: that is no newer version
      if (!hadOne && waiting === null) return;
      waiting = null;
      if (asked) location.reload();
      else found();
    },
    { signal },
  );
  const looking = setInterval(() => void registration.update().catch(() => undefined), LOOK_MS);
  signal.addEventListener('abort', () => clearInterval(looking));
}

/**
 * Keeps the application on the device for days without a network, and watches for newer versions. Begins once the
 * first screen stands, so that it does not wait for what is fetched meanwhile.
 */
export function useUpdates(): void {
  const dispatch = useAppDispatch();
  const stands = useAppSelector((state) => state.documents.ready && state.device.sync !== 'starting');
  useEffect(() => {
    if (!stands || __DEV__ || !('serviceWorker' in navigator)) return;
    const ended = new AbortController();
    // where the browser does not allow it the application works with a network
    void watch(() => dispatch(updateFound(true)), ended.signal).catch(() => undefined);
    return () => ended.abort();
  }, [stands, dispatch]);
}

/** How often the newer version is asked to take over, and how long it may take before it is said that it cannot now. */
const ASK_AGAIN_MS = 1000;
const MOST_ASKED = 6;

/**
 * Lets the newer version take over: what is on its way to the storage is kept first. The browser lets it wait as long as
 * the running one still works for a page, at worst until all pages are closed.
 * @param held called when it cannot take over now; the page then goes on as it is
 */
export function useTakeUpdate(held: () => void): () => void {
  const keeper = useKeeper();
  return () => {
    const ask = (left: number) => {
      if (waiting === null) location.reload();
      else if (left > 0) {
        waiting.postMessage({ type: 'SKIP_WAITING' });
        setTimeout(() => ask(left - 1), ASK_AGAIN_MS);
      } else {
        asked = false;
        held();
      }
    };
    asked = true;
    void keeper.flush().then(() => ask(MOST_ASKED));
  };
}
