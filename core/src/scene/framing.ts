import { dot, type Flat, flatAxes, movedBy, unitOf } from './flat';
import { lengthM, minus, type Place } from './position';

/** A camera and how wide it sees: half of the frame's width and height at unit distance. */
export interface FrameView {
  from: Place;
  towards: Place;
  halfWidth: number;
  halfHeight: number;
}

/** Sides of the usual frame, 3 : 2, of a diagonal of 1. */
const [LONG, SHORT] = [3 / Math.sqrt(13), 2 / Math.sqrt(13)];

/** What a camera sees. Source: pinhole camera, `half field = sensor / 2f`. @param upright frame held upright */
export function frameView(
  from: Place,
  at: Place,
  focalMm: number,
  sensorDiagonalMm: number,
  upright: boolean,
): FrameView {
  const [width, height] = upright ? [SHORT, LONG] : [LONG, SHORT];
  return {
    from,
    towards: unitOf(minus(at, from)),
    halfWidth: (width * sensorDiagonalMm) / 2 / focalMm,
    halfHeight: (height * sensorDiagonalMm) / 2 / focalMm,
  };
}

/** Where a place falls in the frame: −1 to 1 in both directions inside it, and how far away it is; null behind the camera. */
export function inFrame(
  { from, towards, halfWidth, halfHeight }: FrameView,
  place: Place,
): { across: number; up: number; deepM: number } | null {
  const to = minus(place, from);
  const deepM = dot(to, towards);
  if (deepM < 0.05) return null;
  const { across, up } = flatAxes(towards);
  return { across: dot(to, across) / deepM / halfWidth, up: dot(to, up) / deepM / halfHeight, deepM };
}

/** Where the corners of the frame meet a plane so far behind the subject, low left first; its middle by 0, 0. */
export function onPlaneBehind(
  { from, towards, halfWidth, halfHeight }: FrameView,
  behindM: number,
  [acrossShare, upShare]: readonly [number, number],
): Place {
  const { across, up } = flatAxes(towards);
  const ray = movedBy(movedBy(towards, across, acrossShare * halfWidth), up, upShare * halfHeight);
  return movedBy(from, ray, (from.z + behindM) / Math.max(0.05, -ray.z));
}

/** The frame's corners: shares of half its width and height. */
export const FRAME_CORNERS = [
  [-1, -1],
  [1, -1],
  [-1, 1],
  [1, 1],
] as const;

const isInside = (view: FrameView, place: Place, mostM: number): boolean => {
  const seen = inFrame(view, place);
  return seen !== null && seen.deepM < mostM && Math.abs(seen.across) < 1 && Math.abs(seen.up) < 1;
};

const EDGE_POINTS = 24;

/** True when some of a flat thing shows in the frame, nearer than the background. */
export function flatInFrame(view: FrameView, { at, faces, widthM, tallM }: Flat, backgroundM: number): boolean {
  const { across, up } = flatAxes(faces);
  if (isInside(view, at, backgroundM)) return true;
  return Array.from({ length: EDGE_POINTS }, (_, i) => (2 * Math.PI * i) / EDGE_POINTS).some((turn) =>
    isInside(
      view,
      movedBy(movedBy(at, across, (Math.cos(turn) * widthM) / 2), up, (Math.sin(turn) * tallM) / 2),
      backgroundM,
    ),
  );
}

/** True when a pole from a place straight down to the ground shows in the frame. */
export function poleInFrame(view: FrameView, top: Place, groundY: number, backgroundM: number): boolean {
  const steps = 12;
  return Array.from({ length: steps + 1 }, (_, i) => ({ ...top, y: top.y + ((groundY - top.y) * i) / steps })).some(
    (place) => isInside(view, place, backgroundM),
  );
}

/** The frame's size at the subject, metres. */
export const frameSizeM = (view: FrameView, subject: Place): { widthM: number; heightM: number } => {
  const distance = lengthM(minus(subject, view.from));
  return { widthM: 2 * view.halfWidth * distance, heightM: 2 * view.halfHeight * distance };
};
