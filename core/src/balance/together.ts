import type { Kit } from '../gear';
import type { LightSolution, LightsSolution } from '../lights';
import { ASKED_SD_STOPS, type MeteredScene } from '../metering';
import { formatAperture } from '../notation';
import type { Reading, Setup } from '../setup';

/** The point whose total is known least with all lights on at their powers. */
export interface LeastKnown {
  pointId: string;
  /** one standard deviation, stops */
  sdStops: number;
}

/** Where all lights together are known least, among the metered points that some light is wanted at; null for one light. */
export function leastKnownTotal(
  setup: Setup,
  tv: number,
  { light: estimate, ambientAt }: MeteredScene,
  { lights, at, targets }: LightsSolution,
): LeastKnown | null {
  const fired = lights.flatMap(({ index, powerStops, syncLossStops }) => {
    const light = setup.lights[index];
    return light === undefined || powerStops === null ? [] : [{ light, powerStops, syncLossStops }];
  });
  if (fired.length < 2) return null;
  const known = setup.points
    .filter(({ id }) => targets.has(id) && (at.get(id)?.length ?? 0) > 0)
    .filter((point) => ambientAt(point).ambientEv100 !== null)
    .map((point): LeastKnown => ({ pointId: point.id, sdStops: estimate.totalSdStops(point, tv, fired) }));
  return known.reduce<LeastKnown | null>(
    (least, one) => (least === null || one.sdStops > least.sdStops ? one : least),
    null,
  );
}

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

/** A light that was read with others on only, which do not tell how much of it is its own. */
export interface Untold {
  lightId: string;
  /** one standard deviation of what it gives at full, stops */
  sdStops: number;
}

/** Lights that fired in a reading, never alone where they aim, and are still not known: fewer points than lights, say. */
export function untoldLights({ standing, light }: MeteredScene, lights: readonly LightSolution[]): Untold[] {
  const together = standing.filter(({ id, fired }) => fired.length > 1 && !light.faults.has(id));
  return lights
    .filter(({ basis, uncertaintyStops }) => basis !== 'reading' && uncertaintyStops > ASKED_SD_STOPS)
    .filter(({ lightId }) => together.some(({ fired }) => fired.some((one) => one.lightId === lightId)))
    .map(({ lightId, uncertaintyStops }) => ({ lightId, sdStops: uncertaintyStops }));
}
