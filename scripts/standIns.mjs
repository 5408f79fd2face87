// The simulated devices that ship with the product, each a program of its own on loopback.
import { spawn } from 'node:child_process';
import path from 'node:path';

import { ROOT } from './npm.mjs';
import { freePort } from './postgres.mjs';

const PORTS = { meter: 4791, camera: 4792 };

/** Starts one stand-in and waits until it listens. */
async function start(name, environment) {
  const port = await freePort(PORTS[name]);
  const device = spawn(process.execPath, [path.join(ROOT, `stand-ins/dist/${name}.mjs`)], { stdio: ['ignore', 'pipe', 'inherit'], detached: true, env: { ...process.env, ...environment, PORT: String(port) } });
  for await (const chunk of device.stdout) if (String(chunk).includes('"listening"')) break;
  device.stdout.resume();
  return { name, process: device, address: `http://127.0.0.1:${port}` };
}

/** Starts the meter and the camera; the same seed gives the same faults of the meter. */
export const startStandIns = (environment = {}) => Promise.all(Object.keys(PORTS).map((name) => start(name, environment)));
