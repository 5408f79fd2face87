import { direction, type Place, wrapDeg } from '../scene';
import type { StagePlan, Sun } from '../setup';
import { sunPosition } from '../sky';

/** Where the sun stands against the camera. */
export interface SunStand {
  /** from the line to the camera, positive to the right of the camera; 180: behind the subject */
  sideDeg: number;
  altitudeDeg: number;
  /** direction to it, unit */
  towards: Place;
}

/** By the sun as it is said: documents never change, and while a light is dragged the sun is asked for at every frame. */
const known = new WeakMap<Sun, SunStand>();

/** The sun of a stage: typed, or from place and time. The camera's right is clockwise of where it looks; the subject looks back. */
export function sunStand({ sun }: Pick<StagePlan, 'sun'>): SunStand | null {
  if (sun === null) return null;
  const stood = known.get(sun);
  if (stood !== undefined) return stood;
  const { sideDeg, altitudeDeg } = sun.by === 'hand' ? sun : fromTime(sun);
  const stands = { sideDeg, altitudeDeg, towards: direction(sideDeg, altitudeDeg) };
  known.set(sun, stands);
  return stands;
}

function fromTime({
  latitudeDeg: latitude,
  longitudeDeg: longitude,
  at,
  cameraLooksDeg,
}: Extract<Sun, { by: 'time' }>) {
  const { altitudeDeg, azimuthDeg } = sunPosition(latitude, longitude, new Date(at));
  // straight behind the subject is where the camera looks; clockwise from there lies to the camera's right
  return { altitudeDeg, sideDeg: wrapDeg(180 - (azimuthDeg - cameraLooksDeg)) };
}

/** Under this nobody sees the sun, degrees: its upper limb, refraction included. */
const SEEN_FROM_DEG = -0.833;

/**
 * The sun that is seen at a side of the frame at a moment: it tells which way the camera looks, and no compass is needed.
 * @param sideDeg as `SunStand` counts it  @returns null where the sun is not up at that place then
 */
export function seenSun(
  { latitudeDeg, longitudeDeg }: { latitudeDeg: number; longitudeDeg: number },
  at: Date,
  sideDeg: number,
): Extract<Sun, { by: 'time' }> | null {
  const { altitudeDeg, azimuthDeg } = sunPosition(latitudeDeg, longitudeDeg, at);
  if (altitudeDeg < SEEN_FROM_DEG) return null;
  const looks = wrapDeg(azimuthDeg - 180 + sideDeg);
  return {
    by: 'time',
    latitudeDeg,
    longitudeDeg,
    at: at.toISOString(),
    cameraLooksDeg: Math.round(looks < 0 ? looks + 360 : looks),
  };
}
