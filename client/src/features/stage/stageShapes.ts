import { type Flat, flatAxes, type Place } from '@sphene/core/scene';
import { type Spot, type StageView, toPx } from './stageView';

const ROUND_POINTS = 20;
const RADIANS = Math.PI / 180;
/** A cloth lights everywhere; its beam is drawn no wider than this. */
const WIDEST_DRAWN_DEG = 55;

/** Places as a polygon's points. */
export const pointsOf = (view: StageView, places: readonly Place[]): string =>
  places
    .map((place) => {
      const { x, y } = toPx(view, place);
      return `${x.toFixed(1)},${y.toFixed(1)}`;
    })
    .join(' ');
/** A place moved along a direction, m. */
export const off = (from: Place, direction: Place, by: number): Place => ({
  x: from.x + direction.x * by,
  y: from.y + direction.y * by,
  z: from.z + direction.z * by,
});

/** The outline of a flat thing as it is seen from above or from the side. */
export function outline({ at, faces, widthM, tallM, round }: Flat): Place[] {
  const { across, up } = flatAxes(faces);
  const at2 = (a: number, b: number) => off(off(at, across, (a * widthM) / 2), up, (b * tallM) / 2);
  return round
    ? Array.from({ length: ROUND_POINTS }, (_, i) =>
        at2(Math.cos((2 * Math.PI * i) / ROUND_POINTS), Math.sin((2 * Math.PI * i) / ROUND_POINTS)),
      )
    : [at2(-1, -1), at2(1, -1), at2(1, 1), at2(-1, 1)];
}

/** From a light's face to what it lights: half of its light falls inside. */
export function beamOf({ face }: StageView, flat: Flat, halfDeg: number, lengthM: number): Place[] {
  const { across, up } = flatAxes(flat.faces);
  const side = face === 'plan' ? across : up;
  const half = (face === 'plan' ? flat.widthM : flat.tallM) / 2;
  const spread = half + lengthM * Math.tan(Math.min(WIDEST_DRAWN_DEG, halfDeg) * RADIANS);
  const far = off(flat.at, flat.faces, lengthM);
  return [off(flat.at, side, -half), off(flat.at, side, half), off(far, side, spread), off(far, side, -spread)];
}

/**
 * A standing person seen from the side and facing right, from the chin down: how far forward, and how far down from the
 * eyes to the ground, as parts of that height.
 */
const BODY: readonly (readonly [forwardM: number, down: number])[] = [
  [0.05, 0.09],
  [0.06, 0.14],
  [0.13, 0.24],
  [0.13, 0.42],
  [0.1, 0.56],
  [0.07, 0.74],
  [0.04, 0.95],
  [0.17, 0.98],
  [0.17, 1],
  [-0.09, 1],
  [-0.07, 0.74],
  [-0.14, 0.55],
  [-0.11, 0.42],
  [-0.13, 0.22],
  [-0.07, 0.13],
  [-0.06, 0.09],
];
/** Shoulders are so much broader than a chest is deep. */
const BROADER = 1.6;

/** The body under a head in the side view, to scale; turned away it shows its breadth. */
export function bodyOf({ pxPerM }: StageView, { x, y }: Spot, groundY: number, turnDeg: number): string {
  const turn = turnDeg * RADIANS;
  const forward = Math.cos(turn) < 0 ? -1 : 1;
  const broad = Math.abs(Math.cos(turn)) + BROADER * Math.abs(Math.sin(turn));
  return BODY.map(
    ([ahead, down]) => `${(x + ahead * forward * broad * pxPerM).toFixed(1)},${(y + down * (groundY - y)).toFixed(1)}`,
  ).join(' ');
}

/** The nose of a head, by where the face looks. */
export function noseOf({ face }: StageView, x: number, y: number, r: number, turnDeg: number): string {
  const turn = turnDeg * RADIANS;
  const [dx, dy] = face === 'plan' ? [Math.sin(turn), Math.cos(turn)] : [Math.cos(turn), 0];
  return (
    `${x + dx * r * 1.55},${y + dy * r * 1.55} ` +
    `${x + dx * r * 0.8 - dy * r * 0.42},${y + dy * r * 0.8 + dx * r * 0.42} ` +
    `${x + dx * r * 0.8 + dy * r * 0.42},${y + dy * r * 0.8 - dx * r * 0.42}`
  );
}
