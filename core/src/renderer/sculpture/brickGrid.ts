import { found, type Tape } from './distanceTape';

/** Box of a field, centimetres: least corner, then greatest. */
export type Box = readonly [number, number, number, number, number, number];

const CELLS = 8;
const SIDE = CELLS + 1;
const SAMPLES = SIDE ** 3;
const HALF_SAMPLES = 5 ** 3;
/** A field's value is not an exact distance: empty space is left by steps somewhat shorter than it says. */
const SAFE = 0.85;
const MOST_STEPS = 200;
const NOTHING_CM = 1e3;

/**
 * One half of a distance field that is the same on both sides of x = 0, baked into bricks of 8³ cells near the surface, with
 * one safe distance per brick elsewhere. Rays run through it some seventy times faster than through the tape. Each brick
 * keeps the tape pruned to it, which gives exact distances and materials where the eye looks.
 */
export interface BrickGrid {
  y0: number;
  z0: number;
  cellCm: number;
  brickCm: number;
  nx: number;
  ny: number;
  nz: number;
  /** brick number by place, −1 where there is none */
  index: Int32Array;
  coarse: Float32Array;
  data: Float32Array;
  tapeAt: Int32Array;
  tapeList: Uint16Array;
}

/**
 * Bakes a tape that is the same on both sides of x = 0.
 * @param coarseBelowY under this height (the torso) bricks are evaluated at half resolution and interpolated
 */
// eslint-disable-next-line max-lines-per-function -- inner loop over pixels or cells: a call each costs more than it tells
export function bakeGrid(tape: Tape, [, y0, z0, x1, y1, z1]: Box, cellCm: number, coarseBelowY = -23): BrickGrid {
  const brick = cellCm * CELLS;
  const [nx, ny, nz] = [Math.ceil(x1 / brick), Math.ceil((y1 - y0) / brick), Math.ceil((z1 - z0) / brick)];
  const index = new Int32Array(nx * ny * nz).fill(-1);
  const coarse = new Float32Array(nx * ny * nz);
  let data = new Float32Array(256 * SAMPLES);
  let lists = new Uint16Array(1 << 14);
  const tapeAt = [0];
  let [bricks, listed] = [0, 0];
  const [xs, ys, zs] = [new Float64Array(SAMPLES), new Float64Array(SAMPLES), new Float64Array(SAMPLES)];
  const distances = new Float32Array(SAMPLES);
  const half = new Float32Array(HALF_SAMPLES);
  let top = 1;
  while (top < Math.max(nx, ny, nz)) top *= 2;
  const levels = Array.from({ length: 12 }, () => new Uint16Array(tape.length));

  const sample = (bx: number, by: number, bz: number, side: number, step: number) => {
    let at = 0;
    for (let k = 0; k < side; k += 1)
      for (let j = 0; j < side; j += 1)
        for (let i = 0; i < side; i += 1) {
          xs[at] = bx + i * step;
          ys[at] = by + j * step;
          zs[at] = bz + k * step;
          at += 1;
        }
  };
  const fillEmpty = (
    ix: number,
    iy: number,
    iz: number,
    size: number,
    list: Uint16Array,
    count: number,
    distance: number,
  ) => {
    const radius = brick * 0.866 * 1.1;
    for (let k = iz; k < Math.min(nz, iz + size); k += 1)
      for (let j = iy; j < Math.min(ny, iy + size); j += 1)
        for (let i = ix; i < Math.min(nx, ix + size); i += 1) {
          const value =
            size === 1
              ? distance
              : tape.distance(list, 0, count, (i + 0.5) * brick, y0 + (j + 0.5) * brick, z0 + (k + 0.5) * brick);
          coarse[(k * ny + j) * nx + i] =
            SAFE * (value > 0 ? Math.max(value - radius, cellCm) : Math.min(value + radius, -cellCm));
        }
  };
  const descend = (
    ix: number,
    iy: number,
    iz: number,
    size: number,
    list: Uint16Array,
    count: number,
    depth: number,
  ): void => {
    if (ix >= nx || iy >= ny || iz >= nz) return;
    const middle = (size * brick) / 2;
    const [cx, cy, cz, radius] = [
      ix * brick + middle,
      y0 + iy * brick + middle,
      z0 + iz * brick + middle,
      middle * 1.7321,
    ];
    const own = levels[depth]!;
    const left = tape.prune(list, count, cx, cy, cz, radius, own);
    const distance = tape.distance(own, 0, left, cx, cy, cz);
    if (Math.abs(distance) > radius * 1.25 + cellCm) return fillEmpty(ix, iy, iz, size, own, left, distance);
    if (size > 1) {
      const next = size / 2;
      for (let corner = 0; corner < 8; corner += 1)
        descend(
          ix + (corner & 1 ? next : 0),
          iy + (corner & 2 ? next : 0),
          iz + (corner & 4 ? next : 0),
          next,
          own,
          left,
          depth + 1,
        );
      return;
    }
    const [bx, by, bz] = [ix * brick, y0 + iy * brick, z0 + iz * brick];
    if (by + brick < coarseBelowY) {
      sample(bx, by, bz, 5, 2 * cellCm);
      tape.distances(own, left, HALF_SAMPLES, xs, ys, zs, half);
      refineBrick(half, distances);
    } else {
      sample(bx, by, bz, SIDE, cellCm);
      tape.distances(own, left, SAMPLES, xs, ys, zs, distances);
    }
    if ((bricks + 1) * SAMPLES > data.length) {
      const larger = new Float32Array(data.length * 2);
      larger.set(data);
      data = larger;
    }
    data.set(distances, bricks * SAMPLES);
    index[(iz * ny + iy) * nx + ix] = bricks;
    if (listed + left > lists.length) {
      const larger = new Uint16Array(lists.length * 2);
      larger.set(lists);
      lists = larger;
    }
    lists.set(own.subarray(0, left), listed);
    listed += left;
    tapeAt.push(listed);
    bricks += 1;
  };
  descend(0, 0, 0, top, tape.all, tape.length, 0);
  return {
    y0,
    z0,
    cellCm,
    brickCm: brick,
    nx,
    ny,
    nz,
    index,
    coarse,
    data: data.slice(0, bricks * SAMPLES),
    tapeAt: Int32Array.from(tapeAt),
    tapeList: lists.slice(0, listed),
  };
}

/** 9³ samples from 5³ by the mean of their neighbours. */
function refineBrick(half: Float32Array, out: Float32Array): void {
  let at = 0;
  for (let k = 0; k < SIDE; k += 1)
    for (let j = 0; j < SIDE; j += 1)
      for (let i = 0; i < SIDE; i += 1) {
        const o = ((k >> 1) * 5 + (j >> 1)) * 5 + (i >> 1);
        const [ex, ey, ez] = [i & 1, (j & 1) * 5, (k & 1) * 25];
        out[at++] =
          0.125 *
          (half[o]! +
            half[o + ex]! +
            half[o + ey]! +
            half[o + ex + ey]! +
            half[o + ez]! +
            half[o + ex + ez]! +
            half[o + ey + ez]! +
            half[o + ex + ey + ez]!);
      }
}

/** Trilinear distance; far outside the box. */
export function gridDistance(g: BrickGrid, x: number, y: number, z: number): number {
  const inverse = 1 / g.cellCm;
  const fx = (x < 0 ? -x : x) * inverse,
    fy = (y - g.y0) * inverse,
    fz = (z - g.z0) * inverse;
  if (!(fy >= 0 && fz >= 0)) return NOTHING_CM;
  const ix = fx | 0,
    iy = fy | 0,
    iz = fz | 0;
  const bx = ix >> 3,
    by = iy >> 3,
    bz = iz >> 3;
  if (bx >= g.nx || by >= g.ny || bz >= g.nz) return NOTHING_CM;
  const cell = (bz * g.ny + by) * g.nx + bx;
  const brick = g.index[cell]!;
  if (brick < 0) return g.coarse[cell]!;
  const o = brick * SAMPLES + ((iz & 7) * SIDE + (iy & 7)) * SIDE + (ix & 7);
  const tx = fx - ix,
    ty = fy - iy,
    tz = fz - iz,
    d = g.data;
  const a0 = d[o]! + (d[o + 1]! - d[o]!) * tx,
    a1 = d[o + 9]! + (d[o + 10]! - d[o + 9]!) * tx;
  const b0 = d[o + 81]! + (d[o + 82]! - d[o + 81]!) * tx,
    b1 = d[o + 90]! + (d[o + 91]! - d[o + 90]!) * tx;
  const c0 = a0 + (a1 - a0) * ty,
    c1 = b0 + (b1 - b0) * ty;
  return c0 + (c1 - c0) * tz;
}

/** Exact distance near the surface by the brick's own tape, with the material in `found`; the safe distance elsewhere. */
export function exactDistance(g: BrickGrid, tape: Tape, x: number, y: number, z: number): number {
  const bx = Math.floor(Math.abs(x) / g.brickCm),
    by = Math.floor((y - g.y0) / g.brickCm),
    bz = Math.floor((z - g.z0) / g.brickCm);
  found.material = 0;
  if (by < 0 || bz < 0 || bx >= g.nx || by >= g.ny || bz >= g.nz) return NOTHING_CM;
  const cell = (bz * g.ny + by) * g.nx + bx;
  const brick = g.index[cell]!;
  return brick < 0 ? g.coarse[cell]! : tape.distance(g.tapeList, g.tapeAt[brick]!, g.tapeAt[brick + 1]!, x, y, z);
}

/** Runs a ray through the grid. @returns how far along it the surface lies, cm, or −1 for none between `from` and `to` */
export function traceGrid(
  g: BrickGrid,
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
  from: number,
  to: number,
  nearCm: number,
): number {
  // clip to the box
  const ix = 1 / dx,
    iy = 1 / dy,
    iz = 1 / dz;
  const wide = g.nx * g.brickCm;
  let a = (-wide - ox) * ix,
    b = (wide - ox) * ix;
  let near = a < b ? a : b,
    far = a < b ? b : a;
  a = (g.y0 - oy) * iy;
  b = (g.y0 + g.ny * g.brickCm - oy) * iy;
  let low = a < b ? a : b,
    high = a < b ? b : a;
  if (low > near) near = low;
  if (high < far) far = high;
  a = (g.z0 - oz) * iz;
  b = (g.z0 + g.nz * g.brickCm - oz) * iz;
  low = a < b ? a : b;
  high = a < b ? b : a;
  if (low > near) near = low;
  if (high < far) far = high;
  if (near < from) near = from;
  if (far > to) far = to;
  near += 1e-4;
  far -= 1e-4;
  if (!(near < far)) return -1;
  const { y0, z0, nx, ny, index, coarse, data: d } = g;
  const inverse = 1 / g.cellCm;
  let t = near;
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const x = ox + dx * t;
    const fx = (x < 0 ? -x : x) * inverse,
      fy = (oy + dy * t - y0) * inverse,
      fz = (oz + dz * t - z0) * inverse;
    const jx = fx | 0,
      jy = fy | 0,
      jz = fz | 0;
    const cell = ((jz >> 3) * ny + (jy >> 3)) * nx + (jx >> 3);
    const brick = index[cell]!;
    if (brick < 0) t += coarse[cell]!;
    else {
      const o = brick * SAMPLES + ((jz & 7) * SIDE + (jy & 7)) * SIDE + (jx & 7);
      const tx = fx - jx,
        ty = fy - jy,
        tz = fz - jz;
      const a0 = d[o]! + (d[o + 1]! - d[o]!) * tx,
        a1 = d[o + 9]! + (d[o + 10]! - d[o + 9]!) * tx;
      const b0 = d[o + 81]! + (d[o + 82]! - d[o + 81]!) * tx,
        b1 = d[o + 90]! + (d[o + 91]! - d[o + 90]!) * tx;
      const c0 = a0 + (a1 - a0) * ty,
        c1 = b0 + (b1 - b0) * ty;
      const distance = c0 + (c1 - c0) * tz;
      if (distance < nearCm) return t;
      t += distance;
    }
    if (t > far) return -1;
  }
  return t;
}
