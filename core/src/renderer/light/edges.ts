import { lengthOf, minus } from '../base/vector';
import type { PictureScene } from '../scene';
import { exactDistance } from '../sculpture/brickGrid';
import { MATERIAL } from '../sculpture/bust';
import { found } from '../sculpture/distanceTape';
import { met, type Model, tracePeople } from '../sculpture/model';
import { materialBehind, type ViewBuffers } from '../view';

/** Smooth edges as sparse weights: for each edge pixel the pixels of its neighbourhood that it is mixed from. Found once for a framing. */
export interface EdgeWeights {
  pixels: Int32Array;
  start: Int32Array;
  from: Int32Array;
  weight: Float32Array;
}

const SUB_RAYS: readonly (readonly [number, number])[] = [
  [-0.44, 0.06],
  [-0.31, -0.31],
  [-0.19, 0.31],
  [-0.06, -0.44],
  [0.06, 0.44],
  [0.19, -0.19],
  [0.31, 0.19],
  [0.44, -0.06],
];
/** Neighbours on one surface lie nearer than this, cm². */
const SAME_SURFACE_CM2 = 0.7;
const DEPTH_CM = 900;

/** Finds the edges of a view by eight rays through every pixel whose neighbours lie on something else. */
export function findEdges(view: ViewBuffers, model: Model, scene: PictureScene, from: number, to: number): EdgeWeights {
  const { width, height, material, place, lens } = view;
  const pixels: number[] = [];
  const start = [0];
  const sources: number[] = [];
  const weights: number[] = [];
  const share = new Float64Array(9);
  const reach = lengthOf(minus(scene.view.at, scene.view.from));
  const differs = (o: number, p: number): boolean => {
    const m = material[o]!;
    if (material[p] !== m) return true;
    if (m >= MATERIAL.ground) return false;
    const dx = place[o * 3]! - place[p * 3]!,
      dy = place[o * 3 + 1]! - place[p * 3 + 1]!,
      dz = place[o * 3 + 2]! - place[p * 3 + 2]!;
    return dx * dx + dy * dy + dz * dz > SAME_SURFACE_CM2;
  };
  for (let j = Math.max(1, from); j < Math.min(height - 1, to); j += 1)
    for (let i = 1; i < width - 1; i += 1) {
      const o = j * width + i;
      if (!differs(o, o + 1) && !differs(o, o - 1) && !differs(o, o + width) && !differs(o, o - width)) continue;
      share.fill(0);
      for (const [sx, sy] of SUB_RAYS) {
        const X = (i + 0.5 + sx - width / 2) * lens.scale,
          Y = (height / 2 - j - 0.5 - sy) * lens.scale;
        let dx = lens.forward[0] + lens.right[0] * X + lens.up[0] * Y,
          dy = lens.forward[1] + lens.right[1] * X + lens.up[1] * Y,
          dz = lens.forward[2] + lens.right[2] * X + lens.up[2] * Y;
        const one = 1 / Math.sqrt(dx * dx + dy * dy + dz * dz);
        dx *= one;
        dy *= one;
        dz *= one;
        const t = tracePeople(
          model,
          lens.from[0],
          lens.from[1],
          lens.from[2],
          dx,
          dy,
          dz,
          Math.max(10, reach - 70),
          reach + DEPTH_CM,
          0.008,
        );
        const x = lens.from[0] + dx * t,
          y = lens.from[1] + dy * t,
          z = lens.from[2] + dz * t;
        let surface: number;
        if (t < 0) surface = materialBehind(scene, lens.from, dx, dy, dz);
        else if (met.body) surface = MATERIAL.cloth;
        else {
          const p = model.people[met.person]!;
          exactDistance(
            model.grid,
            model.tape,
            (x - p.x) * p.cos - (z - p.z) * p.sin,
            y - p.y,
            (x - p.x) * p.sin + (z - p.z) * p.cos,
          );
          surface = found.material || MATERIAL.skin;
        }
        share[nearestNeighbour(view, o, surface, t < 0 ? null : [x, y, z], sx, sy)]! += 1 / SUB_RAYS.length;
      }
      if (share[4]! > 0.999) continue;
      pixels.push(o);
      for (let k = 0; k < 9; k += 1)
        if (share[k]! > 0) {
          sources.push(neighbour(o, k, width));
          weights.push(share[k]!);
        }
      start.push(sources.length);
    }
  return {
    pixels: Int32Array.from(pixels),
    start: Int32Array.from(start),
    from: Int32Array.from(sources),
    weight: Float32Array.from(weights),
  };
}

const neighbour = (o: number, k: number, width: number): number => o + (Math.floor(k / 3) - 1) * width + (k % 3) - 1;

/** Which of the 3 × 3 pixels shows what a sub-ray met: the same surface first, then the nearest. */
function nearestNeighbour(
  { width, material, place }: ViewBuffers,
  o: number,
  surface: number,
  at: readonly [number, number, number] | null,
  sx: number,
  sy: number,
): number {
  let [least, best] = [1e9, 4];
  for (let k = 0; k < 9; k += 1) {
    const p = neighbour(o, k, width);
    const other = material[p]!;
    let cost = 0.05 * (Math.abs((k % 3) - 1 - sx) + Math.abs(Math.floor(k / 3) - 1 - sy));
    if (other !== surface) cost += other >= MATERIAL.ground !== surface >= MATERIAL.ground ? 1e4 : 1e2;
    else if (at !== null) {
      const dx = place[p * 3]! - at[0],
        dy = place[p * 3 + 1]! - at[1],
        dz = place[p * 3 + 2]! - at[2];
      cost += dx * dx + dy * dy + dz * dz;
    }
    if (cost < least) [least, best] = [cost, k];
  }
  return best;
}

/** Smooths the edges of a developed picture in place: after the tone curve, so that bright rims have smooth edges too. */
export function smoothEdges({ pixels, start, from, weight }: EdgeWeights, words: Uint32Array): void {
  const mixed = new Uint32Array(pixels.length);
  for (let k = 0; k < pixels.length; k += 1) {
    let red = 0,
      green = 0,
      blue = 0;
    for (let q = start[k]!; q < start[k + 1]!; q += 1) {
      const w = weight[q]!,
        word = words[from[q]!]!;
      red += w * (word & 255);
      green += w * ((word >> 8) & 255);
      blue += w * ((word >> 16) & 255);
    }
    mixed[k] = 0xff000000 | ((blue + 0.5) << 16) | ((green + 0.5) << 8) | (red + 0.5);
  }
  for (let k = 0; k < pixels.length; k += 1) words[pixels[k]!] = mixed[k]!;
}
