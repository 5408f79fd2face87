import type { Kit } from '../gear';
import { formatStopCount } from '../notation';
import type { MeteringPoint, Reading } from '../setup';
import { ambientReadings, lightEv100 } from './levels';
import type { PointReading } from './stale';

/** A reading that does not fit: kept, but asked about, with the likely cause. */
export interface ReadingQuestion {
  /** the same for the same doubt, so that an answer holds */
  id: string;
  kind: 'shadow-above-face' | 'sun-in-shade' | 'jump' | 'flash-mode' | 'far-off' | 'outlier';
  readingId: string;
  pointId: string;
  text: string;
  cause: string;
}

/** Open shade stays under this light, EV100 (about 44 000 lux); direct sun reaches it. */
const DIRECT_SUN_EV100 = 13.7;
/** Two readings agree within this, stops. */
const AGREE_STOPS = 1 / 3;
const JUMP_STOPS = 1;
const JUMP_WITHIN_MS = 60_000;
/** One scene rarely spans more than this in incident light. */
const SCENE_SPAN_STOPS = 9;

/** Readings that contradict each other or what was said of their point. */
export function questionReadings(
  all: readonly PointReading[],
  standing: readonly Reading[],
  confirmed: readonly string[],
): ReadingQuestion[] {
  const questions: ReadingQuestion[] = [];
  const ask = (
    kind: ReadingQuestion['kind'],
    { reading, point }: Pick<PointReading, 'reading' | 'point'>,
    text: string,
    cause: string,
  ) => {
    const id = `${kind}:${reading.id}`;
    if (!confirmed.includes(id)) questions.push({ id, kind, readingId: reading.id, pointId: point.id, text, cause });
  };
  const at = (role: string) => all.find(({ point }) => point.role === role);
  const face = at('face');
  const shadow = at('shadow');
  if (face !== undefined && shadow !== undefined) {
    const above = lightEv100(shadow.reading) - lightEv100(face.reading);
    if (above > 0.1)
      ask(
        'shadow-above-face',
        shadow,
        `The shadow side reads ${formatStopCount(above)} stops above the face.`,
        'Sides swapped, or the dome caught the light: shade it with the hand and meter again.',
      );
  }
  const suns = all.filter(({ point }) => point.standsIn === 'sun').map(({ reading }) => lightEv100(reading));
  for (const one of all.filter(({ point }) => point.standsIn === 'shade')) {
    const level = lightEv100(one.reading);
    if (level >= DIRECT_SUN_EV100 || suns.some((sun) => Math.abs(sun - level) <= AGREE_STOPS))
      ask(
        'sun-in-shade',
        one,
        `${one.point.name} is said to be in shade and reads like direct sun, EV ${level.toFixed(1)}.`,
        'The shade has walked on, the dome stood in the sun, or the ISO on the meter was another.',
      );
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
      if (Math.abs(jump) > JUMP_STOPS)
        ask(
          'jump',
          one,
          `${one.point.name} jumped ${formatStopCount(jump)} stops ${jump > 0 ? 'brighter' : 'darker'} within a minute.`,
          'A cloud, a dome turned away, or a shutter or ISO on the meter that was changed and not noted.',
        );
    }
    if (one.reading.meterMode === 'flash')
      ask(
        'flash-mode',
        one,
        `${one.point.name} was metered as ambient with the meter in flash mode.`,
        'Without a pop it waits or shows the ambient at its own shutter only; with one it shows the total. Set it to ambient and meter again.',
      );
    const others = all.filter((other) => other !== one).map(({ reading }) => lightEv100(reading));
    if (others.length > 1 && others.every((other) => Math.abs(other - lightEv100(one.reading)) > SCENE_SPAN_STOPS))
      ask(
        'far-off',
        one,
        `${one.point.name} lies over ${SCENE_SPAN_STOPS} stops from every other point.`,
        'A decimal point or a zero may be missing in the figure, the shutter or the ISO.',
      );
  }
  return questions;
}

/** Flash readings that disagree with what is known of their light: not learned from and not corrected by, until they are said to be right. */
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
    return [
      {
        id,
        kind: 'outlier',
        readingId,
        pointId: point.id,
        text: `The flash at the ${point.name.toLowerCase()} reads ${formatStopCount(offStops)} stops ${offStops < 0 ? 'under' : 'over'} what is known of this light (± ${formatStopCount(expectedSdStops)}).`,
        cause:
          offStops < 0
            ? 'Wrong channel, wrong power, a head not recycled, the dome turned away, or something in the way.'
            : 'Wrong power, another light that fired too, or dappled sun on the dome.',
      },
    ];
  });
}

/** The name under which the question about a reading that disagrees is answered. */
export const outlierQuestion = (readingId: string): string => `outlier:${readingId}`;
