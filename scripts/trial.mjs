// Devices, networks, kills: whether a change is ever lost. `--short` for a taste of it; TRIAL_SEED to see one again.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import path from 'node:path';

import { ensurePackages } from './debian.mjs';
import { ROOT, ensureModules, run } from './npm.mjs';

ensurePackages();
ensureModules();
if (!existsSync(path.join(ROOT, 'server/dist/main.mjs'))) run('npm', ['run', 'build', '-w', '@sphene/server']);
const isShort = process.argv.includes('--short');
if (!isShort)
  run('npx', ['jest', '--projects', 'client', '--testPathPattern', 'interleavings', '--testTimeout=3600000'], {
    stdio: 'inherit',
    env: { ...process.env, INTERLEAVINGS: '3000' },
  });
const { status } = spawnSync(
  'npx',
  ['tsx', '--tsconfig', 'client/tsconfig.json', 'client/trial/trial.ts', ...process.argv.slice(2)],
  { cwd: ROOT, stdio: 'inherit' },
);
process.exit(status ?? 1);
