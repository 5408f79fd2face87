import type { SunTrack } from './sunTrack';

/** Something round a place that hides the sun, from a bearing clockwise to another. */
export interface SkyObstacle {
  fromDeg: number;
  toDeg: number;
  /** as it is seen from the place; or how high it is over the ground there and how far away */
  size: { by: 'angle'; riseDeg: number } | { by: 'height'; heightM: number; awayM: number };
  /** leaves: some light comes through */
  leaves: boolean;
}

/** Where eyes, or what is behind people, are against the place: metres. */
export interface Viewer {
  eastM: number;
  northM: number;
  upM: number;
}

/** Whether the sun reaches a place: it does, something hides it, leaves may, or it is under the horizon. */
export type SunReach = 'sun' | 'hidden' | 'leaves' | 'down';

/** One state from a moment to a moment. */
export interface ReachSpan {
  reach: SunReach;
  fromMs: number;
  toMs: number;
}

/** Upper limb on the horizon, refraction included. Source: the convention of almanacs. */
const HORIZON_DEG = -0.833;
const SAMPLE_MS = 120_000;
const EXACT_MS = 1000;
const RADIANS = Math.PI / 180;
const wrapped = (deg: number): number => ((deg % 360) + 360) % 360;

/** Whether an obstacle lies over a bearing: from one clockwise to another, a whole circle where both are the same. */
export const isOver = ({ fromDeg, toDeg }: Pick<SkyObstacle, 'fromDeg' | 'toDeg'>, bearingDeg: number): boolean => {
  const width = wrapped(toDeg - fromDeg) || 360;
  return wrapped(bearingDeg - fromDeg) <= width;
};

/**
 * How high an obstacle rises in the direction of a bearing, degrees; null: it does not lie there. One of stated height
 * stands on a circle round the place, and a viewer beside the middle sees another part of it, nearer or farther.
 */
export function riseAt(obstacle: SkyObstacle, azimuthDeg: number, viewer: Viewer): number | null {
  const { size } = obstacle;
  if (size.by === 'angle') return isOver(obstacle, azimuthDeg) ? size.riseDeg : null;
  const [east, north] = [Math.sin(azimuthDeg * RADIANS), Math.cos(azimuthDeg * RADIANS)];
  const along = viewer.eastM * east + viewer.northM * north;
  const inside = size.awayM ** 2 - (viewer.eastM ** 2 + viewer.northM ** 2 - along ** 2);
  if (inside < 0) return null;
  const distanceM = Math.sqrt(inside) - along;
  if (distanceM <= 0) return null;
  const [hitEast, hitNorth] = [viewer.eastM + distanceM * east, viewer.northM + distanceM * north];
  if (!isOver(obstacle, Math.atan2(hitEast, hitNorth) / RADIANS)) return null;
  return Math.atan2(size.heightM - viewer.upM, distanceM) / RADIANS;
}

/** Whether the sun reaches a viewer at a moment. */
export function reachAt(track: SunTrack, outline: readonly SkyObstacle[], viewer: Viewer, ms: number): SunReach {
  const { altitudeDeg, azimuthDeg } = track.at(ms);
  if (altitudeDeg < HORIZON_DEG) return 'down';
  const before = outline.filter((one) => (riseAt(one, azimuthDeg, viewer) ?? -90) > altitudeDeg);
  if (before.length === 0) return 'sun';
  return before.every(({ leaves }) => leaves) ? 'leaves' : 'hidden';
}

/** When the sun reaches a viewer over a stretch of time, without a gap, to the second. */
export function reachSpans(track: SunTrack, outline: readonly SkyObstacle[], viewer: Viewer): ReachSpan[] {
  const at = (ms: number) => reachAt(track, outline, viewer, ms);
  const spans: ReachSpan[] = [];
  let start = track.fromMs;
  let reach = at(start);
  for (let ms = start + SAMPLE_MS; ; ms += SAMPLE_MS) {
    const end = Math.min(ms, track.toMs);
    const next = at(end);
    if (next !== reach) {
      const edge = edgeOf(at, reach, end - SAMPLE_MS, end);
      spans.push({ reach, fromMs: start, toMs: edge });
      [start, reach] = [edge, next];
    }
    if (end >= track.toMs) break;
  }
  return [...spans, { reach, fromMs: start, toMs: track.toMs }];
}

/** When a state ends between two moments. */
function edgeOf(at: (ms: number) => SunReach, state: SunReach, fromMs: number, toMs: number): number {
  let [low, high] = [fromMs, toMs];
  while (high - low > EXACT_MS) {
    const middle = (low + high) / 2;
    if (at(middle) === state) low = middle;
    else high = middle;
  }
  return Math.round(high);
}

/**
 * The last moment before an edge at which it is still so far away from a viewer: a shade whose edge walks over the ground.
 * @param clearanceM how far the edge must lie at least, metres on the ground towards or from the sun
 * @returns null where it never lay so far
 */
export function safeUntil(
  track: SunTrack,
  outline: readonly SkyObstacle[],
  viewer: Viewer,
  { reach, fromMs, toMs }: ReachSpan,
  clearanceM: number,
): number | null {
  const isClear = (ms: number): boolean => {
    const { azimuthDeg } = track.at(ms);
    const [east, north] = [Math.sin(azimuthDeg * RADIANS), Math.cos(azimuthDeg * RADIANS)];
    return [-clearanceM, clearanceM].every((byM) => {
      const beside = { ...viewer, eastM: viewer.eastM + byM * east, northM: viewer.northM + byM * north };
      return reachAt(track, outline, beside, ms) === reach;
    });
  };
  for (let ms = toMs; ms >= fromMs; ms -= SAMPLE_MS / 2) if (isClear(ms)) return ms;
  return null;
}
