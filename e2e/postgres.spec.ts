import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import pg from 'pg';

import { startPostgres } from '../scripts/postgres.mjs';

test.describe('the own PostgreSQL', () => {
  test.skip(process.env['DATABASE_URL'] !== undefined, 'another database is used');

  const ask = async (url: string, sql: string): Promise<unknown[]> => {
    const client = new pg.Client({ connectionString: url });
    client.on('error', () => undefined); // the server is killed under it
    await client.connect();
    try {
      return (await client.query<Record<string, unknown>>(sql)).rows;
    } finally {
      await client.end();
    }
  };

  test('survives a hard kill, keeps what was committed, and runs as no root', async () => {
    const first = await startPostgres({ throwAway: true });
    // a throw-away server commits lazily unless told otherwise; the demo's never does
    await ask(first.url, "set synchronous_commit = on; create table kept as select 'here' as text");
    const postmaster = Number(
      readFileSync(path.resolve(import.meta.dirname, `../.data/test-${process.pid}/postmaster.pid`), 'utf8').split(
        '\n',
      )[0],
    );
    expect(Number(/^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${postmaster}/status`, 'utf8'))?.[1])).not.toBe(0);
    process.kill(postmaster, 'SIGKILL');
    const second = await startPostgres({ throwAway: true });
    expect(await ask(second.url, 'select text from kept')).toEqual([{ text: 'here' }]);
    expect(new URL(second.url).hostname).toBe('127.0.0.1');
    await second.stop();
    await first.stop();
  });

  test('refuses a wrong password', async () => {
    const { url, stop } = await startPostgres({ throwAway: true });
    const wrong = new URL(url);
    wrong.password = 'guess';
    await expect(ask(wrong.href, 'select 1')).rejects.toThrow(/password/);
    await stop();
    expect(spawnSync('pgrep', ['-f', `test-${process.pid} `]).stdout.toString()).toBe('');
  });
});
