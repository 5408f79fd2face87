import { type BrickGrid, exactDistance, gridDistance } from './brickGrid';
import { BUST_BOX, MATERIAL } from './bust';
import { found, type Tape } from './distanceTape';

/** Patches are what lies within such a cube and faces the same of six ways, cm. */
const CELL_CM = 3.2;
const WAYS = 6;
const PLACES_A_PATCH = 2;
const SLOPE_CM = 0.12;
const [X0, Y0, Z0, X1, Y1, Z1] = BUST_BOX;
const NX = Math.ceil((X1 - X0) / CELL_CM),
  NY = Math.ceil((Y1 - Y0) / CELL_CM),
  NZ = Math.ceil((Z1 - Z0) / CELL_CM);

/** A sculpture's surface in patches, each with a place or two on it, in the coordinates of the head. */
export interface Surface {
  /** the patch by cell and way; −1 for none */
  table: Int16Array;
  patches: number;
  /** the places of patch `p` are `from[p]` to `from[p + 1]` */
  from: Int32Array;
  place: Float32Array;
  normal: Float32Array;
  material: Uint8Array;
}

/** The way that a surface faces, found by the last call of `facingAt`. */
const facing = { x: 0, y: 0, z: 0 };
function facingAt(grid: BrickGrid, x: number, y: number, z: number): void {
  const e = SLOPE_CM;
  const a = gridDistance(grid, x + e, y - e, z - e),
    b = gridDistance(grid, x - e, y - e, z + e),
    c = gridDistance(grid, x - e, y + e, z - e),
    d = gridDistance(grid, x + e, y + e, z + e);
  facing.x = a - b - c + d;
  facing.y = -a - b + c + d;
  facing.z = -a + b - c + d;
}

/** Where in the table a place with the normal in `facing` belongs; −1 outside the box. */
function slotAt(x: number, y: number, z: number): number {
  const i = Math.floor((x - X0) / CELL_CM),
    j = Math.floor((y - Y0) / CELL_CM),
    k = Math.floor((z - Z0) / CELL_CM);
  if (i < 0 || j < 0 || k < 0 || i >= NX || j >= NY || k >= NZ) return -1;
  const ax = Math.abs(facing.x),
    ay = Math.abs(facing.y),
    az = Math.abs(facing.z);
  let way: number;
  if (ax > ay && ax > az) way = facing.x > 0 ? 0 : 1;
  else if (ay > az) way = facing.y > 0 ? 2 : 3;
  else way = facing.z > 0 ? 4 : 5;
  return ((k * NY + j) * NX + i) * WAYS + way;
}

/** The patch at a place of the surface, in the coordinates of the head; −1 where none is kept. */
export function patchAt({ table }: Surface, grid: BrickGrid, x: number, y: number, z: number): number {
  facingAt(grid, x, y, z);
  const slot = slotAt(x, y, z);
  if (slot < 0) return -1;
  if (table[slot]! >= 0) return table[slot]!;
  // where the surface turns over an edge of its cell: whatever else is in it
  const first = slot - (slot % WAYS);
  for (let way = 0; way < WAYS; way += 1) if (table[first + way]! >= 0) return table[first + way]!;
  return -1;
}

/** Cuts a baked sculpture's surface into patches: places by its bricks, drawn onto it along the field's slope. */
export function surfaceOf(grid: BrickGrid, tape: Tape): Surface {
  const table = new Int16Array(NX * NY * NZ * WAYS).fill(-1);
  const placed: { place: number[]; normal: number[]; material: number[] }[] = [];
  const keep = (x: number, y: number, z: number) => {
    let [px, py, pz] = [x, y, z];
    for (let step = 0; step < 3; step += 1) {
      facingAt(grid, px, py, pz);
      const length = Math.hypot(facing.x, facing.y, facing.z);
      const distance = gridDistance(grid, px, py, pz);
      if (length < 1e-6 || Math.abs(distance) > 3) return;
      px -= (facing.x / length) * distance;
      py -= (facing.y / length) * distance;
      pz -= (facing.z / length) * distance;
    }
    if (Math.abs(gridDistance(grid, px, py, pz)) > 0.05) return;
    facingAt(grid, px, py, pz);
    const slot = slotAt(px, py, pz);
    if (slot < 0) return;
    if (table[slot]! < 0) {
      table[slot] = placed.length;
      placed.push({ place: [], normal: [], material: [] });
    }
    const patch = placed[table[slot]!]!;
    if (patch.material.length >= PLACES_A_PATCH) return;
    const length = Math.hypot(facing.x, facing.y, facing.z);
    exactDistance(grid, tape, px, py, pz);
    patch.place.push(px, py, pz);
    patch.normal.push(facing.x / length, facing.y / length, facing.z / length);
    patch.material.push(found.material || MATERIAL.skin);
  };
  const brick = grid.brickCm;
  grid.index.forEach((own, cell) => {
    if (own < 0) return;
    const i = cell % grid.nx,
      j = Math.floor(cell / grid.nx) % grid.ny,
      k = Math.floor(cell / (grid.nx * grid.ny));
    for (let corner = 0; corner < 8; corner += 1) {
      const x = (i + (corner & 1 ? 0.75 : 0.25)) * brick,
        y = grid.y0 + (j + (corner & 2 ? 0.75 : 0.25)) * brick,
        z = grid.z0 + (k + (corner & 4 ? 0.75 : 0.25)) * brick;
      keep(x, y, z);
      keep(-x, y, z);
    }
  });
  const from = new Int32Array(placed.length + 1);
  placed.forEach(({ material }, p) => {
    from[p + 1] = from[p]! + material.length;
  });
  return {
    table,
    patches: placed.length,
    from,
    place: Float32Array.from(placed.flatMap(({ place }) => place)),
    normal: Float32Array.from(placed.flatMap(({ normal }) => normal)),
    material: Uint8Array.from(placed.flatMap(({ material }) => material)),
  };
}
