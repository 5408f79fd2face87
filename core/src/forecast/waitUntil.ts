import type { Forecast } from './forecast';

/** When the light will have changed by so much. */
export interface WaitUntil {
  minute: number;
  atMs: number;
  /** so much sooner and later it may be, by the ± of the level: minutes; null: not within what is foretold */
  soonestMinute: number;
  latestMinute: number | null;
  /** how each other point will have changed by then, stops */
  others: { pointId: string; byStops: number }[];
}

/**
 * The minute at which the ambient at a point will have changed by so many stops.
 * @param byStops negative: darker  @returns null where that is not foretold within the hour
 */
export function waitUntil({ minutes }: Forecast, pointId: string, byStops: number): WaitUntil | null {
  const [first] = minutes;
  const levelIn = (row: Forecast['minutes'][number]) => row.levels.find((level) => level.pointId === pointId);
  const start = first === undefined ? undefined : levelIn(first);
  if (first === undefined || start === undefined) return null;
  const sign = Math.sign(byStops);
  /** the first minute at which it has changed so far with so many standard deviations of what may still come */
  const reached = (deviations: number) =>
    minutes.find((row) => {
      const level = levelIn(row);
      if (level === undefined) return false;
      // what is not known already of the level now does not count twice
      const sd = Math.sqrt(Math.max(0, level.sdStops ** 2 - start.sdStops ** 2));
      return sign * (level.ev100 - start.ev100) + deviations * sd >= Math.abs(byStops);
    });
  const found = reached(0);
  if (found === undefined) return null;
  return {
    minute: found.minute,
    atMs: found.atMs,
    soonestMinute: reached(1)?.minute ?? found.minute,
    latestMinute: reached(-1)?.minute ?? null,
    others: found.levels.flatMap((level, index) =>
      level.pointId === pointId
        ? []
        : [{ pointId: level.pointId, byStops: level.ev100 - (first.levels[index]?.ev100 ?? level.ev100) }],
    ),
  };
}
