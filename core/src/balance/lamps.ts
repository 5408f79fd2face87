import type { Kit } from '../gear';
import type { MeteredScene } from '../metering';
import { addLight } from '../photometry';
import type { Setup } from '../setup';

/** A lamp that does not reach its point at all. */
const NOTHING_EV100 = -10;

/** What a lamp gives where it falls. */
export interface LampSolution {
  id: string;
  name: string;
  pointId: string;
  on: boolean;
  /** its light alone as it is dimmed, on or off */
  ev100: number;
  /** how far that may be off: one standard deviation, stops */
  sdStops: number;
  /** change of the ambient at the point by it, stops; null where the ambient is not metered */
  addsStops: number | null;
  /** its light there over the rest of the ambient, stops; null where the ambient is not metered */
  overAmbientStops: number | null;
  kelvin: number;
}

/** The light of each lamp at its point as a dome there sees it, and what it adds to everything else there. */
export const solveLamps = (setup: Setup, kit: Kit, scene: MeteredScene): LampSolution[] =>
  setup.lamps.flatMap((placed): LampSolution[] => {
    const lamp = kit.lamps.find(({ id }) => id === placed.lampId);
    const point = setup.points.find(({ id }) => id === placed.pointId);
    if (lamp === undefined || point === undefined) return [];
    const there = scene.light.lampAt(placed, point);
    const ev100 = there?.alone.stops ?? NOTHING_EV100;
    const rest = there?.restEv100 ?? scene.ambientAt(point).ambientEv100;
    return [
      {
        id: placed.id,
        name: lamp.name,
        pointId: point.id,
        on: placed.on,
        ev100,
        sdStops: there?.alone.sdStops ?? 0,
        addsStops: rest === null ? null : addLight(rest, ev100) - rest,
        overAmbientStops: rest === null ? null : ev100 - rest,
        kelvin: placed.kelvin,
      },
    ];
  });
