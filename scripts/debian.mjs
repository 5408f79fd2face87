// Debian packages that the project needs, installed when they are missing. No npm dependency: runs before `npm ci`.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, appendFileSync } from 'node:fs';
import path from 'node:path';

export const isRoot = process.getuid?.() === 0;

/** The folder of PostgreSQL's programs, newest version first; `undefined` when it is not installed. */
export function findPostgres() {
  const candidates = process.env.PG_BIN ? [process.env.PG_BIN] : [];
  if (existsSync('/usr/lib/postgresql')) {
    const versions = readdirSync('/usr/lib/postgresql')
      .filter((name) => /^\d+$/.test(name))
      .sort((a, b) => b - a);
    candidates.push(...versions.map((version) => `/usr/lib/postgresql/${version}/bin`));
  }
  candidates.push(...(process.env.PATH ?? '').split(':'));
  return candidates.find(
    (folder) => folder && existsSync(path.join(folder, 'initdb')) && existsSync(path.join(folder, 'postgres')),
  );
}

export const CHROMIUM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';

function apt(...words) {
  const command = [
    ...(isRoot ? [] : ['sudo', '-n']),
    'env',
    'DEBIAN_FRONTEND=noninteractive',
    'apt-get',
    '-y',
    '-q',
    ...words,
  ];
  return spawnSync(command[0], command.slice(1), { stdio: ['ignore', 2, 2] }).status === 0;
}

/** Installs what is missing. Wants root or sudo without a password; says what to install by hand otherwise. */
export function ensurePackages({ chromium = false } = {}) {
  const missing = [];
  if (!process.env.DATABASE_URL && !findPostgres()) missing.push('postgresql');
  if (chromium && !existsSync(CHROMIUM)) missing.push('chromium', 'fonts-dejavu-core');
  if (missing.length === 0) return;
  const byHand = `Install by hand: ${missing.join(' ')}${missing.includes('postgresql') ? ' (or set DATABASE_URL)' : ''}.`;
  if (!existsSync('/usr/bin/apt-get')) throw new Error(`apt-get is not here. ${byHand}`);
  console.error(`Installing Debian packages: ${missing.join(' ')}`);
  apt('update');
  if (missing.includes('postgresql')) {
    // Debian would otherwise create and start a system-wide cluster on 5432 that nobody asked for.
    if (!apt('install', '--no-install-recommends', 'postgresql-common')) throw new Error(`apt-get failed. ${byHand}`);
    const conf = '/etc/postgresql-common/createcluster.conf';
    if (isRoot && existsSync(conf) && !/^\s*create_main_cluster\s*=/m.test(readFileSync(conf, 'utf8')))
      appendFileSync(conf, '\ncreate_main_cluster = false\n');
  }
  if (!apt('install', '--no-install-recommends', ...missing)) throw new Error(`apt-get failed. ${byHand}`);
}
