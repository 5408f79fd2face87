// One command from a fresh clone: installs what is missing, then lint, types, unit and server tests, and Chromium.
// Ends with one line, `N passed, N failed`, over all of them.
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';

import { ensurePackages } from './debian.mjs';
import { ROOT, ensureModules, run } from './npm.mjs';

ensurePackages({ chromium: true });
ensureModules();
const REPORTS = path.join(ROOT, 'test-results');
mkdirSync(REPORTS, { recursive: true });

let passed = 0;
let failed = 0;
const tell = (name, good, bad) => {
  passed += good;
  failed += bad;
  console.log(`${name}: ${good} passed, ${bad} failed`);
};
const npx = (...words) => spawnSync('npx', words, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] }).status === 0;

const runs = (...words) =>
  spawnSync(words[0], words.slice(1), { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] }).status === 0;

/** A whole tool counts as one test. */
const check = (name, ok) => tell(name, ok ? 1 : 0, ok ? 0 : 1);

/** A test runner's own count; a runner that left no report has failed. */
function counted(name, report, read, words) {
  const file = path.join(REPORTS, report);
  rmSync(file, { force: true });
  const ok = npx(...words);
  if (!existsSync(file)) return tell(name, 0, 1);
  const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
  tell(name, good, ok ? bad : Math.max(1, bad));
}

/** A tool beside others: it works on one core only. */
async function checkBeside(name, ...words) {
  const [status] = await once(spawn('npx', words, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] }), 'exit');
  check(name, status === 0);
}
async function checkTypes() {
  for (const part of ['core', 'server', 'client', 'stand-ins', '.'])
    await checkBeside(`Types of ${part === '.' ? 'scripts and e2e' : part}`, 'tsc', '-p', part);
}

async function checkText() {
  await checkBeside('Lint', 'eslint', '.');
  await checkBeside('Drawing of the rooms', 'node', 'scripts/architecture.mjs', '--check');
  await checkBeside('Licences', 'node', 'scripts/licences.mjs', '--check');
  await checkBeside('Format', 'prettier', '--check', '--log-level=warn', '.');
}
await Promise.all([checkText(), checkTypes()]);
counted(
  'Unit and server tests',
  'jest.json',
  (report) => [report.numPassedTests, report.numFailedTests + report.numRuntimeErrorTestSuites],
  [
    'jest',
    '--projects',
    'core',
    'server',
    'client',
    'stand-ins',
    '--maxWorkers=2',
    '--testTimeout=30000',
    '--json',
    '--outputFile=test-results/jest.json',
  ],
);
try {
  run('npm', ['run', 'build']);
  check('Build', true);
  check('Trial of devices and killed servers, short', runs('node', 'scripts/trial.mjs', '--short'));
  counted('Chromium tests', 'e2e.json', ({ stats }) => [stats.expected, stats.unexpected + stats.flaky], [
    'playwright',
    'test',
  ]);
} catch (error) {
  console.error(String(error));
  check('Build', false);
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
