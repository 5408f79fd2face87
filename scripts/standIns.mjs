// The simulated devices that ship with the product, each a program of its own on loopback.
import { spawn } from 'node:child_process';
import path from 'node:path';

import { ROOT } from './npm.mjs';
import { freePort } from './postgres.mjs';

const PORTS = { meter: 4791, camera: 4792, radio: 4793, weather: 4794 };

/** Starts one stand-in and waits until it says where it listens; port 0 takes any that is free. */
async function start(name, port, environment) {
  const device = spawn(process.execPath, [path.join(ROOT, `stand-ins/dist/${name}.mjs`)], {
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
    env: { ...process.env, ...environment, PORT: String(port) },
  });
  let said = '';
  for await (const chunk of device.stdout) {
    said += String(chunk);
    if (said.includes('\n')) break;
  }
  if (said === '') throw new Error(`the simulated ${name} did not start`);
  device.stdout.resume();
  return { name, process: device, address: `http://127.0.0.1:${JSON.parse(said.split('\n')[0]).port}` };
}

/** Meter and camera first: the light of the radio's pops travels to them. */
async function startAll(portOf, environment) {
  const seeing = await Promise.all(
    ['meter', 'camera'].map(async (name) => start(name, await portOf(name), environment)),
  );
  const radio = await start('radio', await portOf('radio'), {
    ...environment,
    SEEN_BY: seeing.map(({ address }) => address).join(),
  });
  return [...seeing, radio];
}

/** Starts meter, camera and radio on their usual ports where those are free; the same seed gives the same faults. */
export const startStandIns = () => startAll((name) => freePort(PORTS[name]), {});

/** The same on ports of their own, for tests that run side by side. */
export const startOwnStandIns = (environment) => startAll(() => 0, environment);

/** The simulated weather service on its usual port, or any that is free. */
export const startWeather = async () => start('weather', await freePort(PORTS.weather), {});

/** The same on a port of its own. */
export const startOwnWeather = () => start('weather', 0, {});
