import type { Kit } from '../gear';
import type { LightSolution } from '../lights';
import { formatAperture } from '../notation';
import type { MeteredScene } from '../metering';
import type { Reading, Setup } from '../setup';

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
  { standing, light }: MeteredScene,
  lights: readonly LightSolution[],
): Together | null {
  const firing = lights.filter(({ powerStops }) => powerStops !== null);
  const asItStands = ({ fired }: Reading) =>
    fired.length === firing.length &&
    fired.length > 1 &&
    fired.every((one) => {
      const stands = setup.lights.find(({ id }) => id === one.lightId);
      const power = stands?.dialledStops ?? firing.find(({ lightId }) => lightId === one.lightId)?.powerStops;
      return (
        stands !== undefined &&
        stands.distanceM === one.distanceM &&
        power != null &&
        Math.abs(power - one.powerStops) < 1e-6
      );
    });
  const reading = standing.findLast((one) => one.light === 'total' && asItStands(one));
  const offStops = reading === undefined ? null : light.offStops(reading.id);
  if (reading === undefined || offStops === null) return null;
  const { meterIncrement } = kit.preferences;
  return {
    readingId: reading.id,
    pointId: reading.pointId,
    readText: formatAperture(reading.av, meterIncrement),
    foretoldText: formatAperture(reading.av - offStops, meterIncrement),
    offStops,
  };
}
