import { Clock } from '@/store/ids';
import type { Send } from '@/store/sync/server';
import { openStorage } from '@/store/sync/storage';
import type { World } from '@/store/sync/world';
import { IDBFactory } from 'fake-indexeddb';
import { deserialize, serialize } from 'node:v8';

import {
  type Document,
  type Held,
  judge,
  type Mutation,
  type MutationResult,
  PROTOCOL,
  type Stored,
  type SyncRequest,
} from '@sphene/core/documents';
import { sampleId } from '@sphene/core/sample';

interface Row extends Held {
  seq: number;
  by: Stored['by'];
  at: string;
  deletedAt: string | null;
}

/** A server in memory that answers as the real one does, or fails in the ways that a real one can. */
export class FakeServer {
  mode: 'up' | 'down' | 'broken' | 'babbling' | 'older' | 'newer' = 'up';
  session = false;
  account = { id: sampleId(9001), name: 'demo' };
  lineage = sampleId(9100);
  /** its clock, ahead of the devices' by so much */
  aheadMs = 0;
  readonly calls: string[] = [];
  readonly received: Mutation[] = [];
  readonly pictures = new Map<string, Uint8Array[]>();
  /** documents that it will not have, by id */
  readonly refuses = new Set<string>();
  private rows = new Map<string, Row>();
  private done = new Map<string, MutationResult>();
  private seq = 0;
  private mark = sampleId(9200);
  private marks = [{ seq: 0, mark: this.mark }];

  /** A change made by someone else. */
  add(document: Document, by: Stored['by'] = null): void {
    this.write(document, false, by, '2026-02-27T12:00:00.000Z');
    this.marked();
  }
  /** A deletion by someone else. */
  remove(id: string): void {
    const row = this.rows.get(id);
    if (row !== undefined) this.write(row.body, true, null, '2026-02-27T12:00:00.000Z');
    this.marked();
  }
  /** The documents that it has and that are not deleted. */
  get documents(): Document[] {
    return [...this.rows.values()].flatMap(({ body, deleted }) => (deleted ? [] : [body]));
  }
  document = (id: string): Document | undefined => this.rows.get(id)?.body;

  /** Its state, to be restored later as a backup is. */
  backup(): () => void {
    const kept = { rows: new Map(this.rows), done: new Map(this.done), seq: this.seq, marks: [...this.marks] };
    return () => {
      this.rows = new Map(kept.rows);
      this.done = new Map(kept.done);
      this.seq = kept.seq;
      this.marks = [...kept.marks];
      this.mark = this.marks.at(-1)?.mark ?? '';
    };
  }

  private marked(): void {
    this.mark = `019c9c00-0000-7000-a000-${Math.floor(Math.random() * 1e12)
      .toString(16)
      .padStart(12, '0')}`;
    this.marks.push({ seq: this.seq, mark: this.mark });
  }

  private write(body: Document, deleted: boolean, by: Stored['by'], at: string): Row {
    this.seq += 1;
    const version = (this.rows.get(body.id)?.version ?? 0) + 1;
    const row = { body, version, deleted, seq: this.seq, by, at, deletedAt: deleted ? at : null };
    this.rows.set(body.id, row);
    return row;
  }

  private stored(id: string): Stored | null {
    const row = this.rows.get(id);
    if (row === undefined) return null;
    const { body: document, version, seq, by, at, deletedAt } = row;
    return { id, document, version, seq, by, at, deletedAt };
  }

  private carryOut(mutation: Mutation, by: Stored['by']): MutationResult {
    this.received.push(mutation);
    const known = this.done.get(mutation.key);
    if (known !== undefined) return known;
    const id = mutation.op === 'put' ? mutation.document.id : mutation.id;
    const { key } = mutation;
    if (this.refuses.has(id)) return { status: 'refused', key, id, reason: { kind: 'not-storable' } };
    const verdict = judge(mutation, this.rows.get(id));
    if (verdict.status === 'conflict') return { status: 'conflict', key, id, current: this.stored(id) };
    const result: MutationResult =
      verdict.status === 'refused'
        ? { ...verdict, key, id }
        : { status: 'applied', key, id, version: this.applied(verdict.next, by, mutation.at) };
    this.done.set(key, result);
    return result;
  }

  private applied(next: Omit<Held, 'version'> | null, by: Stored['by'], at: string): number {
    if (next === null) return 0;
    const row = this.write(next.body, next.deleted, by, at);
    return row.version;
  }

  private sync(request: SyncRequest): [number, unknown] {
    if (request.account !== this.account.id) return [409, { code: 'other-account' }];
    const { seen } = request;
    const isKnown = seen === null || this.marks.some(({ seq, mark }) => seq === seen.seq && mark === seen.mark);
    if (request.lineage !== this.lineage || !isKnown) return [409, { code: 'other-history' }];
    const before = this.seq;
    const results = request.mutations.map((mutation) => this.carryOut(mutation, request.device));
    if (this.seq > before) this.marked();
    const changes = [...this.rows.keys()]
      .map((id) => this.stored(id) as Stored)
      .filter(({ seq }) => seq > request.cursor)
      .sort((a, b) => a.seq - b.seq);
    const head = { seq: this.seq, mark: this.mark };
    const now = Date.now() + this.aheadMs;
    return [200, { results, changes, cursor: this.seq, more: false, head, now }];
  }

  private answer(path: string, body: string | Uint8Array | undefined): [number, unknown] {
    if (this.mode === 'broken') return [503, {}];
    if (path === '/api/session') {
      this.session = true;
      if (this.mode === 'older') return [201, { accountId: this.account.id }];
      const protocol = this.mode === 'newer' ? PROTOCOL + 1 : PROTOCOL;
      return [201, { account: this.account, lineage: this.lineage, protocol, now: Date.now() + this.aheadMs }];
    }
    if (!this.session) return [401, {}];
    if (this.mode === 'older') return [400, { error: 'The request does not keep to the sync format.' }];
    if (this.mode === 'babbling') return [200, { results: 'none' }];
    if (this.mode === 'newer') return [426, { code: 'protocol', protocol: PROTOCOL + 1 }];
    const picture = /^\/api\/pictures\/([^?]+)\?from=(\d+)&size=(\d+)$/.exec(path);
    if (picture !== null) return this.picture(picture[1] ?? '', Number(picture[2]), body as Uint8Array);
    const said = JSON.parse(String(body)) as unknown;
    if (path === '/api/sync/common') {
      const { marks } = said as { marks: { seq: number; mark: string }[] };
      const known = marks.filter(({ mark }) => this.marks.some((one) => one.mark === mark));
      return [200, { common: Math.max(0, ...known.map(({ seq }) => seq)) }];
    }
    return this.sync(said as SyncRequest);
  }

  private picture(id: string, from: number, part: Uint8Array): [number, unknown] {
    const parts = this.pictures.get(id) ?? [];
    const have = parts.reduce((sum, { length }) => sum + length, 0);
    if (from !== have) return [200, { have }];
    this.pictures.set(id, [...parts, part]);
    return [200, { have: have + part.length }];
  }

  readonly send: Send = ({ path, body }) => {
    this.calls.push(path.replace(/\?.*/, ''));
    if (this.mode === 'down') return Promise.reject(new TypeError('no answer'));
    const [status, answer] = this.answer(path, body);
    return Promise.resolve({ status, body: JSON.stringify(answer) });
  };
}

/** An empty device, with what jsdom lacks of a browser. */
export function freshDevice(): void {
  Object.assign(globalThis, {
    indexedDB: new IDBFactory(),
    structuredClone: (value: unknown) => deserialize(serialize(value)) as unknown,
  });
  globalThis.localStorage?.clear();
}

/** What a keeper needs, without a page: tabs of one device share `channels` and the storage of the same name. */
export function testWorld(server: { send: Send }, over: Partial<World> = {}): World {
  return {
    clock: new Clock(),
    random: () => 0.5,
    send: server.send,
    fetchPicture: () => Promise.resolve(null),
    open: openStorage,
    storageName: { get: () => 'sphene', set: () => undefined },
    openInMemory: () => Promise.reject(new Error('no storage in memory here')),
    channel: () => () => undefined,
    alone: (_name, work) => work(),
    onWake: () => undefined,
    isSeen: () => true,
    follow: () => undefined,
    after: () => () => undefined,
    deviceName: () => 'Computer',
    askToPersist: () => undefined,
    ...over,
  };
}
