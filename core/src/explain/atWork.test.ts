import { expect, it } from '@jest/globals';
import fc from 'fast-check';

import { type Deed, setupAtWork } from './atWork';

const MINUTE = 60_000;
const deeds: Deed[] = [
  { setupId: 'hall', atMs: 0 },
  { setupId: 'hall', atMs: 10 * MINUTE },
  { setupId: 'terrace', atMs: 60 * MINUTE },
];

it('a frame belongs to the setup in which something was done last before it', () => {
  expect(setupAtWork(deeds, 5 * MINUTE)).toBe('hall');
  expect(setupAtWork(deeds, 60 * MINUTE)).toBe('terrace');
  expect(setupAtWork(deeds, 59 * MINUTE)).toBe('hall');
});

it('soon before anything was written down it belongs to what comes; far off to nothing', () => {
  expect(setupAtWork(deeds, -20 * MINUTE)).toBe('hall');
  expect(setupAtWork(deeds, -40 * MINUTE)).toBeNull();
  expect(setupAtWork(deeds, 60 * MINUTE + 7 * 60 * MINUTE)).toBeNull();
  expect(setupAtWork([], 0)).toBeNull();
});

it('agrees with looking through all of them', () => {
  const some = fc.array(fc.record({ setupId: fc.constantFrom('a', 'b'), atMs: fc.integer({ min: 0, max: 1e7 }) }));
  fc.assert(
    fc.property(some, fc.integer({ min: -1e6, max: 2e7 }), (all, atMs) => {
      const inOrder = [...all].sort((x, y) => x.atMs - y.atMs);
      const before = inOrder.filter((deed) => deed.atMs <= atMs).at(-1);
      if (before !== undefined && atMs - before.atMs <= 360 * MINUTE)
        expect(setupAtWork(inOrder, atMs)).toBe(before.setupId);
    }),
  );
});
