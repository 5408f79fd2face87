import { z } from 'zod';

import { fault } from '../photometry';

/** What readings have taught: a normal distribution over the offsets of things of the kit, in stops against their stated values. */
export const calibrationSchema = z
  .strictObject({
    ids: z.array(z.string().max(80)).max(400),
    meanStops: z.array(z.number()).max(400),
    covariance: z.array(z.array(z.number()).max(400)).max(400).meta({ description: 'stops²' }),
    readings: z
      .array(z.number().int().min(0))
      .max(400)
      .meta({ description: 'how many readings each thing has been taught by' }),
    outliers: z
      .array(
        z.strictObject({
          readingId: z.uuid().toLowerCase(),
          offStops: z.number().meta({ description: 'how far it lies from what was expected' }),
          expectedSdStops: z
            .number()
            .positive()
            .meta({ description: 'how far it might have lain, one standard deviation' }),
        }),
      )
      .max(200)
      .meta({ description: 'readings that disagree too much to be learned from' }),
  })
  .refine(
    ({ ids, meanStops, covariance, readings }) =>
      [meanStops, covariance, readings, ...covariance].every((list) => list.length === ids.length),
    fault('as-many-figures'),
  );
export type Calibration = z.infer<typeof calibrationSchema>;
export const UNTAUGHT: Calibration = { ids: [], meanStops: [], covariance: [], readings: [], outliers: [] };

/** A thing of the kit in front of a reading, and how far its stated value may be off before anything is known. */
export interface Taught {
  id: string;
  priorSdStops: number;
}

/** One reading of a light: what it gave against what the stated values promise. */
export interface Observation {
  readingId: string;
  things: readonly Taught[];
  /** measured minus promised, stops */
  offsetStops: number;
  /** one standard deviation of the reading itself, stops */
  noiseStops: number;
  /** taken as it is, even where it disagrees: the photographer has said that it is right */
  confirmed: boolean;
}

/** Readings that lie further off than this many standard deviations are questioned. */
const OUTLIER_SDS = 3;

/** The calibration with every thing in it: unknown ones at their start, with nothing shared. */
function withThings(known: Calibration, things: readonly Taught[]): Calibration {
  const fresh = things.filter(
    ({ id }, index) => !known.ids.includes(id) && things.findIndex((other) => other.id === id) === index,
  );
  if (fresh.length === 0) return known;
  const size = known.ids.length + fresh.length;
  const covariance = Array.from({ length: size }, (_, row) =>
    Array.from({ length: size }, (__, column) => {
      if (row < known.ids.length && column < known.ids.length) return known.covariance[row]?.[column] ?? 0;
      return row === column ? (fresh[row - known.ids.length]?.priorSdStops ?? 0) ** 2 : 0;
    }),
  );
  return {
    ...known,
    ids: [...known.ids, ...fresh.map(({ id }) => id)],
    meanStops: [...known.meanStops, ...fresh.map(() => 0)],
    covariance,
    readings: [...known.readings, ...fresh.map(() => 0)],
  };
}

/**
 * What is expected of a light that is made of these things: the offset from its stated values and how far that may be
 * off, stops. Things that were taught together keep what they owe each other.
 */
export function expectedOffset(
  known: Calibration,
  things: readonly Taught[],
): { offsetStops: number; sdStops: number; readings: number } {
  const at = things.map(({ id }) => known.ids.indexOf(id));
  let [offsetStops, variance] = [0, 0];
  things.forEach((thing, i) => {
    const row = at[i] ?? -1;
    if (row < 0) variance += thing.priorSdStops ** 2;
    else {
      offsetStops += known.meanStops[row] ?? 0;
      for (const column of at) if (column >= 0) variance += known.covariance[row]?.[column] ?? 0;
    }
  });
  // what every thing has been part of at least as often
  const readings = at.length === 0 ? 0 : Math.min(...at.map((row) => (row < 0 ? 0 : (known.readings[row] ?? 0))));
  return { offsetStops, sdStops: Math.sqrt(Math.max(0, variance)), readings };
}

/**
 * Learns from readings, one after the other. A Bayesian linear estimate: the offset of a reading is the sum of the
 * offsets of its things plus noise, each thing has a normal prior, and a reading moves things by their share of the
 * doubt (the Kalman step for one measurement). A reading that lies more than three standard deviations off is
 * questioned and not learned from.
 */
export function learn(start: Calibration, observations: readonly Observation[]): Calibration {
  let known = start;
  for (const { readingId, things, offsetStops, noiseStops, confirmed } of observations) {
    const next = withThings(known, things);
    const { offsetStops: expected, sdStops } = expectedOffset(next, things);
    const spread = sdStops ** 2 + noiseStops ** 2;
    const off = offsetStops - expected;
    if (!confirmed && Math.abs(off) > OUTLIER_SDS * Math.sqrt(spread)) {
      known = {
        ...known,
        outliers: [...known.outliers, { readingId, offStops: off, expectedSdStops: Math.sqrt(spread) }],
      };
      continue;
    }
    const at = new Set(things.map(({ id }) => next.ids.indexOf(id)));
    const shared = next.covariance.map((row) =>
      row.reduce((sum, value, column) => sum + (at.has(column) ? value : 0), 0),
    );
    known = {
      ...known,
      ids: next.ids,
      meanStops: next.meanStops.map((mean, index) => mean + ((shared[index] ?? 0) / spread) * off),
      covariance: next.covariance.map((row, r) =>
        row.map((value, column) => value - ((shared[r] ?? 0) * (shared[column] ?? 0)) / spread),
      ),
      readings: next.readings.map((count, index) => count + (at.has(index) ? 1 : 0)),
    };
  }
  return known;
}
