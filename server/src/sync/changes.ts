import pg from 'pg';
import type { Logger } from 'pino';

/** The channel on which a push tells which account has changed. */
export const CHANNEL = 'sphene_changes';

const RETRY_MS = 2000;

type Listener = () => void;

/**
 * Tells streams of an account's changes as they are committed, whichever server made them: the database notifies,
 * and one connection of its own listens. While it is broken, devices ask by themselves.
 */
export class Changes {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: pg.Client | null = null;
  private retry: NodeJS.Timeout | null = null;
  isClosed = false;
  private endStreams: () => void = () => undefined;
  /** settles when the server stops, so that streams can end */
  readonly closed = new Promise<void>((done) => {
    this.endStreams = done;
  });

  constructor(
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  /** Begins to listen to the database; goes on by itself when the connection breaks. */
  async start(): Promise<void> {
    if (this.isClosed) return;
    const client = new pg.Client({ connectionString: this.url, application_name: 'sphene changes' });
    client.on('error', (error) => this.broke(client, error));
    client.on('end', () => this.broke(client, null));
    client.on('notification', ({ payload }) => {
      for (const listener of this.listeners.get(payload ?? '') ?? []) listener();
    });
    this.client = client;
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      // what was committed while nothing was heard
      for (const its of this.listeners.values()) for (const listener of its) listener();
    } catch (error) {
      this.broke(client, error as Error);
    }
  }

  private broke(client: pg.Client, error: Error | null): void {
    if (this.client !== client) return;
    this.client = null;
    if (error !== null) this.log.warn({ err: error.message }, 'listening to changes broke');
    client.end().catch(() => undefined);
    if (this.isClosed) return;
    this.retry = setTimeout(() => void this.start(), RETRY_MS);
    this.retry.unref();
  }

  /** Calls at every change of an account, until the function that comes back is called. */
  listen(accountId: string, listener: Listener): () => void {
    const its = this.listeners.get(accountId) ?? new Set();
    its.add(listener);
    this.listeners.set(accountId, its);
    return () => {
      its.delete(listener);
      if (its.size === 0) this.listeners.delete(accountId);
    };
  }

  async close(): Promise<void> {
    this.isClosed = true;
    this.endStreams();
    if (this.retry !== null) clearTimeout(this.retry);
    const { client } = this;
    this.client = null;
    await client?.end().catch(() => undefined);
  }
}
