import { ratioToStops, stopsToRatio } from '../photometry';
import type { MeteringPoint, OpenSide, Reading, Setup } from '../setup';
import { ambientReadings, lightEv100 } from './levels';

/** The two ways to hold the dome for the face, and what lies between them. */
export interface DomeChoice {
  cameraEv100: number;
  lightEv100: number;
  /** dome to the light over dome to the camera, stops; exposing by the light gives a picture darker by this */
  differenceStops: number;
  by: Setup['look']['faceBy'];
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
  return { cameraEv100: lightEv100(camera), lightEv100: lightEv100(light), differenceStops, by };
}

/** How much of a frame a head and shoulders usually take. */
const SUBJECT_SHARE_OF_FRAME = 0.25;
const FOOLED_STOPS = 1 / 3;
/** A face that adds next to nothing to such a frame lies at least this far under what the background alone explains. */
const UNSEEN_FACE_STOPS = 2;

/**
 * What a camera's whole-frame meter makes of a face before a bright or dark background, stops the face lands
 * off; null when it is not fooled.
 */
export function fooledStops(reflectedEv100: number, backgroundEv100: number): number | null {
  const rest = stopsToRatio(reflectedEv100) - (1 - SUBJECT_SHARE_OF_FRAME) * stopsToRatio(backgroundEv100);
  // a background that alone explains the reading says that the face is darker than this by an unknown amount: take
  // the background's own excess
  const off =
    rest <= 0
      ? reflectedEv100 - backgroundEv100 - UNSEEN_FACE_STOPS
      : ratioToStops(rest / SUBJECT_SHARE_OF_FRAME) - reflectedEv100;
  return Math.abs(off) > FOOLED_STOPS ? off : null;
}

/** Where the ambient comes from, and how that is known. */
export interface ToldSide {
  side: OpenSide;
  by: 'said' | 'both-sides' | 'both-domes';
}

/** Readings that far apart in time are not compared: the light may have changed between them. */
const TOGETHER_MS = 15 * 60_000;
/** Lit and dark side of a face nearer to each other than this tell no side, stops. */
const SIDE_TELLS_STOPS = 0.5;
/** A dome turned to the light reads so much over one turned to the camera: less, it comes from there; more, from behind. */
const DOME_TELLS_STOPS = { fromCamera: 0.3, fromBehind: 1.5 };

/**
 * Where the ambient comes from: as it was said; else by both ways to hold the dome, `log2(2/(1 + cosθ))` apart; else by the
 * sides of the face, of which the brighter lies towards it. null where nothing tells.
 * @param keyDeg the side that the dark one is turned away from
 */
export function toldSide(
  { points, stage, look }: Pick<Setup, 'points' | 'stage' | 'look'>,
  standing: readonly Reading[],
  keyDeg: number,
): ToldSide | null {
  if (stage.openSide !== null) return { side: stage.openSide, by: 'said' };
  const [face, shadow] = (['face', 'shadow'] as const).map((role) => points.find((point) => point.role === role));
  const keySide = keyDeg < 0 ? 'left' : 'right';
  const newest = (point: MeteringPoint | undefined, aim: 'camera' | 'light') =>
    ambientReadings(standing, point?.id ?? '').findLast(
      ({ method }) => method.kind === 'incident' && method.aim === aim,
    );
  const apart = (over: Reading | undefined, under: Reading | undefined): number | null =>
    over === undefined || under === undefined || Math.abs(Date.parse(over.at) - Date.parse(under.at)) > TOGETHER_MS
      ? null
      : lightEv100(over) - lightEv100(under);
  const domes = apart(newest(face, 'light'), newest(face, 'camera'));
  if (domes !== null && domes < DOME_TELLS_STOPS.fromCamera) return { side: 'camera', by: 'both-domes' };
  if (domes !== null && domes > DOME_TELLS_STOPS.fromBehind) return { side: 'behind', by: 'both-domes' };
  const sides = apart(newest(face, look.faceBy), newest(shadow, 'camera'));
  if (sides !== null && Math.abs(sides) >= SIDE_TELLS_STOPS) {
    const other = keySide === 'left' ? 'right' : 'left';
    return { side: sides > 0 ? keySide : other, by: 'both-sides' };
  }
  return domes === null ? null : { side: keySide, by: 'both-domes' };
}
