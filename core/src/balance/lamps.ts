import { type Kit, lampLuxAt1M } from '../gear';
import { beamLossStops } from '../modifiers';
import { addLight, domeResponse, ev100FromLux } from '../photometry';
import { angleDeg, direction, lightPlace, minus } from '../scene';
import type { Setup } from '../setup';
import type { PointSolution } from './point';

const MIDDLE = { x: 0, y: 0, z: 0 };

/** What a lamp gives where it falls. */
export interface LampSolution {
  id: string;
  name: string;
  pointId: string;
  ev100: number;
  /** change of the ambient at the point when it is switched on, stops; null where the ambient is not metered */
  addsStops: number | null;
  /** its light there over the ambient, stops; null where the ambient is not metered */
  overAmbientStops: number | null;
  kelvin: number;
}

/**
 * The light of each lamp at its point by the inverse square and as a dome there sees it, and what it adds to the
 * ambient that was metered without it.
 */
export const solveLamps = ({ lamps }: Setup, kit: Kit, points: readonly PointSolution[]): LampSolution[] =>
  lamps.flatMap((placed): LampSolution[] => {
    const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
    const point = points.find(({ pointId }) => pointId === placed.pointId);
    if (lamp === undefined || point === undefined) return [];
    const asideDeg = angleDeg(minus(lightPlace(MIDDLE, placed), MIDDLE), direction(0));
    const ev100 =
      ev100FromLux((lampLuxAt1M(lamp) / placed.distanceM ** 2) * 2 ** placed.dimStops, 'dome') -
      beamLossStops(lamp.beam, placed.offAxisDeg) +
      Math.log2(Math.max(0.02, domeResponse(asideDeg)));
    const addsStops = point.ambientEv100 === null ? null : addLight(point.ambientEv100, ev100) - point.ambientEv100;
    return [
      {
        id: placed.id,
        name: lamp.name,
        pointId: point.pointId,
        ev100,
        addsStops,
        overAmbientStops: point.ambientEv100 === null ? null : ev100 - point.ambientEv100,
        kelvin: placed.kelvin,
      },
    ];
  });
