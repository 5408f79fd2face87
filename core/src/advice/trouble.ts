import type { Balance } from '../balance';

/** What stands between the wish and the picture. */
export interface Trouble {
  kind: 'too-bright' | 'too-dark' | 'no-flash' | 'too-weak' | 'too-strong';
  byStops: number;
  /** whether camera and look cure it, or the flash */
  cures: 'camera' | 'power';
  /** the light that is out of reach; null for the camera */
  lightId: string | null;
}

/** Flash has something to do from here on. */
const LEAST_ROOM_STOPS = 0.1;
/** Room to the last bit of rounding is room, stops. */
const ROUNDING_STOPS = 1e-6;

/**
 * The camera stands otherwise than the light by now wants, and figures are for it as it stands: to set it is the first cure.
 * Where another picture is wished for they are for that already, with its own trouble.
 */
export const isCameraOff = ({ toSet, suggested }: Balance): boolean =>
  (toSet?.because.kind === 'light' || toSet?.because.kind === 'limit') && suggested?.met === true;

/** How far the ambient on the face stands over what leaves room for flash, where a flash is meant to work; 0 when it has room. */
export function noFlashStops(now: Balance): number {
  const { light, face, look } = now;
  if (isCameraOff(now)) return 0;
  if (light?.solution == null || light.solution.exactPowerStops !== null || face?.ambientStops == null) return 0;
  const over = face.ambientStops - look.finalStops + LEAST_ROOM_STOPS;
  return over > ROUNDING_STOPS ? over : 0;
}

/** The first thing in the way: the camera before the flash, since its settings decide on the power. */
export function troubleOf(now: Balance): Trouble | null {
  const { camera, light } = now;
  if (camera === null) return null;
  if (!camera.met && camera.missing !== null)
    return { kind: camera.missing, byStops: camera.missingStops, cures: 'camera', lightId: null };
  const over = noFlashStops(now);
  if (over > 0) return { kind: 'no-flash', byStops: over, cures: 'camera', lightId: null };
  // the key first, since the others are set against it
  const out = [light?.solution, ...now.lights].find((one) => one?.outOfRange != null);
  return out?.outOfRange == null
    ? null
    : { kind: out.outOfRange.direction, byStops: out.outOfRange.byStops, cures: 'power', lightId: out.lightId };
}

/** How much of a trouble is left in another state, stops; what trades the flash's trouble for the camera's has cured nothing. */
export function leftOf({ cures }: Pick<Trouble, 'cures'>, after: Balance): number {
  const camera = Math.max(after.camera?.missingStops ?? 0, noFlashStops(after));
  if (cures === 'camera') return camera;
  return camera > 0 ? Infinity : after.lights.reduce((sum, { outOfRange }) => sum + (outOfRange?.byStops ?? 0), 0);
}

/** The same state seen from one of its lights: what is said of “the flash” is then said of it. */
export function seenFrom(state: Balance, lightId: string | null): Balance {
  const one = state.usable.find(({ light }) => light.id === lightId);
  return one === undefined
    ? state
    : {
        ...state,
        light: {
          ...one,
          unit: one.config.unit,
          solution: state.lights.find((light) => light.lightId === lightId) ?? null,
        },
      };
}
