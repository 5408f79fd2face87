import { smoothstep } from '../base/vector';
import type { PictureScene } from '../scene';
import { EYE, LENS, MATERIAL } from '../sculpture/bust';
import { meetsPeople, type Model } from '../sculpture/model';
import type { ViewBuffers } from '../view';
import { BEAM_STEPS, faceAreaM2, type Source } from './source';

/**
 * Rays that eyes and spectacles mirror: where they start, where they go, and which share of what they meet is
 * seen. Found once for a framing.
 */
export interface Mirrors {
  pixel: Int32Array;
  origin: Float32Array;
  direction: Float32Array;
  share: Float32Array;
  /** 1 where the ray leaves the head */
  open: Uint8Array;
}

/** Reflectance of the cornea at right angles, and of both faces of a lens. */
const CORNEA = 0.028;
const LENS_SHARE = 0.06;
const REACH_CM = 400;
const EYE_RAYS = 4;
const LENS_RAYS = 2;

/** Finds the mirror rays of a view's rows. @param lensTilt how far spectacles are tipped down, radians */
export function findMirrors(
  view: ViewBuffers,
  model: Model,
  { look }: PictureScene,
  lensTilt: number,
  from: number,
  to: number,
): Mirrors {
  const { width, height, lens, material, person } = view;
  const pixels: number[] = [],
    origins: number[] = [],
    directions: number[] = [],
    shares: number[] = [],
    opens: number[] = [];
  const [cx, cy, cz] = lens.from;
  for (let j = from; j < to; j += 1)
    for (let i = 0; i < width; i += 1) {
      const o = j * width + i,
        m = material[o]!;
      if (m >= MATERIAL.ground || m === MATERIAL.cloth) continue;
      const eye = m === MATERIAL.eye;
      const behindLens = look.spectacles && m !== MATERIAL.hat && m !== MATERIAL.frame;
      if (!eye && !behindLens) continue;
      const p = model.people[person[o]!]!;
      const ox = (cx - p.x) * p.cos - (cz - p.z) * p.sin,
        oy = cy - p.y,
        oz = (cx - p.x) * p.sin + (cz - p.z) * p.cos;
      const mirror = (rays: number, meets: (dx: number, dy: number, dz: number) => readonly number[] | null) => {
        for (let s = 0; s < rays * rays; s += 1) {
          const X = (i + ((s % rays) + 0.5) / rays - width / 2) * lens.scale,
            Y = (height / 2 - j - (Math.floor(s / rays) + 0.5) / rays) * lens.scale;
          const wx = lens.forward[0] + lens.right[0] * X + lens.up[0] * Y,
            wy = lens.forward[1] + lens.right[1] * X + lens.up[1] * Y,
            wz = lens.forward[2] + lens.right[2] * X + lens.up[2] * Y;
          const one = 1 / Math.sqrt(wx * wx + wy * wy + wz * wz);
          const dx = (wx * p.cos - wz * p.sin) * one,
            dy = wy * one,
            dz = (wx * p.sin + wz * p.cos) * one;
          const hit = meets(dx, dy, dz);
          if (hit === null) continue;
          const [hx = 0, hy = 0, hz = 0, nx = 0, ny = 0, nz = 1, share = 0] = hit;
          const dn = dx * nx + dy * ny + dz * nz;
          if (dn >= 0) continue;
          const rx = dx - 2 * dn * nx,
            ry = dy - 2 * dn * ny,
            rz = dz - 2 * dn * nz,
            edge = (1 + dn) ** 5;
          const x = p.x + hx * p.cos + hz * p.sin,
            y = p.y + hy,
            z = p.z + hz * p.cos - hx * p.sin;
          const gx = rx * p.cos + rz * p.sin,
            gz = rz * p.cos - rx * p.sin;
          pixels.push(o);
          origins.push(x, y, z);
          directions.push(gx, ry, gz);
          shares.push((share + (1 - share) * edge) / (rays * rays));
          opens.push(meetsPeople(model, x + gx * 0.4, y + ry * 0.4, z + gz * 0.4, gx, ry, gz, REACH_CM) ? 0 : 1);
        }
      };
      if (eye) mirror(EYE_RAYS, (dx, dy, dz) => meetEye(ox, oy, oz, dx, dy, dz));
      if (behindLens) mirror(LENS_RAYS, (dx, dy, dz) => meetLens(ox, oy, oz, dx, dy, dz, lensTilt));
    }
  return {
    pixel: Int32Array.from(pixels),
    origin: Float32Array.from(origins),
    direction: Float32Array.from(directions),
    share: Float32Array.from(shares),
    open: Uint8Array.from(opens),
  };
}

/** Where a ray meets the nearer of cornea and eyeball: place, normal, reflectance. */
function meetEye(ox: number, oy: number, oz: number, dx: number, dy: number, dz: number): readonly number[] | null {
  let nearest = 1e9;
  let hit: readonly number[] | null = null;
  for (const side of [-1, 1])
    for (const [z, radius, share] of [
      [EYE.z + EYE.corneaOffset, EYE.corneaRadius, CORNEA],
      [EYE.z, EYE.radius, CORNEA * 0.8],
    ] as const) {
      const x = ox - side * EYE.x,
        y = oy - EYE.y,
        zz = oz - z;
      const b = x * dx + y * dy + zz * dz,
        h = b * b - (x * x + y * y + zz * zz - radius * radius);
      if (h < 0) continue;
      const t = -b - Math.sqrt(h);
      if (t <= 0 || t >= nearest) continue;
      nearest = t;
      hit = [
        ox + dx * t,
        oy + dy * t,
        oz + dz * t,
        (x + dx * t) / radius,
        (y + dy * t) / radius,
        (zz + dz * t) / radius,
        share,
      ];
    }
  return hit;
}

/** Where a ray meets a lens of the spectacles. */
function meetLens(
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
  tilt: number,
): readonly number[] | null {
  if (dz > -0.2) return null;
  let t = (LENS.z - oz) / dz;
  for (let i = 0; i < 2; i += 1) t = (LENS.z - LENS.bow * (ox + dx * t) ** 2 - oz) / dz;
  const x = ox + dx * t,
    y = oy + dy * t;
  const qx = Math.max(0, Math.abs(Math.abs(x) - LENS.x) - LENS.halfX),
    qy = Math.max(0, Math.abs(y - LENS.y) - LENS.halfY);
  if (Math.sqrt(qx * qx + qy * qy) > LENS.round) return null;
  const [nx, ny, nz] = [2 * LENS.bow * x, -Math.sin(tilt), Math.cos(tilt)];
  const one = 1 / Math.sqrt(nx * nx + ny * ny + nz * nz);
  return [x, y, oz + dz * t, nx * one, ny * one, nz * one, LENS_SHARE];
}

/** How wide the sun looks in a mirror that is not quite smooth. */
const SUN_SPREAD = 0.045;

/** Adds a source's own image in eyes and lenses, radiance at unit strength. */
export function addCatchLights(
  { pixel, origin, direction, share, open }: Mirrors,
  source: Source,
  pixelsFrom: number,
  pixelsTo: number,
  gloss: Float32Array,
): void {
  const area = source.kind === 'area' ? source : null;
  const areaM2 = area === null ? 1 : faceAreaM2(area);
  const axis = source.kind === 'area' ? source.axis : source.towards;
  for (let k = 0; k < pixel.length; k += 1) {
    const o = pixel[k]!;
    if (o < pixelsFrom || o >= pixelsTo || open[k] === 0) continue;
    const q = k * 3,
      dx = direction[q]!,
      dy = direction[q + 1]!,
      dz = direction[q + 2]!;
    const along = dx * axis[0] + dy * axis[1] + dz * axis[2];
    if (area === null) {
      if (along < 0.9) continue;
      const a2 = SUN_SPREAD ** 4,
        spread = ((1 + along) / 2) * (a2 - 1) + 1;
      gloss[o]! += (share[k]! * a2) / (Math.PI * spread * spread * 4);
      continue;
    }
    if (along >= -1e-3) continue;
    const ox = area.centre[0] - origin[q]!,
      oy = area.centre[1] - origin[q + 1]!,
      oz = area.centre[2] - origin[q + 2]!;
    const t = (ox * axis[0] + oy * axis[1] + oz * axis[2]) / along;
    if (t <= 0) continue;
    const px = dx * t - ox,
      py = dy * t - oy,
      pz = dz * t - oz;
    const a = Math.abs(px * area.across[0] + py * area.across[1] + pz * area.across[2]) / area.halfAcross,
      b = Math.abs(px * area.up[0] + py * area.up[1] + pz * area.up[2]) / area.halfUp;
    const inside =
      area.outline === 'rectangle'
        ? a <= 1 && b <= 1
        : area.outline === 'round'
          ? a * a + b * b <= 1
          : Math.max(a, b, (a + b) * 0.7071) <= 1;
    if (inside)
      gloss[o]! +=
        (share[k]! * area.beam[(-along * BEAM_STEPS + 0.5) | 0]! * smoothstep(0, 0.05, -along)) /
        (areaM2 * Math.max(0.3, -along));
  }
}
