import type { CameraDial } from '../gear';
import { TV_RANGE } from '../notation';
import type { CameraStands, CameraWish } from '../setup';
import { type CameraGear, type CameraSolution, limitsInForce, settingsOf } from './cameraSettings';

/** A picture that moves by less is the same picture, stops: what stands on the camera may stay. */
const UNSEEN_STOPS = 1 / 6;
const SAME_DIAL_STOPS = 0.05;

/** A limit that what stands on the camera has passed. */
export type PassedLimit = 'sync' | 'sharp-shutter' | 'highest-iso' | 'lens';

/** What is to be set on the camera, and why. */
export interface ToSet {
  /** the dials that are to be moved, in the order in which cameras show them; all where nobody said how it stands */
  dials: CameraDial[];
  because:
    | { kind: 'never-told' }
    /** another picture is wished for than the one that it was set for */
    | { kind: 'wish' }
    /** the light is another: as it stands the picture is so many stops brighter than wished, or darker */
    | { kind: 'light'; brighterStops: number }
    | { kind: 'limit'; limit: PassedLimit };
}

/** The camera that all figures are for, what is suggested beside it, and what is to be set. */
export interface CameraNow {
  camera: CameraSolution | null;
  suggested: CameraSolution | null;
  /** null: it stands as it should, or nothing is known yet */
  toSet: ToSet | null;
}

/** A limit of body, lens, hand or flash that settings have passed; null where they hold all of them. */
export function passedLimit(
  { av, tv, sv }: CameraStands,
  { body, lens }: CameraGear,
  wish: CameraWish,
  fires: boolean,
): PassedLimit | null {
  if (wish.video !== null) return null;
  const limits = limitsInForce(body, lens, wish);
  const over = (value: number, most: number) => value > most + SAME_DIAL_STOPS;
  const pastSync = fires && !(wish.highSpeedSync && body.highSpeedSync);
  if (pastSync && over(tv, limits.safeSyncTv)) return 'sync';
  if (over(limits.slowestTv, tv)) return 'sharp-shutter';
  if (over(sv, body.extendedHighSv ?? limits.highestSv)) return 'highest-iso';
  const [widest, smallest] = [lens?.widestAv ?? body.widestAv, lens?.smallestAv ?? body.smallestAv];
  return over(widest, av) || over(av, smallest) || over(tv, Math.min(body.fastestTv, TV_RANGE.most)) ? 'lens' : null;
}

const DIALS: readonly [CameraDial, 'tv' | 'av' | 'sv'][] = [
  ['shutter', 'tv'],
  ['aperture', 'av'],
  ['iso', 'sv'],
];

/**
 * The camera as it stands beside what is suggested. From when it was set all figures are for it as it stands; once another
 * picture is wished for they are for the suggestion, unless that is the same picture.
 * @param suggested null while nothing says what the level should be
 */
export function cameraNow(
  suggested: CameraSolution | null,
  gear: CameraGear,
  wish: CameraWish,
  fires: boolean,
): CameraNow {
  const { stands } = wish;
  const all: ToSet = { dials: DIALS.map(([dial]) => dial), because: { kind: 'never-told' } };
  if (stands === null) return { camera: suggested, suggested, toSet: suggested === null ? null : all };
  const asSet: CameraSolution = {
    ...settingsOf(stands, gear, wish, fires),
    met: suggested?.met ?? true,
    missing: suggested?.missing ?? null,
    missingStops: suggested?.missingStops ?? 0,
    reason: null,
  };
  if (suggested === null) return { camera: asSet, suggested, toSet: null };
  const dials = DIALS.flatMap(([dial, key]) =>
    Math.abs(stands[key] - suggested[key]) > SAME_DIAL_STOPS ? [dial] : [],
  );
  if (dials.length === 0) return { camera: asSet, suggested, toSet: null };
  if (!stands.inForce) return { camera: suggested, suggested, toSet: { dials, because: { kind: 'wish' } } };
  const limit = passedLimit(stands, gear, wish, fires);
  if (limit !== null) return { camera: asSet, suggested, toSet: { dials, because: { kind: 'limit', limit } } };
  const brighterStops = suggested.ev100 - asSet.ev100;
  const because: ToSet['because'] = { kind: 'light', brighterStops };
  return { camera: asSet, suggested, toSet: Math.abs(brighterStops) > UNSEEN_STOPS ? { dials, because } : null };
}
