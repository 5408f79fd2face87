import { formatStopCount, ratioToStops, stopsToRatio } from '../photometry';
import type { Camera } from './camera';
import { ambientReadings, lightEv100 } from './levels';
import type { Reading } from './reading';
import type { MeteringPoint, Setup } from './setup';
import type { PointSolution, Warning } from './solution';

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

/** The two ways to hold the dome for the face, and what lies between them. */
export interface DomeChoice {
  cameraEv100: number;
  lightEv100: number;
  /** dome to the light over dome to the camera, stops; exposing by the light gives a picture darker by this */
  differenceStops: number;
  by: Setup['look']['faceBy'];
  text: string;
}

/** Dome to the camera against dome to the light at the face, when both were taken. */
export function domeChoice(
  face: MeteringPoint | undefined,
  standing: readonly Reading[],
  by: Setup['look']['faceBy'],
): DomeChoice | null {
  if (face === undefined) return null;
  const newest = (aim: 'camera' | 'light') =>
    ambientReadings(standing, face.id).findLast(({ method }) => method.kind === 'incident' && method.aim === aim);
  const camera = newest('camera');
  const light = newest('light');
  if (camera === undefined || light === undefined) return null;
  const differenceStops = lightEv100(light) - lightEv100(camera);
  const apart = formatStopCount(differenceStops);
  const text =
    apart === '0.0'
      ? 'Both ways read the same: the light comes from the camera.'
      : by === 'camera'
        ? `Set to the camera: brighter and more open by ${apart} stops than to the light.`
        : `Set to the light: deeper and moodier by ${apart} stops than to the camera.`;
  return { cameraEv100: lightEv100(camera), lightEv100: lightEv100(light), differenceStops, by, text };
}

/** How much of a frame a head and shoulders usually take. */
const SUBJECT_SHARE_OF_FRAME = 0.25;
const FOOLED_STOPS = 1 / 3;
/** A face that adds next to nothing to such a frame lies at least this far under what the background alone explains. */
const UNSEEN_FACE_STOPS = 2;

/** What a camera's whole-frame meter makes of a face before a bright or dark background, stops the face lands off; null when it is not fooled. */
export function fooledStops(reflectedEv100: number, backgroundEv100: number): number | null {
  const rest = stopsToRatio(reflectedEv100) - (1 - SUBJECT_SHARE_OF_FRAME) * stopsToRatio(backgroundEv100);
  // a background that alone explains the reading says that the face is darker than this by an unknown amount: take the background's own excess
  const off =
    rest <= 0
      ? reflectedEv100 - backgroundEv100 - UNSEEN_FACE_STOPS
      : ratioToStops(rest / SUBJECT_SHARE_OF_FRAME) - reflectedEv100;
  return Math.abs(off) > FOOLED_STOPS ? off : null;
}

/** A white dress wants at least this much room under clipping. */
const LEAST_HEADROOM_STOPS = 1 / 3;

/** Words for a scene that the camera cannot hold, a dress about to burn, and a face with more contrast than wanted. */
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
        text: `${lightest.name} lies ${formatStopCount(span)} stops over ${darkest.name.toLowerCase()}; this camera holds ${formatStopCount(holds)}. One of them will be lost.`,
      });
    for (const white of placed.filter(({ role, zone }) => role === 'white' && zone !== 'clipped')) {
      const headroom = camera.clipsAboveStops - white.placedStops;
      if (headroom < LEAST_HEADROOM_STOPS)
        warnings.push({
          kind: 'headroom',
          text: `${white.name} has ${formatStopCount(headroom)} stops of headroom. Darken by ${formatStopCount(LEAST_HEADROOM_STOPS - headroom + 0.05)} or more to be safe.`,
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
    warnings.push({
      kind: 'face-contrast',
      text: `The shadow side lies ${formatStopCount(lit - dark)} stops under the face; the look calls for ${formatStopCount(look.faceContrastStops)} at most. Open it with a reflector or fill.`,
    });
  return warnings;
}
