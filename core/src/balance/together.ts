import type { Kit } from '../gear';
import type { LightSolution } from '../lights';
import { formatAperture } from '../notation';
import { ev100 } from '../photometry';
import type { Reading, Setup } from '../setup';
import type { PointSolution } from './point';

/** A reading with all lights on beside what was foretold for it. */
export interface Together {
  readingId: string;
  pointId: string;
  readText: string;
  foretoldText: string;
  /** read minus foretold, stops */
  offStops: number;
}

/**
 * The newest reading that was taken with every light of the setup on, at the powers and places that they have now;
 * null before there is one.
 */
export function togetherReading(
  setup: Setup,
  kit: Kit,
  standing: readonly Reading[],
  points: readonly PointSolution[],
  lights: readonly LightSolution[],
): Together | null {
  const firing = lights.filter(({ powerStops }) => powerStops !== null);
  const asItStands = ({ fired }: Reading) =>
    fired.length === firing.length &&
    fired.length > 1 &&
    fired.every((one) => {
      const light = setup.lights.find(({ id }) => id === one.lightId);
      const power = light?.dialledStops ?? firing.find(({ lightId }) => lightId === one.lightId)?.powerStops;
      return (
        light !== undefined &&
        light.distanceM === one.distanceM &&
        power != null &&
        Math.abs(power - one.powerStops) < 1e-6
      );
    });
  const reading = standing.findLast((one) => one.light === 'total' && asItStands(one));
  const point = points.find(({ pointId }) => pointId === reading?.pointId);
  if (reading === undefined || point?.totalEv100 == null) return null;
  const { meterIncrement } = kit.preferences;
  const foretoldAv = point.totalEv100 - reading.tv + reading.sv;
  return {
    readingId: reading.id,
    pointId: point.pointId,
    readText: formatAperture(reading.av, meterIncrement),
    foretoldText: formatAperture(foretoldAv, meterIncrement),
    offStops: ev100(reading) - point.totalEv100,
  };
}
