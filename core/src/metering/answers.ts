import type { MeteringPoint, Reading, SceneChangeKind } from '../setup';
import { ROLE_FACTS } from '../setup';
import type { ReadingCause } from './questions';

/** What becomes of a question once a person has said which cause it was. */
export type Answer =
  /** something happened, and when */
  | { kind: 'event'; what: SceneChangeKind; at: string }
  /** the reading was another than it was written down */
  | { kind: 'correct'; readingId: string; change: Partial<Pick<Reading, 'av' | 'pointId' | 'light' | 'fired'>> }
  /** an earlier reading is to be taken again */
  | { kind: 'again'; pointId: string }
  | { kind: 'right' };

/** Powers lie between these, stops under full. */
const POWERS = { least: -12, most: 0 };

/**
 * What a cause says of the record: an event between the reading before and this one, a correction, or that it is right.
 * Nothing is struck out by an answer.
 * @param standing all readings that hold, oldest first
 */
export function answerOf(
  cause: ReadingCause,
  reading: Reading,
  standing: readonly Reading[],
  point: MeteringPoint | undefined,
): Answer {
  const correct = (change: Extract<Answer, { kind: 'correct' }>['change']): Answer => ({
    kind: 'correct',
    readingId: reading.id,
    change,
  });
  switch (cause.kind) {
    case 'ambient': {
      const onPeople = point !== undefined && ROLE_FACTS[point.role].on !== 'place';
      const what = cause.everywhere || !onPeople ? 'sun' : 'subject-moved';
      return { kind: 'event', what, at: between(reading, standing) };
    }
    case 'power':
      return correct({
        fired: reading.fired.map((one) =>
          one.lightId === cause.lightId ? { ...one, powerStops: inRange(one.powerStops + cause.stops) } : one,
        ),
      });
    case 'meter':
    case 'tenth':
      return correct({ av: reading.av + cause.stops });
    case 'point':
      return correct({ pointId: cause.pointId ?? reading.pointId });
    case 'silent':
      return correct({ light: 'ambient', fired: [] });
    case 'earlier':
      return { kind: 'again', pointId: cause.pointId ?? reading.pointId };
    case 'right':
      return { kind: 'right' };
  }
}

const inRange = (powerStops: number): number => Math.min(POWERS.most, Math.max(POWERS.least, powerStops));

/** Half way between a reading and the one before it. */
function between({ at, id }: Reading, standing: readonly Reading[]): string {
  const end = Date.parse(at);
  const before = standing.findLast((other) => other.id !== id && Date.parse(other.at) < end);
  const start = before === undefined ? end - 1000 : Date.parse(before.at);
  return new Date((start + end) / 2).toISOString();
}
