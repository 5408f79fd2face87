// One command from a fresh clone: installs what is missing, then lint, types, unit and server tests, and Chromium.
// Ends with the names of what failed and one line, `N passed, N failed`, over all of them.
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
/** names of what failed: said again at the end, where they are looked for */
const wrong = [];
const tell = (name, good, bad, which = [name]) => {
  passed += good;
  failed += bad;
  if (bad > 0) wrong.push(...which);
  console.log(`${name}: ${good} passed, ${bad} failed`);
};
const npx = (...words) => spawnSync('npx', words, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] }).status === 0;

const runs = (...words) =>
  spawnSync(words[0], words.slice(1), { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] }).status === 0;

/** A whole tool counts as one test. */
const check = (name, ok) => tell(name, ok ? 1 : 0, ok ? 0 : 1);

/** The counts of Jest's report and the names of what failed. */
const readJest = (report) => [
  report.numPassedTests,
  report.numFailedTests + report.numRuntimeErrorTestSuites,
  report.testResults.flatMap(({ name, message, assertionResults }) => {
    const bad = assertionResults.filter(({ status }) => status === 'failed');
    const file = path.relative(ROOT, name);
    if (bad.length === 0) return assertionResults.length === 0 ? [`${file}: ${message}`] : [];
    return bad.map(({ fullName, failureMessages }) => {
      const why = failureMessages.map((message) => plain(message).slice(0, MOST_LETTERS)).join('\n');
      return `${file}: ${fullName}\n${why}`;
    });
  }),
];

/** Colours of a terminal, which a log does not need. */
const plain = (text) => text.replace(/\u001b\[[0-9;]*m/g, '');
const MOST_LETTERS = 2000;
const messagesOf = ({ tests }) =>
  tests
    .flatMap(({ results }) => results.flatMap(({ errors }) => errors.map(({ message }) => plain(message ?? ''))))
    .map((message) => message.slice(0, MOST_LETTERS))
    .join('\n');

const specsIn = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsIn)];
/** The counts of Playwright's report and the names of what failed. */
const readPlaywright = ({ stats, suites }) => [
  stats.expected,
  stats.unexpected + stats.flaky,
  suites
    .flatMap(specsIn)
    .filter(({ ok }) => !ok)
    .map((spec) => `e2e/${spec.file}:${spec.line} ${spec.title}\n${messagesOf(spec)}`),
];

/** A test runner's own count; a runner that left no report has failed. */
function counted(name, report, read, words) {
  const file = path.join(REPORTS, report);
  rmSync(file, { force: true });
  const ok = npx(...words);
  if (!existsSync(file)) return tell(name, 0, 1);
  const [good, bad, which] = read(JSON.parse(readFileSync(file, 'utf8')));
  tell(name, good, ok ? bad : Math.max(1, bad), which.length > 0 ? which : [name]);
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
  await checkBeside('Module of the sums', 'node', 'scripts/wasm.mjs', '--check');
  await checkBeside('Licences', 'node', 'scripts/licences.mjs', '--check');
  await checkBeside('Format', 'prettier', '--check', '--log-level=warn', '.');
}
await Promise.all([checkText(), checkTypes()]);
counted('Unit and server tests', 'jest.json', readJest, [
  'jest',
  '--projects',
  'core',
  'server',
  'client',
  'stand-ins',
  '--maxWorkers=2',
  '--testTimeout=120000',
  '--json',
  '--outputFile=test-results/jest.json',
]);
try {
  run('npm', ['run', 'build']);
  check('Build', true);
  check('Trial of devices and killed servers, short', runs('node', 'scripts/trial.mjs', '--short'));
  counted('Chromium tests', 'e2e.json', readPlaywright, ['playwright', 'test']);
} catch (error) {
  console.error(String(error));
  check('Build', false);
}
if (wrong.length > 0) console.log(`\nFailed:\n${wrong.map((name) => `- ${name}`).join('\n')}\n`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
