import type { Blocker, PictureScene } from '../scene';
import { bakeGrid, type BrickGrid, traceGrid } from './brickGrid';
import { BUST_BOX, type BustLook, sculptBust } from './bust';
import { type Tape } from './distanceTape';
import { type Surface, surfaceOf } from './surface';

/** One head and its turn, as rays need it. */
interface Instance {
  x: number;
  y: number;
  z: number;
  cos: number;
  sin: number;
}

/** A bust as it was sculpted: its field, the field baked for rays, and its surface in patches. */
export interface Sculpture {
  tape: Tape;
  grid: BrickGrid;
  surface: Surface;
}

/** The people as rays meet them: one sculpture, placed and turned for each. */
export interface Model extends Sculpture {
  people: Instance[];
  /** where the simple bodies under the busts end, cm; null: the frame ends above them */
  bodyTo: number | null;
  blockers: readonly Blocker[];
}

/** Cells of the baked sculpture: fine enough for shadows of lids and lips; normals come from the exact field. */
export const FINE_CELL_CM = 0.2;
/** Cells for small pictures, and for a first look: baked many times as quickly. */
export const SMALL_CELL_CM = 0.6;

const NEAR_CM = 0.02;

/** Bakes the sculpture of a look; it holds for every scene with the same look. */
export function bakeSculpture(look: BustLook, cellCm: number): Sculpture {
  const tape = sculptBust(look);
  const grid = bakeGrid(tape, BUST_BOX, cellCm);
  return { tape, grid, surface: surfaceOf(grid, tape) };
}

/** Places a sculpture for each person of a scene. */
export const modelOf = (
  sculpture: Sculpture,
  { people, blockers, bodies, groundY }: Pick<PictureScene, 'people' | 'blockers' | 'bodies' | 'groundY'>,
): Model => ({
  ...sculpture,
  blockers,
  bodyTo: bodies ? groundY : null,
  people: people.map(({ at: [x, y, z], turn }) => ({ x, y, z, cos: Math.cos(turn), sin: Math.sin(turn) })),
});

/** The person that the last ray met, and whether it was the simple body under the bust. */
export const met = { person: 0, body: false };

/** Half width and half depth of a body where it hides in the bust, that height, and how it narrows downwards, per cm. */
export const BODY = { across: 19, deep: 11.5, top: -55, z: -3.7, narrows: 0.0034 } as const;

/** Where a ray in a head's coordinates meets the narrowing oval under it; −1 for nowhere. */
function traceBody(
  x: number,
  y: number,
  z: number,
  dx: number,
  dy: number,
  dz: number,
  from: number,
  to: number,
  foot: number,
): number {
  const ax = x / BODY.across,
    az = (z - BODY.z) / BODY.deep,
    bx = dx / BODY.across,
    bz = dz / BODY.deep;
  const wide = 1 + BODY.narrows * (y - BODY.top),
    widens = BODY.narrows * dy;
  const a = bx * bx + bz * bz - widens * widens,
    b = ax * bx + az * bz - wide * widens,
    c = ax * ax + az * az - wide * wide,
    root = b * b - a * c;
  if (root < 0 || Math.abs(a) < 1e-12) return -1;
  const t = (-b - Math.sqrt(root)) / a,
    height = y + dy * t;
  return t > from && t < to && height < BODY.top && height > foot ? t : -1;
}

/** The nearest person along a ray: how far, cm, or −1. Leaves who it is in `met`. */
export function tracePeople(
  { grid, people, bodyTo }: Model,
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
  let nearest = -1;
  let end = to;
  for (let i = 0; i < people.length; i += 1) {
    const p = people[i]!;
    const x = ox - p.x,
      z = oz - p.z;
    const t = traceGrid(
      grid,
      x * p.cos - z * p.sin,
      oy - p.y,
      x * p.sin + z * p.cos,
      dx * p.cos - dz * p.sin,
      dy,
      dx * p.sin + dz * p.cos,
      from,
      end,
      nearCm,
    );
    if (t >= 0) {
      nearest = t;
      end = t;
      met.person = i;
      met.body = false;
    }
    if (bodyTo === null) continue;
    const b = traceBody(
      x * p.cos - z * p.sin,
      oy - p.y,
      x * p.sin + z * p.cos,
      dx * p.cos - dz * p.sin,
      dy,
      dx * p.sin + dz * p.cos,
      from,
      end,
      bodyTo - p.y,
    );
    if (b >= 0) {
      nearest = b;
      end = b;
      met.person = i;
      met.body = true;
    }
  }
  return nearest;
}

/** True when somebody stands in the way. */
export function meetsPeople(
  { grid, people, bodyTo }: Model,
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
  to: number,
): boolean {
  for (let i = 0; i < people.length; i += 1) {
    const p = people[i]!;
    const x = ox - p.x,
      z = oz - p.z;
    if (
      traceGrid(
        grid,
        x * p.cos - z * p.sin,
        oy - p.y,
        x * p.sin + z * p.cos,
        dx * p.cos - dz * p.sin,
        dy,
        dx * p.sin + dz * p.cos,
        NEAR_CM,
        to,
        NEAR_CM,
      ) >= 0
    )
      return true;
    if (
      bodyTo !== null &&
      traceBody(
        x * p.cos - z * p.sin,
        oy - p.y,
        x * p.sin + z * p.cos,
        dx * p.cos - dz * p.sin,
        dy,
        dx * p.sin + dz * p.cos,
        NEAR_CM,
        to,
        bodyTo - p.y,
      ) >= 0
    )
      return true;
  }
  return false;
}

/** The share of light that flat things let through along a ray, 0 to 1. */
export function passedShare(
  blockers: readonly Blocker[],
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
  to: number,
): number {
  let share = 1;
  for (let i = 0; i < blockers.length; i += 1) {
    const { centre, normal, across, up, halfAcross, halfUp, round, passes } = blockers[i]!;
    const slope = dx * normal[0] + dy * normal[1] + dz * normal[2];
    if (Math.abs(slope) < 1e-6) continue;
    const cx = centre[0] - ox,
      cy = centre[1] - oy,
      cz = centre[2] - oz;
    const t = (cx * normal[0] + cy * normal[1] + cz * normal[2]) / slope;
    if (t <= 1 || t >= to - 1) continue;
    const px = dx * t - cx,
      py = dy * t - cy,
      pz = dz * t - cz;
    const a = (px * across[0] + py * across[1] + pz * across[2]) / halfAcross,
      b = (px * up[0] + py * up[1] + pz * up[2]) / halfUp;
    if (round ? a * a + b * b <= 1 : Math.abs(a) <= 1 && Math.abs(b) <= 1) share *= passes;
  }
  return share;
}
