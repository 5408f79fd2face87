import { smoothstep } from '../base/vector';
import type { PictureScene } from '../scene';
import { MATERIAL } from '../sculpture/bust';
import type { Model } from '../sculpture/model';
import type { ViewBuffers } from '../view';
import { type Hits, keepHits } from './bounce';
import { gatherAt, gathered } from './halfSphere';
import type { Mirrors } from './mirrors';
import type { Patches } from './patches';
import { skyOnGround, skyOnWall, skyRadiance } from './sky';
import { discPattern } from './source';

/** Light by channel on every pixel. */
export type SurfaceLight = Float32Array;

const LIFT_CM = 0.1;
const KERNEL = [0.375, 0.25, 0.0625];

/** Directions per pixel that the soft light is gathered from. */
export const SOFT_SAMPLES = { draft: 6, fine: 12 } as const;

/**
 * Light from all round on every second pixel of rows, and what else their half spheres hold: cosine-weighted rays, turned
 * from pixel to pixel.
 */
export function gatherSoft(
  view: ViewBuffers,
  model: Model,
  scene: PictureScene,
  patches: Patches,
  to: number,
  hits: Hits,
  out: SurfaceLight,
): void {
  const { width, place, normal, material } = view;
  for (let j = hits.from; j < to; j += 2)
    for (let i = 0; i < width; i += 2) {
      const o = j * width + i,
        q = o * 3;
      if (material[o] === MATERIAL.sky) continue;
      const nx = normal[q]!,
        ny = normal[q + 1]!,
        nz = normal[q + 2]!;
      let noise = 0.06711056 * i + 0.00583715 * j;
      noise = 52.9829189 * (noise - Math.floor(noise));
      noise -= Math.floor(noise);
      gatherAt(
        model,
        scene,
        patches,
        place[q]! + nx * LIFT_CM,
        place[q + 1]! + ny * LIFT_CM,
        place[q + 2]! + nz * LIFT_CM,
        nx,
        ny,
        nz,
        noise,
        hits.samples,
      );
      keepHits(hits, i, j, gathered);
      for (let k = 0; k < 3; k += 1) out[q + k] = Math.PI * gathered.sky[k]!;
    }
}

/**
 * What the soft light at unit strength gives a card where the face is, with no people there: cosine-weighted directions
 * over its half sphere, sky, ground and a wall behind.
 */
export function softOnCard(
  { sky, groundAlbedo, groundY, backdrop }: Pick<PictureScene, 'sky' | 'groundAlbedo' | 'groundY' | 'backdrop'>,
  [nx, ny, nz]: readonly [number, number, number],
): number {
  const count = 256;
  const pattern = discPattern(count);
  const radiance = new Float64Array(3);
  const wall = backdrop.kind === 'wall';
  const fromGround = groundAlbedo[1] * skyOnGround(sky, wall)[1];
  const fromWall = wall ? backdrop.albedo[1] * skyOnWall(sky)[1] : 0;
  const sign = nz >= 0 ? 1 : -1,
    a = -1 / (sign + nz),
    b = nx * ny * a;
  let sum = 0;
  for (let k = 0; k < count; k += 1) {
    const s = pattern[k * 2]!,
      t = pattern[k * 2 + 1]!,
      h = Math.sqrt(Math.max(0, 1 - s * s - t * t));
    const dx = (1 + sign * nx * nx * a) * s + b * t + nx * h,
      dy = sign * b * s + (sign + ny * ny * a) * t + ny * h,
      dz = -sign * nx * s - ny * t + nz * h;
    const toGround = dy < 0 ? groundY / dy : Infinity;
    const meetsWall = wall && dz < 0 && backdrop.z / dz < toGround;
    if (!sky.closed && (meetsWall || dy < 0)) {
      sum += meetsWall ? fromWall : fromGround;
      continue;
    }
    skyRadiance(sky, dx, Math.abs(dy), dz, radiance);
    sum += Math.PI * radiance[1]! * (dy < 0 ? 0.25 + groundAlbedo[1] : 1);
  }
  return sum / count;
}

/** Fills the soft light between every second pixel, guided by normal and place. */
export function spreadSoft(
  { width, height, place, normal, material }: ViewBuffers,
  from: number,
  to: number,
  light: SurfaceLight,
): void {
  const lastX = width - 1 - ((width - 1) % 2),
    bottom = Math.min(height, to) - 1,
    lastY = bottom - ((bottom - from) % 2);
  for (let j = from; j < to; j += 1)
    for (let i = 0; i < width; i += 1) {
      const i0 = i - (i % 2),
        j0 = j - ((j - from) % 2);
      if (i === i0 && j === j0) continue;
      const o = j * width + i,
        q = o * 3,
        m = material[o]!;
      if (m === MATERIAL.sky) continue;
      let red = 0,
        green = 0,
        blue = 0,
        weights = 0;
      for (let b = 0; b < 2; b += 1)
        for (let a = 0; a < 2; a += 1) {
          const x = Math.min(i0 + a * 2, lastX),
            y = Math.min(j0 + b * 2, lastY),
            other = y * width + x,
            r = other * 3;
          if (material[other] === MATERIAL.sky) continue;
          const near = (1 - Math.abs(i - i0 - a * 2) / 2 + 0.02) * (1 - Math.abs(j - j0 - b * 2) / 2 + 0.02);
          let facing = Math.max(
            0.03,
            normal[q]! * normal[r]! + normal[q + 1]! * normal[r + 1]! + normal[q + 2]! * normal[r + 2]!,
          );
          facing *= facing;
          facing *= facing;
          const off =
            (place[r]! - place[q]!) * normal[q]! +
            (place[r + 1]! - place[q + 1]!) * normal[q + 1]! +
            (place[r + 2]! - place[q + 2]!) * normal[q + 2]!;
          const w =
            (near * facing * (material[other]! >= MATERIAL.ground === m >= MATERIAL.ground ? 1 : 1e-4)) /
            (1 + off * off * 8);
          red += w * light[r]!;
          green += w * light[r + 1]!;
          blue += w * light[r + 2]!;
          weights += w;
        }
      if (weights <= 0) continue;
      light[q] = red / weights;
      light[q + 1] = green / weights;
      light[q + 2] = blue / weights;
    }
}

/**
 * Smooths the soft light on every second pixel, where it is known: wide à-trous passes, since it changes slowly over a
 * surface.
 */
export function smoothSoft(
  { width, place, normal, material }: ViewBuffers,
  from: number,
  to: number,
  passes: number,
  light: SurfaceLight,
): void {
  const first = from * width,
    last = to * width;
  let source = light.slice(first * 3, last * 3),
    target = source.slice();
  for (let pass = 0; pass < passes; pass += 1) {
    const step = 2 << pass;
    for (let j = from; j < to; j += 2)
      for (let i = 0; i < width; i += 2) {
        const o = j * width + i,
          q = o * 3,
          m = material[o]!,
          own = o - first;
        if (m === MATERIAL.sky) continue;
        const behind = m >= MATERIAL.ground,
          x = place[q]!,
          y = place[q + 1]!,
          z = place[q + 2]!,
          nx = normal[q]!,
          ny = normal[q + 1]!,
          nz = normal[q + 2]!;
        let red = 0,
          green = 0,
          blue = 0,
          weights = 0;
        for (let b = -2; b <= 2; b += 1) {
          const jj = j + b * step;
          if (jj < from || jj >= to) continue;
          for (let a = -2; a <= 2; a += 1) {
            const ii = i + a * step;
            if (ii < 0 || ii >= width) continue;
            const other = jj * width + ii,
              r = other * 3,
              mo = material[other]!;
            if (mo === MATERIAL.sky || mo >= MATERIAL.ground !== behind) continue;
            let facing = nx * normal[r]! + ny * normal[r + 1]! + nz * normal[r + 2]!;
            if (facing < 0.3) continue;
            facing *= facing;
            facing *= facing;
            facing *= facing;
            const off = (place[r]! - x) * nx + (place[r + 1]! - y) * ny + (place[r + 2]! - z) * nz;
            const w =
                (KERNEL[a < 0 ? -a : a]! * KERNEL[b < 0 ? -b : b]! * facing) / (1 + off * off * (behind ? 0.02 : 12)),
              at = other - first,
              c = at * 3;
            red += w * source[c]!;
            green += w * source[c + 1]!;
            blue += w * source[c + 2]!;
            weights += w;
          }
        }
        const c = own * 3,
          one = 1 / weights;
        target[c] = red * one;
        target[c + 1] = green * one;
        target[c + 2] = blue * one;
      }
    const light0 = source;
    source = target;
    target = light0;
  }
  light.set(source, first * 3);
}

/**
 * The layer of the soft light: surfaces, the sky itself, its sheen on skin and hair, and its mirror in eyes,
 * lenses and water.
 * @param people the share of each half sphere that people fill, as by channel
 */
export function softLayer(
  { width, place, normal, towards, albedo, material }: ViewBuffers,
  scene: PictureScene,
  from: number,
  to: number,
  light: SurfaceLight,
  people: Float32Array,
  mirrors: Mirrors,
  layer: Float32Array,
): void {
  const { sky, groundAlbedo, backdrop } = scene;
  const on = skyOnGround(sky, backdrop.kind === 'wall');
  const radiance = new Float64Array(3);
  const reflected = (x: number, y: number, z: number, share: number, q: number) => {
    if (y > 0 || sky.closed) {
      skyRadiance(sky, x, Math.abs(y), z, radiance);
      for (let k = 0; k < 3; k += 1) layer[q + k]! += share * radiance[k]!;
    } else for (let k = 0; k < 3; k += 1) layer[q + k]! += (share * groundAlbedo[k]! * on[k]!) / Math.PI;
  };
  for (let o = from * width; o < to * width; o += 1) {
    const q = o * 3,
      m = material[o]!;
    if (m === MATERIAL.sky) {
      skyRadiance(sky, place[q]!, place[q + 1]!, place[q + 2]!, radiance);
      for (let k = 0; k < 3; k += 1) layer[q + k] = radiance[k]!;
      continue;
    }
    for (let k = 0; k < 3; k += 1) layer[q + k] = (albedo[q + k]! * light[q + k]!) / Math.PI;
    const nx = normal[q]!,
      ny = normal[q + 1]!,
      nz = normal[q + 2]!,
      nv = nx * towards[q]! + ny * towards[q + 1]! + nz * towards[q + 2]!;
    const edge = 1 - Math.max(0, nv);
    if (m === MATERIAL.backdrop && backdrop.kind === 'water')
      reflected(-towards[q]!, towards[q + 1]! + 0.05, -towards[q + 2]!, 0.03 + 0.9 * edge ** 5, q);
    if (m !== MATERIAL.skin && m !== MATERIAL.hair) continue;
    // rough: a soft horizon, less where people fill the half sphere
    const rx = 2 * nv * nx - towards[q]!,
      ry = 2 * nv * ny - towards[q + 1]!,
      rz = 2 * nv * nz - towards[q + 2]!;
    const share =
      (m === MATERIAL.skin ? 0.022 + 0.16 * edge ** 5 : 0.02 + 0.1 * edge ** 4) * Math.max(0, 1 - 1.3 * people[q]!);
    const over = smoothstep(-0.6, 0.6, ry);
    reflected(rx, Math.max(0.02, ry * 0.5 + 0.3), rz, share * over, q);
    reflected(rx, sky.closed ? 0.3 : -1, rz, share * (1 - over), q);
  }
  for (let k = 0; k < mirrors.pixel.length; k += 1) {
    const o = mirrors.pixel[k]!;
    if (o < from * width || o >= to * width || mirrors.open[k] === 0) continue;
    reflected(
      mirrors.direction[k * 3]!,
      mirrors.direction[k * 3 + 1]!,
      mirrors.direction[k * 3 + 2]!,
      mirrors.share[k]!,
      o * 3,
    );
  }
}
