import { lengthM, minus, type Place } from './position';

/** A flat thing in the scene: a reflector, a panel, a window. Metres. */
export interface Flat {
  at: Place;
  /** unit direction that its front looks in */
  faces: Place;
  widthM: number;
  tallM: number;
  round: boolean;
}

const times = (a: Place, by: number): Place => ({ x: a.x * by, y: a.y * by, z: a.z * by });
const plus = (a: Place, b: Place): Place => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
export const dot = (a: Place, b: Place): number => a.x * b.x + a.y * b.y + a.z * b.z;
const cross = (a: Place, b: Place): Place => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});

/** The unit direction of a vector; towards the camera for one without length. */
export function unitOf(a: Place): Place {
  const length = lengthM(a);
  return length === 0 ? { x: 0, y: 0, z: 1 } : times(a, 1 / length);
}

/** The directions across and up a flat thing. */
export function flatAxes(faces: Place): { across: Place; up: Place } {
  const level = cross(faces, { x: 0, y: 1, z: 0 });
  const across = lengthM(level) < 1e-3 ? { x: 1, y: 0, z: 0 } : unitOf(level);
  return { across, up: cross(across, faces) };
}

/** Rows and columns of cells on a flat thing. */
const ROWS = 12;
/** The middles of the cells, in halves of its width and height from its own middle. */
const SQUARE_CELLS = Array.from({ length: ROWS * ROWS }, (_, cell) => ({
  a: (2 * Math.floor(cell / ROWS) + 1) / ROWS - 1,
  b: (2 * (cell % ROWS) + 1) / ROWS - 1,
}));
const ROUND_CELLS = SQUARE_CELLS.filter(({ a, b }) => a * a + b * b <= 1);

/** Rows and columns of a flat thing's larger parts: enough where what falls on it, or what it mirrors, differs over it. */
const PART_ROWS = 4;
const SQUARE_PARTS = Array.from({ length: PART_ROWS * PART_ROWS }, (_, part) => ({
  a: (2 * Math.floor(part / PART_ROWS) + 1) / PART_ROWS - 1,
  b: (2 * (part % PART_ROWS) + 1) / PART_ROWS - 1,
}));
const ROUND_PARTS = SQUARE_PARTS.filter(({ a, b }) => a * a + b * b <= 1);

/** How finely a flat thing is summed over: in small cells, or in larger parts where it is one of many that are summed. */
export type FlatCells = 'cells' | 'parts';

/** How a receiver answers light by the cosine of the angle from where it faces. */
export type Answer = (cosine: number) => number;
export const CARD_ANSWER: Answer = (cosine) => Math.max(0, cosine);
export const DOME_ANSWER: Answer = (cosine) => (1 + cosine) / 2;

/**
 * Light at a place from an evenly lit flat thing, against the light that it sends out itself: the configuration factor,
 * `∫ cosθ₁·answer(cosθ₂) / (π·r²) dA`, for a card or a dome.
 * @param faces where the receiver looks
 */
export const shareFromFlat = (flat: Flat, at: Place, faces: Place, answer: Answer, by?: FlatCells): number =>
  overFlat(
    flat,
    at,
    (way, solidAngle, leaving) => (leaving <= 0 ? 0 : solidAngle * Math.max(0, answer(dot(way, faces)))),
    by,
  ) / Math.PI;

/**
 * A sum over a flat thing's cells as seen from a place.
 * @param weigh takes the unit direction to a cell, the solid angle that it fills, the cosine at it (negative from behind), and
 * where it lies
 */
export function overFlat(
  { at, faces, widthM, tallM, round }: Flat,
  from: Place,
  weigh: (way: Place, solidAngle: number, leaving: number, cell: Place) => number,
  by: FlatCells = 'cells',
): number {
  const { across, up } = flatAxes(faces);
  const cells = by === 'cells' ? (round ? ROUND_CELLS : SQUARE_CELLS) : round ? ROUND_PARTS : SQUARE_PARTS;
  const areaM2 = (round ? (Math.PI / 4) * widthM * tallM : widthM * tallM) / cells.length;
  let sum = 0;
  for (const { a, b } of cells) {
    const cell = plus(at, plus(times(across, (a * widthM) / 2), times(up, (b * tallM) / 2)));
    const to = minus(cell, from);
    const r2 = Math.max(1e-4, dot(to, to));
    const way = times(to, 1 / Math.sqrt(r2));
    const leaving = -dot(way, faces);
    sum += weigh(way, (Math.abs(leaving) * areaM2) / r2, leaving, cell);
  }
  return sum;
}

/** The middles of a flat thing's larger parts, all of one size. */
export function partsOf({ at, faces, widthM, tallM, round }: Flat): Place[] {
  const { across, up } = flatAxes(faces);
  return (round ? ROUND_PARTS : SQUARE_PARTS).map(({ a, b }) =>
    plus(at, plus(times(across, (a * widthM) / 2), times(up, (b * tallM) / 2))),
  );
}

/** Nearer than this to an end of a way, a thing is there and not in between, metres. */
const TOUCHING_M = 0.05;

/** True when the way from one place to another (or on in a direction, `to` far away) goes through a flat thing. */
export function passesThrough({ at, faces, widthM, tallM, round }: Flat, from: Place, to: Place): boolean {
  const way = minus(to, from);
  const slope = dot(way, faces);
  if (Math.abs(slope) < 1e-9) return false;
  const share = dot(minus(at, from), faces) / slope;
  const lengthOfWay = lengthM(way);
  if (share * lengthOfWay < TOUCHING_M || (1 - share) * lengthOfWay < TOUCHING_M) return false;
  const off = minus(plus(from, times(way, share)), at);
  const { across, up } = flatAxes(faces);
  const [a, b] = [dot(off, across) / (widthM / 2), dot(off, up) / (tallM / 2)];
  return round ? a * a + b * b <= 1 : Math.abs(a) <= 1 && Math.abs(b) <= 1;
}

/** A direction mirrored at a flat thing. */
export const mirrored = (direction: Place, faces: Place): Place =>
  minus(direction, times(faces, 2 * dot(direction, faces)));

/** A place moved in a direction. */
export const movedBy = (from: Place, direction: Place, byM: number): Place => plus(from, times(direction, byM));
