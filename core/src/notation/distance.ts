/** The unit in which a person counts distances. */
export type DistanceUnit = 'm' | 'ft';

const FEET_PER_METRE = 3.28084;

/** A distance in the person's unit: `1.2 m`, `3.9 ft`. */
export function formatDistance(distanceM: number, unit: DistanceUnit): string {
  return unit === 'm' ? `${Number(distanceM.toFixed(2))} m` : `${(distanceM * FEET_PER_METRE).toFixed(1)} ft`;
}

/** Metres out of a number in the person's unit. */
export const distanceFromUnit = (value: number, unit: DistanceUnit): number =>
  unit === 'm' ? value : value / FEET_PER_METRE;

/** A number in the person's unit out of metres. */
export const distanceInUnit = (distanceM: number, unit: DistanceUnit): number =>
  unit === 'm' ? distanceM : distanceM * FEET_PER_METRE;
