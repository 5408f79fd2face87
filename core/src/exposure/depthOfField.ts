import type { Camera, Lens } from '../gear';
import { avFromN, nFromAv } from '../photometry';
import type { CameraWish, Setup } from '../setup';
import { focalLengthMm } from './sharpShutter';

/** Blur smaller than this part of the picture's diagonal is seen as sharp; the usual convention. */
export const CIRCLE_PART_OF_DIAGONAL = 1500;

/** The circle of confusion for a sensor, mm: its diagonal over 1500 (0.029 mm on 36 × 24 mm). */
export const circleOfConfusionMm = ({ sensorDiagonalMm }: Pick<Camera, 'sensorDiagonalMm'>): number =>
  sensorDiagonalMm / CIRCLE_PART_OF_DIAGONAL;

/**
 * Where to focus so that near and far blur alike: `s = 2·n·f/(n+f)`, distances from the lens in metres.
 */
export const focusBetweenM = (nearestM: number, farthestM: number): number =>
  (2 * nearestM * farthestM) / (nearestM + farthestM);

/**
 * The aperture value that holds everything from the nearest to the farthest person sharp, focused between them.
 * Thin lens: an object at D blurs to `f²·|D−s| / (N·D·(s−f))`; set equal to the circle of confusion c at both ends,
 * `N = f²·(far−s) / (c·far·(s−f))`.
 * @param focalMm focal length, mm; distances in metres; circle in mm
 */
export function depthAv(nearestM: number, farthestM: number, focalMm: number, circleMm: number): number {
  const s = focusBetweenM(nearestM, farthestM) * 1000;
  const far = farthestM * 1000;
  return avFromN(Math.max(0.5, (focalMm ** 2 * (far - s)) / (circleMm * far * (s - focalMm))));
}

/** From where to where it is sharp when focused at a distance, metres; `farM` is null when it reaches to infinity. */
export function sharpZoneM(
  av: number,
  focusM: number,
  focalMm: number,
  circleMm: number,
): { nearM: number; farM: number | null } {
  const hyperfocal = focalMm ** 2 / (nFromAv(av) * circleMm) + focalMm;
  const s = focusM * 1000;
  const near = (s * (hyperfocal - focalMm)) / (hyperfocal + s - 2 * focalMm);
  return { nearM: near / 1000, farM: s >= hyperfocal ? null : (s * (hyperfocal - focalMm)) / (hyperfocal - s) / 1000 };
}

/** What a setup says about depth, when lens and people are known. */
export interface Depth {
  focalMm: number;
  circleMm: number;
  focusM: number;
  /** what the people ask for */
  neededAv: number;
}

/** What depth hangs on: the people as they are said, else the subject where the camera stands; null where no lens is named. */
export function depthNow(
  { camera, stage }: Pick<Setup, 'camera' | 'stage'>,
  body: Camera,
  lens: Lens | null,
): Pick<Depth, 'focalMm' | 'circleMm' | 'focusM'> | null {
  if (lens === null) return null;
  return (
    depthWanted(body, lens, camera) ?? {
      focalMm: focalLengthMm(lens, camera),
      circleMm: circleOfConfusionMm(body),
      focusM: stage.cameraM,
    }
  );
}

/** The depth that the setup asks for; null where the aperture is typed or no lens is named. */
export function depthWanted(
  camera: Camera,
  lens: Lens | null,
  wish: Pick<CameraWish, 'depth' | 'focalMm'>,
): Depth | null {
  if (lens === null || wish.depth === null) return null;
  const focalMm = focalLengthMm(lens, wish);
  const circleMm = circleOfConfusionMm(camera);
  const { nearestM, farthestM } = wish.depth;
  return {
    focalMm,
    circleMm,
    focusM: focusBetweenM(nearestM, farthestM),
    neededAv: depthAv(nearestM, farthestM, focalMm, circleMm),
  };
}
