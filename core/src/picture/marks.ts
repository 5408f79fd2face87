import { cross, dot, lensOf, MATERIAL, minus, type Vec } from '../renderer';
import type { Setup } from '../setup';
import type { SolutionNumbers } from '../solution';
import type { PictureOf } from './pictureOf';

/** A metering point on the picture: where, in parts of its size, and where its tone lands; the ladder's own number. */
export interface ToneMark {
  pointId: string;
  name: string;
  x: number;
  y: number;
  placedStops: number;
}

/** Places on the head that points stand for, cm; a side is the key's. */
const ON_HEAD: Partial<Record<Setup['points'][number]['role'], (side: number) => Vec>> = {
  face: (side) => [2.9 * side, -3.6, 8.2],
  shadow: (side) => [-3.6 * side, -4.4, 7.4],
  highlight: (side) => [-4 * side, 10, -1],
  white: () => [0, -27, 8],
  dark: () => [9, -30, 6],
  grey: () => [0, -18, 6],
};

/** Where a place of the head falls in the picture, in parts of its size; null outside it. */
function project({ scene: { view }, width, height }: PictureOf, place: Vec): { x: number; y: number } | null {
  const lens = lensOf(view, height);
  const to = minus(place, lens.from);
  const deep = dot(to, lens.forward);
  const x = (dot(to, lens.right) / deep / lens.scale + width / 2) / width;
  const y = (height / 2 - dot(to, cross(lens.right, lens.forward)) / deep / lens.scale) / height;
  return x > 0 && x < 1 && y > 0 && y < 1 ? { x, y } : null;
}

/** What each pixel of a picture is, as the renderer found it at some size. */
export interface Seen {
  materials: Uint8Array;
  width: number;
  height: number;
}

/** The first pixel of a material near the upper corner away from the key. */
function findMaterial(
  { materials, width, height }: Seen,
  material: number,
  side: number,
): { x: number; y: number } | null {
  for (const part of [0.22, 0.1, 0.35, 0.5, 0.7])
    for (const across of [0.12, 0.2, 0.06, 0.3]) {
      const x = side > 0 ? across : 1 - across;
      if (materials[Math.floor(part * height) * width + Math.floor(x * width)] === material) return { x, y: part };
    }
  return null;
}

/** The tones of the metering points on the picture: the ladder's numbers at their places. */
export function toneMarks(setup: Setup, solution: SolutionNumbers, picture: PictureOf, seen: Seen): ToneMark[] {
  const side = (setup.lights.find(({ role }) => role === 'key')?.sideDeg ?? 40) < 0 ? -1 : 1;
  const turn = setup.stage.subject.turnDeg * (Math.PI / 180);
  return solution.points.flatMap(({ pointId, role, name, placedStops }): ToneMark[] => {
    if (placedStops === null) return [];
    const local = ON_HEAD[role]?.(side);
    const at =
      local !== undefined
        ? project(picture, [
            local[0] * Math.cos(turn) + local[2] * Math.sin(turn),
            local[1],
            local[2] * Math.cos(turn) - local[0] * Math.sin(turn),
          ])
        : role === 'background'
          ? (findMaterial(seen, MATERIAL.backdrop, side) ?? findMaterial(seen, MATERIAL.sky, side))
          : role === 'sky'
            ? findMaterial(seen, MATERIAL.sky, -side)
            : null;
    return at === null ? [] : [{ pointId, name, ...at, placedStops }];
  });
}
