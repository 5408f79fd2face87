import { cross, lengthOf, minus, unit, type Vec } from './base/vector';
import type { PictureScene, Viewpoint } from './scene';
import { exactDistance, gridDistance } from './sculpture/brickGrid';
import { EYE, MATERIAL } from './sculpture/bust';
import { found } from './sculpture/distanceTape';
import { BODY, met, type Model, tracePeople } from './sculpture/model';
import { paintAt, painted, paintHairline, planeNoise } from './sculpture/paint';

/** The camera's place and axes; `scale` is the picture plane's size per pixel at unit distance. */
export interface Lens {
  from: Vec;
  forward: Vec;
  right: Vec;
  up: Vec;
  scale: number;
  /** size of a pixel on the subject, cm */
  pixelCm: number;
}

/** What the eye meets, pixel by pixel: found once for a framing, used by every light. */
export interface ViewBuffers {
  width: number;
  height: number;
  lens: Lens;
  /** place, cm; for the sky the direction */
  place: Float32Array;
  normal: Float32Array;
  /** direction to the camera */
  towards: Float32Array;
  albedo: Float32Array;
  material: Uint8Array;
  person: Uint8Array;
}

/** Regions that are levelled each by its own readings: people and what is near them, backdrop, sky. */
export const REGION = { subject: 0, backdrop: 1, sky: 2 } as const;
export const regionOf = (material: number): number =>
  material === MATERIAL.sky ? REGION.sky : material === MATERIAL.backdrop ? REGION.backdrop : REGION.subject;

export function lensOf({ from, at, heightCm }: Viewpoint, height: number): Lens {
  const forward = unit(minus(at, from));
  const right = unit(cross(forward, [0, 1, 0]));
  const scale = heightCm / height / lengthOf(minus(at, from));
  return { from, forward, right, up: cross(right, forward), scale, pixelCm: heightCm / height };
}

export function emptyView(width: number, height: number, viewpoint: Viewpoint): ViewBuffers {
  const pixels = width * height;
  const three = () => new Float32Array(3 * pixels);
  return {
    width,
    height,
    lens: lensOf(viewpoint, height),
    place: three(),
    normal: three(),
    towards: three(),
    albedo: three(),
    material: new Uint8Array(pixels),
    person: new Uint8Array(pixels),
  };
}

const GROUND_REACH_CM = 15_000;
/** People stand within this much of what the camera looks at, cm. */
const DEPTH_CM = 900;
/** Trees end about this high over the ground, cm. */
const TREE_TOP_CM = 520;

/** Leaves: three sizes of noise, turned against each other so that no grid shows. */
function leaves(x: number, y: number): number {
  const coarse = planeNoise((0.8 * x + 0.6 * y) / 75, (0.8 * y - 0.6 * x) / 75),
    middle = planeNoise((0.5 * x - 0.87 * y) / 31 + 9, (0.5 * y + 0.87 * x) / 31),
    fine = planeNoise((0.94 * x + 0.34 * y) / 11, (0.94 * y - 0.34 * x) / 11 + 4);
  return 0.25 + 1.5 * coarse * (0.35 + 0.45 * middle + 0.35 * fine);
}

/** The height of the trees' edge at a place of the backdrop. */
const treeTop = (groundY: number, x: number): number =>
  groundY + TREE_TOP_CM * (0.55 + 0.35 * planeNoise(x / 160 + 7, 1) + 0.2 * planeNoise(x / 50, 5));

/** What lies behind the people along a ray; leaves how far in `behind`. */
const behind = { distance: 0 };
export function materialBehind(
  { groundY, backdrop }: PictureScene,
  [px, py, pz]: Vec,
  dx: number,
  dy: number,
  dz: number,
): number {
  let material: number = MATERIAL.sky;
  behind.distance = 1e9;
  if (dy < 0) {
    const t = (groundY - py) / dy;
    if (t < GROUND_REACH_CM) {
      behind.distance = t;
      material = backdrop.kind === 'water' && pz + dz * t < backdrop.z ? MATERIAL.backdrop : MATERIAL.ground;
    }
  }
  if ((backdrop.kind === 'wall' || backdrop.kind === 'trees') && dz < 0) {
    const t = (backdrop.z - pz) / dz;
    if (t < behind.distance && (backdrop.kind === 'wall' || py + dy * t < treeTop(groundY, px + dx * t))) {
      behind.distance = t;
      material = MATERIAL.backdrop;
    }
  }
  return material;
}

const NORMAL_STEP_CM = 0.02;

/** Fills rows `from` to `to` of the view. */
// eslint-disable-next-line max-lines-per-function -- inner loop over pixels or cells: a call each costs more than it tells
export function seeRows(view: ViewBuffers, model: Model, scene: PictureScene, from: number, to: number): void {
  const { width, height, lens, place, normal, towards, material } = view;
  const { grid, tape } = model;
  const [px, py, pz] = lens.from;
  const reach = lengthOf(minus(scene.view.at, scene.view.from));
  const e = NORMAL_STEP_CM;
  for (let j = from; j < to; j += 1)
    for (let i = 0; i < width; i += 1) {
      const X = (i + 0.5 - width / 2) * lens.scale,
        Y = (height / 2 - j - 0.5) * lens.scale;
      let dx = lens.forward[0] + lens.right[0] * X + lens.up[0] * Y,
        dy = lens.forward[1] + lens.right[1] * X + lens.up[1] * Y,
        dz = lens.forward[2] + lens.right[2] * X + lens.up[2] * Y;
      const one = 1 / Math.sqrt(dx * dx + dy * dy + dz * dz);
      dx *= one;
      dy *= one;
      dz *= one;
      const o = j * width + i,
        q = o * 3;
      towards[q] = -dx;
      towards[q + 1] = -dy;
      towards[q + 2] = -dz;
      let t = tracePeople(model, px, py, pz, dx, dy, dz, Math.max(10, reach - 70), reach + DEPTH_CM, 0.008);
      if (t < 0) {
        seeBehind(view, scene, o, dx, dy, dz);
        continue;
      }
      const who = met.person;
      const p = model.people[who]!;
      // into the coordinates of the head
      const ldx = dx * p.cos - dz * p.sin,
        ldz = dx * p.sin + dz * p.cos;
      const lox = (px - p.x) * p.cos - (pz - p.z) * p.sin,
        loy = py - p.y,
        loz = (px - p.x) * p.sin + (pz - p.z) * p.cos;
      if (met.body) {
        seeBody(view, who, p, q, o, px + dx * t, py + dy * t, pz + dz * t, lox + ldx * t, loz + ldz * t);
        continue;
      }
      const rest = exactDistance(grid, tape, lox + ldx * t, loy + dy * t, loz + ldz * t);
      const surface = found.material || MATERIAL.skin;
      if (rest < 0.5) t += rest * 0.95;
      const x = lox + ldx * t,
        y = loy + dy * t,
        z = loz + ldz * t;
      let nx: number, ny: number, nz: number;
      if (surface === MATERIAL.cloth && y < -20) {
        const c = 0.25;
        nx = gridDistance(grid, x + c, y, z) - gridDistance(grid, x - c, y, z);
        ny = gridDistance(grid, x, y + c, z) - gridDistance(grid, x, y - c, z);
        nz = gridDistance(grid, x, y, z + c) - gridDistance(grid, x, y, z - c);
      } else {
        const a = exactDistance(grid, tape, x + e, y - e, z - e),
          b = exactDistance(grid, tape, x - e, y - e, z + e),
          c = exactDistance(grid, tape, x - e, y + e, z - e),
          d = exactDistance(grid, tape, x + e, y + e, z + e);
        nx = a - b - c + d;
        ny = -a - b + c + d;
        nz = -a + b - c + d;
      }
      if (nx * nx + ny * ny + nz * nz < 1e-12) {
        nx = -ldx;
        ny = -dy;
        nz = -ldz;
      } // grazed outside the bricks
      let length = 1 / Math.sqrt(nx * nx + ny * ny + nz * nz);
      nx *= length;
      ny *= length;
      nz *= length;
      if (surface === MATERIAL.cloth || surface === MATERIAL.hat) {
        const relief = surface === MATERIAL.cloth ? 0.1 : 0.06,
          weave = surface === MATERIAL.cloth ? 5 : 7;
        nx += (planeNoise(x * weave + z * 3, y * weave) - 0.5) * relief;
        ny += (planeNoise(x * weave + 50, y * weave + z * 4) - 0.5) * relief;
        length = 1 / Math.sqrt(nx * nx + ny * ny + nz * nz);
        nx *= length;
        ny *= length;
        nz *= length;
      }
      place[q] = px + dx * t;
      place[q + 1] = py + dy * t;
      place[q + 2] = pz + dz * t;
      normal[q] = nx * p.cos + nz * p.sin;
      normal[q + 1] = ny;
      normal[q + 2] = nz * p.cos - nx * p.sin;
      material[o] = surface;
      view.person[o] = who;
      paint(view, scene, model, o, x, y, z, t);
    }
}

/** A pixel of a simple body, all cloth. */
function seeBody(
  { place, normal, albedo, material, person }: ViewBuffers,
  who: number,
  { cos, sin }: Model['people'][number],
  q: number,
  o: number,
  gx: number,
  gy: number,
  gz: number,
  x: number,
  z: number,
): void {
  const nx = x / BODY.across ** 2,
    nz = (z - BODY.z) / BODY.deep ** 2,
    one = 1 / Math.sqrt(nx * nx + nz * nz);
  place[q] = gx;
  place[q + 1] = gy;
  place[q + 2] = gz;
  normal[q] = (nx * cos + nz * sin) * one;
  normal[q + 1] = 0;
  normal[q + 2] = (nz * cos - nx * sin) * one;
  material[o] = MATERIAL.cloth;
  person[o] = who;
  paintAt(MATERIAL.cloth, x, 0, z, [0, 0, 0], [0, 0, 0]);
  for (let k = 0; k < 3; k += 1) albedo[q + k] = painted[k]!;
}

/** Paints a pixel of a person; eyes are only a few pixels large and are averaged over 4 × 4 places. */
function paint(
  { albedo, material, lens }: ViewBuffers,
  { look: { skin, hair } }: PictureScene,
  { tape }: Model,
  o: number,
  x: number,
  y: number,
  z: number,
  t: number,
): void {
  const surface = material[o]!;
  const q = o * 3;
  if (surface === MATERIAL.eye && z > EYE.z) {
    const step = (lens.scale * t) / 4;
    let r = 0,
      g = 0,
      b = 0;
    for (let s = 0; s < 16; s += 1) {
      paintAt(surface, x + ((s & 3) - 1.5) * step, y + ((s >> 2) - 1.5) * step, z, skin, hair);
      r += painted[0]!;
      g += painted[1]!;
      b += painted[2]!;
    }
    albedo[q] = r / 16;
    albedo[q + 1] = g / 16;
    albedo[q + 2] = b / 16;
    return;
  }
  paintAt(surface, x, y, z, skin, hair);
  if (surface === MATERIAL.skin) paintHairline(tape, x, y, z, hair);
  albedo[q] = painted[0]!;
  albedo[q + 1] = painted[1]!;
  albedo[q + 2] = painted[2]!;
}

/** A pixel of ground, backdrop or sky. */
function seeBehind(
  { lens, place, normal, albedo, material }: ViewBuffers,
  scene: PictureScene,
  o: number,
  dx: number,
  dy: number,
  dz: number,
): void {
  const q = o * 3;
  const surface = materialBehind(scene, lens.from, dx, dy, dz);
  material[o] = surface;
  if (surface === MATERIAL.sky) {
    place[q] = dx;
    place[q + 1] = dy;
    place[q + 2] = dz;
    return;
  }
  const t = behind.distance;
  const x = lens.from[0] + dx * t,
    y = lens.from[1] + dy * t,
    z = lens.from[2] + dz * t;
  place[q] = x;
  place[q + 1] = y;
  place[q + 2] = z;
  const upright = surface === MATERIAL.backdrop && scene.backdrop.kind !== 'water';
  normal[q] = 0;
  normal[q + 1] = upright ? 0 : 1;
  normal[q + 2] = upright ? 1 : 0;
  const { kind, albedo: backdrop } = scene.backdrop;
  const texture =
    surface === MATERIAL.ground
      ? 0.75 + 0.5 * planeNoise(x / 90, z / 160)
      : kind === 'trees'
        ? leaves(x, y)
        : 0.92 + 0.16 * planeNoise(x / 60, y / 60);
  const colour = surface === MATERIAL.ground ? scene.groundAlbedo : backdrop;
  for (let k = 0; k < 3; k += 1) albedo[q + k] = colour[k]! * texture;
}
