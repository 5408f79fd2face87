import { BUST_BOX, sculptBust } from './bust';
import { type BrickGrid, bakeGrid, traceGrid } from './brickGrid';
import type { Tape } from './distanceTape';
import type { Blocker, PictureScene } from './scene';

/** One head and its turn, as rays need it. */
interface Instance {
  x: number;
  y: number;
  z: number;
  cos: number;
  sin: number;
}

/** The people as rays meet them: one sculpture, placed and turned for each. */
export interface Model {
  tape: Tape;
  grid: BrickGrid;
  people: Instance[];
  blockers: readonly Blocker[];
}

/** Finer cells show lids and lips more truly and take longer to bake. */
export const FINE_CELL_CM = 0.2;
export const DRAFT_CELL_CM = 0.4;

const NEAR_CM = 0.02;

/** Bakes the sculpture of a look; it holds for every scene with the same look. */
export function bakeSculpture(look: PictureScene['look'], cellCm: number): Pick<Model, 'tape' | 'grid'> {
  const tape = sculptBust(look);
  return { tape, grid: bakeGrid(tape, BUST_BOX, cellCm) };
}

/** Places a sculpture for each person of a scene. */
export const modelOf = ({ tape, grid }: Pick<Model, 'tape' | 'grid'>, { people, blockers }: Pick<PictureScene, 'people' | 'blockers'>): Model => ({
  tape, grid, blockers,
  people: people.map(({ at: [x, y, z], turn }) => ({ x, y, z, cos: Math.cos(turn), sin: Math.sin(turn) })),
});

/** The person that the last ray met. */
export const met = { person: 0 };

/** The nearest person along a ray: how far, cm, or −1. Leaves who it is in `met`. */
export function tracePeople({ grid, people }: Model, ox: number, oy: number, oz: number, dx: number, dy: number, dz: number, from: number, to: number, nearCm: number): number {
  let nearest = -1;
  let end = to;
  for (let i = 0; i < people.length; i += 1) {
    const p = people[i]!;
    const x = ox - p.x, z = oz - p.z;
    const t = traceGrid(grid, x * p.cos - z * p.sin, oy - p.y, x * p.sin + z * p.cos, dx * p.cos - dz * p.sin, dy, dx * p.sin + dz * p.cos, from, end, nearCm);
    if (t >= 0) { nearest = t; end = t; met.person = i; }
  }
  return nearest;
}

/** True when somebody stands in the way. */
export function meetsPeople({ grid, people }: Model, ox: number, oy: number, oz: number, dx: number, dy: number, dz: number, to: number): boolean {
  for (let i = 0; i < people.length; i += 1) {
    const p = people[i]!;
    const x = ox - p.x, z = oz - p.z;
    if (traceGrid(grid, x * p.cos - z * p.sin, oy - p.y, x * p.sin + z * p.cos, dx * p.cos - dz * p.sin, dy, dx * p.sin + dz * p.cos, NEAR_CM, to, NEAR_CM) >= 0) return true;
  }
  return false;
}

/** The share of light that flat things let through along a ray, 0 to 1. */
export function passedShare(blockers: readonly Blocker[], ox: number, oy: number, oz: number, dx: number, dy: number, dz: number, to: number): number {
  let share = 1;
  for (let i = 0; i < blockers.length; i += 1) {
    const { centre, normal, across, up, halfAcross, halfUp, round, passes } = blockers[i]!;
    const slope = dx * normal[0] + dy * normal[1] + dz * normal[2];
    if (Math.abs(slope) < 1e-6) continue;
    const cx = centre[0] - ox, cy = centre[1] - oy, cz = centre[2] - oz;
    const t = (cx * normal[0] + cy * normal[1] + cz * normal[2]) / slope;
    if (t <= 1 || t >= to - 1) continue;
    const px = dx * t - cx, py = dy * t - cy, pz = dz * t - cz;
    const a = (px * across[0] + py * across[1] + pz * across[2]) / halfAcross, b = (px * up[0] + py * up[1] + pz * up[2]) / halfUp;
    if (round ? a * a + b * b <= 1 : Math.abs(a) <= 1 && Math.abs(b) <= 1) share *= passes;
  }
  return share;
}
