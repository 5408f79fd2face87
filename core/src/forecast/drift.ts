import type { PointRole } from '../setup';
import { ambientAt, type FadingPlace, shareAt, totalAt } from './fadingPlace';

/** When the picture leaves its bounds with nothing touched, and what brings it back without touching the flash. */
export interface Drift {
  minute: number;
  /** the bound that is left first */
  first: 'face' | 'background' | 'share';
  /** how far it has gone then: stops, or of the share of flash, 0 to 1 */
  by: number;
  /** the shutter that brings back the light that is there, stops of light; null: it does not go so far */
  shutterStops: number | null;
}

/**
 * The first minute at which face, background or the share of flash has left where it is by more than its bound.
 * @param shareWithin bound of the share of flash at the face, of all light
 * @param shutterSteps where the shutter may stand against now, stops of light
 */
export function driftOf(
  places: ReadonlyMap<PointRole, FadingPlace>,
  shareWithin: number,
  shutterSteps: readonly number[],
): Drift | null {
  const face = places.get('face');
  const background = places.get('background');
  const minutes = Math.max(0, ...[...places.values()].map(({ daylightStops }) => daylightStops.length));
  for (let minute = 1; minute < minutes; minute += 1) {
    const bounds = [
      { first: 'background' as const, by: movedBy(background, minute), within: background?.withinStops ?? 0 },
      { first: 'face' as const, by: movedBy(face, minute), within: face?.withinStops ?? 0 },
      { first: 'share' as const, by: shareMovedBy(face, minute), within: shareWithin },
    ];
    const left = bounds.find((bound) => Math.abs(bound.by) > bound.within);
    if (left === undefined) continue;
    const led = background ?? face;
    const fell = ambientMovedBy(led, minute);
    const shutterStops = shutterSteps.reduce((best, step) =>
      Math.abs(step + fell) < Math.abs(best + fell) ? step : best,
    );
    const isBack = Math.abs(shutterStops + fell) <= (led?.withinStops ?? 0) / 2 + 1e-9;
    return { minute, first: left.first, by: left.by, shutterStops: isBack ? shutterStops : null };
  }
  return null;
}

const ambientMovedBy = (place: FadingPlace | undefined, minute: number): number =>
  place === undefined ? 0 : ambientAt(place, minute) - ambientAt(place, 0);

const movedBy = (place: FadingPlace | undefined, minute: number): number =>
  place === undefined ? 0 : totalAt(place, minute) - totalAt(place, 0);

const shareMovedBy = (place: FadingPlace | undefined, minute: number): number =>
  place === undefined ? 0 : (shareAt(place, minute) ?? 0) - (shareAt(place, 0) ?? 0);
