// How well and how fast the light is estimated, on simulated evenings; printed by `npm run bench`.
import { ambientAt, BACKGROUND, evening, FACE, key, totalAt } from '../core/test/evenings/plain';
import { simulate, together } from '../core/test/evenings/simulation';
import { estimate, type Taken } from '../core/src/estimate';

const EVENINGS = Number(process.argv[2] ?? 2000);
/** What is wanted: least and most. */
const WANTED: Record<string, [number, number]> = {
  'carried within 1': [0.62, 0.8],
  'carried within 2': [0.91, 0.98],
  'fresh within 1': [0.62, 0.76],
  'fresh within 2': [0.91, 0.98],
  'flash within 1': [0.62, 0.76],
  'flash within 2': [0.91, 0.98],
  'false questions, a reading': [0, 0.01],
  'plain mistakes asked about': [0.9, 1],
  'true cause first': [0.55, 1],
  'true cause among two': [0.8, 1],
  'power error, median against the plain rule': [0, 0.6],
  'power error, nine in ten against the plain rule': [0, 0.55],
};

console.log(`The light on ${EVENINGS} simulated evenings and in rooms (wanted)`);
const shown = together(Array.from({ length: EVENINGS }, (_, seed) => simulate(seed + 1)));
for (const [name, value] of Object.entries(shown)) {
  const [least, most] = WANTED[name] ?? [];
  const bound =
    least === undefined ? '' : `   ${least} to ${most}${value < least || value > (most ?? 1) ? '  MISSED' : ''}`;
  console.log(`  ${name.padEnd(52)}${value.toFixed(3).padStart(7)}${bound}`);
}

const reading = (i: number): Taken =>
  i % 3 === 2
    ? totalAt(i, 12.5 - i * 0.01, [key(-5.5)])
    : ambientAt(i, i % 2 === 0 ? FACE : BACKGROUND, 12 - i * 0.02 + 0.1 * Math.sin(i * 7));
const median = (work: () => unknown): number => {
  for (let i = 0; i < 100; i += 1) work();
  const times = Array.from({ length: 200 }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[100] ?? 0;
};
for (const [count, coldMs, warmMs] of [
  [30, 1.5, 1],
  [60, 4, null],
] as const) {
  const all = evening(Array.from({ length: count }, (_, i) => reading(i)));
  const before = estimate({ ...all, taken: all.taken.slice(0, -1) });
  const cold = median(() => estimate(all));
  const warm = median(() => estimate(all, before));
  const bound = (ms: number | null) => (ms === null ? '' : ` (bound ${ms})`);
  console.log(
    `  ${count} readings: ${cold.toFixed(2)} ms${bound(coldMs)}, one more ${warm.toFixed(2)} ms${bound(warmMs)}, median`,
  );
}
