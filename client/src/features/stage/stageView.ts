import { type Place, wrapDeg } from '@sphene/core/scene';

/** How the stage is looked at: from above, the camera at the bottom; or from the side, the camera at the right. */
export type Face = 'plan' | 'side';

/** Where the subject's eyes lie on the canvas, and its scale. */
export interface StageView {
  face: Face;
  originX: number;
  originY: number;
  pxPerM: number;
}

/** A place on the canvas, px. */
export interface Spot {
  x: number;
  y: number;
}

export const toPx = ({ face, originX, originY, pxPerM }: StageView, { x, y, z }: Place): Spot =>
  face === 'plan'
    ? { x: originX + x * pxPerM, y: originY + z * pxPerM }
    : { x: originX + z * pxPerM, y: originY - y * pxPerM };

/** The place under a spot; what this face does not show is kept as it was. */
export const fromPx = ({ face, originX, originY, pxPerM }: StageView, { x, y }: Spot, before: Place): Place =>
  face === 'plan'
    ? { x: (x - originX) / pxPerM, y: before.y, z: (y - originY) / pxPerM }
    : { x: before.x, y: (originY - y) / pxPerM, z: (x - originX) / pxPerM };

/** Room at the edge, so that a handle there is whole. */
const MARGIN_PX = 34;

/** The view that shows all of these places, moved and zoomed by hand. */
export function fitView(
  face: Face,
  places: readonly Place[],
  width: number,
  height: number,
  zoom: number,
  pan: Spot,
  marginPx = MARGIN_PX,
): StageView {
  const spots = places.map((place) => toPx({ face, originX: 0, originY: 0, pxPerM: 1 }, place));
  const [xs, ys] = [spots.map(({ x }) => x), spots.map(({ y }) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const fit = Math.min(
    (width - 2 * marginPx) / Math.max(0.5, right - left),
    (height - 2 * marginPx) / Math.max(0.5, bottom - top),
  );
  const pxPerM = fit * zoom;
  return {
    face,
    pxPerM,
    originX: width / 2 - ((left + right) / 2) * pxPerM + pan.x,
    originY: height / 2 - ((top + bottom) / 2) * pxPerM + pan.y,
  };
}

export const ZOOM = { least: 0.5, most: 6 } as const;
export const clampZoom = (zoom: number): number => Math.min(ZOOM.most, Math.max(ZOOM.least, zoom));

/** The nearest multiple of a step. */
export const snapTo = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(4));

const MAGNETS_DEG = [0, 45, 90, 110, 135, 180, -45, -90, -110, -135, -180];
const PULL_DEG = 3;

/** An angle, pulled to those that matter against a direction (the nose line), else to 5°. */
export function snapAngle(deg: number, againstDeg: number): number {
  const wrapped = wrapDeg(deg);
  const magnet = MAGNETS_DEG.find((one) => Math.abs(wrapDeg(wrapped - againstDeg - one)) < PULL_DEG);
  return Math.round(magnet === undefined ? snapTo(wrapped, 5) : wrapDeg(againstDeg + magnet));
}
