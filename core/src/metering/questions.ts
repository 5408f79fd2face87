import type { Kit } from '../gear';
import type { MeteringPoint, Reading } from '../setup';
import { ambientReadings, lightEv100 } from './levels';
import type { PointReading } from './stale';

/** A reading that does not fit: kept, but asked about, with the likely cause. */
export type ReadingQuestion = Doubt & {
  /** the same for the same doubt, so that an answer holds */
  id: string;
  readingId: string;
  pointId: string;
};

/** What does not fit, with its figures. */
export type Doubt =
  | { kind: 'shadow-above-face'; aboveStops: number }
  | { kind: 'sun-in-shade'; ev100: number }
  | { kind: 'jump'; stops: number }
  | { kind: 'flash-mode' }
  | { kind: 'from-future'; aheadMinutes: number }
  | { kind: 'far-off'; spanStops: number }
  | { kind: 'outlier'; offStops: number; expectedSdStops: number };

/** Open shade stays under this light, EV100 (about 44 000 lux); direct sun reaches it. */
const DIRECT_SUN_EV100 = 13.7;
/** Two readings agree within this, stops. */
const AGREE_STOPS = 1 / 3;
const JUMP_STOPS = 1;
const JUMP_WITHIN_MS = 60_000;
/** Clocks of two devices that were never put right differ by a few minutes. */
const CLOCKS_DIFFER_MINUTES = 5;
/** One scene rarely spans more than this in incident light. */
const SCENE_SPAN_STOPS = 9;

/** Readings that contradict each other, what was said of their point, or the clock. */
export function questionReadings(
  all: readonly PointReading[],
  standing: readonly Reading[],
  confirmed: readonly string[],
  now: Date,
): ReadingQuestion[] {
  const questions: ReadingQuestion[] = [];
  const ask = (doubt: Doubt, { reading, point }: Pick<PointReading, 'reading' | 'point'>) => {
    const id = `${doubt.kind}:${reading.id}`;
    if (!confirmed.includes(id)) questions.push({ ...doubt, id, readingId: reading.id, pointId: point.id });
  };
  const at = (role: string) => all.find(({ point }) => point.role === role);
  const face = at('face');
  const shadow = at('shadow');
  if (face !== undefined && shadow !== undefined) {
    const above = lightEv100(shadow.reading) - lightEv100(face.reading);
    if (above > 0.1) ask({ kind: 'shadow-above-face', aboveStops: above }, shadow);
  }
  const suns = all.filter(({ point }) => point.standsIn === 'sun').map(({ reading }) => lightEv100(reading));
  for (const one of all.filter(({ point }) => point.standsIn === 'shade')) {
    const level = lightEv100(one.reading);
    if (level >= DIRECT_SUN_EV100 || suns.some((sun) => Math.abs(sun - level) <= AGREE_STOPS))
      ask({ kind: 'sun-in-shade', ev100: level }, one);
  }
  for (const one of all) {
    const readings = ambientReadings(standing, one.point.id);
    const before = readings[readings.findIndex(({ id }) => id === one.reading.id) - 1];
    if (
      before !== undefined &&
      before.method.kind === one.reading.method.kind &&
      Date.parse(one.reading.at) - Date.parse(before.at) <= JUMP_WITHIN_MS
    ) {
      const jump = lightEv100(one.reading) - lightEv100(before);
      if (Math.abs(jump) > JUMP_STOPS) ask({ kind: 'jump', stops: jump }, one);
    }
    const aheadMinutes = (Date.parse(one.reading.at) - now.getTime()) / 60_000;
    if (aheadMinutes > CLOCKS_DIFFER_MINUTES) ask({ kind: 'from-future', aheadMinutes }, one);
    if (one.reading.meterMode === 'flash') ask({ kind: 'flash-mode' }, one);
    const others = all.filter((other) => other !== one).map(({ reading }) => lightEv100(reading));
    if (others.length > 1 && others.every((other) => Math.abs(other - lightEv100(one.reading)) > SCENE_SPAN_STOPS))
      ask({ kind: 'far-off', spanStops: SCENE_SPAN_STOPS }, one);
  }
  return questions;
}

/**
 * Flash readings that disagree with what is known of their light: not learned from and not corrected by, until
 * they are said to be right.
 */
export function questionFlashes(
  { calibration }: Kit,
  points: readonly MeteringPoint[],
  standing: readonly Reading[],
  confirmed: readonly string[],
): ReadingQuestion[] {
  return calibration.outliers.flatMap(({ readingId, offStops, expectedSdStops }): ReadingQuestion[] => {
    const reading = standing.find(({ id }) => id === readingId);
    const point = points.find(({ id }) => id === reading?.pointId);
    const id = outlierQuestion(readingId);
    if (reading === undefined || point === undefined || confirmed.includes(id)) return [];
    return [{ kind: 'outlier', offStops, expectedSdStops, id, readingId, pointId: point.id }];
  });
}

/** The name under which the question about a reading that disagrees is answered. */
export const outlierQuestion = (readingId: string): string => `outlier:${readingId}`;
