import { smoothstep } from '../base/vector';
import type { PictureScene } from '../scene';
import { MATERIAL } from '../sculpture/bust';
import { meetsPeople, type Model, passedShare } from '../sculpture/model';
import type { ViewBuffers } from '../view';
import type { Mirrors } from './mirrors';
import { skyOnGround, skyRadiance } from './sky';
import { facePattern } from './source';

/** Light by channel on every pixel. */
export type SurfaceLight = Float32Array;

const LIFT_CM = 0.15;
const REACH_CM = 150;
/** What people throw on each other, by channel: skin and cloth. */
const PEOPLE_THROW = [0.19, 0.145, 0.12] as const;
const KERNEL = [0.375, 0.25, 0.0625];

/** Directions per pixel that the soft light is gathered from. */
export const SOFT_SAMPLES = { draft: 6, fine: 20 } as const;

/**
 * Light from all round on every second pixel of rows, and which shares of its half sphere are people, ground and
 * the wall
 * behind: cosine-weighted rays, turned from pixel to pixel.
 */
// eslint-disable-next-line max-lines-per-function -- inner loop over pixels or cells: a call each costs more than it tells
export function gatherSoft(
  view: ViewBuffers,
  model: Model,
  scene: PictureScene,
  from: number,
  to: number,
  samples: number,
  out: SurfaceLight,
): void {
  const { width, place, normal, material, sees } = view;
  const { sky, groundAlbedo, groundY, backdrop } = scene;
  const pattern = facePattern(samples, true);
  const on = skyOnGround(sky);
  const radiance = new Float64Array(3);
  const blocked = model.blockers.length > 0;
  const wall = backdrop.kind === 'wall';
  for (let j = from; j < to; j += 2)
    for (let i = 0; i < width; i += 2) {
      const o = j * width + i,
        q = o * 3,
        m = material[o]!;
      if (m === MATERIAL.sky) continue;
      const nx = normal[q]!,
        ny = normal[q + 1]!,
        nz = normal[q + 2]!;
      const x = place[q]! + nx * LIFT_CM,
        y = place[q + 1]! + ny * LIFT_CM,
        z = place[q + 2]! + nz * LIFT_CM;
      let noise = 0.06711056 * i + 0.00583715 * j;
      noise = 52.9829189 * (noise - Math.floor(noise));
      noise -= Math.floor(noise);
      const cos = Math.cos(noise * 6.2831853),
        sin = Math.sin(noise * 6.2831853);
      // a basis round the normal. Source: Duff et al. 2017
      const sign = nz >= 0 ? 1 : -1,
        a = -1 / (sign + nz),
        b = nx * ny * a;
      const ux = 1 + sign * nx * nx * a,
        uy = sign * b,
        uz = -sign * nx,
        vx = b,
        vy = sign + ny * ny * a,
        vz = -ny;
      let red = 0,
        green = 0,
        blue = 0,
        ground = 0,
        behind = 0,
        people = 0;
      for (let k = 0; k < samples; k += 1) {
        const p0 = pattern[k * 2]!,
          p1 = pattern[k * 2 + 1]!;
        const s = p0 * cos - p1 * sin,
          t = p0 * sin + p1 * cos,
          h = Math.sqrt(Math.max(0, 1 - s * s - t * t));
        const dx = ux * s + vx * t + nx * h,
          dy = uy * s + vy * t + ny * h,
          dz = uz * s + vz * t + nz * h;
        if (meetsPeople(model, x, y, z, dx, dy, dz, REACH_CM)) {
          people += 1;
          continue;
        }
        const share = blocked ? passedShare(model.blockers, x, y, z, dx, dy, dz, 1e9) : 1;
        if (share <= 0) continue;
        // the wall, unless the ground is met first
        const meetsWall = wall && dz < -0.02 && (dy >= 0 || (backdrop.z - z) / dz < (groundY - y) / dy);
        if (meetsWall) behind += share;
        else if (dy < 0) ground += share;
        if (!sky.closed && (meetsWall || dy < 0)) continue;
        skyRadiance(sky, dx, Math.abs(dy), dz, radiance);
        const floor = dy < 0 ? share * (0.25 + groundAlbedo[1]) : share;
        red += floor * radiance[0]!;
        green += floor * radiance[1]!;
        blue += floor * radiance[2]!;
      }
      ground /= samples;
      behind /= samples;
      people /= samples;
      sees.ground[o] = ground;
      sees.wall[o] = behind;
      sees.people[o] = people;
      // what the sky gives ground and wall comes back from both alike
      const one = Math.PI / samples,
        fromGround = sky.closed ? 0 : ground + behind;
      out[q] = red * one + fromGround * groundAlbedo[0] * on[0] + people * PEOPLE_THROW[0] * on[0];
      out[q + 1] = green * one + fromGround * groundAlbedo[1] * on[1] + people * PEOPLE_THROW[1] * on[1];
      out[q + 2] = blue * one + fromGround * groundAlbedo[2] * on[2] + people * PEOPLE_THROW[2] * on[2];
    }
}

/**
 * What the soft light at unit strength gives a card with nothing in the way: cosine-weighted directions over its
 * half sphere.
 */
export function softOnCard(
  { sky, groundAlbedo }: Pick<PictureScene, 'sky' | 'groundAlbedo'>,
  [nx, ny, nz]: readonly [number, number, number],
): number {
  const count = 256;
  const pattern = facePattern(count, true);
  const radiance = new Float64Array(3);
  const on = skyOnGround(sky);
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
    if (dy < 0 && !sky.closed) {
      sum += groundAlbedo[1] * on[1];
      continue;
    }
    skyRadiance(sky, dx, Math.abs(dy), dz, radiance);
    sum += Math.PI * radiance[1]! * (dy < 0 ? 0.25 + groundAlbedo[1] : 1);
  }
  return sum / count;
}

/** Fills the soft light and the shares between every second pixel, guided by normal and place. */
export function spreadSoft(
  { width, height, place, normal, material, sees: { ground, wall, people } }: ViewBuffers,
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
        g = 0,
        v = 0,
        p = 0,
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
          g += w * ground[other]!;
          v += w * wall[other]!;
          p += w * people[other]!;
          weights += w;
        }
      if (weights <= 0) continue;
      light[q] = red / weights;
      light[q + 1] = green / weights;
      light[q + 2] = blue / weights;
      ground[o] = g / weights;
      wall[o] = v / weights;
      people[o] = p / weights;
    }
}

/**
 * Smooths the soft light and the shares on every second pixel, where they are known: wide à-trous passes, since
 * both change slowly over a surface.
 */
// eslint-disable-next-line max-lines-per-function -- inner loop over pixels or cells: a call each costs more than it tells
export function smoothSoft(
  { width, place, normal, material, sees }: ViewBuffers,
  from: number,
  to: number,
  passes: number,
  light: SurfaceLight,
): void {
  const first = from * width,
    last = to * width;
  let source = light.slice(first * 3, last * 3),
    target = source.slice();
  let g0 = sees.ground.slice(first, last),
    g1 = g0.slice(),
    v0 = sees.wall.slice(first, last),
    v1 = v0.slice(),
    p0 = sees.people.slice(first, last),
    p1 = p0.slice();
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
          g = 0,
          v = 0,
          p = 0,
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
            g += w * g0[at]!;
            v += w * v0[at]!;
            p += w * p0[at]!;
            weights += w;
          }
        }
        const c = own * 3,
          one = 1 / weights;
        target[c] = red * one;
        target[c + 1] = green * one;
        target[c + 2] = blue * one;
        g1[own] = g * one;
        v1[own] = v * one;
        p1[own] = p * one;
      }
    const light0 = source;
    source = target;
    target = light0;
    const ground0 = g0;
    g0 = g1;
    g1 = ground0;
    const wall0 = v0;
    v0 = v1;
    v1 = wall0;
    const people0 = p0;
    p0 = p1;
    p1 = people0;
  }
  light.set(source, first * 3);
  sees.ground.set(g0, first);
  sees.wall.set(v0, first);
  sees.people.set(p0, first);
}

/**
 * The layer of the soft light: surfaces, the sky itself, its sheen on skin and hair, and its mirror in eyes,
 * lenses and water.
 */
export function softLayer(
  { width, place, normal, towards, albedo, material, sees }: ViewBuffers,
  scene: PictureScene,
  from: number,
  to: number,
  light: SurfaceLight,
  mirrors: Mirrors,
  layer: Float32Array,
): void {
  const { sky, groundAlbedo, backdrop } = scene;
  const on = skyOnGround(sky);
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
      (m === MATERIAL.skin ? 0.022 + 0.16 * edge ** 5 : 0.02 + 0.1 * edge ** 4) *
      Math.max(0, 1 - 1.3 * sees.people[o]!);
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
