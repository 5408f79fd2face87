import { EDITED_TYPES, FACT_TYPES, type Identity, PROTOCOL, type SessionResponse } from '@sphene/core/documents';
import {
  clockTicked,
  deviceNamed,
  noticed,
  storageFailed,
  type StorageProblem,
  syncMoved,
  type ThemeChoice,
  themeChosen,
  unkeptCounted,
  waitingCounted,
} from '../deviceSlice';
import {
  type DocumentChange,
  documentsChanged,
  documentsForgotten,
  factsRead,
  setAside,
  storageRead,
} from '../documentsSlice';
import type { Store } from '../store';
import { asTheme, storedTheme, storeTheme } from '../themeStorage';
import { BackOff, BatchSize } from './backOff';
import { type Edit, type Maker, writeEdits } from './edits';
import { type Batch, compareHistories, keepAnswer, mutationOf, nextBatch } from './exchange';
import { belongs, storageOf } from './identity';
import { erasePictures, freeablePictures, freePictures, imageOfBytes, sendNextPart } from './pictures';
import { InTrouble, NoSession, NotTheSame, OutOfReach, Server } from './server';
import { ServerClock } from './serverClock';
import { differentRows, plainRows, shownAt } from './shown';
import { FIRST_STORAGE, keepValue, readRows, type Storage, type StoredRow, valueOf } from './storage';
import { isNoRoom, statusOf } from './trouble';
import { Unkept } from './unkept';
import { pageWorld, type World } from './world';

/** Asked this often where no events tell of changes, and this often where they do. */
const POLL_MS = 5000;
const POLL_BESIDE_EVENTS_MS = 60_000;
/** A write that failed is tried again after so long, beside every new one. */
const REWRITE_MS = 5000;

const BAD_REQUEST = 400;

/** No session, then another account, then another history: more is not to be put in order. */
const MOST_SORTED = 3;

/** A change to be kept; its key is made here. */
export type Change = Edit extends infer E ? (E extends { key: string } ? Omit<E, 'key'> : never) : never;

/**
 * Keeps what the store shows: on this device first, then on the server. One keeper serves one store.
 * The screen changes at once; the device's storage follows in the same moment; the server when it can be reached.
 */
export class Keeper {
  private storage: Storage | null = null;
  private name: string;
  private readonly server: Server;
  /** counts edits, so that a read that began before an edit does not overwrite it */
  private edits = 0;
  private writing: Promise<void> = Promise.resolve();
  private syncing: Promise<void> | null = null;
  private again = false;
  private readonly stopping = new AbortController();
  /** ends with the account: its channel and its events */
  private account = new AbortController();
  private tell: (message: unknown) => void = () => undefined;
  private readonly backOff: BackOff;
  private readonly size = new BatchSize();
  private cancelPoll: () => void = () => undefined;
  private hasEvents = false;
  private follows = false;
  private hasAskedToPersist = false;
  private readonly unkept = new Unkept();
  private cancelRewrite: () => void = () => undefined;
  private readonly serverClock: ServerClock;
  private maker: Maker;

  constructor(
    private readonly store: Store,
    private readonly world: World = pageWorld,
  ) {
    this.server = new Server(world.send);
    this.serverClock = new ServerClock(world.clock);
    this.backOff = new BackOff(world.random);
    this.name = world.storageName.get();
    this.maker = { by: { id: world.clock.newId(), name: world.deviceName() }, clock: world.clock };
  }

  /** Reads this device's storage, then keeps in touch with other tabs and the server. */
  async start(): Promise<void> {
    const theme = storedTheme();
    if (theme !== null) this.store.dispatch(themeChosen(theme));
    await this.openStorage(this.name);
    // where it was kept before it stood beside the page
    const earlier = theme === null && this.storage !== null ? asTheme(await valueOf(this.storage, 'theme')) : null;
    if (earlier !== null) this.keepTheme(earlier);
    this.store.dispatch(storageRead());
    await this.readFacts();
    this.world.onWake(() => this.wake(), this.stopping.signal);
    this.stopping.signal.addEventListener('abort', () => {
      this.account.abort();
      this.cancelPoll();
      this.cancelRewrite();
    });
    await this.sync();
  }

  /** Lets go of the page, the other tabs and the server, for good; what waits stays on the device. */
  stop(): void {
    this.stopping.abort();
  }

  /** Once what was begun is done, the storage can be closed as well. */
  async close(): Promise<void> {
    this.stop();
    await this.writing;
    await this.syncing;
    this.storage?.close();
  }

  /** Settles once what was done is on the device. */
  flush(): Promise<void> {
    return this.writing;
  }

  /** The storage in use; null while there is none. */
  get kept(): Storage | null {
    return this.storage;
  }

  private problem(problem: StorageProblem | null): void {
    if (this.store.getState().device.storageProblem !== problem) this.store.dispatch(storageFailed(problem));
  }

  /** Opens a storage and shows what is in it; where the browser allows none, one for the life of the page. */
  private async openStorage(name: string): Promise<void> {
    this.account.abort();
    this.account = new AbortController();
    const { signal } = this.account;
    this.name = name;
    try {
      this.storage = await this.world.open(name, {
        onHeld: () => this.problem('held'),
        onNewer: () => {
          this.storage = null;
          this.problem('newer');
        },
      });
      if (this.store.getState().device.storageProblem === 'held') this.problem(null);
    } catch {
      this.problem('blocked');
      this.storage = await this.world.openInMemory().catch(() => null);
    }
    this.follows = false;
    this.tell = this.world.channel(name, (message) => void this.heard(message), signal);
    if (this.storage === null) return;
    await this.know(this.storage);
    this.store.dispatch(documentsChanged(plainRows(await readRows(this.storage, EDITED_TYPES))));
    await this.readAside();
    await this.countWaiting();
  }

  /** The many facts, once what a list of shoots wants is there: nothing is worked out from half of them. */
  private async readFacts(): Promise<void> {
    const { storage } = this;
    if (storage !== null) {
      const rows = await readRows(storage, FACT_TYPES);
      if (this.storage !== storage) return;
      // what was done meanwhile is newer than what was read
      const { byId } = this.store.getState().documents;
      this.store.dispatch(documentsChanged(plainRows(rows.filter(({ id }) => !(id in byId)))));
      await erasePictures(storage, this.world.clock.now()).catch(() => undefined);
    }
    this.store.dispatch(factsRead());
  }

  /** Who this device is, and how wrong its clock goes. */
  private async know(storage: Storage): Promise<void> {
    const device = (await valueOf(storage, 'device')) ?? this.maker.by;
    if (device === this.maker.by) await keepValue(storage, 'device', device).catch(() => undefined);
    this.maker = { ...this.maker, by: device };
    this.store.dispatch(deviceNamed(device));
    const skewMs = await valueOf(storage, 'skewMs');
    if (skewMs !== undefined) this.world.clock.setSkew(skewMs);
    this.store.dispatch(clockTicked(this.world.clock.now()));
  }

  /** What this device is called from now on. */
  async nameDevice(name: string): Promise<void> {
    const device = { ...this.maker.by, name };
    this.maker = { ...this.maker, by: device };
    this.store.dispatch(deviceNamed(device));
    if (this.storage !== null) await keepValue(this.storage, 'device', device);
  }

  /** Who does what is done here. */
  get device(): Maker['by'] {
    return this.maker.by;
  }

  /** Shows changes, keeps them on the device and sends them when it can. Settles once they are kept. */
  commit(changes: readonly Change[]): Promise<void> {
    const edits = changes.map((change) => ({ ...change, key: this.world.clock.newId() }));
    this.edits += 1;
    const { documents } = this.store.getState();
    this.store.dispatch(documentsChanged(edits.flatMap((edit) => shownAt(edit, documents))));
    // nothing is called saved while it is on its way to the device's storage
    this.countAlso(edits.length);
    this.unkept.add(edits);
    this.writing = this.writing.then(() => this.write());
    return this.writing;
  }

  /** Writes what is not kept yet. What fails stays on screen, marked, and is tried again. */
  private async write(): Promise<void> {
    const edits = this.unkept.all();
    if (this.storage === null || edits.length === 0) return;
    this.cancelRewrite();
    let rows: StoredRow[];
    try {
      rows = await writeEdits(this.storage, edits, this.maker);
    } catch {
      this.problem(this.store.getState().device.storageProblem ?? 'full');
      this.countUnkept();
      this.cancelRewrite = this.world.after(REWRITE_MS, () => {
        this.writing = this.writing.then(() => this.write());
      });
      void this.sendUnkept();
      return;
    }
    this.unkept.kept(edits);
    if (this.store.getState().device.storageProblem === 'full') this.problem(null);
    this.countUnkept();
    if (!this.hasAskedToPersist) this.world.askToPersist();
    this.hasAskedToPersist = true;
    this.show(rows);
    this.tell(rows.map(({ id }) => id));
    await this.countWaiting();
    void this.sync();
  }

  private countUnkept(): void {
    const { ids, onServer } = this.unkept.count();
    this.store.dispatch(unkeptCounted({ ids, onServer }));
  }

  /** Where the device is full, the server may still have room: what is on screen goes there as well. */
  private async sendUnkept(): Promise<void> {
    const storage = this.storage;
    if (storage === null) return;
    const identity = await valueOf(storage, 'identity').catch(() => undefined);
    if (identity === undefined) return;
    try {
      const flights = await this.unkept.flights(storage, this.world.clock);
      const answer = await this.ask(identity, { cursor: Number.MAX_SAFE_INTEGER, seen: null, flights });
      this.unkept.sent(answer.results);
      this.countUnkept();
    } catch {
      // it is tried again with the next write
    }
  }

  keepTheme(theme: ThemeChoice): void {
    storeTheme(theme);
    this.store.dispatch(themeChosen(theme));
  }

  /** There is a reason to try at once. */
  private wake(): void {
    this.backOff.reset();
    void this.sync();
  }

  private eventsMoved(stands: boolean): void {
    if (stands === this.hasEvents) return;
    this.hasEvents = stands;
    // what happened while nothing was heard
    if (stands) this.wake();
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
        await this.world.alone(`${this.name}-sync`, () => this.exchange());
      } while (this.again && !this.stopping.signal.aborted);
    };
    this.syncing = run().finally(() => {
      this.syncing = null;
    });
    return this.syncing;
  }

  private async exchange(): Promise<void> {
    if (this.storage === null || this.stopping.signal.aborted) return;
    this.cancelPoll();
    try {
      const identity = (await valueOf(this.storage, 'identity')) ?? (await this.meet());
      await this.exchangeAll(identity);
      this.backOff.reset();
      this.store.dispatch(syncMoved('synced'));
      this.follow();
      this.poll(this.hasEvents ? POLL_BESIDE_EVENTS_MS : POLL_MS);
      await this.sendPictures();
    } catch (error) {
      this.again = false;
      if (this.stopping.signal.aborted) return;
      if (error instanceof OutOfReach) this.size.failed();
      if (isNoRoom(error)) this.problem('full');
      this.store.dispatch(syncMoved(statusOf(error)));
      this.poll(this.backOff.next());
    }
  }

  /** Hears of changes as they happen, once there is a session to hear them with. */
  private follow(): void {
    if (this.follows) return;
    this.follows = true;
    const { signal } = this.account;
    this.world.follow(
      this.name,
      () => this.wake(),
      (stands) => this.eventsMoved(stands),
      signal,
    );
  }

  private poll(ms: number): void {
    this.cancelPoll();
    this.cancelPoll = this.world.after(ms, () => {
      if (this.world.isSeen()) void this.sync();
    });
  }

  private async exchangeAll(identity: Identity): Promise<void> {
    let owner = identity;
    let sorted = 0;
    for (let idle = 0; idle < 2;) {
      const storage = this.storage;
      if (storage === null || this.stopping.signal.aborted) return;
      const batch = await nextBatch(storage, this.size.letters, this.maker);
      if (batch.flights.length > 0) this.store.dispatch(syncMoved('syncing'));
      const started = this.world.clock.now();
      let answer;
      try {
        answer = await this.ask(owner, batch);
      } catch (error) {
        // what cannot be sorted out in a few steps will not be in many
        sorted += 1;
        if (sorted > MOST_SORTED) throw error instanceof OutOfReach ? error : new InTrouble('not to be sorted out');
        owner = await this.sortOut(error, storage);
        continue;
      }
      this.size.arrived(this.world.clock.now() - started);
      if (this.storage !== storage) continue;
      const { touched, cameBack, moved } = await keepAnswer(storage, batch, answer, this.maker);
      await this.refresh(touched);
      if (touched.length > 0) this.tell(touched);
      if (cameBack.length > 0) this.store.dispatch(noticed({ cameBack }));
      if (answer.results.some(({ status }) => status !== 'conflict')) await this.readAside();
      if (!answer.more && (await this.countWaiting()) === 0) return;
      // the same again would loop: once more for what was merged, and then it is trouble
      idle = moved ? 0 : idle + 1;
    }
    throw new InTrouble('nothing moves');
  }

  /** No session, another account's session, or another history: put in order where it can be. */
  private async sortOut(error: unknown, storage: Storage): Promise<Identity> {
    if (error instanceof NoSession) return this.meet();
    // a server from before the protocol had a version refuses what it does not know: it says so when it is asked
    if (error instanceof InTrouble && error.status === BAD_REQUEST) await this.meet();
    if (!(error instanceof NotTheSame)) throw error;
    const before = await valueOf(storage, 'identity');
    const identity = await this.meet();
    if (identity.lineage !== before?.lineage || this.storage !== storage) return identity;
    await this.compare(storage, await this.server.common((await valueOf(storage, 'marks')) ?? []));
    return identity;
  }

  private async compare(storage: Storage, common: number): Promise<void> {
    await compareHistories(storage, common, this.maker);
    this.store.dispatch(noticed({ historyCompared: true }));
    await this.countWaiting();
  }

  /** Learns whose session this browser has. Another account's has a storage of its own. */
  private async meet(): Promise<Identity> {
    const before = this.world.clock.now();
    const session = await this.server.session();
    this.readClock(session, before);
    const { account, lineage } = session;
    const identity: Identity = { account, lineage };
    const storage = this.storage;
    if (storage === null) throw new InTrouble('no storage');
    const known = await valueOf(storage, 'identity');
    if (known !== undefined && !belongs(known, identity)) return this.change(identity);
    await keepValue(storage, 'identity', identity);
    if (known !== undefined && known.lineage !== lineage) await this.compare(storage, 0);
    return identity;
  }

  /** Another account: its own documents are shown, and nothing of the first is sent. */
  private async change(identity: Identity): Promise<Identity> {
    const name = await storageOf(identity, (candidate) => this.world.open(candidate, {}), FIRST_STORAGE);
    this.storage?.close();
    this.storage = null;
    this.unkept.clear();
    this.store.dispatch(documentsForgotten());
    this.world.storageName.set(name);
    await this.openStorage(name);
    this.store.dispatch(storageRead());
    await this.readFacts();
    if (this.storage !== null) await keepValue(this.storage, 'identity', identity);
    return identity;
  }

  private async ask({ account, lineage }: Identity, { cursor, seen, flights }: Batch) {
    const before = this.world.clock.now();
    const answer = await this.server.sync({
      protocol: PROTOCOL,
      account: account.id,
      lineage,
      device: this.maker.by,
      seen,
      cursor,
      mutations: flights.map(mutationOf),
    });
    this.readClock(answer, before);
    return answer;
  }

  private readClock({ now }: Pick<SessionResponse, 'now'>, before: number): void {
    if (!this.serverClock.heard(now, before)) return;
    const { clock } = this.world;
    this.store.dispatch(clockTicked(clock.now()));
    if (this.storage !== null) void keepValue(this.storage, 'skewMs', clock.skew).catch(() => undefined);
  }

  /** Pictures go after the facts, part by part. */
  private async sendPictures(): Promise<void> {
    while (this.storage !== null && !this.again && !this.stopping.signal.aborted) {
      const started = this.world.clock.now();
      if (!(await sendNextPart(this.storage, this.server, this.size))) return;
      this.size.arrived(this.world.clock.now() - started);
    }
  }

  private heard(message: unknown): void {
    if (Array.isArray(message)) void this.refresh(message as string[]);
  }

  /** Shows documents as the device's storage has them, but for what is on screen and not kept there yet. */
  private async refresh(ids: readonly string[]): Promise<void> {
    for (;;) {
      await this.writing;
      const { storage, edits } = this;
      if (storage === null || ids.length === 0) return;
      const rows = await Promise.all(
        ids.map(async (id) => (await storage.get('documents', id)) ?? { id, document: null }),
      );
      if (edits !== this.edits) continue;
      this.show(rows);
      return;
    }
  }

  /** Shows rows of the storage; what was done to a document meanwhile, and is not kept there yet, stays on screen. */
  private show(rows: readonly DocumentChange[]): void {
    const unkept = new Set(this.unkept.count().ids);
    const kept = rows.filter(({ id }) => !unkept.has(id));
    const different = differentRows(kept, this.store.getState().documents);
    if (different.length > 0) this.store.dispatch(documentsChanged(different));
  }

  /** What the server did not take. */
  private async readAside(): Promise<void> {
    if (this.storage === null) return;
    const aside = await this.storage.getAll('aside');
    const now = this.store.getState().documents.aside;
    if (aside.length === 0 && Object.keys(now).length === 0) return;
    this.store.dispatch(setAside(Object.fromEntries(aside.map(({ id, reason }) => [id, reason]))));
  }

  /** Copies of pictures that the server has as well. */
  async copies(): Promise<{ count: number; letters: number }> {
    if (this.storage === null) return { count: 0, letters: 0 };
    const { ids, letters } = await freeablePictures(this.storage);
    return { count: ids.length, letters };
  }

  /** Lets those copies go, and tries again what found no room. */
  async freeCopies(): Promise<void> {
    if (this.storage === null) return;
    await freePictures(this.storage);
    this.writing = this.writing.then(() => this.write());
    await this.writing;
  }

  /** The picture of a frame: from this device, else from the server, and then kept here; null: neither has it. */
  async image(id: string): Promise<string | null> {
    // one that was only just taken may still be on its way to the storage
    const fresh = this.unkept.image(id);
    if (fresh !== null) return fresh;
    const kept = await this.storage?.get('pictures', id).catch(() => undefined);
    if (kept !== undefined) return kept.image;
    const bytes = await this.world.fetchPicture(id).catch(() => null);
    if (bytes === null) return null;
    const image = imageOfBytes(bytes);
    await this.storage?.put('pictures', { id, image }).catch(() => undefined);
    return image;
  }

  /** Gives up a change that the server did not take: what stood before stands again. */
  async discard(id: string): Promise<void> {
    if (this.storage === null) return;
    const transaction = this.storage.transaction(['documents', 'aside'], 'readwrite');
    const row = await transaction.objectStore('documents').get(id);
    if (row?.base == null) await transaction.objectStore('documents').delete(id);
    else await transaction.objectStore('documents').put({ ...row, document: row.base, deletedAt: null });
    await transaction.objectStore('aside').delete(id);
    await transaction.done;
    await this.readAside();
    await this.refresh([id]);
    this.tell([id]);
  }

  /** Counts changes before the storage can be asked for them. */
  private countAlso(changes: number): void {
    this.store.dispatch(waitingCounted(Math.max(0, this.store.getState().device.waiting + changes)));
  }

  private async countWaiting(): Promise<number> {
    const storage = this.storage;
    if (storage === null) return 0;
    const comparing = (await valueOf(storage, 'common')) === undefined ? 0 : 1;
    // what is on its way to the storage waits too
    const count = (await storage.count('outbox')) + comparing + this.unkept.all().length;
    if (count !== this.store.getState().device.waiting) this.store.dispatch(waitingCounted(count));
    return count;
  }
}
