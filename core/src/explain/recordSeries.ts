import type { Frame } from '../documents';
import { lightEv100 } from '../metering';
import type { PointRole, Reading, Setup } from '../setup';

/** What was read at kinds of points over time. */
export interface RecordSeries {
  role: PointRole;
  rows: { id: string; setupId: string; atMs: number; value: number }[];
}

/** A record as lines over time. */
export interface RecordLines {
  /** ambient by kind of point, EV100 */
  ambient: RecordSeries[];
  /** flash alone by kind of point, aperture value at ISO 100 */
  flash: RecordSeries[];
  /** the settings of test frames, EV100 */
  settings: { id: string; setupId: string; atMs: number; value: number; av: number; tv: number; sv: number }[];
}

/** Readings and test frames as lines over time, oldest first; what is struck out is left out. */
export function recordLines(
  setups: readonly Pick<Setup, 'id' | 'points'>[],
  readings: readonly Reading[],
  frames: readonly Frame[],
): RecordLines {
  const points = new Map(setups.map(({ id, points: its }) => [id, its]));
  const linesOf = (light: Reading['light'], valueOf: (reading: Reading) => number): RecordSeries[] => {
    const series = new Map<PointRole, RecordSeries>();
    for (const reading of readings) {
      const role = points.get(reading.setupId)?.find(({ id }) => id === reading.pointId)?.role;
      if (role === undefined || reading.light !== light || reading.struckAt !== null) continue;
      const its = series.get(role) ?? { role, rows: [] };
      const { id, setupId, at } = reading;
      its.rows.push({ id, setupId, atMs: Date.parse(at), value: valueOf(reading) });
      series.set(role, its);
    }
    for (const { rows } of series.values()) rows.sort((a, b) => a.atMs - b.atMs);
    return [...series.values()];
  };
  return {
    ambient: linesOf('ambient', lightEv100),
    flash: linesOf('flash', ({ av, sv }) => av - sv),
    settings: frames
      .filter(({ setupId, struckAt }) => points.has(setupId) && struckAt === null)
      .map(({ id, setupId, at, av, tv, sv }) => ({
        id,
        setupId,
        atMs: Date.parse(at),
        value: av + tv - sv,
        av,
        tv,
        sv,
      }))
      .sort((a, b) => a.atMs - b.atMs),
  };
}
