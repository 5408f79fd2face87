// Reads an exported setup file (or standard input) and prints its solution as JSON.
//   npm run -s solve -- FILE.json [--at 2026-02-27T15:00:00Z]
import { readFileSync } from 'node:fs';

import { english } from '@sphene/core/english';
import { readSetupFile } from '@sphene/core/formats';
import { solve } from '@sphene/core/solution';
import { said } from '../core/test/said';

const fail = (message: string): never => {
  process.stderr.write(`${message}\n`);
  process.exit(1);
};

const words = process.argv.slice(2);
const flag = words.indexOf('--at');
const at = flag < 0 ? undefined : words.splice(flag, 2)[1];
if (words.length > 1) fail('Give one file, or none to read standard input: npm run -s solve -- FILE.json');

let text = '';
try {
  text = readFileSync(words[0] ?? 0, 'utf8');
} catch (error) {
  fail(`Cannot read ${words[0] ?? 'standard input'}: ${error instanceof Error ? error.message : String(error)}`);
}
const file = readSetupFile(text);
if (!file.ok) fail(english.setupFileFault(file.reason));
else {
  const { setup, kit, readings, sceneChanges } = file.value;
  // the file's own time by default, so that the same file always gives the same answer
  const clock = new Date(flag < 0 ? file.value.exportedAt : (at ?? ''));
  if (Number.isNaN(clock.getTime())) fail('--at wants a moment such as 2026-02-27T15:00:00Z');
  process.stdout.write(
    `${JSON.stringify(said(solve(setup, kit, [...readings, ...sceneChanges], clock), english, { setup, kit }), null, 2)}\n`,
  );
}
