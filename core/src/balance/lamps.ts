import { AS_IT_STANDS, lampAt, receiverForAim, receiverOf, standing } from '../gain';
import type { Kit } from '../gear';
import { addLight } from '../photometry';
import type { Setup } from '../setup';
import type { PointSolution } from './point';

/** A lamp that does not reach its point at all. */
const NOTHING_EV100 = -10;

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

/** The light of each lamp at its point as a dome there sees it, and what it adds to the ambient that was metered without it. */
export function solveLamps(setup: Setup, kit: Kit, points: readonly PointSolution[]): LampSolution[] {
  const panels = standing(setup, kit, AS_IT_STANDS);
  return setup.lamps.flatMap((placed): LampSolution[] => {
    const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
    const solved = points.find(({ pointId }) => pointId === placed.pointId);
    const point = setup.points.find(({ id }) => id === placed.pointId);
    if (lamp === undefined || solved === undefined || point === undefined) return [];
    const receiver =
      receiverOf(point, setup) ?? receiverForAim(setup, { ...placed, aimPointId: point.id, featherDeg: 0 });
    const ev100 = lampAt(placed, kit, receiver, setup, panels) ?? NOTHING_EV100;
    const { ambientEv100 } = solved;
    return [
      {
        id: placed.id,
        name: lamp.name,
        pointId: point.id,
        ev100,
        addsStops: ambientEv100 === null ? null : addLight(ambientEv100, ev100) - ambientEv100,
        overAmbientStops: ambientEv100 === null ? null : ev100 - ambientEv100,
        kelvin: placed.kelvin,
      },
    ];
  });
}
