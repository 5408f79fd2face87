import { beforeEach, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';

import { DrawnRows } from '@/ui/drawnRows';
import { RowPlaces } from '@/ui/rowPlaces';

const VIEW_PX = 800;
const USUAL_PX = 80;

/** Frames that wait to be drawn. */
let frames: FrameRequestCallback[] = [];

beforeEach(() => {
  jest.useFakeTimers();
  frames = [];
  globalThis.requestAnimationFrame = (draw) => frames.push(draw);
  globalThis.cancelAnimationFrame = () => undefined;
});

/** Draws frames until nothing is left to draw. */
function settle(): void {
  for (let count = 0; count < 1000; count += 1) {
    const draw = frames.shift();
    if (draw === undefined) return;
    draw(0);
  }
  throw new Error('the rows never come to stand');
}

const keysOf = (count: number) => Array.from({ length: count }, (_, index) => String(index));

/** A list on a page whose rows are as tall as `tallOf` says. */
function listOf(count: number, tallOf: (row: number) => number) {
  const rows = new DrawnRows(USUAL_PX);
  rows.follow(() => undefined);
  rows.box = {
    get children() {
      const { from, to } = rows.now();
      return Array.from({ length: to - from }, (_, index) => ({ offsetHeight: tallOf(from + index) }));
    },
  } as unknown as HTMLElement;
  rows.viewIs(VIEW_PX);
  rows.rowsAre(keysOf(count));
  return rows;
}

/** The rows between two places, for rows of one height. */
const rowsIn = (fromPx: number, toPx: number, tallPx: number, count: number) => ({
  from: Math.max(0, Math.floor(fromPx / tallPx)),
  to: Math.min(count, Math.ceil(toPx / tallPx)),
});

test('what is in view is drawn at once wherever the list goes, and all about it once it rests', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 3000 }),
      fc.array(fc.nat({ max: 200_000 }), { maxLength: 8 }),
      (count, places) => {
        const rows = listOf(count, () => USUAL_PX);
        settle();
        for (const px of places) {
          const topPx = Math.min(px, Math.max(0, count * USUAL_PX - VIEW_PX));
          rows.scrolledTo(topPx);
          frames.shift()?.(0);
          const seen = rowsIn(topPx, topPx + VIEW_PX, USUAL_PX, count);
          const first = rows.now();
          expect(first.from).toBeLessThanOrEqual(seen.from);
          expect(first.to).toBeGreaterThanOrEqual(seen.to);
          jest.runAllTimers();
          settle();
          const last = rows.now();
          const about = rowsIn(topPx - VIEW_PX / 2, topPx + 1.5 * VIEW_PX, USUAL_PX, count);
          expect(last.from).toBeLessThanOrEqual(about.from);
          expect(last.to).toBeGreaterThanOrEqual(about.to);
          expect(last.to - last.from).toBeLessThan((6 * VIEW_PX) / USUAL_PX);
          // every row that stands can be used, and the list is as long as its rows
          expect(last.whole).toEqual({ from: last.from, to: last.to });
          expect(last.beforePx + (last.to - last.from) * USUAL_PX + last.afterPx).toBe(count * USUAL_PX);
        }
      },
    ),
  );
});

test('while the list moves, rows that come are only to be read; those that could be used stay so', () => {
  const rows = listOf(1000, () => USUAL_PX);
  settle();
  const { whole } = rows.now();
  rows.scrolledTo(1200);
  settle();
  const moving = rows.now();
  expect(moving.to).toBeGreaterThan(whole.to);
  expect(moving.whole).toEqual({ from: Math.max(whole.from, moving.from), to: whole.to });
  jest.runAllTimers();
  settle();
  expect(rows.now().whole.to).toBe(rows.now().to);
});

test('a frame brings a few rows, so that none holds up the thumb', () => {
  const rows = listOf(1000, () => USUAL_PX);
  settle();
  let [before, most] = [rows.now(), 0];
  for (let topPx = 0; topPx < 40_000; topPx += 40) {
    rows.scrolledTo(topPx);
    frames.shift()?.(0);
    most = Math.max(most, rows.now().to - before.to);
    before = rows.now();
  }
  expect(most).toBe(8);
});

test('rows are as tall as they were seen, by their keys, whatever stands before them', () => {
  const tallOf = (row: number) => 40 + (row % 7) * 20;
  const rows = listOf(500, tallOf);
  settle();
  for (let topPx = 0; topPx < 30_000; topPx += 300) {
    rows.scrolledTo(topPx);
    settle();
  }
  const { from, beforePx } = rows.now();
  expect(beforePx).toBe(keysOf(from).reduce((sum, _, row) => sum + tallOf(row), 0));
  // the filter leaves every other row
  const heights = new Map([
    ['1', 30],
    ['3', 50],
  ]);
  const places = new RowPlaces(['1', '3', '5'], heights, USUAL_PX);
  expect([1, 2, 3].map((row) => places.beginOf(row))).toEqual([30, 80, 160]);
});

test('a filter that leaves three rows of thousands shows them, wherever the list stood', () => {
  const rows = listOf(5000, () => USUAL_PX);
  rows.scrolledTo(200_000);
  settle();
  rows.rowsAre(['a', 'b', 'c']);
  rows.scrolledTo(0);
  settle();
  expect(rows.now()).toMatchObject({ from: 0, to: 3, beforePx: 0, afterPx: 0 });
  rows.rowsAre([]);
  settle();
  expect(rows.now()).toMatchObject({ from: 0, to: 0, beforePx: 0, afterPx: 0 });
});

test('rows stand below a head that fills the view, and stay while one is up there', () => {
  const rows = listOf(1000, () => USUAL_PX);
  rows.headIs(VIEW_PX * 1.5);
  rows.scrolledTo(0);
  jest.runAllTimers();
  settle();
  const below = rows.now();
  expect(below).toMatchObject({ from: 0, whole: { from: 0, to: below.to } });
  // a screen and a half is kept about the view, half of which the head takes
  expect(below.to).toBeGreaterThanOrEqual(VIEW_PX / USUAL_PX - 7);
  rows.scrolledTo(VIEW_PX);
  settle();
  const { to } = rows.now();
  rows.scrolledTo(0);
  settle();
  expect(rows.now().to).toBe(to);
});
