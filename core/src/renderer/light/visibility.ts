import { cross, unit, type Vec } from '../base/vector';
import { MATERIAL } from '../sculpture/bust';
import { meetsPeople, type Model, passedShare } from '../sculpture/model';
import type { ViewBuffers } from '../view';
import { HAIR_WRAP } from './direct';
import { BEAM_STEPS, discPattern, type Source, squarePattern, SUN_RADIUS } from './source';

/** Rays start this far off the surface, cm: a lid is three times as thick. */
const LIFT_CM = 0.06;
const LIFT_BEHIND_CM = 0.3;
/** Single strands soften what the sun draws on hair. */
const SUN_ON_HAIR = 8;
/** Moves of a ray's start within the pixel: shadows are then smooth at their edges. */
const JITTER = Float32Array.from(
  { length: 1024 },
  (_, i) => ((0.5 + (i >> 1) * (i % 2 === 0 ? 0.7548776662 : 0.569840291)) % 1) - 0.5,
);

/** Which pixels are traced: every `step`-th in both directions, or those that a mask names. */
export interface Traced {
  samples: number;
  step: number;
  mask: Uint8Array | null;
  /** another seed gives another grain of the same picture */
  seed: number;
}

/** Interleaved gradient noise: turns the pattern from pixel to pixel. */
function grain(i: number, j: number, seed: number): number {
  const a = 0.06711056 * (i + seed * 5.588238) + 0.00583715 * j;
  const b = 52.9829189 * (a - Math.floor(a));
  return b - Math.floor(b);
}

/**
 * The share of a source's light that reaches each pixel: rays from the surface to places on the source's face, weighted by
 * what each would bring. −1 where none can arrive by angle.
 */
// eslint-disable-next-line complexity, max-lines-per-function -- inner loop over pixels or cells: a call each costs more than it tells
export function traceVisible(
  view: ViewBuffers,
  model: Model,
  source: Source,
  from: number,
  to: number,
  { samples, step, mask, seed }: Traced,
  out: Float32Array,
): void {
  const { width, place, normal, material, lens } = view;
  const area = source.kind === 'area';
  const round = !area || source.outline !== 'rectangle';
  const pattern = round ? discPattern(samples) : squarePattern(samples);
  const beam = area ? source.beam : new Float32Array(1);
  const towards: Vec = area ? [0, 0, 0] : source.towards;
  const side: Vec = area
    ? source.across
    : unit(cross(source.towards, Math.abs(source.towards[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0]));
  const rise: Vec = area ? source.up : cross(side, source.towards);
  const halfAcross = area ? source.halfAcross : Math.tan(SUN_RADIUS),
    halfUp = area ? source.halfUp : halfAcross;
  const ux = side[0] * halfAcross,
    uy = side[1] * halfAcross,
    uz = side[2] * halfAcross,
    wx = rise[0] * halfUp,
    wy = rise[1] * halfUp,
    wz = rise[2] * halfUp;
  const [cx, cy, cz] = area ? source.centre : [0, 0, 0];
  const [ax, ay, az] = area ? source.axis : [0, 0, 0];
  const { right, up } = lens;
  const blocked = model.blockers.length > 0;
  for (let j = from; j < to; j += step)
    for (let i = 0; i < width; i += step) {
      const o = j * width + i;
      if (mask !== null && !mask[o]) continue;
      const m = material[o]!;
      if (m === MATERIAL.sky) {
        out[o] = 1;
        continue;
      }
      const q = o * 3,
        nx = normal[q]!,
        ny = normal[q + 1]!,
        nz = normal[q + 2]!;
      const person = m < MATERIAL.ground;
      const lift = person ? LIFT_CM : LIFT_BEHIND_CM;
      const x0 = place[q]! + nx * lift,
        y0 = place[q + 1]! + ny * lift,
        z0 = place[q + 2]! + nz * lift;
      // the pixel's footprint on the surface
      const nr = nx * right[0] + ny * right[1] + nz * right[2],
        nu = nx * up[0] + ny * up[1] + nz * up[2],
        size = person ? lens.pixelCm : 0;
      const rx = right[0] - nx * nr,
        ry = right[1] - ny * nr,
        rz = right[2] - nz * nr,
        qx = up[0] - nx * nu,
        qy = up[1] - ny * nu,
        qz = up[2] - nz * nu;
      const noise = grain(i, j, seed);
      const cos = Math.cos(noise * 6.2831853),
        sin = Math.sin(noise * 6.2831853);
      let second = noise * 7.13 + 0.37;
      second -= Math.floor(second);
      const wrap = m === MATERIAL.hair ? HAIR_WRAP : 0,
        widen = m === MATERIAL.hair ? SUN_ON_HAIR : 1;
      let all = 0,
        arrives = 0;
      for (let k = 0; k < samples; k += 1) {
        let a = pattern[k * 2]!,
          b = pattern[k * 2 + 1]!;
        if (round) {
          const turned = a * cos - b * sin;
          b = a * sin + b * cos;
          a = turned;
        } else {
          a = (a + 1) / 2 + noise;
          a = 2 * (a - Math.floor(a)) - 1;
          b = (b + 1) / 2 + second;
          b = 2 * (b - Math.floor(b)) - 1;
        }
        const jx = JITTER[(k * 2) & 1023]! * size,
          jy = JITTER[(k * 2 + 1) & 1023]! * size;
        const x = x0 + rx * jx + qx * jy,
          y = y0 + ry * jx + qy * jy,
          z = z0 + rz * jx + qz * jy;
        let lx: number,
          ly: number,
          lz: number,
          weight = 1,
          reach = 1e9;
        if (area) {
          lx = cx + ux * a + wx * b - x;
          ly = cy + uy * a + wy * b - y;
          lz = cz + uz * a + wz * b - z;
          const d2 = lx * lx + ly * ly + lz * lz;
          reach = Math.sqrt(d2);
          const one = 1 / reach;
          lx *= one;
          ly *= one;
          lz *= one;
          const cosine = -(lx * ax + ly * ay + lz * az);
          if (cosine <= 0) continue;
          weight = beam[(cosine * BEAM_STEPS + 0.5) | 0]! / d2;
        } else {
          lx = towards[0] + (ux * a + wx * b) * widen;
          ly = towards[1] + (uy * a + wy * b) * widen;
          lz = towards[2] + (uz * a + wz * b) * widen;
          const one = 1 / Math.sqrt(lx * lx + ly * ly + lz * lz);
          lx *= one;
          ly *= one;
          lz *= one;
        }
        const nl = nx * lx + ny * ly + nz * lz + wrap;
        if (nl <= 0 || weight <= 0) continue;
        weight *= nl;
        all += weight;
        if (meetsPeople(model, x, y, z, lx, ly, lz, reach)) continue;
        arrives += blocked ? weight * passedShare(model.blockers, x, y, z, lx, ly, lz, reach) : weight;
      }
      out[o] = all > 0 ? arrives / all : -1;
    }
}

/** Marks the pixels whose neighbourhood is neither all lit nor all dark: only these need more rays. */
export function markUndecided(
  { width, height, material }: ViewBuffers,
  visible: Float32Array,
  from: number,
  to: number,
  mask: Uint8Array,
): void {
  for (let j = from; j < to; j += 1)
    for (let i = 0; i < width; i += 1) {
      const o = j * width + i;
      mask[o] = 0;
      if (material[o] === MATERIAL.sky || visible[o]! < 0) continue;
      let least = 2,
        most = -1;
      const j1 = Math.min(height - 1, j + 2),
        i0 = Math.max(0, i - 2),
        i1 = Math.min(width - 1, i + 2);
      for (let y = Math.max(0, j - 2); y <= j1; y += 1)
        for (let x = i0; x <= i1; x += 1) {
          const v = visible[y * width + x]!;
          if (v < 0) continue;
          if (v < least) least = v;
          if (v > most) most = v;
        }
      if (least < 0.999 && most > 0.001) mask[o] = 1;
    }
}
