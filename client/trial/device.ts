import { Actions } from '@/store/actions';
import { Clock } from '@/store/ids';
import { makeStore, type Store } from '@/store/store';
import { Keeper } from '@/store/sync/keeper';
import { openStorage } from '@/store/sync/storage';
import type { World } from '@/store/sync/world';

import type { Network } from './network';

/** A page of a device: the product's own store, actions, keeper and storage, without a screen. */
export interface Tab {
  store: Store;
  keeper: Keeper;
  actions: Actions;
}

/** A device whose tabs share a storage, a network and a clock that may be a day off. */
export class Device {
  tabs: Tab[] = [];
  private readonly listeners = new Set<(message: unknown) => void>();
  private locked: Promise<unknown> = Promise.resolve();
  private storageName: string;

  constructor(
    readonly name: string,
    readonly network: Network,
    private readonly random: () => number,
    private readonly clockOffMs: number,
  ) {
    this.storageName = `trial-${name}`;
  }

  private world(): World {
    const after = (ms: number, work: () => void) => {
      const timer = setTimeout(work, ms);
      return () => clearTimeout(timer);
    };
    return {
      clock: new Clock(() => Date.now() + this.clockOffMs),
      random: this.random,
      send: this.network.send,
      fetchPicture: () => Promise.resolve(null),
      open: openStorage,
      storageName: { get: () => this.storageName, set: (name) => void (this.storageName = name) },
      openInMemory: () => Promise.reject(new Error('the trial has a storage')),
      channel: (_name, listen, signal) => {
        this.listeners.add(listen);
        signal.addEventListener('abort', () => this.listeners.delete(listen));
        return (message) => {
          for (const one of this.listeners) if (one !== listen) setTimeout(() => one(message), this.random() * 30);
        };
      },
      alone: (_name, work) => {
        const mine = this.locked.then(work, work);
        this.locked = mine.catch(() => undefined);
        return mine;
      },
      onWake: () => undefined,
      isSeen: () => true,
      follow: () => undefined,
      // a trial has no patience: what a device would do in five seconds it does in half a one
      after: (ms, work) => after(ms / 10, work),
      deviceName: () => this.name,
      askToPersist: () => undefined,
    };
  }

  async openTab(): Promise<Tab> {
    const store = makeStore();
    const world = this.world();
    const keeper = new Keeper(store, world);
    const tab = { store, keeper, actions: new Actions(store, keeper, world.clock) };
    this.tabs.push(tab);
    // it goes on by itself: what the network does meanwhile is its own matter
    void keeper.start();
    while (!store.getState().documents.ready) await new Promise((done) => setTimeout(done, 5));
    return tab;
  }

  /** A tab that is gone from one moment to the next. */
  killTab(tab: Tab): void {
    tab.keeper.stop();
    this.tabs = this.tabs.filter((one) => one !== tab);
  }

  async close(): Promise<void> {
    await Promise.all(this.tabs.map(({ keeper }) => keeper.close()));
  }
}
