// Times of the renderer on one thread at 360 × 480; printed by `npm run bench`.
import {
  bakeSculpture,
  Composer,
  FINE_CELL_CM,
  frameScene,
  modelOf,
  renderSoft,
  renderSource,
} from '@sphene/core/renderer';
import { finished, PICTURE_SCENES, renderScene } from '../core/test/pictureScenes';

const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;
function time(runs: number, work: () => unknown): number {
  return median(
    Array.from({ length: runs }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}
const print = (name: string, ms: number) => console.log(`${name.padEnd(52)}${ms.toFixed(1).padStart(7)} ms, median`);

const scene = PICTURE_SCENES[1];
if (scene === undefined) throw new Error('no scene');
const { picture, framing, layers, weights } = renderScene(scene, 1, 'draft');
const key = picture.layers.find(({ kind }) => kind === 'flash')?.source;
if (key == null) throw new Error('no key');
const { width, height } = framing.view;
print(
  'baking the bust',
  time(5, () => bakeSculpture(picture.scene.look, FINE_CELL_CM)),
);
const sculpture = bakeSculpture(picture.scene.look, FINE_CELL_CM);
print(
  'the view, once per framing, one thread',
  time(3, () => frameScene(picture.scene, modelOf(sculpture, picture.scene), width, height, { from: 0, to: height })),
);
print(
  'the soft layer, one thread',
  time(3, () => renderSoft(framing, 'fine')),
);
print(
  'a coarse layer, one thread',
  time(9, () => finished(renderSource(framing, key, 'draft', 1))),
);
print(
  'a fine layer, one thread',
  time(5, () => finished(renderSource(framing, key, 'fine', 1))),
);

/** Noise of a layer against one of many seeds together, rms of its brightest value. */
const seeds = Array.from({ length: 12 }, (_, seed) => finished(renderSource(framing, key, 'fine', seed + 1)));
const mean = Float32Array.from(
  { length: seeds[0]?.length ?? 0 },
  (_, i) => seeds.reduce((sum, one) => sum + (one[i] ?? 0), 0) / seeds.length,
);
const most = mean.reduce((a, b) => Math.max(a, b), 0);
const noise =
  Math.sqrt(mean.reduce((sum, value, i) => sum + ((seeds[0]?.[i] ?? 0) - value) ** 2, 0) / mean.length) / most;
console.log(`noise of a fine layer: ${(100 * noise).toFixed(2)} % (wanted under 3)`);

const composer = new Composer(width, height);
composer.setFraming(framing.view.material, [framing.edges]);
const six = Array.from({ length: 6 }, (_, i) => layers[i % layers.length] ?? new Float32Array(width * height * 3));
const sixWeights = new Float64Array(54);
for (let i = 0; i < 54; i += 1) sixWeights[i] = (weights[i % weights.length] ?? 0) / 2;
const compose = () => composer.compose(six, sixWeights, { clipsAboveStops: 3, noiseBelowStops: 5, marks: false });
time(60, compose);
print('composing six layers (wanted 8 or less)', time(101, compose));

/** What a worker with all rows and a page hold, megabytes. */
const megabytes = (arrays: readonly object[]) =>
  arrays.reduce<number>((sum, one) => sum + (ArrayBuffer.isView(one) ? one.byteLength : 0), 0) / 1e6;
const { view, bounce } = framing;
console.log(
  `memory: a sculpture ${megabytes(Object.values(sculpture.grid)).toFixed(1)} MB, a framing ` +
    `${megabytes([...(Object.values(view) as object[]), ...(Object.values(bounce ?? {}) as object[])]).toFixed(1)} MB, a layer ` +
    `${megabytes([layers[0] ?? new Float32Array(0)]).toFixed(1)} MB`,
);
