import type { PictureScene } from '../scene';
import { type Model, passedShare, tracePeople } from '../sculpture/model';
import { groundPatch, type Patches, personPatch, wallPatch } from './patches';
import { skyRadiance } from './sky';
import { discPattern } from './source';

const REACH_CM = 150;
const NEAR_CM = 0.02;
const MOST_RAYS = 64;

/** What the last half sphere holds: mean radiance of the soft light by channel, and which patches its rays met. */
export const gathered = {
  sky: new Float64Array(3),
  met: 0,
  patch: new Int32Array(MOST_RAYS),
  /** how much of each ray gets there past panels */
  share: new Float32Array(MOST_RAYS),
};

const radiance = new Float64Array(3);

/**
 * Looks about over a surface: cosine-weighted rays, so that each counts alike.
 * @param patches what rays are told by; null where only the soft light is wanted
 * @param turn how far the rays are turned about the normal, 0 to 1
 */
export function gatherAt(
  model: Model,
  { sky, groundAlbedo, groundY, backdrop }: PictureScene,
  patches: Patches | null,
  x: number,
  y: number,
  z: number,
  nx: number,
  ny: number,
  nz: number,
  turn: number,
  rays: number,
): void {
  const pattern = discPattern(rays);
  const blocked = model.blockers.length > 0;
  const wall = backdrop.kind === 'wall';
  const cos = Math.cos(turn * 6.2831853),
    sin = Math.sin(turn * 6.2831853);
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
    blue = 0;
  let count = 0;
  for (let k = 0; k < rays; k += 1) {
    const p0 = pattern[k * 2]!,
      p1 = pattern[k * 2 + 1]!;
    const s = p0 * cos - p1 * sin,
      t = p0 * sin + p1 * cos,
      h = Math.sqrt(Math.max(0, 1 - s * s - t * t));
    const dx = ux * s + vx * t + nx * h,
      dy = uy * s + vy * t + ny * h,
      dz = uz * s + vz * t + nz * h;
    const far = tracePeople(model, x, y, z, dx, dy, dz, NEAR_CM, REACH_CM, NEAR_CM);
    if (far >= 0) {
      const patch = patches === null ? -1 : personPatch(patches, model, x + dx * far, y + dy * far, z + dz * far);
      if (patch < 0) continue;
      gathered.patch[count] = patch;
      gathered.share[count] = 1;
      count += 1;
      continue;
    }
    const share = blocked ? passedShare(model.blockers, x, y, z, dx, dy, dz, 1e9) : 1;
    if (share <= 0) continue;
    // the wall, unless the ground is met first
    const toWall = wall && dz < -0.001 ? (backdrop.z - z) / dz : 1e9,
      toGround = dy < 0 ? (groundY - y) / dy : 1e9;
    const meetsWall = toWall < toGround && toWall > 0.5;
    if (patches !== null && (meetsWall || dy < 0)) {
      gathered.patch[count] = meetsWall
        ? wallPatch(patches, x + dx * toWall, y + dy * toWall)
        : groundPatch(patches, x + dx * toGround, z + dz * toGround);
      gathered.share[count] = share;
      count += 1;
    }
    if (!sky.closed && (meetsWall || dy < 0)) continue;
    skyRadiance(sky, dx, Math.abs(dy), dz, radiance);
    const floor = dy < 0 ? share * (0.25 + groundAlbedo[1]) : share;
    red += floor * radiance[0]!;
    green += floor * radiance[1]!;
    blue += floor * radiance[2]!;
  }
  gathered.met = count;
  gathered.sky[0] = red / rays;
  gathered.sky[1] = green / rays;
  gathered.sky[2] = blue / rays;
}
