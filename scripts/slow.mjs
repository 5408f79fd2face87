// The Chromium tests on a machine four times slower: server, database and browser held together to half a core by a
// control group of the kernel, whatever processes they start. (cpulimit holds each process by itself.)
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import { ensurePackages } from './debian.mjs';
import { ROOT, ensureModules, run } from './npm.mjs';

const PERIOD_US = 100_000;
const CORES = 0.5;
const quotaUs = PERIOD_US * CORES;

/** The group's folder and how its bound is written: version 1 of control groups has a tree of its own for processors. */
function makeGroup() {
  const old = '/sys/fs/cgroup/cpu';
  const name = `sphene-${process.pid}`;
  const folder = path.join(existsSync(old) ? old : '/sys/fs/cgroup', name);
  try {
    mkdirSync(folder);
    if (existsSync(old)) {
      writeFileSync(path.join(folder, 'cpu.cfs_period_us'), String(PERIOD_US));
      writeFileSync(path.join(folder, 'cpu.cfs_quota_us'), String(quotaUs));
    } else writeFileSync(path.join(folder, 'cpu.max'), `${quotaUs} ${PERIOD_US}`);
  } catch (error) {
    throw new Error(`This needs to make a control group with a processor bound (root, or a group handed on): ${error}`);
  }
  return folder;
}

/** How many periods the group ran in, and in how many it wanted more than its share. */
function periods(folder) {
  const read = (word) =>
    Number(new RegExp(`^${word} (\\d+)$`, 'm').exec(readFileSync(`${folder}/cpu.stat`, 'utf8'))?.[1]);
  return { all: read('nr_periods'), held: read('nr_throttled') };
}

ensurePackages({ chromium: true });
ensureModules();
run('npm', ['run', 'build']);
const group = makeGroup();
const parent = path.dirname(group);
writeFileSync(path.join(group, 'cgroup.procs'), String(process.pid));
const { status } = spawnSync('npx', ['playwright', 'test', ...process.argv.slice(2)], { cwd: ROOT, stdio: 'inherit' });
const { all, held } = periods(group);
writeFileSync(path.join(parent, 'cgroup.procs'), String(process.pid));
try {
  rmdirSync(group);
} catch {
  // a browser that is still closing: the empty group harms nobody
}
console.log(`Half a core: wanted more in ${held} of ${all} tenths of a second`);
if (!(held > all / 4)) console.error('The tests were hardly held back: this run shows nothing.');
process.exit(status === 0 && held > all / 4 ? 0 : 1);
