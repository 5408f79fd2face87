import { MATERIAL } from '../sculpture/bust';
import type { Model } from '../sculpture/model';
import type { ViewBuffers } from '../view';
import { BEAM_STEPS, facePlaces, type Source } from './source';

/**
 * What one source does to a view, before shadows: light on the surface, gloss towards the camera, and the share
 * that is not in shadow (−1 where none can arrive by angle).
 */
export interface DirectLight {
  onSurface: Float32Array;
  gloss: Float32Array;
  visible: Float32Array;
}

export const emptyDirect = (pixels: number): DirectLight => ({
  onSurface: new Float32Array(pixels),
  gloss: new Float32Array(pixels),
  visible: new Float32Array(pixels),
});

const CM2 = 1e4;
/** Roughness and reflectance at right angles, by material: skin and cloth with a modest gloss. */
const ROUGHNESS = [0, 0.46, 0.05, 0.25, 0.6, 0.55, 0.15, 0.5, 0.5, 0];
const REFLECTANCE = [0, 0.032, 0, 0, 0.012, 0.012, 0.05, 0, 0, 0];
/** Hair takes light from a little behind its surface. */
export const HAIR_WRAP = 0.3;

/**
 * Light and gloss of one source at unit strength on rows of the view, as if nothing stood in its way. No rays, no
 * noise.
 * Sources: Lambert's cosine law; microfacet gloss (GGX, Schlick); two-lobe strands after Kajiya and Kay.
 */
// eslint-disable-next-line complexity, max-lines-per-function -- inner loop over pixels or cells: a call each costs more than it tells
export function shineOn(
  view: ViewBuffers,
  model: Model,
  source: Source,
  from: number,
  to: number,
  samples: number,
  out: DirectLight,
): void {
  const { width, place, normal, towards, material, person } = view;
  const area = source.kind === 'area';
  const n = area ? samples : 1;
  const faces = area ? facePlaces(source, n) : new Float64Array(3);
  const beam = area ? source.beam : new Float32Array(1);
  const [ax, ay, az] = area ? source.axis : [0, 0, 0];
  const [sx, sy, sz] = area ? [0, 0, 0] : source.towards;
  for (let o = from * width; o < to * width; o += 1) {
    const m = material[o]!;
    if (m === MATERIAL.sky) {
      out.onSurface[o] = 0;
      out.gloss[o] = 0;
      continue;
    }
    const q = o * 3;
    const x = place[q]!,
      y = place[q + 1]!,
      z = place[q + 2]!,
      nx = normal[q]!,
      ny = normal[q + 1]!,
      nz = normal[q + 2]!,
      vx = towards[q]!,
      vy = towards[q + 1]!,
      vz = towards[q + 2]!;
    const roughness = ROUGHNESS[m]!,
      f0 = REFLECTANCE[m]!,
      a2 = roughness * roughness,
      k2 = roughness * 0.5;
    const nv = Math.max(0.05, nx * vx + ny * vy + nz * vz);
    const hair = m === MATERIAL.hair;
    let tx = 0,
      ty = 0,
      tz = 0;
    if (hair) {
      // strands swept back over the head
      const who = model.people[person[o]!]!;
      const bx = -who.sin,
        by = 0.25,
        bz = -who.cos;
      const bn = bx * nx + by * ny + bz * nz;
      tx = bx - bn * nx;
      ty = by - bn * ny;
      tz = bz - bn * nz;
      const one = 1 / Math.sqrt(tx * tx + ty * ty + tz * tz + 1e-6);
      tx *= one;
      ty *= one;
      tz *= one;
    }
    let onSurface = 0,
      gloss = 0;
    for (let k = 0; k < n; k += 1) {
      let lx = sx,
        ly = sy,
        lz = sz,
        strength = 1;
      if (area) {
        lx = faces[k * 3]! - x;
        ly = faces[k * 3 + 1]! - y;
        lz = faces[k * 3 + 2]! - z;
        const d2 = lx * lx + ly * ly + lz * lz,
          one = 1 / Math.sqrt(d2);
        lx *= one;
        ly *= one;
        lz *= one;
        const cosine = -(lx * ax + ly * ay + lz * az);
        if (cosine <= 0) continue;
        strength = (beam[(cosine * BEAM_STEPS + 0.5) | 0]! * CM2) / d2;
      }
      const nl = nx * lx + ny * ly + nz * lz;
      if (nl <= 0 && (!hair || nl < -HAIR_WRAP)) continue;
      if (nl > 0) onSurface += strength * nl;
      if (f0 === 0 && !hair) continue;
      let hx = lx + vx,
        hy = ly + vy,
        hz = lz + vz;
      const one = 1 / Math.sqrt(hx * hx + hy * hy + hz * hz + 1e-9);
      hx *= one;
      hy *= one;
      hz *= one;
      if (hair) {
        const th = tx * hx + ty * hy + tz * hz,
          s2 = 1 - th * th,
          s8 = s2 * s2 * s2 * s2,
          s32 = s8 * s8 * s8 * s8;
        const wrapped = Math.max(0, Math.min(1, (nl + HAIR_WRAP) / 0.6));
        let forward = -(lx * vx + ly * vy + lz * vz);
        forward = forward > 0 ? forward * forward * forward : 0;
        const edge = 1 - nv;
        gloss += strength * wrapped * ((0.018 * s32 + 0.014 * s8) * 0.6 + 0.22 * forward * edge * edge);
      } else if (nl > 0) {
        const nh = nx * hx + ny * hy + nz * hz,
          om = 1 - (vx * hx + vy * hy + vz * hz),
          om2 = om * om;
        const fresnel = f0 + (1 - f0) * om2 * om2 * om;
        const spread = nh * nh * (a2 * a2 - 1) + 1;
        gloss +=
          (strength * nl * fresnel * a2 * a2) /
          (Math.PI * spread * spread * (nl * (1 - k2) + k2) * (nv * (1 - k2) + k2) * 4);
      }
    }
    out.onSurface[o] = onSurface / n;
    out.gloss[o] = gloss / n;
  }
}
