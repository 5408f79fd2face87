// npm packages: installed from the lock file when that has changed since the last install.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const STAMP = path.join(ROOT, 'node_modules/.lock-hash');

export function ensureModules() {
  const hash = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return;
  console.error('Installing npm packages');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], { cwd: ROOT, stdio: ['ignore', 2, 2] });
  if (status !== 0) throw new Error('npm ci failed');
  writeFileSync(STAMP, hash);
}

/** Runs a program of the project, its output shown; throws when it fails. */
export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2], ...options });
  if (status !== 0) throw new Error(`${[command, ...args].join(' ')} failed`);
}
