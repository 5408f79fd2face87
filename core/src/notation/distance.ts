import type { Preferences } from '../gear';

const FEET_PER_METRE = 3.28084;

/** A distance in the person's unit: `1.2 m`, `3.9 ft`. */
export function formatDistance(distanceM: number, unit: Preferences['distanceUnit']): string {
  return unit === 'm' ? `${Number(distanceM.toFixed(2))} m` : `${(distanceM * FEET_PER_METRE).toFixed(1)} ft`;
}

/** Metres out of a number in the person's unit. */
export const distanceFromUnit = (value: number, unit: Preferences['distanceUnit']): number =>
  unit === 'm' ? value : value / FEET_PER_METRE;

/** A number in the person's unit out of metres. */
export const distanceInUnit = (distanceM: number, unit: Preferences['distanceUnit']): number =>
  unit === 'm' ? distanceM : distanceM * FEET_PER_METRE;
