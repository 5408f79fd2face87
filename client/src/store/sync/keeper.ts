import type { Document } from '@sphene/core/documents';
import { storageFailed, syncMoved, type ThemeChoice, themeChosen, waitingCounted } from '../deviceSlice';
import { documentsChanged, storageRead } from '../documentsSlice';
import { newId } from '../ids';
import type { Store } from '../store';
import { asTheme, storedTheme, storeTheme } from '../themeStorage';
import { keepAnswer, nextBatch } from './exchange';
import { exchangeWithServer, OutOfReach } from './server';
import { type Edit, openedStorage, readRows, type Storage, writeEdits } from './storage';

const RETRY_MS = 4000;

/**
 * Keeps what the store shows: on this device first, then on the server. One keeper serves one store.
 * The screen changes at once; the device's storage follows in the same moment; the server when it can be reached.
 */
export class Keeper {
  private storage: Storage | null = null;
  /** counts edits, so that a read that began before an edit does not overwrite it */
  private edits = 0;
  private syncing: Promise<void> | null = null;
  private again = false;
  private readonly stopping = new AbortController();
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('sphene');

  constructor(private readonly store: Store) {}

  /** Reads this device's storage, then keeps in touch with other tabs and the server. */
  async start(): Promise<void> {
    const theme = storedTheme();
    if (theme !== null) this.store.dispatch(themeChosen(theme));
    try {
      this.storage = await openedStorage();
      // where it was kept before it stood beside the page
      const earlier = theme === null ? asTheme(await this.storage.get('values', 'theme')) : null;
      if (earlier !== null) this.keepTheme(earlier);
      const rows = await readRows(this.storage);
      this.store.dispatch(documentsChanged(rows));
      await this.countWaiting();
    } catch {
      this.store.dispatch(storageFailed('blocked'));
    }
    this.store.dispatch(storageRead());
    const { signal } = this.stopping;
    this.channel?.addEventListener('message', ({ data }: MessageEvent<string[]>) => void this.refresh(data), {
      signal,
    });
    const wake = () => void this.sync();
    window.addEventListener('online', wake, { signal });
    document.addEventListener('visibilitychange', wake, { signal });
    const waking = setInterval(() => {
      if (document.visibilityState === 'visible') wake();
    }, RETRY_MS);
    signal.addEventListener('abort', () => clearInterval(waking));
    await this.sync();
  }

  /** Lets go of the page, the other tabs and the server, for good; what waits stays on the device. */
  stop(): void {
    this.stopping.abort();
  }

  /** Shows documents changed (or null: deleted), keeps them on the device and sends them when it can. */
  async commit(changes: readonly { id: string; document: Document | null }[]): Promise<void> {
    const edits: Edit[] = changes.map((change) => ({ ...change, key: newId() }));
    this.edits += 1;
    this.store.dispatch(documentsChanged([...changes]));
    if (this.storage === null) return;
    // nothing is called saved while it is on its way to the device's storage
    this.countAlso(edits.length);
    try {
      await writeEdits(this.storage, edits);
      this.store.dispatch(storageFailed(null));
    } catch {
      this.store.dispatch(storageFailed('full'));
      this.countAlso(-edits.length);
      return;
    }
    this.channel?.postMessage(edits.map(({ id }) => id));
    await this.countWaiting();
    void this.sync();
  }

  keepTheme(theme: ThemeChoice): void {
    storeTheme(theme);
    this.store.dispatch(themeChosen(theme));
  }

  /** Exchanges with the server until nothing waits; at most one at a time over all tabs. */
  sync(): Promise<void> {
    if (this.syncing !== null) {
      this.again = true;
      return this.syncing;
    }
    const run = async () => {
      do {
        this.again = false;
        await this.lockedExchange();
      } while (this.again);
    };
    this.syncing = run().finally(() => {
      this.syncing = null;
    });
    return this.syncing;
  }

  private async lockedExchange(): Promise<void> {
    if (typeof navigator.locks === 'undefined') await this.exchange();
    else await navigator.locks.request('sphene-sync', () => this.exchange());
  }

  private async exchange(): Promise<void> {
    if (this.storage === null || this.stopping.signal.aborted) return;
    try {
      for (let more = true; more;) {
        const batch = await nextBatch(this.storage);
        if (batch.request.mutations.length > 0) this.store.dispatch(syncMoved('syncing'));
        const answer = await exchangeWithServer(batch.request);
        const touched = await keepAnswer(this.storage, batch, answer);
        await this.refresh(touched);
        if (touched.length > 0) this.channel?.postMessage(touched);
        more = answer.more || (await this.countWaiting()) > 0;
      }
      this.store.dispatch(syncMoved('synced'));
    } catch (error) {
      this.again = false;
      this.store.dispatch(syncMoved(error instanceof OutOfReach ? 'offline' : 'refused'));
    }
  }

  /** Shows documents as the device's storage has them; an edit made meanwhile makes it read again. */
  private async refresh(ids: readonly string[]): Promise<void> {
    if (this.storage === null || ids.length === 0) return;
    for (;;) {
      const before = this.edits;
      const storage = this.storage;
      const rows = await Promise.all(
        ids.map(async (id) => (await storage.get('documents', id)) ?? { id, document: null }),
      );
      if (before !== this.edits) continue;
      const shown = this.store.getState().documents.byId;
      const different = rows.filter(
        ({ id, document }) => JSON.stringify(shown[id] ?? null) !== JSON.stringify(document),
      );
      if (different.length > 0) this.store.dispatch(documentsChanged(different));
      return;
    }
  }

  /** Counts changes before the storage can be asked for them. */
  private countAlso(changes: number): void {
    this.store.dispatch(waitingCounted(Math.max(0, this.store.getState().device.waiting + changes)));
  }

  private async countWaiting(): Promise<number> {
    const count = (await this.storage?.count('outbox')) ?? 0;
    if (count !== this.store.getState().device.waiting) this.store.dispatch(waitingCounted(count));
    return count;
  }
}
