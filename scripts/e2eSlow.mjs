// The Chromium tests, twice, with server, database and browser held together to half a core, as on a machine four times
// slower. Waits that hang on a time and not on a state come to light here.
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';

import { ensureCommand, ensurePackages } from './debian.mjs';
import { ensureModules, run } from './npm.mjs';

const PERCENT_OF_A_CORE = 50;
const RUNS = 2;

ensurePackages({ chromium: true });
ensureCommand('cpulimit', 'cpulimit');
ensureModules();
run('npm', ['run', 'build']);
// some versions hold children with `-i`, Debian 12's with `-m`, and want to be told to wait
const { stdout, stderr } = spawnSync('cpulimit', ['--help'], { encoding: 'utf8' });
const withChildren = `${stdout}${stderr}`.includes('--include-children') ? ['-i'] : ['-f', '-m'];
let status = 0;
for (let i = 1; i <= RUNS && status === 0; i += 1) {
  console.log(`Run ${i} of ${RUNS}`);
  const limit = [
    ...withChildren,
    '-l',
    String(PERCENT_OF_A_CORE),
    '--',
    'npx',
    'playwright',
    'test',
    '--workers=1',
    ...process.argv.slice(2),
  ];
  const child = spawn('cpulimit', limit, { stdio: 'inherit', env: { ...process.env, SLOW: '4' } });
  [status] = await once(child, 'exit');
}
process.exit(status ?? 1);
