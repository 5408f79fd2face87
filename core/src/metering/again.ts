import type { MeteringPoint } from '../setup';
import { CARRIED_SD_STOPS, type LightEstimate } from './lightEstimate';
import type { PointAmbient, Staleness } from './pointAmbient';

/** A point to be metered again, and which others its reading settles. */
export interface MeterAgain {
  pointId: string;
  settles: string[];
  /** how well those are known then, stops: one standard deviation */
  withinStops: number;
  because: Staleness;
}

/** A point whose level is asked for. */
interface Asked {
  point: MeteringPoint;
  stale: Staleness;
}

/** The fewest readings that settle what is asked for: each is tried, and the one that settles most is taken first. */
export function meterAgain(
  light: LightEstimate,
  points: readonly { point: MeteringPoint; ambient: PointAmbient }[],
): MeterAgain[] {
  let open = points.flatMap(({ point, ambient: { stale } }): Asked[] =>
    stale === null || !stale.asked ? [] : [{ point, stale }],
  );
  const again: MeterAgain[] = [];
  while (open.length > 0) {
    const tries = open.map((one) => {
      const others = open.filter((other) => other !== one);
      const then = light.withReading(
        one.point,
        others.map(({ point }) => point),
      );
      const settled = others.filter(({ point }) => (then.get(point.id) ?? Infinity) <= CARRIED_SD_STOPS);
      return { one, settled, withinStops: Math.max(0, ...settled.map(({ point }) => then.get(point.id) ?? 0)) };
    });
    const best = tries.reduce((a, b) => (b.settled.length > a.settled.length ? b : a));
    again.push({
      pointId: best.one.point.id,
      because: best.one.stale,
      settles: best.settled.map(({ point }) => point.id),
      withinStops: best.withinStops,
    });
    open = open.filter((one) => one !== best.one && !best.settled.includes(one));
  }
  return again;
}
