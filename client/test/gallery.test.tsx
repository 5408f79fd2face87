import { PARTS } from '@/gallery/parts';
import { readdirSync } from 'node:fs';
import path from 'node:path';

/** Parts of `ui` that draw nothing by themselves. */
const NOT_SEEN = ['theme'];

it('the gallery shows every part of ui, each in at least one state, and none twice', () => {
  const files = readdirSync(path.join(__dirname, '../src/ui'))
    .filter((name) => name.endsWith('.tsx'))
    .map((name) => name.replace(/\.tsx$/, ''))
    .filter((name) => !NOT_SEEN.includes(name));
  expect(PARTS.map(({ file }) => file).sort()).toEqual(files.sort());
  for (const { file, states } of PARTS) {
    const names = states.map(({ name }) => name);
    expect([file, names.length > 0, new Set(names).size]).toEqual([file, true, names.length]);
  }
});
