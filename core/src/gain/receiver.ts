import { discResponse, domeResponse } from '../photometry';
import { angleDeg, direction, flatAxes, type LitPlace, minus, type Place, unitOf, wrapDeg } from '../scene';
import type { MeteringPoint, ReadingMethod, Setup } from '../setup';

/** A place that is lit, which way it faces, and how it answers light from aside: as a meter's dome, or as a flat card. */
export interface Receiver extends LitPlace {
  answers: 'dome' | 'card';
}

/** The eyes of the person in focus: the middle of the scene. */
export const EYES: Place = { x: 0, y: 0, z: 0 };
const TO_CAMERA = direction(0);
/** The dark cheek lies turned from the nose by this much, away from the key; nose and hand shade it from the other half. */
const CHEEK_DEG = 60;
const OWN_HALF_DEG = 90;

const USUAL_KEY_DEG = 40;
/** Where the key comes from, flash or lamp, degrees from the line to the camera; where there is none the open side, else the right. */
export function keySideDeg({ lights, lamps, stage }: Pick<Setup, 'lights' | 'lamps' | 'stage'>): number {
  const key = [...lights, ...lamps].find(({ role }) => role === 'key');
  return key?.sideDeg ?? (stage.openSide === 'left' ? -USUAL_KEY_DEG : USUAL_KEY_DEG);
}

/**
 * Where a point lies and which way it faces, with the subject's eyes in the middle; null where nothing says it. The face
 * is turned as on the stage; usual places on a head and a body; the background stands as far behind as was said.
 */
export function pointPlace({ role }: Pick<MeteringPoint, 'role'>, setup: Setup): LitPlace | null {
  const { turnDeg } = setup.stage.subject;
  const keySide = keySideDeg(setup);
  switch (role) {
    case 'face':
      return { at: EYES, faces: direction(setup.look.faceBy === 'light' ? keySide : turnDeg) };
    case 'grey':
      return { at: EYES, faces: TO_CAMERA };
    case 'shadow': {
      const away = wrapDeg(keySide - turnDeg) >= 0 ? -CHEEK_DEG : CHEEK_DEG;
      return { at: EYES, faces: direction(turnDeg + away), shadedFromDeg: OWN_HALF_DEG };
    }
    case 'highlight':
      return { at: { x: 0, y: 0.12, z: -0.05 }, faces: direction(180, 45) };
    case 'white':
    case 'dark':
      return { at: { x: 0, y: -0.6, z: 0 }, faces: TO_CAMERA };
    case 'background':
      return setup.backgroundM === null ? null : { at: { x: 0, y: 0, z: -setup.backgroundM }, faces: TO_CAMERA };
    default:
      return null;
  }
}

/** A point as a meter's dome there answers; null where nothing says where it lies. */
export function receiverOf(point: Pick<MeteringPoint, 'role'>, setup: Setup): Receiver | null {
  const place = pointPlace(point, setup);
  return place === null ? null : { ...place, answers: 'dome' };
}

/**
 * A point as it is read: the dome as the point faces, or turned to the light; a disc is turned to its one source; a
 * card or a cloth answers a spot reading from the camera.
 * @param light where the light comes from that dome or disc are turned to
 */
export function heldAs(receiver: Receiver, method: ReadingMethod, light: Place): Receiver {
  switch (method.kind) {
    case 'incident':
      return method.aim === 'camera' ? receiver : { ...receiver, faces: unitOf(minus(light, receiver.at)) };
    case 'disc':
      return { ...receiver, faces: unitOf(minus(light, receiver.at)), answers: 'card' };
    case 'spot':
    case 'frame':
      return { ...receiver, answers: 'card' };
    case 'reflected':
    case 'eye':
      return receiver;
  }
}

/** How a receiver answers light from an angle to where it faces, against light straight on; 0 where it is shaded. */
export function responseAt({ answers, shadedFromDeg }: Receiver, asideDeg: number): number {
  if (asideDeg > (shadedFromDeg ?? 180)) return 0;
  return answers === 'dome' ? domeResponse(asideDeg) : discResponse(asideDeg);
}

/** How far aside of where a receiver faces a place lies, degrees. */
export const asideOf = (receiver: Receiver, from: Place): number => angleDeg(minus(from, receiver.at), receiver.faces);

/** A receiver that is turned from a light by an angle, whichever way. */
export function turnedFrom(receiver: Receiver, light: Place, asideDeg: number): Receiver {
  const to = unitOf(minus(light, receiver.at));
  const { across } = flatAxes(to);
  const [sin, cos] = [Math.sin((asideDeg * Math.PI) / 180), Math.cos((asideDeg * Math.PI) / 180)];
  const faces = {
    x: to.x * cos + across.x * sin,
    y: to.y * cos + across.y * sin,
    z: to.z * cos + across.z * sin,
  };
  return { ...receiver, faces };
}
