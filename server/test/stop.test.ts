import { afterAll, beforeAll, expect, it } from '@jest/globals';
import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { connect } from 'node:net';
import { join } from 'node:path';

import { build } from 'esbuild';

import { PROTOCOL } from '@sphene/core/documents';

// the program as it ships, in a process of its own: what a signal does to it cannot be asked within the tests' own
const MAIN = join(__dirname, '../../test-results/stop-main.mjs');
let server: ChildProcess;
let port: number;

beforeAll(async () => {
  await build({
    entryPoints: [join(__dirname, '../src/main.ts')],
    outfile: MAIN,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    plugins: [
      {
        name: 'core',
        setup(bundler) {
          // the core is source, not a package that Node.js could read
          bundler.onResolve({ filter: /^@sphene\/core\// }, ({ path }) => ({
            path: join(__dirname, '../../core/src', path.replace('@sphene/core/', ''), 'index.ts'),
          }));
        },
      },
    ],
  });
  server = spawn(process.execPath, [MAIN], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, DATABASE_URL: process.env['TEST_DATABASE_URL'] ?? '', PORT: '0', SAMPLE_DATA: 'false' },
  });
  for await (const chunk of server.stdout ?? []) {
    const found = /"port":(\d+)/.exec(String(chunk));
    if (found?.[1] === undefined) continue;
    port = Number(found[1]);
    break;
  }
  server.stdout?.resume();
}, 60_000);
afterAll(() => void server.kill('SIGKILL'));

const JSON_TYPE = { 'content-type': 'application/json' };
const url = (path: string) => `http://127.0.0.1:${port}${path}`;

it('answers health throughout while others send what would cost seconds', async () => {
  const session = await fetch(url('/api/session'), { method: 'POST', headers: JSON_TYPE, body: '{}' });
  const cookie = session.headers.getSetCookie()[0]?.split(';')[0] ?? '';
  const nested = `{"protocol":${PROTOCOL},"mutations":${'['.repeat(900_000)}${']'.repeat(900_000)}}`;
  const refused = Promise.all(
    Array.from({ length: 8 }, () =>
      fetch(url('/api/sync'), { method: 'POST', headers: { ...JSON_TYPE, cookie }, body: nested }),
    ),
  );
  let asked = 0;
  let over = false;
  void refused.then(() => {
    over = true;
  });
  while (!over) {
    expect((await fetch(url('/api/health'))).status).toBe(200);
    asked += 1;
  }
  expect((await refused).map(({ status }) => status)).toEqual(Array(8).fill(400));
  expect(asked).toBeGreaterThan(0);
});

it('stops by itself with streams and idle sockets open, and nothing is wrong', async () => {
  const session = await fetch(url('/api/session'), { method: 'POST', headers: JSON_TYPE, body: '{}' });
  const cookie = session.headers.getSetCookie()[0]?.split(';')[0] ?? '';
  const stream = await fetch(url('/api/sync/events'), { headers: { cookie } });
  const reader = stream.body?.getReader();
  await reader?.read();
  const idle = connect(port, '127.0.0.1');
  await once(idle, 'connect');
  idle.on('error', () => undefined);
  // a request that never ends
  const slow = connect(port, '127.0.0.1');
  slow.on('error', () => undefined);
  slow.write('POST /api/sync HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-length: 100\r\n\r\n{');
  const gone = once(server, 'exit');
  server.kill('SIGTERM');
  server.kill('SIGTERM');
  expect(await gone).toEqual([0, null]);
});
