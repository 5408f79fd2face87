import { formatIso } from '../notation';
import type { ByItself } from '../frames';
import type { ExposureSettings } from '../photometry';

/** What a camera did by itself that works against settings by hand. */
export type FrameFight =
  | { kind: 'automatic-exposure' | 'automatic-white-balance' | 'flash-fired' }
  | { kind: 'compensation'; stops: number }
  | { kind: 'automatic-iso'; isoText: string };

/** A setting that differs by less is the same dial. */
const SAME_DIAL_STOPS = 0.1;

/**
 * What a test frame tells that fights the setup: exposure or white balance that the camera chose, a compensation, an ISO that is
 * another while shutter and aperture are as set, and a flash that fired where none is used.
 * @param camera as it should stand; null before there are settings
 */
export function frameFights(
  frame: ExposureSettings & { byItself: ByItself },
  camera: ExposureSettings | null,
  flashIsUsed: boolean,
): FrameFight[] {
  const { exposure, compensationStops, whiteBalance, flashFired } = frame.byItself;
  const fights: FrameFight[] = [];
  if (exposure === 'automatic') fights.push({ kind: 'automatic-exposure' });
  if (compensationStops !== null && Math.abs(compensationStops) > SAME_DIAL_STOPS)
    fights.push({ kind: 'compensation', stops: compensationStops });
  const same = (key: 'av' | 'tv' | 'sv') => camera !== null && Math.abs(frame[key] - camera[key]) < SAME_DIAL_STOPS;
  if (camera !== null && same('av') && same('tv') && !same('sv'))
    fights.push({ kind: 'automatic-iso', isoText: formatIso(frame.sv) });
  if (whiteBalance === 'automatic') fights.push({ kind: 'automatic-white-balance' });
  if (flashFired === true && !flashIsUsed) fights.push({ kind: 'flash-fired' });
  return fights;
}
