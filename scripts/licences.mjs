// Every package that is shipped must allow it; writes THIRD-PARTY.md: node scripts/licences.mjs [--check]
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import { ROOT } from './npm.mjs';

const FILE = path.join(ROOT, 'THIRD-PARTY.md');
/** Licences that allow shipping in a product, with their notice. Weak copyleft (MPL) holds for its own files, unchanged. */
const ALLOWED = new Set(
  ['MIT', 'ISC', 'BSD-2-Clause', 'BSD-3-Clause', '0BSD', 'Apache-2.0', 'BlueOak-1.0.0', 'Unlicense'].concat([
    'CC0-1.0',
    'CC-BY-4.0',
    'Python-2.0',
    'MPL-2.0',
    'OFL-1.1',
    'Zlib',
  ]),
);
/** `A OR B` is a choice, `A AND B` holds all. */
const allows = (licence) =>
  licence
    .replace(/[()]/g, '')
    .split(' OR ')
    .some((choice) => choice.split(' AND ').every((one) => ALLOWED.has(one)));

const { packages } = JSON.parse(readFileSync(path.join(ROOT, 'package-lock.json'), 'utf8'));
const shipped = new Map();
for (const [place, { dev, link, version, license }] of Object.entries(packages)) {
  if (!place.includes('node_modules/') || dev === true || link === true) continue;
  const name = place.slice(place.lastIndexOf('node_modules/') + 13);
  shipped.set(`${name} ${version}`, license ?? 'unknown');
}
const refused = [...shipped].filter(([, licence]) => !allows(licence));
if (refused.length > 0)
  throw new Error(`These may not be shipped, or say nothing: ${refused.map((one) => one.join(': ')).join('; ')}`);

const rows = [...shipped].sort(([a], [b]) => (a < b ? -1 : 1)).map(([name, licence]) => `| ${name} | ${licence} |`);
const text = `# What others wrote

Packages that the application is made of and built with, by the lock file; written by \`npm run licences\`. Their licences
allow shipping; their texts come with each package. Fonts among them are under the SIL Open Font Licence (OFL-1.1).

| package | licence |
| --- | --- |
${rows.join('\n')}
`;
if (process.argv.includes('--check')) {
  if (!existsSync(FILE) || readFileSync(FILE, 'utf8') !== text)
    throw new Error('THIRD-PARTY.md is stale: npm run licences');
} else writeFileSync(FILE, text);
