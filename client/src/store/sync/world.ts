import { type Clock, clock } from '../ids';
import type { Send } from './server';
import { followEvents } from './follow';
import { FIRST_STORAGE, openStorage, type Storage, type StorageEvents } from './storage';

/** What a keeper needs of the page, or of a simulated device: everything outside of the store. */
export interface World {
  clock: Clock;
  random: () => number;
  send: Send;
  /** The picture of a frame as the server has it; null: it has none. */
  fetchPicture: (id: string) => Promise<Uint8Array | null>;
  /** Opens a storage by name. */
  open: (name: string, events: StorageEvents) => Promise<Storage>;
  /** The name of the storage that this device used last. */
  storageName: { get: () => string; set: (name: string) => void };
  /** A storage for the life of the page, where the browser gives none. */
  openInMemory: () => Promise<Storage>;
  /** Tells the device's other pages something, and listens to them. */
  channel: (name: string, listen: (message: unknown) => void, signal: AbortSignal) => (message: unknown) => void;
  /** Does work while no other page of this device does work of that name. */
  alone: <T>(name: string, work: () => Promise<T>) => Promise<T>;
  /** Calls when there is a reason to try again at once: the network is back, the page is looked at again. */
  onWake: (wake: () => void, signal: AbortSignal) => void;
  /** false while nobody looks at the page */
  isSeen: () => boolean;
  /**
   * Tells of changes of others as they happen, one connection for all pages of the device.
   * @param moved called with true when a connection stands, with false when it is lost
   */
  follow: (name: string, changed: () => void, moved: (stands: boolean) => void, signal: AbortSignal) => void;
  after: (ms: number, work: () => void) => () => void;
  /** What this device is called until its owner calls it something else. */
  deviceName: () => string;
  /** Asks the browser not to clear the storage by itself. */
  askToPersist: () => void;
}

const STORAGE_KEY = 'sphene.storage';
const SILENCE_MS = 20_000;

/** A request that ends when nothing has moved for a while, however long it takes in all. */
const sendFromPage: Send = ({ method, path, body, silenceMs = SILENCE_MS }) =>
  new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    let quiet: ReturnType<typeof setTimeout>;
    const moved = () => {
      clearTimeout(quiet);
      quiet = setTimeout(() => request.abort(), silenceMs);
    };
    const failed = () => {
      clearTimeout(quiet);
      reject(new Error('no answer'));
    };
    request.open(method, path);
    request.onload = () => {
      clearTimeout(quiet);
      resolve({ status: request.status, body: request.responseText });
    };
    request.onprogress = moved;
    request.onerror = failed;
    request.onabort = failed;
    request.upload.onprogress = moved;
    request.setRequestHeader(
      'content-type',
      typeof body === 'string' ? 'application/json' : 'application/octet-stream',
    );
    moved();
    request.send(typeof body === 'string' || body === undefined ? body : new Blob([body as BlobPart]));
  });

/** The early opening of the storage that was used last. */
let early: { name: string; storage: Promise<Storage>; events: StorageEvents; isHeld: boolean } | null = null;

const storedName = (): string => {
  try {
    return localStorage.getItem(STORAGE_KEY) ?? FIRST_STORAGE;
  } catch {
    return FIRST_STORAGE;
  }
};

/** Opens the storage as the page starts: it is there by the time that the keeper asks. */
export function openEarly(): void {
  const name = storedName();
  // who asks for the storage later says what is to happen then
  const events: StorageEvents = {};
  const storage = openStorage(name, {
    onHeld: () => {
      opening.isHeld = true;
      events.onHeld?.();
    },
    onNewer: () => events.onNewer?.(),
  });
  const opening = { name, storage, events, isHeld: false };
  // what fails is told to whoever asks
  storage.catch(() => undefined);
  early = opening;
}

/** A device by how it is held, until its owner names it. */
function kindOfDevice(): string {
  if (typeof matchMedia === 'undefined' || !matchMedia('(pointer: coarse)').matches) return 'Computer';
  return Math.min(screen.width, screen.height) < 600 ? 'Phone' : 'Tablet';
}

/** The page that the application runs in. */
export const pageWorld: World = {
  clock,
  random: Math.random,
  send: sendFromPage,
  fetchPicture: async (id) => {
    const response = await fetch(`/api/pictures/${id}`);
    return response.ok ? new Uint8Array(await response.arrayBuffer()) : null;
  },
  open: (name, events) => {
    const opened = early;
    early = null;
    if (opened?.name !== name) return openStorage(name, events);
    Object.assign(opened.events, events);
    if (opened.isHeld) events.onHeld?.();
    return opened.storage;
  },
  storageName: {
    get: storedName,
    set: (name) => {
      try {
        localStorage.setItem(STORAGE_KEY, name);
      } catch {
        // where nothing is kept there is nothing to remember
      }
    },
  },
  openInMemory: async () => {
    await import('../inMemory');
    return openStorage();
  },
  channel: (name, listen, signal) => {
    if (typeof BroadcastChannel === 'undefined') return () => undefined;
    const channel = new BroadcastChannel(name);
    channel.addEventListener('message', ({ data }) => listen(data), { signal });
    signal.addEventListener('abort', () => channel.close());
    return (message) => {
      if (!signal.aborted) channel.postMessage(message);
    };
  },
  alone: (name, work) =>
    typeof navigator.locks === 'undefined' ? work() : navigator.locks.request(name, () => work()),
  onWake: (wake, signal) => {
    window.addEventListener('online', wake, { signal });
    document.addEventListener('visibilitychange', wake, { signal });
  },
  isSeen: () => document.visibilityState === 'visible',
  follow: (name, changed, moved, signal) => followEvents(name, changed, moved, signal),
  after: (ms, work) => {
    const timer = setTimeout(work, ms);
    return () => clearTimeout(timer);
  },
  deviceName: kindOfDevice,
  askToPersist: () => void navigator.storage?.persist?.().catch(() => undefined),
};
