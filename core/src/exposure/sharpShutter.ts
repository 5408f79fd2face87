import { type Camera, FULL_FRAME_DIAGONAL_MM, type Lens } from '../gear';
import { formatShutter } from '../notation';
import type { CameraWish, Motion } from '../setup';

/** The slowest shutter that still holds people who move like this, as a time value. Usual figures: a half-length picture, no panning. */
export const MOTION_LIMITS: Record<Motion, { tv: number; name: string; words: string }> = {
  none: { tv: -10, name: 'Nothing', words: 'nothing moves' },
  posing: { tv: 6, name: 'Posing', words: 'people who pose' },
  talking: { tv: 7, name: 'Talking', words: 'people who talk' },
  walking: { tv: 8, name: 'Walking', words: 'people who walk' },
  dancing: { tv: 9, name: 'Dancing', words: 'people who dance' },
};

/** The focal length in use: as said, else the longest of the lens, the harder case. */
export const focalLengthMm = (lens: Lens, { focalMm }: Pick<CameraWish, 'focalMm'>): number =>
  Math.min(lens.longestMm, Math.max(lens.shortestMm, focalMm ?? lens.longestMm));

/** The slowest sharp shutter and what asks for it. */
export interface SharpShutter {
  tv: number;
  because: string;
}

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
  const motion = MOTION_LIMITS[wish.motion];
  if (wish.support === 'tripod')
    return {
      tv: motion.tv,
      because: wish.motion === 'none' ? 'on a tripod, nothing moves' : `on a tripod, ${motion.words}`,
    };
  const focalMm = lens === null ? null : focalLengthMm(lens, wish);
  const hand =
    focalMm === null || lens === null
      ? { tv: camera.slowestTv, because: 'in the hand, from the camera' }
      : {
          tv: Math.log2((focalMm * FULL_FRAME_DIAGONAL_MM) / camera.sensorDiagonalMm) - lens.stabilisedStops,
          because: `in the hand at ${Math.round(focalMm)} mm${lens.stabilisedStops > 0 ? ', stabilised' : ''}`,
        };
  return motion.tv > hand.tv ? { tv: motion.tv, because: motion.words } : hand;
}

/** The same in a line: `1/125: people who talk`. */
export const saySharpShutter = ({ tv, because }: SharpShutter, increment: Camera['increment']): string =>
  `${formatShutter(tv, increment)}: ${because}`;
