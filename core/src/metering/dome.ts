import { ratioToStops, stopsToRatio } from '../photometry';
import type { MeteringPoint, Reading, Setup } from '../setup';
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
