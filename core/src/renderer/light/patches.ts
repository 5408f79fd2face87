import type { PictureScene } from '../scene';
import { MATERIAL } from '../sculpture/bust';
import { BODY, met, type Model } from '../sculpture/model';
import { paintAt, painted } from '../sculpture/paint';
import { patchAt } from '../sculpture/surface';

/*
 * What throws light back on the people, in patches: their own surface, the ground about them and a wall behind. Each
 * has a place or more at which a source is asked for its light, with its shadow.
 */

/** Rings of the ground about the middle of the scene, cm; the last reaches to where little is left of any light. */
const RINGS_CM = [60, 120, 200, 320, 500, 900, 2200] as const;
const EIGHTHS = 8;
/** Steps of the wall across and up, cm about the head. */
const ACROSS_CM = [-200, -80, -25, 25, 80, 200] as const;
const UP_CM = [-60, -15, 25, 90] as const;
const WALL_ENDS_CM = 320;
/** A simple body is four sides, each in an upper and a lower half. */
const BODY_PATCHES = 8;
const BODY_HALF_CM = 50;
const BODY_SIDES = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;

/** Patches of one scene, people first, then ground, then wall. */
export interface Patches {
  count: number;
  perPerson: number;
  firstGround: number;
  firstWall: number;
  /** the places of patch `p` are `from[p]` to `from[p + 1]` */
  from: Int32Array;
  place: Float32Array;
  normal: Float32Array;
  albedo: Float32Array;
}

/** How many of the steps lie under a value. */
function stepOf(steps: readonly number[], value: number): number {
  let at = 0;
  while (at < steps.length && value > steps[at]!) at += 1;
  return at;
}

/** The patch of the ground at a place. */
export function groundPatch({ firstGround }: Patches, x: number, z: number): number {
  const ring = Math.min(RINGS_CM.length - 1, stepOf(RINGS_CM, Math.sqrt(x * x + z * z)));
  const eighth = (x > 0 ? 1 : 0) + (z > 0 ? 2 : 0) + (Math.abs(x) > Math.abs(z) ? 4 : 0);
  return firstGround + ring * EIGHTHS + eighth;
}

/** The patch of the wall at a place. */
export const wallPatch = ({ firstWall }: Patches, x: number, y: number): number =>
  firstWall + stepOf(UP_CM, y) * (ACROSS_CM.length + 1) + stepOf(ACROSS_CM, x);

/** The patch of whom the last traced ray met, there; −1 where none is kept. */
export function personPatch({ perPerson }: Patches, model: Model, x: number, y: number, z: number): number {
  const p = model.people[met.person]!;
  const gx = x - p.x,
    gz = z - p.z;
  const own = gx * p.cos - gz * p.sin,
    deep = gx * p.sin + gz * p.cos,
    height = y - p.y;
  const first = met.person * perPerson;
  if (met.body) {
    const side = Math.abs(own) * BODY.deep > Math.abs(deep) * BODY.across ? (own > 0 ? 0 : 1) : deep > 0 ? 2 : 3;
    return first + model.surface.patches + side + (height > BODY.top - BODY_HALF_CM ? 0 : 4);
  }
  const patch = patchAt(model.surface, model.grid, own, height, deep);
  return patch < 0 ? -1 : first + patch;
}

/** Patches as they are put together: their places one after the other. */
class PatchList {
  readonly from = [0];
  readonly place: number[] = [];
  readonly normal: number[] = [];
  readonly albedo: number[] = [];

  put(at: readonly number[], facing: readonly number[], colour: ArrayLike<number>): void {
    this.place.push(...at);
    this.normal.push(...facing);
    this.albedo.push(colour[0]!, colour[1]!, colour[2]!);
  }
  /** A patch has all its places. */
  end(): void {
    this.from.push(this.place.length / 3);
  }
  get count(): number {
    return this.from.length - 1;
  }
}

/** The surface of one person, and the sides of the simple body under it. */
function putPerson(
  list: PatchList,
  { surface, bodyTo }: Model,
  p: Model['people'][number],
  look: PictureScene['look'],
) {
  const world = (x: number, y: number, z: number) => [x * p.cos + z * p.sin, y, z * p.cos - x * p.sin] as const;
  const put = (x: number, y: number, z: number, facing: readonly [number, number, number]) => {
    const [wx, wy, wz] = world(x, y, z);
    list.put([wx + p.x, wy + p.y, wz + p.z], world(...facing), painted);
  };
  for (let patch = 0; patch < surface.patches; patch += 1) {
    for (let r = surface.from[patch]!; r < surface.from[patch + 1]!; r += 1) {
      const [x = 0, y = 0, z = 0] = surface.place.subarray(r * 3, r * 3 + 3);
      const [nx = 0, ny = 0, nz = 0] = surface.normal.subarray(r * 3, r * 3 + 3);
      paintAt(surface.material[r]!, x, y, z, look.skin, look.hair);
      put(x, y, z, [nx, ny, nz]);
    }
    list.end();
  }
  for (let part = 0; part < BODY_PATCHES; part += 1) {
    const [nx = 0, nz = 0] = BODY_SIDES[part % 4] ?? [];
    paintAt(MATERIAL.cloth, 0, 0, 0, look.skin, look.hair);
    const height = BODY.top - BODY_HALF_CM * (part < 4 ? 0.5 : 1.5);
    if (bodyTo !== null) put(nx * BODY.across, height, BODY.z + nz * BODY.deep, [nx, 0, nz]);
    list.end();
  }
}

/** The ground: four places a patch, at both halves of the ring's area and of its eighth of a turn. */
function putGround(list: PatchList, { groundY, groundAlbedo }: PictureScene): void {
  RINGS_CM.forEach((outer, ring) => {
    const inner = RINGS_CM[ring - 1] ?? 0;
    for (let eighth = 0; eighth < EIGHTHS; eighth += 1) {
      for (let part = 0; part < 4; part += 1) {
        const r = Math.sqrt(inner ** 2 + (outer ** 2 - inner ** 2) * (part < 2 ? 0.25 : 0.75));
        const turn = ((part % 2 === 0 ? 0.25 : 0.75) * Math.PI) / 4;
        const [far, near] = [r * Math.cos(turn), r * Math.sin(turn)];
        const [x, z] = eighth & 4 ? [far, near] : [near, far];
        list.put([eighth & 1 ? x : -x, groundY, eighth & 2 ? z : -z], [0, 1, 0], groundAlbedo);
      }
      list.end();
    }
  });
}

/** The wall behind: four places a patch. */
function putWall(list: PatchList, { groundY, backdrop }: PictureScene): void {
  const across = [-WALL_ENDS_CM, ...ACROSS_CM, WALL_ENDS_CM],
    up = [Math.min(groundY, UP_CM[0]), ...UP_CM, WALL_ENDS_CM];
  const within = (steps: readonly number[], at: number, share: number) =>
    steps[at]! + (steps[at + 1]! - steps[at]!) * share;
  for (let j = 0; j + 1 < up.length; j += 1)
    for (let i = 0; i + 1 < across.length; i += 1) {
      for (let part = 0; part < 4; part += 1) {
        const [x, y] = [within(across, i, part & 1 ? 0.75 : 0.25), within(up, j, part & 2 ? 0.75 : 0.25)];
        list.put([x, y, backdrop.z], [0, 0, 1], backdrop.albedo);
      }
      list.end();
    }
}

/** The patches of a scene. */
export function patchesOf(model: Model, scene: PictureScene): Patches {
  const list = new PatchList();
  for (const person of model.people) putPerson(list, model, person, scene.look);
  const firstGround = list.count;
  putGround(list, scene);
  const firstWall = list.count;
  if (scene.backdrop.kind === 'wall') putWall(list, scene);
  return {
    count: list.count,
    perPerson: model.surface.patches + BODY_PATCHES,
    firstGround,
    firstWall,
    from: Int32Array.from(list.from),
    place: Float32Array.from(list.place),
    normal: Float32Array.from(list.normal),
    albedo: Float32Array.from(list.albedo),
  };
}
