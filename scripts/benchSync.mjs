// The server under load: devices that push and pull, one edit a second each, and a first pull of a large account.
import { spawn } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import http from 'node:http';
import path from 'node:path';
import pg from 'pg';

import { ROOT } from './npm.mjs';
import { freePort, startPostgres } from './postgres.mjs';

const SECONDS = 15;
const MOST_P99_MS = 250;
const MOST_PULL_MS = 2000;
const AT = '2026-02-27T12:00:00.000Z';

const agent = new http.Agent({ keepAlive: true, maxSockets: 400 });

/** One request; resolves with status, text and how long it took. */
const ask = (port, method, address, cookie, body) =>
  new Promise((resolve, reject) => {
    const started = performance.now();
    const headers = { 'content-type': 'application/json', cookie };
    const request = http.request({ host: '127.0.0.1', port, method, path: address, headers, agent }, (response) => {
      const parts = [];
      response.on('data', (part) => parts.push(part));
      response.on('end', () =>
        resolve({
          status: response.statusCode,
          text: Buffer.concat(parts).toString(),
          ms: performance.now() - started,
        }),
      );
    });
    request.on('error', reject);
    request.end(body);
  });

const share = (sorted, at) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * at))] ?? NaN;
const figures = (times) => {
  const sorted = [...times].sort((a, b) => a - b);
  return `p50 ${share(sorted, 0.5).toFixed(0)} ms, p99 ${share(sorted, 0.99).toFixed(0)} ms`;
};

/** An account with a session, as signing in would make it. */
async function account(database) {
  const name = `bench ${randomUUID()}`;
  const { rows } = await database.query('insert into accounts (name) values ($1) returning id', [name]);
  const token = randomBytes(32).toString('base64url');
  await database.query("insert into sessions (id, account_id, expires_at) values ($1, $2, now() + interval '1 hour')", [
    createHash('sha256').update(token).digest('hex'),
    rows[0].id,
  ]);
  return { id: rows[0].id, cookie: `sphene_session=${token}` };
}

/** A device that pushes one edit a second and pulls what others did. */
async function device(port, { id: accountId, cookie }, lineage, until, times, errors) {
  const spot = { type: 'spot', version: 1, id: randomUUID(), shootId: randomUUID(), title: 'Spot' };
  const by = { id: randomUUID(), name: 'Bench' };
  let version = 0;
  let cursor = 0;
  let seen = null;
  await new Promise((done) => setTimeout(done, Math.random() * 1000));
  while (Date.now() < until) {
    const next = Date.now() + 1000;
    const document = { ...spot, title: `Spot ${version}` };
    const mutations = [{ op: 'put', key: randomUUID(), baseVersion: version, at: AT, document }];
    const request = { protocol: 2, account: accountId, lineage, device: by, seen, cursor, mutations };
    try {
      const { status, text, ms } = await ask(port, 'POST', '/api/sync', cookie, JSON.stringify(request));
      times.push(ms);
      const answer = JSON.parse(text);
      if (status !== 200 || answer.results[0]?.status !== 'applied') throw new Error(`${status} ${text.slice(0, 200)}`);
      version = answer.results[0].version;
      cursor = answer.cursor;
      if (!answer.more) seen = answer.head;
    } catch (error) {
      errors.push(String(error));
    }
    await new Promise((done) => setTimeout(done, Math.max(0, next - Date.now())));
  }
}

async function load(port, database, lineage, devices, accounts) {
  const owners = [];
  while (owners.length < accounts) owners.push(await account(database));
  const times = [];
  const errors = [];
  const until = Date.now() + SECONDS * 1000;
  await Promise.all(
    Array.from({ length: devices }, (_, index) =>
      device(port, owners[index % accounts], lineage, until, times, errors),
    ),
  );
  console.log(
    `${devices} devices over ${accounts} account${accounts === 1 ? '' : 's'}, one edit a second each: ` +
      `${figures(times)}, ${errors.length} errors in ${times.length} exchanges`,
  );
  if (errors.length > 0) console.log(`  ${errors[0]}`);
  return (
    share(
      [...times].sort((a, b) => a - b),
      0.99,
    ) < MOST_P99_MS && errors.length === 0
  );
}

/** Copies of one document of the sample, as many as asked for, of an account. */
async function fill(database, accountId, type, count) {
  await database.query(
    `with sample as (select body from documents where type = $2 limit 1),
       start as (select seq from accounts where id = $1)
     insert into documents (account_id, id, type, body, version, seq, bytes)
     select $1, made.id, $2, body || jsonb_build_object('id', made.id), 1, start.seq + made.n, octet_length(body::text)
     from sample, start, (select gen_random_uuid() as id, n from generate_series(1, $3::int) n) made`,
    [accountId, type, count],
  );
  await database.query('update accounts set seq = seq + $2 where id = $1', [accountId, count]);
}

async function firstPull(port, { id, cookie }, lineage) {
  const started = performance.now();
  let documents = 0;
  let bytes = 0;
  for (let cursor = 0, more = true; more;) {
    const by = { id: randomUUID(), name: 'Bench' };
    const request = { protocol: 2, account: id, lineage, device: by, seen: null, cursor, mutations: [] };
    const { text } = await ask(port, 'POST', '/api/sync', cookie, JSON.stringify(request));
    const answer = JSON.parse(text);
    documents += answer.changes.length;
    bytes += text.length;
    ({ cursor, more } = answer);
  }
  return { ms: performance.now() - started, documents, bytes };
}

/** Prints all of it; false where a bound is passed. */
export async function benchSync() {
  const postgres = await startPostgres({ throwAway: true });
  const database = new pg.Client({ connectionString: postgres.url });
  await database.connect();
  await database.query('alter role current_user set synchronous_commit = on');
  const port = await freePort();
  const server = spawn(process.execPath, [path.join(ROOT, 'server/dist/main.mjs')], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DATABASE_URL: postgres.url, PORT: String(port), SAMPLE_DATA: 'true', LOG_LEVEL: 'warn' },
  });
  const lineage = await (async () => {
    for (;;) {
      try {
        await ask(port, 'GET', '/api/health', '');
        return (await database.query('select id from lineage')).rows[0].id;
      } catch {
        await new Promise((done) => setTimeout(done, 100));
      }
    }
  })();
  let well = true;
  for (const [devices, accounts] of [
    [50, 50],
    [200, 50],
    [50, 1],
    [200, 1],
  ]) {
    const held = await load(port, database, lineage, devices, accounts);
    // what many devices of one person ask for is told and not bound
    if (accounts > 1) well &&= held;
  }
  const large = await account(database);
  await fill(database, large.id, 'setup', 1000);
  await fill(database, large.id, 'reading', 20_000);
  const first = await firstPull(port, large, lineage);
  console.log(
    `First pull of ${first.documents} documents (1 000 setups, 20 000 readings; ${(first.bytes / 1e6).toFixed(0)} MB): ` +
      `${first.ms.toFixed(0)} ms (bound ${MOST_PULL_MS})`,
  );
  well &&= first.ms < MOST_PULL_MS;
  for (const frames of [500, 1000, 2000]) {
    const owner = await account(database);
    await fill(database, owner.id, 'reading', frames);
    const pulled = await firstPull(port, owner, lineage);
    console.log(
      `First pull of ${frames} facts: ${pulled.ms.toFixed(0)} ms, ${(pulled.ms / frames).toFixed(3)} ms each`,
    );
  }
  const nested = `{"protocol":2,"mutations":${'['.repeat(900_000)}${']'.repeat(900_000)}}`;
  const refused = (async () => {
    for (let body = 0; body < 8; body += 1) await ask(port, 'POST', '/api/sync', large.cookie, nested);
  })();
  const health = [];
  let over = false;
  void refused.then(() => {
    over = true;
  });
  while (!over) health.push((await ask(port, 'GET', '/api/health', '')).ms);
  await refused;
  console.log(
    `Health beside bodies of nothing but brackets, one after the other: at most ${Math.max(...health).toFixed(0)} ms`,
  );
  const stopped = performance.now();
  const gone = new Promise((done) => server.once('exit', done));
  server.kill('SIGTERM');
  const code = await gone;
  console.log(`Stopped in ${(performance.now() - stopped).toFixed(0)} ms, exit code ${code}`);
  agent.destroy();
  await database.end();
  await postgres.stop();
  return well;
}

if (process.argv[1] === import.meta.filename) process.exit((await benchSync()) ? 0 : 1);
