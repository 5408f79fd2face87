import { IDBFactory } from 'fake-indexeddb';
import { deserialize, serialize } from 'node:v8';

import type { Stored, SyncRequest } from '@sphene/core/documents';

/** An empty device on this network, with what jsdom lacks of a browser. */
export function freshDevice(network: (url: string, init: { body: string }) => Promise<Response>): void {
  Object.assign(globalThis, {
    indexedDB: new IDBFactory(),
    structuredClone: (value: unknown) => deserialize(serialize(value)) as unknown,
    fetch: network,
  });
  globalThis.localStorage?.clear();
  if (AbortSignal.timeout === undefined) AbortSignal.timeout = () => new AbortController().signal;
}

/** A server in memory that answers as the real one does, or fails in the ways that a real one can. */
export class FakeServer {
  mode: 'up' | 'down' | 'broken' | 'refusing' | 'babbling' = 'up';
  session = false;
  readonly calls: string[] = [];
  readonly received: SyncRequest['mutations'] = [];
  private readonly log: Stored[] = [];

  /** A change made by someone else. */
  add(document: NonNullable<Stored['document']>): void {
    const version = (this.log.findLast(({ id }) => id === document.id)?.version ?? 0) + 1;
    this.log.push({ id: document.id, version, seq: this.log.length + 1, document });
  }

  readonly fetch = async (url: string, init: { body: string }): Promise<Response> => {
    this.calls.push(url);
    if (this.mode === 'down') throw new TypeError('fetch failed');
    if (this.mode === 'broken') return reply(503, {});
    if (url === '/api/session') {
      this.session = true;
      return reply(201, {});
    }
    if (!this.session) return reply(401, {});
    if (this.mode === 'refusing') return reply(400, { message: 'no' });
    if (this.mode === 'babbling') return reply(200, { results: 'none' });
    const { cursor, mutations } = JSON.parse(init.body) as SyncRequest;
    const results = mutations.map((mutation) => {
      this.received.push(mutation);
      const id = mutation.op === 'put' ? mutation.document.id : mutation.id;
      this.log.push({
        id,
        version: mutation.baseVersion + 1,
        seq: this.log.length + 1,
        document: mutation.op === 'put' ? mutation.document : null,
      });
      return { key: mutation.key, id, status: 'applied', version: mutation.baseVersion + 1 };
    });
    return reply(200, {
      results,
      changes: this.log.filter(({ seq }) => seq > cursor),
      cursor: this.log.length,
      more: false,
    });
  };
}

const reply = (status: number, body: unknown) =>
  Promise.resolve({ ok: status < 300, status, json: () => Promise.resolve(body) } as Response);
