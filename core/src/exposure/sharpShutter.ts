import { type Camera, FULL_FRAME_DIAGONAL_MM, type Lens } from '../gear';
import type { CameraWish, Motion } from '../setup';

/** The slowest shutter that still holds people who move like this, as a time value. Usual figures: a half-length picture, no panning. */
export const MOTION_LIMITS: Record<Motion, number> = {
  none: -10,
  posing: 6,
  talking: 7,
  walking: 8,
  dancing: 9,
};

/** The focal length in use: as said, else the longest of the lens, the harder case. */
export const focalLengthMm = (lens: Lens, { focalMm }: Pick<CameraWish, 'focalMm'>): number =>
  Math.min(lens.longestMm, Math.max(lens.shortestMm, focalMm ?? lens.longestMm));

/** The slowest sharp shutter and what asks for it. */
export interface SharpShutter {
  tv: number;
  because: ShutterReason;
}

/** What asks for a shutter: hands, people, or what was set. */
export type ShutterReason =
  | { kind: 'hand'; focalMm: number; stabilised: boolean }
  | { kind: 'hand-of-camera' | 'set-here' }
  | { kind: 'motion' | 'motion-on-tripod'; motion: Motion };

/**
 * The slowest shutter that is still sharp: the faster of what the hand and what the people ask for.
 * Hand: one over the focal length as seen on the 36 × 24 mm frame, slower by what the stabiliser holds; a tripod takes
 * this limit away. Without a lens the camera's own figure stands for the hand.
 */
export function slowestSharpShutter(
  camera: Camera,
  lens: Lens | null,
  wish: Pick<CameraWish, 'focalMm' | 'support' | 'motion'>,
): SharpShutter {
  const motionTv = MOTION_LIMITS[wish.motion];
  const { motion } = wish;
  if (wish.support === 'tripod') return { tv: motionTv, because: { kind: 'motion-on-tripod', motion } };
  const focalMm = lens === null ? null : focalLengthMm(lens, wish);
  const hand: SharpShutter =
    focalMm === null || lens === null
      ? { tv: camera.slowestTv, because: { kind: 'hand-of-camera' } }
      : {
          tv: Math.log2((focalMm * FULL_FRAME_DIAGONAL_MM) / camera.sensorDiagonalMm) - lens.stabilisedStops,
          because: { kind: 'hand', focalMm, stabilised: lens.stabilisedStops > 0 },
        };
  return motionTv > hand.tv ? { tv: motionTv, because: { kind: 'motion', motion } } : hand;
}
