import { MATERIAL } from '../sculpture/bust';
import type { ViewBuffers } from '../view';
import type { Patches } from './patches';

/** Nodes stand on every so many pixels. */
export const NODE_STEP = 4;
const KERNEL = [0.375, 0.25, 0.0625];
const WHOLE = 255;

/** Which patches the rays of every second pixel met, and how much of each got there. */
export interface Hits {
  samples: number;
  /** pixels in a row of them, and the first row of the view */
  columns: number;
  from: number;
  met: Uint8Array;
  patch: Uint16Array;
  share: Uint8Array;
}

/**
 * One bounce as a sparse matrix: at nodes over the view, the shares of the half sphere that each patch fills; and how the
 * pixels lie between the nodes. What a light does by way of ground, walls and people is then a sum over it.
 */
export interface Bounce {
  patches: Patches;
  /** patches that any node sees */
  seen: Uint8Array;
  columns: number;
  /** the entries of node `n` are `first[n]` to `first[n + 1]` */
  first: Int32Array;
  patch: Uint16Array;
  share: Float32Array;
  /** four weights a pixel: its nodes left and right, above and under */
  weights: Float32Array;
}

export const emptyHits = (width: number, from: number, to: number, samples: number): Hits => {
  const columns = (width + 1) >> 1;
  const pixels = columns * ((to - from + 1) >> 1);
  return {
    samples,
    columns,
    from,
    met: new Uint8Array(pixels),
    patch: new Uint16Array(pixels * samples),
    share: new Uint8Array(pixels * samples),
  };
};

/** Keeps what the half sphere of a pixel met. */
export function keepHits(
  hits: Hits,
  i: number,
  j: number,
  { met, patch, share }: { met: number; patch: Int32Array; share: Float32Array },
): void {
  const pixel = ((j - hits.from) >> 1) * hits.columns + (i >> 1);
  hits.met[pixel] = met;
  for (let k = 0; k < met; k += 1) {
    hits.patch[pixel * hits.samples + k] = patch[k]!;
    hits.share[pixel * hits.samples + k] = share[k]! * WHOLE;
  }
}

/** How alike two pixels lie: one surface, facing one way. */
function alike({ place, normal, material }: ViewBuffers, o: number, p: number, tolerance: number): number {
  const q = o * 3,
    r = p * 3;
  if (material[p]! >= MATERIAL.ground !== material[o]! >= MATERIAL.ground) return 0;
  let facing = normal[q]! * normal[r]! + normal[q + 1]! * normal[r + 1]! + normal[q + 2]! * normal[r + 2]!;
  if (facing <= 0) return 0;
  facing *= facing;
  facing *= facing;
  const off =
    (place[r]! - place[q]!) * normal[q]! +
    (place[r + 1]! - place[q + 1]!) * normal[q + 1]! +
    (place[r + 2]! - place[q + 2]!) * normal[q + 2]!;
  return facing / (1 + off * off * tolerance);
}

/** The pixel that a node stands on: the first of its block that shows a surface; −1 for none. */
function pixelOf({ width, height, material }: ViewBuffers, i: number, j: number, to: number): number {
  for (let b = 0; b < NODE_STEP; b += 2)
    for (let a = 0; a < NODE_STEP; a += 2) {
      const [x, y] = [i * NODE_STEP + a, j * NODE_STEP + b];
      if (x < width && y < Math.min(height, to) && material[y * width + x] !== MATERIAL.sky) return y * width + x;
    }
  return -1;
}

/** What the rays round each node met, together. @param before the same, of fewer rays */
export function poolHits(view: ViewBuffers, patches: Patches, hits: Hits, to: number, before: Bounce | null): Bounce {
  const { width, height } = view;
  const seen = new Uint8Array(patches.count);
  const [columns, rows] = [Math.ceil(width / NODE_STEP), Math.ceil(height / NODE_STEP)];
  const { from } = hits;
  const nodes = new Int32Array(columns * rows).fill(-1);
  const first = new Int32Array(columns * rows + 1);
  let patch = new Uint16Array(1 << 16),
    share = new Float32Array(1 << 16);
  const sums = new Float32Array(patches.count);
  const touched = new Int32Array(patches.count);
  let written = 0;
  for (let j = 0; j < rows; j += 1)
    for (let i = 0; i < columns; i += 1) {
      const node = j * columns + i;
      first[node] = written;
      if (j * NODE_STEP < from || j * NODE_STEP >= to) continue;
      const o = pixelOf(view, i, j, to);
      nodes[node] = o;
      if (o < 0) continue;
      const count = pool(view, hits, o, to, sums, touched);
      if (written + count > patch.length) {
        const [morePatch, moreShare] = [new Uint16Array(patch.length * 2), new Float32Array(patch.length * 2)];
        morePatch.set(patch);
        moreShare.set(share);
        [patch, share] = [morePatch, moreShare];
      }
      for (let k = 0; k < count; k += 1) {
        const own = touched[k]!;
        patch[written] = own;
        share[written] = sums[own]!;
        seen[own] = 1;
        sums[own] = 0;
        written += 1;
      }
    }
  first[columns * rows] = written;
  const weights = before?.weights ?? weighNodes(view, nodes, columns, rows, from, to);
  return { patches, seen, columns, first, patch: patch.slice(0, written), share: share.slice(0, written), weights };
}

/** Sums what the pixels about one met into `sums`; which patches these are into `touched`. @returns how many */
function pool(
  view: ViewBuffers,
  { samples, columns, from, met, patch, share }: Hits,
  o: number,
  to: number,
  sums: Float32Array,
  touched: Int32Array,
): number {
  const { width, height, material } = view;
  const [x, y] = [o % width, Math.floor(o / width)];
  const tolerance = material[o]! >= MATERIAL.ground ? 0.02 : 2;
  let count = 0,
    weights = 0;
  for (let b = -2; b <= 2; b += 1) {
    const yy = y + b * 2;
    if (yy < from || yy >= Math.min(height, to)) continue;
    for (let a = -2; a <= 2; a += 1) {
      const xx = x + a * 2;
      if (xx < 0 || xx >= width) continue;
      const p = yy * width + xx;
      if (material[p] === MATERIAL.sky) continue;
      const near = KERNEL[a < 0 ? -a : a]! * KERNEL[b < 0 ? -b : b]!;
      const weight = near * alike(view, o, p, tolerance);
      if (weight <= 0) continue;
      weights += weight * samples;
      const pixel = ((yy - from) >> 1) * columns + (xx >> 1);
      for (let k = pixel * samples, end = k + met[pixel]!; k < end; k += 1) {
        const own = patch[k]!;
        if (sums[own] === 0) touched[count++] = own;
        sums[own]! += (weight * share[k]!) / WHOLE;
      }
    }
  }
  for (let k = 0; k < count; k += 1) sums[touched[k]!]! /= weights;
  return count;
}

/** How each pixel lies between its four nodes. */
function weighNodes(
  view: ViewBuffers,
  nodes: Int32Array,
  columns: number,
  rows: number,
  from: number,
  to: number,
): Float32Array {
  const { width, material } = view;
  const weights = new Float32Array(width * view.height * 4);
  for (let y = from; y < to; y += 1)
    for (let x = 0; x < width; x += 1) {
      const o = y * width + x;
      if (material[o] === MATERIAL.sky) continue;
      const i = Math.floor(x / NODE_STEP),
        j = Math.floor(y / NODE_STEP);
      const tolerance = material[o]! >= MATERIAL.ground ? 0.02 : 2;
      let all = 0;
      for (let k = 0; k < 4; k += 1) {
        const ii = Math.min(columns - 1, i + (k & 1)),
          jj = Math.min(rows - 1, j + (k >> 1));
        const p = nodes[jj * columns + ii]!;
        if (p < 0) continue;
        const near = (1.02 - Math.abs(x / NODE_STEP - i - (k & 1))) * (1.02 - Math.abs(y / NODE_STEP - j - (k >> 1)));
        // something rather than nothing where no node lies as the pixel does
        const weight = near * (alike(view, o, p, tolerance) + 1e-4);
        weights[o * 4 + k] = weight;
        all += weight;
      }
      for (let k = 0; all > 0 && k < 4; k += 1) weights[o * 4 + k]! /= all;
    }
  return weights;
}

/**
 * Adds to pixels what comes to them by way of patches, by channel.
 * @param ofPatch what each patch sends
 */
export function addBounce(
  { columns, first, patch, share, weights }: Bounce,
  { width, material }: ViewBuffers,
  from: number,
  to: number,
  ofPatch: Float32Array,
  out: Float32Array,
): void {
  const nodes = first.length - 1;
  const rows = nodes / columns;
  const atNode = new Float32Array(nodes * 3);
  for (let n = 0, e = 0; n < nodes; n += 1) {
    let red = 0,
      green = 0,
      blue = 0;
    for (const end = first[n + 1]!; e < end; e += 1) {
      const s = share[e]!,
        p = patch[e]! * 3;
      red += s * ofPatch[p]!;
      green += s * ofPatch[p + 1]!;
      blue += s * ofPatch[p + 2]!;
    }
    atNode[n * 3] = red;
    atNode[n * 3 + 1] = green;
    atNode[n * 3 + 2] = blue;
  }
  for (let y = from; y < to; y += 1) {
    const row = (y / NODE_STEP) | 0;
    const above = row * columns,
      under = Math.min(rows - 1, row + 1) * columns;
    for (let x = 0, o = y * width; x < width; x += 1, o += 1) {
      if (material[o] === MATERIAL.sky) continue;
      const left = (x / NODE_STEP) | 0,
        right = left + 1 < columns ? left + 1 : left;
      const w = o * 4,
        wa = weights[w]!,
        wb = weights[w + 1]!,
        wc = weights[w + 2]!,
        wd = weights[w + 3]!;
      const a = (above + left) * 3,
        b = (above + right) * 3,
        c = (under + left) * 3,
        d = (under + right) * 3,
        q = o * 3;
      out[q]! += wa * atNode[a]! + wb * atNode[b]! + wc * atNode[c]! + wd * atNode[d]!;
      out[q + 1]! += wa * atNode[a + 1]! + wb * atNode[b + 1]! + wc * atNode[c + 1]! + wd * atNode[d + 1]!;
      out[q + 2]! += wa * atNode[a + 2]! + wb * atNode[b + 2]! + wc * atNode[c + 2]! + wd * atNode[d + 2]!;
    }
  }
}
