import { direction, type LitPlace } from '../scene';
import type { MeteringPoint, Setup } from '../setup';

const FACING_CAMERA = direction(0);
/** The dark cheek lies turned from the key by this much, and nose and hand shade it from what comes further aside. */
const SHADOW_TURN_DEG = 60;
const SHADOW_SEES_DEG = 80;

/** Where the key comes from, degrees from the line to the camera; to the right where there is none yet. */
const keySideDeg = ({ lights }: Setup): number => lights.find(({ role }) => role === 'key')?.sideDeg ?? 40;

/**
 * Where a point lies and which way it faces, with the subject's eyes in the middle; null where nothing says it.
 * Usual places on a head and a body; the background stands as far behind as was said.
 */
export function pointPlace({ role }: MeteringPoint, setup: Setup): LitPlace | null {
  const keySide = keySideDeg(setup);
  switch (role) {
    case 'face':
      return { at: { x: 0, y: 0, z: 0 }, faces: setup.look.faceBy === 'light' ? direction(keySide) : FACING_CAMERA };
    case 'grey':
      return { at: { x: 0, y: 0, z: 0 }, faces: FACING_CAMERA };
    case 'shadow':
      return {
        at: { x: 0, y: 0, z: 0 },
        faces: direction(keySide >= 0 ? -SHADOW_TURN_DEG : SHADOW_TURN_DEG),
        shadedFromDeg: SHADOW_SEES_DEG,
      };
    case 'highlight':
      return { at: { x: 0, y: 0.12, z: -0.05 }, faces: direction(180, 45) };
    case 'white':
    case 'dark':
      return { at: { x: 0, y: -0.6, z: 0 }, faces: FACING_CAMERA };
    case 'background':
      return setup.backgroundM === null ? null : { at: { x: 0, y: 0, z: -setup.backgroundM }, faces: FACING_CAMERA };
    default:
      return null;
  }
}
