import type { Reading } from '../setup';

/** So many readings are estimated together in a few milliseconds; twice as many take eight times as long. */
const MOST_TOGETHER = 60;

/** What a reading is the newest of: the ambient at its point as it was held, or its lights there. */
const subjectOf = ({ pointId, light, method, fired }: Reading): string =>
  light === 'ambient'
    ? `${pointId} ${method.kind === 'incident' ? method.aim : method.kind}`
    : `${pointId} ${fired.map(({ lightId }) => lightId).join()}`;

/**
 * The readings that an estimate is made from on a long day: the newest ones, and of everything that was read before them
 * the newest. What light was hours ago says little of now.
 * @param standing oldest first
 */
export function recentReadings(standing: readonly Reading[]): readonly Reading[] {
  if (standing.length <= MOST_TOGETHER) return standing;
  const newest = new Map(standing.map((reading) => [subjectOf(reading), reading]));
  const from = standing.length - MOST_TOGETHER;
  return standing.filter((reading, index) => index >= from || newest.get(subjectOf(reading)) === reading);
}
