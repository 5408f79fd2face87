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

/** What a camera holds at its ISO, stops from mid grey. */
export interface Latitude {
  clipsAboveStops: number;
  noiseBelowStops: number;
}

/** Two points in different light, and what becomes of each when the exposure is the other's. */
export interface ContrastPair {
  brighterId: string;
  darkerId: string;
  /** light at the one over light at the other */
  apartStops: number;
  /** exposed for the darker one: where the brighter one lands, and whether it clips */
  brighter: { atStops: number; burns: boolean };
  /** exposed for the brighter one: where the darker one lands, and whether it is lost in noise */
  darker: { atStops: number; sinks: boolean };
}

/** Less light between two points is one exposure for both. */
const ONE_EXPOSURE_STOPS = 1 / 3;

/**
 * Every two metered points in plainly different light, the widest pair first: exposed for one, it lands at its own tone,
 * and the other as far over or under its own as its light is.
 */
export function contrastPairs({ points }: Setup, { pointIds, stops }: Contrast, latitude: Latitude): ContrastPair[] {
  const toneOf = (id: string) => points.find((point) => point.id === id)?.toneStops ?? 0;
  return pointIds
    .flatMap((brighterId, row) =>
      pointIds.flatMap((darkerId, column): ContrastPair[] => {
        const apartStops = stops[row]?.[column] ?? 0;
        if (apartStops < ONE_EXPOSURE_STOPS) return [];
        const brighterAt = toneOf(brighterId) + apartStops;
        const darkerAt = toneOf(darkerId) - apartStops;
        return [
          {
            brighterId,
            darkerId,
            apartStops,
            brighter: { atStops: brighterAt, burns: brighterAt > latitude.clipsAboveStops },
            darker: { atStops: darkerAt, sinks: darkerAt < latitude.noiseBelowStops },
          },
        ];
      }),
    )
    .sort((a, b) => b.apartStops - a.apartStops);
}

/** What the dark side of the face asks for, and what the picture may give it. */
export interface ShadowLift {
  /** lit side over dark side, and as much as is wished at most, stops */
  contrastStops: number;
  wantedStops: number;
  /** how far it is to be lifted; 0 or less: it is as wished */
  needStops: number;
  /** how far it may be lifted in the finished picture before its noise shows, stops */
  mayStops: number;
}

/**
 * A stop of ISO is a stop less light on the sensor, and noise against the picture goes with the root of the light: the
 * darkest tone that holds comes up by half a stop for each.
 */
const FLOOR_PER_ISO_STOP = 0.5;

/** How far the dark side may come up: noise in it is then what a tone at the noise floor would show. */
export function shadowLift(
  contrast: FaceContrast | null,
  camera: { noiseBelowStops: number; overBaseStops: number } | null,
): ShadowLift | null {
  if (contrast === null || contrast.darkStops === null || camera === null) return null;
  const { contrastStops, wantedStops, darkStops } = contrast;
  const floorStops = camera.noiseBelowStops + FLOOR_PER_ISO_STOP * Math.max(0, camera.overBaseStops);
  return {
    contrastStops,
    wantedStops,
    needStops: contrastStops - wantedStops,
    mayStops: Math.max(0, darkStops - floorStops),
  };
}

/** Lit side over dark side of the face, where both are known alike. */
export interface FaceContrast {
  contrastStops: number;
  wantedStops: number;
  /** where the dark side lands, stops from mid grey; null before there are settings */
  darkStops: number | null;
}

/** The contrast of the face: of the ambient alone, or with flash on both sides. */
export function faceContrast(
  points: readonly PointSolution[],
  { faceContrastStops }: Setup['look'],
): FaceContrast | null {
  const face = points.find(({ role }) => role === 'face');
  const shadow = points.find(({ role }) => role === 'shadow');
  const level = (point: PointSolution | undefined) => point?.totalStops ?? point?.ambientEv100 ?? null;
  const [lit, dark] = [level(face), level(shadow)];
  // the flash on the shadow side is not known until it is metered there: only like is compared with like
  const alike = (face?.flashStops == null) === (shadow?.flashStops == null);
  if (lit === null || dark === null || !alike) return null;
  return { contrastStops: lit - dark, wantedStops: faceContrastStops, darkStops: shadow?.placedStops ?? null };
}

/** Contrast within this of the wish is as wished, stops. */
export const CONTRAST_MET_STOPS = 0.05;

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
  const contrast = faceContrast(points, look);
  if (contrast !== null && contrast.contrastStops > contrast.wantedStops + CONTRAST_MET_STOPS)
    warnings.push({
      kind: 'face-contrast',
      contrastStops: contrast.contrastStops,
      wantedStops: contrast.wantedStops,
    });
  return warnings;
}
