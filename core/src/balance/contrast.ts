import type { Camera } from '../gear';
import type { Setup } from '../setup';
import type { PointSolution } from './point';
import type { Warning } from './warning';

/** Stops of light between any two points: `stops[row][column]` is row over column; null where one is not metered. */
export interface Contrast {
  pointIds: string[];
  stops: (number | null)[][];
}

/** The light at every point against every other. With flash where it is known. */
export function contrastOf(points: readonly PointSolution[]): Contrast {
  const level = ({ totalStops, ambientEv100 }: PointSolution) => totalStops ?? ambientEv100;
  return {
    pointIds: points.map(({ pointId }) => pointId),
    stops: points.map((row) =>
      points.map((column) => {
        const [a, b] = [level(row), level(column)];
        // one placed and the other not cannot be compared: both are placed as soon as a camera is chosen
        return a === null || b === null || (row.totalStops === null) !== (column.totalStops === null) ? null : a - b;
      }),
    ),
  };
}

/** A white dress wants at least this much room under clipping. */
const LEAST_HEADROOM_STOPS = 1 / 3;

/** A scene that the camera cannot hold, a dress about to burn, and a face with more contrast than wanted. */
export function contrastWarnings(
  points: readonly PointSolution[],
  camera: Pick<Camera, 'clipsAboveStops' | 'noiseBelowStops'> | null,
  look: Setup['look'],
): Warning[] {
  const warnings: Warning[] = [];
  const placed = points.filter((point): point is PointSolution & { placedStops: number } => point.placedStops !== null);
  if (camera !== null && placed.length > 1) {
    const lightest = placed.reduce((a, b) => (b.placedStops > a.placedStops ? b : a));
    const darkest = placed.reduce((a, b) => (b.placedStops < a.placedStops ? b : a));
    const span = lightest.placedStops - darkest.placedStops;
    const holds = camera.clipsAboveStops - camera.noiseBelowStops;
    if (span > holds)
      warnings.push({
        kind: 'span',
        lightestId: lightest.pointId,
        darkestId: darkest.pointId,
        spanStops: span,
        holdsStops: holds,
      });
    for (const white of placed.filter(({ role, zone }) => role === 'white' && zone !== 'clipped')) {
      const headroom = camera.clipsAboveStops - white.placedStops;
      if (headroom < LEAST_HEADROOM_STOPS)
        warnings.push({
          kind: 'headroom',
          pointId: white.pointId,
          headroomStops: headroom,
          darkenStops: LEAST_HEADROOM_STOPS - headroom + 0.05,
        });
    }
  }
  const face = points.find(({ role }) => role === 'face');
  const shadow = points.find(({ role }) => role === 'shadow');
  const level = (point: PointSolution | undefined) => point?.totalStops ?? point?.ambientEv100 ?? null;
  const lit = level(face);
  const dark = level(shadow);
  // the flash on the shadow side is not known until it is metered there: only like is compared with like
  const comparable =
    face !== undefined &&
    shadow !== undefined &&
    lit !== null &&
    dark !== null &&
    (face.flashStops === null) === (shadow.flashStops === null);
  if (comparable && lit - dark > look.faceContrastStops + 0.05)
    warnings.push({ kind: 'face-contrast', contrastStops: lit - dark, wantedStops: look.faceContrastStops });
  return warnings;
}
