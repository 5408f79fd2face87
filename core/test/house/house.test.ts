import { describe, expect, it } from '@jest/globals';
import { readdirSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';

import { circles, importGraph, sourcesIn } from './imports';

const ROOT = resolve(__dirname, '../../..');
const CORE = join(ROOT, 'core/src');
const CLIENT = join(ROOT, 'client/src');
const MOST_FILES = 16;

const ofClient = (name: string): string | null => (name.startsWith('@/') ? join(CLIENT, name.slice(2)) : null);

/** The room's files that are the product; frozen steps are read by nobody who works in the room. */
const filesOf = (room: string): string[] =>
  readdirSync(join(CORE, room), { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.startsWith('migrations/'),
  );

describe('the house', () => {
  it('no file of core or client imports itself by a detour, types counted', () => {
    expect(circles(importGraph(sourcesIn(CORE)))).toEqual([]);
    expect(circles(importGraph(sourcesIn(CLIENT), ofClient))).toEqual([]);
  });

  it('a circle of types over three files is found, and what only leads to it is not blamed', () => {
    const planted = new Map([
      ['/room/a.ts', "import type { B } from './b';"],
      ['/room/b.ts', "export type { C } from './c';"],
      ['/room/c.ts', "export const load = () => import('./a');"],
      ['/room/door.ts', "import { A } from './a';"],
    ]);
    expect(circles(importGraph(planted))).toEqual([['/room/a.ts', '/room/b.ts', '/room/c.ts']]);
  });

  it('a room stays small enough to know: only the renderer has more files', () => {
    const rooms = readdirSync(CORE).filter((name) => statSync(join(CORE, name)).isDirectory());
    const large = rooms.filter((room) => room !== 'renderer' && filesOf(room).length > MOST_FILES);
    expect(large).toEqual([]);
  });
});
