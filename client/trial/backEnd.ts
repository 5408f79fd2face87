import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import pg from 'pg';

import { freePort, startPostgres } from '../../scripts/postgres.mjs';

const ROOT = path.resolve(__dirname, '../..');
const TABLES = ['accounts', 'documents', 'mutations', 'marks', 'pictures', 'sessions'];

/** The real server on a real PostgreSQL, both of which can be killed hard. */
export class BackEnd {
  private server: ChildProcess | null = null;
  private postgres: { url: string; stop: () => Promise<void> } | null = null;
  url = '';
  private port = 0;

  async start(): Promise<void> {
    this.port = await freePort();
    this.url = `http://127.0.0.1:${this.port}`;
    await this.startPostgres();
    // a throw-away database commits lazily unless told otherwise; one that is kept never does
    await this.query('alter role current_user set synchronous_commit = on');
    await this.startServer();
  }

  private async startPostgres(): Promise<void> {
    this.postgres = await startPostgres({ throwAway: true });
  }

  private async startServer(): Promise<void> {
    for (;;) {
      const server = spawn(process.execPath, [path.join(ROOT, 'server/dist/main.mjs')], {
        stdio: ['ignore', 'pipe', 'ignore'],
        env: {
          ...process.env,
          NODE_ENV: 'test',
          DATABASE_URL: this.postgres?.url ?? '',
          PORT: String(this.port),
          SAMPLE_DATA: 'true',
        },
      });
      this.server = server;
      let listening = false;
      for await (const chunk of server.stdout)
        if (String(chunk).includes('"listening"')) {
          listening = true;
          break;
        }
      server.stdout.resume();
      if (listening) return;
    }
  }

  async query<T>(sql: string, values: unknown[] = []): Promise<T[]> {
    const client = new pg.Client({ connectionString: this.postgres?.url ?? '' });
    await client.connect();
    const { rows } = await client.query(sql, values);
    await client.end();
    return rows as T[];
  }

  private async end(signal: 'SIGKILL' | 'SIGTERM'): Promise<void> {
    const { server } = this;
    if (server === null) return;
    const gone = once(server, 'exit');
    if (server.exitCode === null && server.signalCode === null) {
      server.kill(signal);
      await gone;
    }
    this.server = null;
  }

  /** As a power cut would. */
  async killServer(): Promise<void> {
    await this.end('SIGKILL');
    await this.startServer();
  }

  async killPostgres(): Promise<void> {
    const file = path.join(ROOT, `.data/test-${process.pid}/postmaster.pid`);
    process.kill(Number(readFileSync(file, 'utf8').split('\n')[0]), 'SIGKILL');
    await this.startPostgres();
    // its address may be another now
    await this.end('SIGKILL');
    await this.startServer();
  }

  private columns = async (table: string): Promise<string> =>
    (
      await this.query<{ column_name: string }>(
        "select column_name from information_schema.columns where table_schema = 'public' and table_name = $1 and is_generated = 'NEVER'",
        [table],
      )
    )
      .map(({ column_name }) => column_name)
      .join();

  /** Everything as it stood in one moment, as a database's own backup has it. */
  async backUp(): Promise<void> {
    const copies = TABLES.map((table) => `create table backup_${table} as select * from ${table};`);
    await this.query(`begin isolation level repeatable read; ${copies.join(' ')} commit`);
  }

  /** What was written since the backup is gone; what the killed server had still asked for comes to nothing. */
  async restore(): Promise<void> {
    await this.end('SIGKILL');
    const kept = TABLES.filter((table) => table !== 'accounts');
    const back: string[] = [];
    for (const table of kept) {
      const columns = await this.columns(table);
      back.push(`insert into ${table} (${columns}) select ${columns} from backup_${table};`);
    }
    await this.query(
      `begin; lock table ${TABLES.join()} in access exclusive mode;
       ${[...kept]
         .reverse()
         .map((table) => `delete from ${table};`)
         .join(' ')}
       update accounts a set seq = b.seq, mark = b.mark from backup_accounts b where b.id = a.id;
       ${back.join(' ')} commit`,
    );
    await this.startServer();
  }

  async stop(): Promise<void> {
    await this.end('SIGTERM');
    await this.postgres?.stop();
  }
}
