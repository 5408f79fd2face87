// One command from a fresh clone: packages, build, database, server with the sample data. Ctrl-C stops all of it.
import { spawn } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';

import { ensurePackages } from './debian.mjs';
import { ROOT, ensureModules, run } from './npm.mjs';
import { freePort, startPostgres } from './postgres.mjs';
import { startStandIns, startWeather } from './standIns.mjs';

const BUILT = [
  'client/dist/index.html',
  'server/dist/main.mjs',
  'stand-ins/dist/meter.mjs',
  'stand-ins/dist/camera.mjs',
  'stand-ins/dist/radio.mjs',
  'stand-ins/dist/weather.mjs',
].map((file) => path.join(ROOT, file));

/** The newest change of any source file. */
function newest(folder) {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && !/\/(dist|node_modules|\.expo)(\/|$)/.test(entry.parentPath))
    .reduce((latest, entry) => Math.max(latest, statSync(path.join(entry.parentPath, entry.name)).mtimeMs), 0);
}
const isBuilt = () =>
  BUILT.every((file) => existsSync(file)) &&
  Math.min(...BUILT.map((file) => statSync(file).mtimeMs)) >
    Math.max(
      ...['core/src', 'client/src', 'client/public', 'server/src', 'stand-ins/src'].map((folder) =>
        newest(path.join(ROOT, folder)),
      ),
    );

ensurePackages();
ensureModules();
if (!isBuilt()) run('npm', ['run', 'build']);
const postgres = await startPostgres();
const port = process.env.PORT ? Number(process.env.PORT) : await freePort(4780);
const [standIns, weather] = await Promise.all([startStandIns(), startWeather()]);
const server = spawn(process.execPath, ['--enable-source-maps', path.join(ROOT, 'server/dist/main.mjs')], {
  stdio: ['ignore', 'pipe', 'inherit'],
  detached: true, // a terminal's Ctrl-C reaches this script only, which then stops things in order
  env: {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: postgres.url,
    PORT: String(port),
    CLIENT_DIR: path.join(ROOT, 'client/dist'),
    SAMPLE_DATA: 'true',
    DEVICES: standIns.map(({ address }) => address).join(),
    WEATHER_URL: weather.address,
  },
});
server.stdout.on('data', (chunk) => {
  if (String(chunk).includes('"listening"')) console.log(`Sphene is ready: http://127.0.0.1:${port}\nCtrl-C stops it.`);
  if (process.env.LOG_REQUESTS) process.stderr.write(chunk);
  // what ends the server is told, so that no one waits before an empty screen
  else if (/"level":60/.test(String(chunk))) process.stderr.write(`The server stopped: ${chunk}`);
});
let stopping = false;
const stop = () => {
  if (stopping) return;
  stopping = true;
  server.kill('SIGTERM');
};
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
// npm does not pass SIGTERM on to what its scripts started: notice when it is gone.
const parent = process.ppid;
if (process.env.npm_lifecycle_event)
  setInterval(() => {
    if (process.ppid !== parent) stop();
  }, 500).unref();
const code = await new Promise((done) => {
  server.once('exit', (exit) => done(exit ?? 1));
});
for (const { process: standIn } of [...standIns, weather]) standIn.kill('SIGTERM');
await postgres.stop();
process.exit(stopping ? 0 : code);
